import { describe, expect, it } from 'vitest';
import { dough, recipe } from '$core/testing/recipe.ts';
import { closingFigures, stockUses, stockUsesAtHand, unweighedLines } from './batch-closing.ts';
import type { BatchStock } from './server/lots/types.ts';

const weighed = (ingredient: string, weighed_g: number | null) => ({ ingredient, weighed_g });
const flourStock = {
	ingredientId: 'flour',
	name: 'Bread flour',
	unit: 'g',
	perPack: 0,
	from: [
		{ lotId: '1', amount: 700 },
		{ lotId: '2', amount: 300.5 }
	]
} as unknown as BatchStock;
const bagStock = {
	ingredientId: null,
	name: 'bag',
	unit: 'pieces',
	perPack: 2,
	from: []
} as unknown as BatchStock;

describe('what a batch uses of its lots', () => {
	it('is every line of the ingredient, and so many materials a pack', () => {
		const lines = [weighed('flour', 1000), weighed('water', 600), weighed('flour', 40.5)];
		expect(stockUses([flourStock, bagStock], lines, 4)).toEqual([
			// 1000 + 40.5 used, 700 + 300.5 drawn
			{ name: 'Bread flour', unit: 'g', consumed: 1040.5, drawn: 1000.5 },
			// 4 packs, two bags each
			{ name: 'bag', unit: 'pieces', consumed: 8, drawn: 0 }
		]);
	});

	it('is nothing of what was not weighed yet', () => {
		expect(stockUses([flourStock], [weighed('flour', null)], 0)[0]?.consumed).toBe(0);
	});

	it('is drawn from what is at hand, as far as it goes', () => {
		const lines = [weighed('flour', 1040.5)];
		const atHand = (onHand: number) => [{ ingredientId: 'flour', name: 'Bread flour', onHand }];
		// 40 are missing: enough, just enough, too little, and a lot that is below nothing already.
		for (const [onHand, drawn] of [
			[500, 1040.5],
			[40, 1040.5],
			[39, 1039.5],
			[-5, 1000.5]
		] as const)
			expect(stockUsesAtHand([flourStock], lines, 0, atHand(onHand))[0]?.drawn).toBe(drawn);
	});
});

describe('what stages close on', () => {
	it('are lines of the mix alone that have to be weighed, once the batch is begun', () => {
		const lines = [
			{ use: 'dough', weighed_g: 1000 },
			{ use: 'dough', weighed_g: null },
			{ use: 'dusting', weighed_g: null }
		] as never;
		expect(unweighedLines({ lines, recorded: true })).toBe(1);
		expect(unweighedLines({ lines, recorded: false })).toBe(0);
	});

	it('are the figures of the recipe and what was counted', () => {
		const counted = { leftover_g: 12, sellable: 30, packs: 5, loose: 0 };
		const figures = closingFigures(
			recipe({
				formula: { name: 'Roti', lines: [dough('flour', 1000), dough('water', 600.5)] },
				batch: { doughWeight_g: 1590, rejects: 2, finishedWeights_g: [42] },
				pack: { pieces: 6, materials: [] }
			}),
			null,
			counted,
			1
		);
		expect(figures).toMatchObject({
			doughMass_g: 1600.5,
			doughLines: 2,
			doughWeight_g: 1590,
			ballCount: null,
			rejects: 2,
			packPieces: 6,
			...counted
		});
	});
});
