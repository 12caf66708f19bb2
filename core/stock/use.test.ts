import { describe, expect, it } from 'vitest';
import { stockUses, stockUsesAtHand, type Stocked } from './use.ts';

const weighed = (ingredient: string, weighed_g: number | null) => ({ ingredient, weighed_g });
const flour: Stocked = {
	ingredientId: 'flour',
	name: 'Bread flour',
	unit: 'g',
	perPack: 0,
	from: [{ amount: 700 }, { amount: 300.5 }]
};
const bag: Stocked = { ingredientId: null, name: 'bag', unit: 'pieces', perPack: 2, from: [] };

describe('what a batch uses of its lots', () => {
	it('is every line of the ingredient, and so many materials a pack', () => {
		const lines = [weighed('flour', 1000), weighed('water', 600), weighed('flour', 40.5)];
		expect(stockUses([flour, bag], lines, 4)).toEqual([
			// 1000 + 40.5 used, 700 + 300.5 drawn
			{ name: 'Bread flour', unit: 'g', consumed: 1040.5, drawn: 1000.5 },
			// 4 packs, two bags each
			{ name: 'bag', unit: 'pieces', consumed: 8, drawn: 0 }
		]);
	});

	it('is nothing of what was not weighed yet', () => {
		expect(stockUses([flour], [weighed('flour', null)], 0)[0]?.consumed).toBe(0);
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
			expect(stockUsesAtHand([flour], lines, 0, atHand(onHand))[0]?.drawn).toBe(drawn);
	});
});
