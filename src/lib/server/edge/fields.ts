import Joi from 'joi';
import { isDay } from './query.ts';
import { roundTo } from '$core/measure/round.ts';
import {
	readCount,
	readGrams,
	readGramsList,
	readMoney,
	readNumber,
	type Read
} from '$core/measure/reading.ts';
import { readLength } from '$core/measure/length.ts';

/** The most a typed weight may be: a tonne. What is heavier was a slip. */
const MOST_GRAMS = 1_000_000;
/** What the database keeps of a weight. */
const STEP_G = 0.001;

/** Text as typed, read by one of the core's readers; an empty optional field is null. */
export function typed<T>(
	read: (text: string) => Read<T>,
	options: { optional?: boolean } = {},
	check?: (value: T) => string | null
) {
	// Not Joi.string(): a value that `allow` lets through never reaches `custom`, and '' must.
	return Joi.any()
		.required()
		.custom((text: unknown, helpers) => {
			if (typeof text !== 'string') return helpers.message({ custom: 'must be text' });
			if (text.trim() === '' && options.optional) return null;
			const result = read(text);
			const message = result.ok ? (check?.(result.value) ?? null) : result.message;
			if (message !== null || !result.ok) return helpers.message({ custom: `{{#text}}` }, { text: message });
			return result.value;
		});
}

/** A weight with an optional unit, to the thousandth of a gram. */
export const grams = (options: { optional?: boolean; positive?: boolean } = {}) =>
	typed(
		(text) => {
			const result = readGrams(text);
			return result.ok ? { ok: true, value: roundTo(result.value, STEP_G) } : result;
		},
		options,
		(value) => {
			if (value > MOST_GRAMS) return 'is more than a tonne: check the figure and its unit';
			return options.positive && value <= 0 ? 'must be more than 0 g' : null;
		}
	);

/** Weights in one field. */
export const gramsList = () =>
	typed(readGramsList, {}, (values) =>
		values.some((value) => value > MOST_GRAMS) ? 'has more than a tonne among the weights: check it' : null
	);

/** A whole number within limits. */
export const count = (least: number, most: number, options: { optional?: boolean } = {}) =>
	typed(readCount, options, (value) =>
		value < least || value > most ? `must be from ${least} to ${most}` : null
	);

/** A number within limits. */
export const number = (least: number, most: number, options: { optional?: boolean } = {}) =>
	typed(readNumber, options, within(least, most));

/** Says what is wrong with a number outside a range. */
export const within = (least: number, most: number) => (value: number) =>
	value < least || value > most ? `must be from ${least} to ${most}` : null;

/** A length with an optional unit, in `unit`. */
export const length = (
	unit: 'cm' | 'mm',
	least: number,
	most: number,
	options: { optional?: boolean } = {}
) => typed((text) => readLength(text, unit), options, within(least, most));

/** An amount of money as a decimal string. */
export const money = (options: { optional?: boolean } = {}) => typed(readMoney, options);

/** Text that may not be blank. */
export const text = (most: number, message = 'empty: type a name') =>
	Joi.string()
		.trim()
		.required()
		.max(most)
		.messages({
			'string.empty': message,
			'any.required': message,
			'string.max': `is longer than ${most} characters`
		});

/** Text that may be left out. */
export const optionalText = (most: number) =>
	Joi.string()
		.trim()
		.allow('')
		.default('')
		.max(most)
		.messages({ 'string.max': `is longer than ${most} characters` });

/** A calendar day, `2026-03-14`; an empty optional one is null. */
export const day = (options: { optional?: boolean } = {}) =>
	typed((value) => (isDay(value) ? { ok: true, value } : { ok: false, message: 'choose a day' }), options);

/** A time of day, `09:30`; an empty optional one is null. */
export const timeOfDay = (options: { optional?: boolean } = {}) =>
	typed(
		(value) =>
			/^([01]\d|2[0-3]):[0-5]\d$/.test(value)
				? { ok: true, value }
				: { ok: false, message: 'write the time as 09:30' },
		options
	);

/** What the id of a row is like. */
export const ID = /^[0-9A-Z]{26}$/;

/** The id of a row. */
export const id = (message: string) =>
	Joi.string()
		.pattern(ID)
		.required()
		.messages({ 'string.pattern.base': message, 'string.empty': message, 'any.required': message });

/** A record's version. */
export const version = () => Joi.number().integer().min(1).required();
