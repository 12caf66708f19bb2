import { describe, expect, it } from 'vitest';
import { derive } from '../derive.ts';
import type { Recipe } from '../formula/types.ts';
import { dough, flour, ingredient, per100g, recipe, water } from '../testing/recipe.ts';
import { amountOf, wishOfLine } from './amount.ts';

const salt = ingredient('salt', { kind: 'salt', per100g: per100g({ sodium_mg: 38758 }) });
const ROTI: Recipe = recipe({
	ingredients: [flour, water, salt],
	formula: { name: 'Roti', lines: [dough('flour', 1000), dough('water', 550), dough('salt', 20)] }
});
function factsOf(of: Recipe) {
	const derived = derive(of);
	if (!derived.ok) throw new Error(JSON.stringify(derived.problems));
	return derived.value;
}
const facts = factsOf(ROTI);

describe('what a recipe has of a figure', () => {
	it('is of a piece, of a serving of so many, or of the flour', () => {
		const piece = amountOf(ROTI, facts, 'sodium_mg', 'piece');
		expect(piece).toBeCloseTo(Number(facts.perPiece.sodium_mg), 9);
		const pieces = facts.serving?.pieces ?? 1;
		expect(amountOf(ROTI, facts, 'sodium_mg', 'serving')).toBeCloseTo((piece ?? 0) * pieces, 9);
		// 20 g to 1000 g of flour.
		expect(amountOf(ROTI, facts, 'salt', 'piece')).toBeCloseTo(2, 9);
	});
});

describe('a line of the panel as a wish', () => {
	it('is at most what it prints now, of the serving it prints by', () => {
		const key = 'sodium_mg';
		const panelKey = wishOfLine(ROTI, facts, 'sodium');
		expect(panelKey).toMatchObject({ figure: key, per: 'serving', as: 'printed', atLeast: null });
		// What prints stands within the rounding of what it is: 5 mg at most up to 140 mg, 10 mg above.
		const exact = amountOf(ROTI, facts, key, 'serving') ?? NaN;
		expect(Math.abs((panelKey?.atMost ?? NaN) - exact)).toBeLessThanOrEqual(exact > 140 ? 5 : 2.5);
	});

	it('is at least so much of what is good to have more of', () => {
		expect(wishOfLine(ROTI, facts, 'protein')).toMatchObject({ figure: 'protein_g', atMost: null });
	});

	it('is none of a line that no such figure prints on', () => {
		expect(wishOfLine(ROTI, facts, 'no such line')).toBeNull();
	});
});
