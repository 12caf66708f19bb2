import Joi from 'joi';
import { describe, expect, it } from 'vitest';
import { textOf, validated } from './validated.ts';

const schema = Joi.object<{ packs: number }>({ packs: Joi.number().integer().min(1).required() });

describe('what somebody sent', () => {
	it('is read by its schema', () => {
		expect(validated(schema, { packs: '3' })).toEqual({ error: null, value: { packs: 3 } });
	});
	it('is refused with every place that is wrong', () => {
		const { error, value } = validated(schema, { packs: 0, more: true }, { abortEarly: false });
		expect(value).toBeNull();
		expect(error?.details.map(({ path }) => path.join('.'))).toEqual(['packs', 'more']);
	});
	it('is refused before it is read where it holds more than any form, or nests it deeper', () => {
		const nested = (depth: number) => JSON.parse('['.repeat(depth) + ']'.repeat(depth)) as unknown;
		for (const much of [nested(100_000), { packs: Array(60_000).fill(1) }, { packs: nested(40) }])
			expect(validated(schema, much).error?.message).toContain('more than any form');
		// Held to its schema where it is no more than that.
		expect(validated(schema, { packs: nested(20) }).error?.message).toContain('must be a number');
	});
	it.each([null, undefined, 'packs', 3, []])('is no form where it is %j', (sent) => {
		expect(validated(schema.required(), sent).error).not.toBeNull();
	});
});

describe('a field of a form', () => {
	const form = new FormData();
	form.set('words', 'flour');
	form.set('file', new File(['flour'], 'flour.csv'));
	it.each([
		['words', 'flour'],
		['file', ''],
		['none', '']
	])('%s reads %j', (field, text) => {
		expect(textOf(form, field)).toBe(text);
	});
});
