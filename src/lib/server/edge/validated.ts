import type Joi from 'joi';
import { wellFormedIn } from '$core/measure/text.ts';

/** What somebody sent, once read by its schema; or what is wrong with it. */
export type Validated<T> = { error: Joi.ValidationError; value: null } | { error: null; value: T };

/** Reads something by its schema; of its text, halves of characters are left out. */
export function validated<T>(
	schema: Joi.ObjectSchema<T>,
	given: unknown,
	options: Joi.ValidationOptions = {}
): Validated<T> {
	const read: Joi.ValidationResult<T> = schema.validate(wellFormedIn(given), options);
	return read.error ? { error: read.error, value: null } : { error: null, value: read.value };
}

/** The text of a field of a form; '' where it has none, or a file. */
export function textOf(form: FormData, field: string): string {
	const value = form.get(field);
	return typeof value === 'string' ? value : '';
}
