import Joi from 'joi';
import type { DayAhead } from '../selling/how-many.ts';
import type { Outcome } from '../problem.ts';
import { readDocument } from './read-document.ts';

const MOST_DAYS = 5000;
const MOST_PACKS = 1_000_000;
const packs = Joi.number().integer().min(0).max(MOST_PACKS).required();
const money = Joi.string()
	.pattern(/^\d{1,12}(\.\d{1,12})?$/)
	.messages({ 'string.pattern.base': '{{#label}} must be a decimal number in quotes, such as "6.50"' })
	.required();

const schema = Joi.object<DayAhead>({
	days: Joi.array()
		.items(Joi.object({ sold: packs, soldOutAt: Joi.number().greater(0).max(1).allow(null).required() }))
		.max(MOST_DAYS)
		.required(),
	price: money,
	cost: money,
	leftover: money,
	ordered: packs
});

/** What `how-many` is asked in a document's text, or every problem found in it. */
export function readDayAhead(text: string): Outcome<DayAhead> {
	return readDocument(text, schema);
}
