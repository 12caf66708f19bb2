import { describe, expect, it } from 'vitest';
import { readWish, type Now } from './said.ts';

const now: Now = {
	printedPer: 'serving',
	amountOf: (figure) => (figure === 'cost' ? 0.1 : figure === 'sodium_mg' ? 200 : null),
	pack: { pieces: 6, materials: 0.12 }
};
const target = (text: string) => {
	const read = readWish(text, now);
	if (!read.ok || read.value.kind !== 'target') throw new Error(JSON.stringify(read));
	const { figure, per, atMost, atLeast, as } = read.value.target;
	return [figure, per, atMost === null ? `≥ ${atLeast}` : `≤ ${atMost}`, as];
};

describe('a wish in words', () => {
	it.each([
		['sodium at most 140 mg', ['sodium_mg', 'serving', '≤ 140', 'printed']],
		['Carbs under 20 g a piece', ['carbohydrate_g', 'piece', '≤ 20', 'exact']],
		['protein at least 5 g', ['protein_g', 'serving', '≥ 5', 'printed']],
		['no less than 3 g fibre per serving', ['fibre_g', 'serving', '≥ 3', 'printed']],
		['not more than 1 g saturated fat', ['saturates_g', 'serving', '≤ 1', 'printed']],
		['fat below 5 g per 100 g', ['fat_g', '100g', '≤ 5', 'exact']],
		['fat at most 8 %', ['fat', 'piece', '≤ 8', 'exact']],
		['hydration at least 52', ['hydration', 'piece', '≥ 52', 'exact']],
		['salt under 1,8 %', ['salt', 'piece', '≤ 1.8', 'exact']],
		['cost at most 0.09 a piece', ['cost', 'piece', '≤ 0.09', 'exact']],
		// 0.90 less 0.12 of materials, by six.
		['cost under 0.90 a pack', ['cost', 'piece', '≤ 0.13', 'exact']],
		['10 % cheaper', ['cost', 'piece', '≤ 0.09', 'exact']],
		['ten per cent cheaper', ['cost', 'piece', '≤ 0.09', 'exact']],
		['less sodium', ['sodium_mg', 'piece', '≤ 180', 'exact']],
		['25 % less sodium', ['sodium_mg', 'piece', '≤ 150', 'exact']]
	])('%s', (text, expected) => expect(target(text)).toEqual(expected));

	it('without something', () => {
		for (const text of ['no milk', 'without milk', 'milk-free', 'Free of milk'])
			expect(readWish(text, now)).toEqual({ ok: true, value: { kind: 'without', word: 'milk' } });
	});

	it('says what is missing', () => {
		for (const text of ['', 'nicer', 'sodium', 'more protein'])
			expect(readWish(text, now).ok, text).toBe(false);
	});
});
