import Joi from 'joi';
import { ulid } from 'ulid';
import { ID } from './fields.ts';
import { wellFormedIn } from '$core/measure/text.ts';

/** What somebody sent, once read by its schema; or what is wrong with it. */
export type Validated<T> = { error: Joi.ValidationError; value: null } | { error: null; value: T };

/** No form holds more values than that, or nests them deeper. */
const MOST_VALUES = 50_000;
const DEEPEST = 32;
const TOO_MUCH = Joi.forbidden().messages({ '*': 'holds more than any form has' });

/** Goes through a document level by level: it may nest deeper than a function can call itself. */
function isTooMuch(given: unknown): boolean {
	let [level, values] = [[given], 0];
	for (let depth = 0; level.length > 0; depth++) {
		values += level.length;
		if (values > MOST_VALUES || depth > DEEPEST) return true;
		level = level.flatMap((value) =>
			typeof value === 'object' && value !== null ? (Object.values(value) as unknown[]) : []
		);
	}
	return false;
}

/** Reads something by its schema; of its text, halves of characters are left out. */
export function validated<T>(
	schema: Joi.ObjectSchema<T>,
	given: unknown,
	options: Joi.ValidationOptions = {}
): Validated<T> {
	const read: Joi.ValidationResult<T> = isTooMuch(given)
		? TOO_MUCH.validate(given)
		: schema.validate(wellFormedIn(given), options);
	return read.error ? { error: read.error, value: null } : { error: null, value: read.value };
}

/** The key a form came with, which makes it count once; a new one for a form without. */
export function keyOf(form: FormData): string {
	const key = textOf(form, 'key');
	return ID.test(key) ? key : ulid();
}

/** The text of a field of a form; '' where it has none, or a file. */
export function textOf(form: FormData, field: string): string {
	const value = form.get(field);
	return typeof value === 'string' ? value : '';
}
