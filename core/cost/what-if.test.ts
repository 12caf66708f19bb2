import { describe, expect, it } from 'vitest';
import type { Line } from '../formula/types.ts';
import { dough, factsOf, flour, recipe, surface, water } from '../testing/recipe.ts';
import { suppose, type Supposable } from './what-if.ts';

const lines: Line[] = [dough('flour', 1000), dough('water', 600), surface('flour', 'dusting', 64, 32)];
const made = recipe({
	ingredients: [flour, { ...water, price: { amount: '0', grams: 1000, usable: 1 } }],
	formula: { name: 'x', lines },
	batch: { rejects: 2 },
	pack: { pieces: 6, materials: [{ name: 'bag', cost: '0.10' }] }
});
const facts = factsOf(made);
const of: Supposable = {
	recipe: made,
	doughWeight_g: facts.yield.doughWeight_g,
	pieces: facts.yield.pieces,
	ballWeight_g: facts.yield.ballWeight_g
};
const asMade = { priceFactors: {}, ballWeight_g: 50, rejects: 2, packPieces: 6 };

describe('what if', () => {
	it('nothing were otherwise: it costs what it cost', () => {
		// 1600 g in balls of 50 g: 32; 30 to sell, 5 packs. (1000 + 64) g × 0.001 = 1.0640
		const same = suppose(of, asMade);
		expect(same).toMatchObject({ pieces: 32, sellable: 30, packs: 5, loose: 0 });
		expect(same?.cost).toEqual(facts.cost);
		expect(same?.cost.batch).toBe('1.0640');
	});

	it('flour cost half as much again', () => {
		// 1.0640 × 1.5 = 1.5960; / 30 = 0.0532; × 6 + 0.10 = 0.4192
		expect(suppose(of, { ...asMade, priceFactors: { flour: 1.5 } })?.cost).toMatchObject({
			batch: '1.5960',
			perPiece: '0.0532',
			perPack: '0.42'
		});
	});

	it('balls were heavier: fewer pieces, each dusted as before', () => {
		// 1600 / 64 = 25; dusting 64 × 25 / 32 = 50 g: 1050 g × 0.001 = 1.0500; 23 to sell
		const heavier = suppose(of, { ...asMade, ballWeight_g: 64 });
		expect(heavier).toMatchObject({ pieces: 25, sellable: 23, packs: 3, loose: 5 });
		expect(heavier?.cost).toMatchObject({ batch: '1.0500', perPiece: '0.0457' });
		const surface = heavier?.recipe.formula.lines[2];
		expect(surface).toMatchObject({ used_g: 50, uptake_g: 25 });
	});

	it('none were rejected, and packs held four', () => {
		// 1.0640 / 32 = 0.03325; × 4 + 0.10 = 0.2330
		const other = suppose(of, { ...asMade, rejects: 0, packPieces: 4 });
		expect(other).toMatchObject({ sellable: 32, packs: 8, loose: 0 });
		expect(other?.cost.perPack).toBe('0.23');
	});

	it('nothing could be sold: there is no cost of a piece', () => {
		expect(suppose(of, { ...asMade, rejects: 31 })?.sellable).toBe(1);
		expect(suppose(of, { ...asMade, rejects: 32 })).toBeNull();
		expect(suppose(of, { ...asMade, ballWeight_g: 1601 })).toBeNull();
	});

	it('leaves what it was given as it was', () => {
		suppose(of, { ...asMade, ballWeight_g: 64, priceFactors: { flour: 2 } });
		expect(factsOf(made)).toEqual(facts);
	});
});
