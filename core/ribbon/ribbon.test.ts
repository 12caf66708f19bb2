import { describe, expect, it } from 'vitest';
import type { Line } from '../formula/types.ts';
import { derivePlan, expectedCookLoss } from '../plan.ts';
import { dough, factsOf, recipe, surface } from '../testing/recipe.ts';
import { makeupTotal_g } from '../formula/makeup.ts';
import { ribbonFigures, ribbonSoFar, type Reached } from './ribbon.ts';

const lines: Line[] = [dough('flour', 1000), dough('water', 600), surface('flour', 'dusting', 60, 31)];

describe('ribbonFigures', () => {
	const given = recipe({
		formula: { name: 'x', lines },
		batch: { doughWeight_g: 1580, rejects: 2, finishedWeights_g: [42] },
		pack: { pieces: 6 }
	});
	const ribbon = ribbonFigures(given, factsOf(given), 3);

	it('carries the grams of every stage', () => {
		// 31 balls of 50; 31 pieces of 42; four packs of six; three sold
		expect(
			ribbon.stages.map((stage) => [
				stage.key,
				stage.grams === null ? null : Math.round(stage.grams),
				stage.count
			])
		).toEqual([
			['weighedIn', 1600, null],
			['dough', 1580, null],
			['balls', 1550, 31],
			['pieces', 1302, 31],
			['packs', 1008, 4],
			['sold', 756, 3]
		]);
	});

	it('what leaves and joins accounts for every step', () => {
		expect(ribbon.leaves.map((leaf) => [leaf.label, Math.round(leaf.grams)])).toEqual([
			['bowl and hands', 20],
			['leftover', 30],
			['surface, on', -31],
			['water off', 279],
			['rejects', 84],
			['loose', 210]
		]);
	});

	it('keeps water apart from what held it', () => {
		// 600 g water and 12 % of 1000 g flour
		expect(ribbon.stages[0]?.makeup).toEqual({ flour: 880, water: 720, fat: 0, other: 0 });
	});

	it('steam takes water only', () => {
		const hot = recipe({ batch: { doughWeight_g: 1500, mixGap: 'evaporation' } });
		const { stages, leaves } = ribbonFigures(hot, factsOf(hot), 0);
		expect(stages[1]?.makeup).toEqual({ flour: 880, water: 620, fat: 0, other: 0 });
		expect(leaves[0]).toMatchObject({ label: 'steam', grams: 100 });
	});

	it('stops where no finished piece was weighed', () => {
		const raw = recipe({ batch: {}, pack: { pieces: 6 } });
		expect(
			ribbonFigures(raw, factsOf(raw), 0).stages.map((stage) => stage.makeup && makeupTotal_g(stage.makeup))
		).toEqual([1600, 1600, 1600, null, null, null]);
	});
});

describe('ribbonSoFar', () => {
	const given = recipe({
		formula: { name: 'x', lines },
		batch: { doughWeight_g: 1580, rejects: 2, finishedWeights_g: [42] },
		pack: { pieces: 6 }
	});
	const nothing = { weighed: new Set<number>(), dough: false, balls: false, pieces: false, packs: false };
	const drawn = (reached: Partial<Reached>) => {
		const { stages, leaves } = ribbonSoFar(given, factsOf(given), 3, { ...nothing, ...reached });
		return [
			stages.map((stage) => (stage.grams === null ? null : Math.round(stage.grams))),
			leaves.map((leaf) => leaf.before)
		];
	};

	it('draws what was weighed in, line after line', () => {
		expect(drawn({})).toEqual([[0, null, null, null, null, null], []]);
		expect(drawn({ weighed: new Set([1]) })[0]?.[0]).toBe(600);
		expect(drawn({ weighed: new Set([0, 1]) })[0]?.[0]).toBe(1600);
	});

	it('draws a stage once it and all before it were measured', () => {
		const weighed = new Set([0, 1]);
		expect(drawn({ weighed, dough: true })).toEqual([[1600, 1580, null, null, null, null], ['dough']]);
		// The dough of a mix with a line not weighed is not told apart from what is missing.
		expect(drawn({ weighed: new Set([0]), dough: true })[0]).toEqual([1000, null, null, null, null, null]);
		expect(drawn({ weighed, balls: true })[0]).toEqual([1600, null, null, null, null, null]);
		expect(drawn({ weighed, dough: true, balls: true, pieces: true, packs: true })[0]).toEqual([
			1600, 1580, 1550, 1302, 1008, 756
		]);
	});
});

describe('derivePlan', () => {
	it('expects the mean loss of the newest six batches', () => {
		expect(expectedCookLoss([0.1, 0.2, 0.1, 0.2, 0.1, 0.2, 0.9])).toBeCloseTo(0.15, 12);
		expect(expectedCookLoss([])).toBeNull();
	});

	it('takes it off ball and uptake together', () => {
		// (50 + 32/32)·0.84
		const planned = derivePlan(
			recipe({
				formula: {
					name: 'x',
					lines: [...lines.slice(0, 2), surface('flour', 'dusting', 60, 32)]
				},
				batch: {}
			}),
			0.16
		);
		expect(planned.ok && planned.value.yield.finishedWeight_g).toBeCloseTo(42.84, 10);
	});

	it('assumes no loss without history, and leaves weighed pieces alone', () => {
		const none = derivePlan(recipe({ batch: {} }), null);
		expect(none.ok && none.value.yield.finishedWeight_g).toBeNull();
		const weighed = derivePlan(recipe(), 0.5);
		expect(weighed.ok && weighed.value.yield.finishedWeight_g).toBe(42);
	});
});
