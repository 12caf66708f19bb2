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
