import type { ValidationErrorItem } from 'joi';
import type { Problem } from '../problem.ts';

/** A Joi path as the file's errors write it: `formula.lines[2].grams`. */
export function pathText(path: readonly (string | number)[]): string {
	return path.reduce<string>(
		(text, step) => (typeof step === 'number' ? `${text}[${step}]` : text ? `${text}.${step}` : step),
		''
	);
}

/** A Joi finding in plain words, at its place. */
export function schemaProblem(item: ValidationErrorItem): Problem {
	return { path: pathText(item.path), message: plain(item) };
}

function plain(item: ValidationErrorItem): string {
	const context = item.context ?? {};
	const key = context.key === undefined ? 'the file' : `"${context.key}"`;
	const what = typeof item.path.at(-1) === 'number' ? `entry ${Number(item.path.at(-1)) + 1}` : key;
	switch (item.type) {
		case 'any.required':
			return `${what} is missing`;
		case 'object.unknown':
			return `${what} is not a key known here; check its spelling or remove it`;
		case 'any.unknown':
			return `${what} does not belong to a line of this use`;
		case 'any.only':
			return item.path.join('.') === 'squareBatch'
				? `this program reads version 1 of the file, not ${JSON.stringify(context.value)}`
				: `${what} must be one of: ${(context.valids as unknown[]).join(', ')}`;
		case 'number.base':
		case 'number.infinity':
		case 'number.unsafe':
			return `${what} must be a number${context.value === null ? ', not null' : ''}`;
		case 'number.min':
			return context.limit === 0
				? `${what} cannot be negative (${context.value})`
				: `${what} must be at least ${context.limit} (${context.value})`;
		case 'number.greater':
			return `${what} must be more than ${context.limit} (${context.value})`;
		case 'number.max':
			return `${what} cannot be more than ${context.limit} (${context.value})`;
		case 'number.integer':
			return `${what} must be a whole number (${context.value})`;
		case 'string.base':
			return `${what} must be text in quotes`;
		case 'string.empty':
			return `${what} is empty`;
		case 'array.base':
			return `${what} must be a list`;
		case 'object.base':
			return `${what} must be an object in braces`;
		default:
			return item.message;
	}
}
