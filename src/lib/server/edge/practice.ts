import Joi from 'joi';
import { VERBS, type Move } from '$core/practice/move.ts';
import { SLIPS, type Claim } from '$core/practice/slips.ts';
import type { Beginning } from '../practice/begin.ts';
import { id } from './fields.ts';

const MOST_SEED = 1_000_000_000;
const MOST_CLAIMS = 20;

/** An exercise that is begun; the seed may be one a class takes together. */
export const beginForm = Joi.object<Beginning>({
	id: id('open the page again'),
	exercise: Joi.string().max(40).required().messages({ '*': 'choose an exercise' }),
	seed: Joi.number().integer().min(1).max(MOST_SEED).allow(null).required().messages({
		'*': 'a whole number, as it stands on the class’s sheet'
	}),
	batchId: Joi.string().allow('').max(26).required()
});

/** A move of the hands. */
export const moveForm = Joi.object<Move>({
	do: Joi.valid(...VERBS).required(),
	at: Joi.string().max(60).allow(null).required()
});

/** What is said at the end. */
export const finishForm = Joi.object<{ claims: Claim[] }>({
	claims: Joi.array()
		.items(
			Joi.object({
				slip: Joi.valid(...SLIPS).required(),
				subject: Joi.string().max(80).allow(null).required()
			})
		)
		.max(MOST_CLAIMS)
		.required()
});
