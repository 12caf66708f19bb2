import { describe, expect, it } from 'vitest';
import { derive } from '$core/derive.ts';
import { recipe } from '$core/testing/recipe.ts';
import { planRibbon, ribbonReached } from './ribbons.ts';
import type { BatchLine } from './types.ts';

/** 1000 g flour and 600 g water in balls of 50 g, packed by 6. */
const given = recipe({ pack: { pieces: 6, materials: [] } });
const line = (ingredient: string, planned_g: number, weighed_g: number | null) =>
	({ ingredient, use: 'dough', stage: '', planned_g, plannedUptake_g: null, weighed_g }) as BatchLine;
const batch = (more: object = {}) => ({
	recipe: given,
	recorded: true,
	lines: [line('flour', 1000, 1000), line('water', 600, 600)],
	ballWeight_g: 50,
	mixGap: 'residue' as const,
	packsSold: 0,
	doughWeight_g: null,
	ballCount: null,
	finishedWeights_g: [],
	packs: null,
	...more
});
const facts = () => {
	const outcome = derive(given);
	if (!outcome.ok) throw new Error('the recipe derives');
	return outcome.value;
};
const drawn = (figures: ReturnType<typeof ribbonReached>) =>
	figures?.stages.filter((stage) => stage.makeup !== null).map((stage) => stage.key);

describe('the ribbon of a plan', () => {
	it('goes as far as can be known: without a cook loss, to the balls', () => {
		const plan = planRibbon(batch(), null);
		expect(plan?.stages.find(({ key }) => key === 'weighedIn')?.grams).toBe(1600);
		// 1600 / 50
		expect(plan?.stages.find(({ key }) => key === 'balls')?.count).toBe(32);
		expect(plan?.stages.find(({ key }) => key === 'pieces')?.grams).toBeNull();
	});
	it('with the usual loss goes on to the packs', () => {
		const plan = planRibbon(batch(), 0.16);
		// 32 pieces of 50 · 0.84 = 42 g
		expect(plan?.stages.find(({ key }) => key === 'pieces')?.grams).toBeCloseTo(1344, 6);
		// 32 pieces by 6: 5 packs, 2 left loose
		expect(plan?.stages.find(({ key }) => key === 'packs')?.count).toBe(5);
	});
	it('is none where nothing follows from the plan', () => {
		expect(planRibbon(batch({ lines: [] }), 0.16)).toBeNull();
	});
});

describe('the ribbon of a batch on the bench', () => {
	it('is none before anything is weighed, or where nothing can be derived', () => {
		expect(ribbonReached(batch({ recorded: false }), facts())).toBeNull();
		expect(ribbonReached(batch(), null)).toBeNull();
	});
	it.each([
		['the lines', {}, ['weighedIn']],
		['the dough', { doughWeight_g: 1590 }, ['weighedIn', 'dough']],
		['the balls', { doughWeight_g: 1590, ballCount: 31 }, ['weighedIn', 'dough', 'balls']],
		[
			'the pieces',
			{ doughWeight_g: 1590, ballCount: 31, finishedWeights_g: [42] },
			['weighedIn', 'dough', 'balls', 'pieces']
		]
	])('is drawn as far as %s were weighed', (_, more, keys) => {
		expect(drawn(ribbonReached(batch(more), facts()))).toEqual(keys);
	});
});
