import Joi from 'joi';
import type { QueueName } from '../../left/types.ts';
import type { Leaving } from '../left/leave.ts';
import { id, text } from './fields.ts';

/** A day without a network comes in parts of so many. */
const MOST = 100;
const MOST_CHARACTERS = 10_000;
const ULID = /^[0-7][0-9A-HJKMNP-TV-Z]{25}$/;

/** An entry as the device has it: what it says is read when it is recorded. */
const item = () =>
	Joi.object()
		.unknown(true)
		.custom((value: object) => {
			if (JSON.stringify(value).length > MOST_CHARACTERS) throw new Error('this is no entry');
			return value;
		})
		.required();

export const leaveForm = Joi.object<{ of: string; queue: QueueName; left: Leaving[] }>({
	of: id('whose are they?'),
	queue: Joi.valid('bench', 'till').required(),
	left: Joi.array()
		.items(
			Joi.object({
				id: Joi.string().pattern(ULID).required(),
				item: item(),
				message: Joi.string().allow('').max(500).required(),
				reason: Joi.string().allow('').max(300).trim().required()
			})
		)
		.min(1)
		.max(MOST)
		.required()
});

export const recordLeftForm = Joi.object<{ id: string }>({ id: id('which entry?') });

export const letGoForm = Joi.object<{ id: string; reason: string }>({
	id: id('which entry?'),
	reason: text(300, 'why is it let go?')
});
