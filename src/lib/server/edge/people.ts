import Joi from 'joi';
import { ROLES, type Role } from '../../people/roles.ts';
import { refuse } from '../errors.ts';
import type { Span } from '../../people/member.ts';
import { MOST_PASSWORD } from '../people/passwords.ts';
import { day, id, optionalText, text, version } from './fields.ts';

/** A secret as it was typed: nothing is cut off it, and more than that nobody types. */
const secret = () => Joi.string().allow('').max(MOST_PASSWORD).required();
const name = () => text(80, 'what are you called?');
const LOGIN = /^[\p{L}\p{N}._@+-]+$/u;
/** By which somebody says who they are: one word, large letters like small ones. */
const login = () =>
	text(60, 'choose a name to come in by')
		.lowercase()
		.pattern(LOGIN)
		.messages({ 'string.pattern.base': 'one word of letters and digits, such as wren' });

export const comeInForm = Joi.object<{ login: string; password: string; second: string; to: string }>({
	login: Joi.string().trim().lowercase().max(60).allow('').required(),
	password: secret(),
	second: optionalText(12),
	to: optionalText(500)
});

export const demoForm = Joi.object<{ id: string }>({ id: id('choose somebody') });

export const firstForm = Joi.object<{
	name: string;
	login: string;
	password: string;
	kitchen: string;
	/** A kitchen that has no owner; '' for a new one. */
	take: string;
	timeZone: string;
	key: string;
}>({
	name: name(),
	login: login(),
	password: secret(),
	kitchen: optionalText(120),
	take: Joi.string().allow('').max(26).required(),
	timeZone: optionalText(64),
	key: optionalText(100)
});

export const newcomerForm = Joi.object<{ name: string; login: string; password: string }>({
	name: name(),
	login: login(),
	password: secret()
});

export const againForm = Joi.object<{ login: string; code: string; password: string }>({
	login: Joi.string().trim().lowercase().max(60).allow('').required(),
	code: optionalText(60),
	password: secret()
});

export const codeForm = Joi.object<{ id: string; code: string }>({
	id: id('choose who you are'),
	code: Joi.string().allow('').max(12).required()
});

export const nameOnlyForm = Joi.object<{ name: string }>({ name: name() });
export const passwordForm = Joi.object<{ now: string; password: string }>({
	now: secret(),
	password: secret()
});
export const secondForm = Joi.object<{ code: string }>({
	code: optionalText(12)
});
/** A proof by the password; by a passkey it is an answer of one (`edge/passkey.ts`). */
export const proofForm = Joi.object<{ now: string }>({ now: secret() });
export const ownCodeForm = Joi.object<{ code: string }>({ code: Joi.string().allow('').max(12).required() });
export const nothingForm = Joi.object<object>({});
export const deviceNameForm = Joi.object<{ name: string }>({ name: text(80, 'what is the device called?') });
export const idOnlyForm = Joi.object<{ id: string }>({ id: id('choose one') });

const MOST_SPAN_DAYS = 3660;

/** As what somebody comes in, with an inspector's days. */
const asWhat = {
	role: Joi.valid(...ROLES).required(),
	from: day({ optional: true }),
	to: day({ optional: true }),
	until: day({ optional: true })
};

interface AsWhat {
	role: Role;
	from: string | null;
	to: string | null;
	until: string | null;
}

/** Of what is begun: sent twice it is one. */
const key = () => id('open the page again');

export const inviteForm = Joi.object<AsWhat & { id: string; name: string }>({
	id: key(),
	name: text(80, 'who is it for?'),
	...asWhat
});
export const helperForm = Joi.object<{ id: string; name: string; role: Role; code: string }>({
	id: key(),
	name: text(80, 'what are they called?'),
	role: Joi.valid('maker', 'seller').required(),
	code: Joi.string().allow('').max(12).required()
});
export const changeForm = Joi.object<AsWhat & { id: string; version: number }>({
	id: id('choose somebody'),
	version: version(),
	...asWhat
});
export const letInForm = Joi.object<{ id: string; name: string; kind: 'own' | 'shared' }>({
	id: key(),
	name: text(80, 'what is the device called?'),
	kind: Joi.valid('own', 'shared').required()
});
export const deviceForm = Joi.object<{ id: string; name: string; idle: number }>({
	id: id('choose a device'),
	name: text(80, 'what is the device called?'),
	idle: Joi.number().integer().min(1).max(240).required().messages({ '*': 'from 1 to 240 minutes' })
});

/** An inspector's days; null of anybody else. Throws `Refused` at the day that is missing or before another. */
export function spanOf({ role, from, to, until }: AsWhat): Span | null {
	if (role !== 'inspector') return null;
	if (from === null) return refuse('from', 'the first day they may see');
	if (to === null) return refuse('to', 'the last day they may see');
	if (until === null) return refuse('until', 'the last day they may look');
	if (to < from) return refuse('to', 'this is before the first day');
	const days = (Date.parse(to) - Date.parse(from)) / 86_400_000;
	if (days > MOST_SPAN_DAYS) return refuse('to', 'at most ten years');
	return { from, to, until };
}
