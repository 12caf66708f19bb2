import { describe, expect, it } from 'vitest';
import { isPackSaid, readPack } from './pack.ts';

/** Oil: a cup of 236.588 mL weighs 216 g. */
const OIL = { cup: { grams: 216, low: 212, high: 220 } };
const EGG = { each: { grams: 50, low: 46, high: 57 } };

describe('what a price was paid for', () => {
	it.each([
		['500', 500],
		['22.68 kg', 22680],
		['25 kg bag', 25000],
		['bag of 25 kg', 25000],
		['a bag of 25 kg', 25000],
		['1 bag (25 kg)', 25000],
		['5 lb', 5 * 453.59237],
		['pound', 453.59237],
		['per kilo', 1000],
		['2 x 5 lb', 10 * 453.59237],
		['6 packs of 500 g', 3000]
	])('%j is %d g', (text, grams) => {
		const read = readPack(text, {}, 'us');
		expect(read.ok && read.value).toBeCloseTo(grams, 6);
	});

	it('of a volume goes by what the ingredient weighs', () => {
		// 1000 mL · 216 g ÷ 236.588 mL
		for (const text of ['1 l', 'litre', 'per litre', 'bottle of 1 l', '1 bottle of 1000 ml']) {
			const read = readPack(text, OIL, 'us');
			expect(read.ok && read.value, text).toBeCloseTo((1000 * 216) / 236.588, 6);
		}
		const six = readPack('6 bottles of 1 l', OIL, 'us');
		expect(six.ok && six.value).toBeCloseTo((6000 * 216) / 236.588, 5);
	});

	it('may be a count of what is weighed by the piece', () => {
		expect(readPack('12 each', EGG, 'us')).toEqual({ ok: true, value: 600 });
	});

	it.each([
		['', 'empty'],
		['a heap', 'not understood'],
		['bottle', 'say what the bottle holds'],
		['2 bags', 'say what the bag holds'],
		['1 l', 'nobody has said what a l of it weighs'],
		['25 kg of joy', 'not understood']
	])('%j is not guessed', (text, says) => {
		const read = readPack(text, {}, 'us');
		expect(read.ok ? '' : read.message).toContain(says);
	});
});

it.each([
	['25 kg', true],
	['1 l', true],
	['2 bags', true],
	['0', false],
	['0 kg', false],
	['', false],
	['a heap', false]
])('%j says a quantity: %s', (text, is) => {
	expect(isPackSaid(text).ok).toBe(is);
});
