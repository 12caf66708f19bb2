import Joi from 'joi';
import type { AuthenticationResponseJSON, RegistrationResponseJSON } from '@simplewebauthn/server';
import { validated } from './validated.ts';

const MOST = 20_000;
const piece = () =>
	Joi.string()
		.pattern(/^[\w-]+={0,2}$/)
		.max(MOST);
const common = {
	id: piece().max(400).required(),
	rawId: piece().max(400).required(),
	type: Joi.valid('public-key').required(),
	clientExtensionResults: Joi.object().unknown().required(),
	authenticatorAttachment: Joi.string().max(40)
};

const answerForm = Joi.object<{ response: AuthenticationResponseJSON }>({
	response: Joi.object({
		...common,
		response: Joi.object({
			clientDataJSON: piece().required(),
			authenticatorData: piece().required(),
			signature: piece().required(),
			userHandle: piece()
		}).required()
	}).required()
});

const madeForm = Joi.object<{ name: string; response: RegistrationResponseJSON }>({
	name: Joi.string().trim().max(80).required(),
	response: Joi.object({
		...common,
		response: Joi.object({
			clientDataJSON: piece().required(),
			attestationObject: piece().required(),
			authenticatorData: piece(),
			transports: Joi.array().items(Joi.string().max(20)).max(10),
			publicKeyAlgorithm: Joi.number(),
			publicKey: piece()
		}).required()
	}).required()
});

/** What an authenticator answered; null where it is nothing of the kind. */
export const passkeyAnswer = (given: unknown) => validated(answerForm, given).value?.response ?? null;

/** A passkey that was made, with what it is called. */
export const passkeyMade = (given: unknown) => validated(madeForm, given).value;
