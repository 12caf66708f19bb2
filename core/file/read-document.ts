import type Joi from 'joi';
import type { Outcome } from '../problem.ts';
import { schemaProblem } from './messages.ts';

/** A JSON text as it is, or why it is none. */
export function readJson(text: string): Outcome<unknown> {
	try {
		return { ok: true, value: JSON.parse(text.replace(/^\uFEFF/, '')) };
	} catch (error) {
		const reason = error instanceof Error ? error.message : String(error);
		return { ok: false, problems: [{ path: '', message: `the file is not JSON: ${reason}` }] };
	}
}

/** How every document is checked: all that is wrong is told, and nothing is taken for something else. */
export const STRICT = {
	abortEarly: false,
	convert: false,
	errors: { label: 'key' as const, wrap: { label: '"' as const } }
};

/** A document's text by its schema, or every problem found in it. */
export function readDocument<T>(text: string, schema: Joi.ObjectSchema<T>): Outcome<T> {
	const given = readJson(text);
	if (!given.ok) return given;
	const { error, value } = schema.required().prefs(STRICT).validate(given.value) as {
		error?: Joi.ValidationError;
		value?: T;
	};
	if (error || value === undefined) return { ok: false, problems: error?.details.map(schemaProblem) ?? [] };
	return { ok: true, value };
}
