import { describe, expect, it } from 'vitest';
import { dough, flour, ingredient, surface, water } from '../testing/recipe.ts';
import { asTaken, plannedRange, takenShares, type FeltLine } from './by-feel.ts';
import type { Line } from './types.ts';

const named = (line: Line): FeltLine => ({ ...line, toWeigh: false, most_g: null });
const toWeigh = (line: Line): FeltLine => ({ ...line, toWeigh: true, most_g: null });
const byFeel = (line: Line, most_g: number): FeltLine => ({ ...line, toWeigh: false, most_g });
const LINES = [
	named(dough('flour', 1000)),
	byFeel(dough('water', 600), 650),
	named(dough('salt', 20)),
	toWeigh(surface('butter', 'layering', 0))
];
/** A batch twice the formula, with so much water and butter; null was not weighed. */
const batch = (water_g: number | null, butter_g: number | null, stayed_g: number | null = null) =>
	takenShares([
		{ ...named(dough('flour', 2000)), weighed: true },
		{ ...byFeel(dough('water', water_g ?? 1200), 1300), weighed: water_g !== null },
		{ ...named(dough('salt', 40)), weighed: true },
		{ ...toWeigh(surface('butter', 'layering', butter_g ?? 0, stayed_g)), weighed: butter_g !== null }
	]);

describe('what batches took of lines by feel', () => {
	it('is a share of what the other dough lines weighed', () => {
		// 1224 of 2040 g is 0.6; 204 of 2040 g is 0.1
		expect(batch(1224, 204)).toEqual([
			{ key: 'water dough  1', used: 0.6, uptake: null },
			{ key: 'butter layering  1', used: 0.1, uptake: null }
		]);
		expect(batch(null, null)).toEqual([]);
	});

	it('stands in the formula as the mean of its batches, with their spread', () => {
		// Of 1020 g: butter 0.1 and 0.12 are 102 and 122.4 g, 112.2 on average, s = 20.4/√2 = 14.425
		const { lines, taken, without } = asTaken(LINES, [batch(1224, 204), batch(1224, 244.8)]);
		expect(lines[3]?.used_g).toBeCloseTo(112.2, 9);
		expect(lines[1]?.used_g).toBeCloseTo(612, 9);
		expect(taken.map(({ line, batches }) => [line.ingredient, batches])).toEqual([
			['water', 2],
			['butter', 2]
		]);
		expect(taken[1]?.sd_g).toBeCloseTo(14.425, 3);
		expect(without).toEqual([]);
		// What is named stays as it was said.
		expect([lines[0]?.used_g, lines[2]?.used_g]).toEqual([1000, 20]);
	});

	it('waits for a line that has no grams from anywhere, and keeps what was planned by feel', () => {
		const { lines, without } = asTaken(LINES, [batch(null, null)]);
		expect(without.map(({ ingredient }) => ingredient)).toEqual(['butter']);
		expect(lines[1]?.used_g).toBe(600);
	});

	it('of one batch has no spread', () => {
		expect(asTaken(LINES, [batch(1224, 204)]).taken[1]).toMatchObject({ sd_g: null, batches: 1 });
	});

	it('takes what stayed on where every batch weighed it', () => {
		const stayed = asTaken(LINES, [batch(1224, 204, 102), batch(1224, 204, 204)]).lines[3];
		expect(stayed?.uptake_g).toBeCloseTo(76.5, 9); // 51 and 102 g
		expect(asTaken(LINES, [batch(1224, 204, 102), batch(1224, 204)]).lines[3]?.uptake_g).toBeNull();
	});

	it('goes by the newest six', () => {
		const six = Array.from({ length: 6 }, () => batch(1224, 204));
		expect(asTaken(LINES, [...six, batch(1224, 2040)]).lines[3]?.used_g).toBeCloseTo(102, 9);
	});

	it('knows the second of two alike from the first', () => {
		const twice = [...LINES, toWeigh(surface('butter', 'layering', 0))];
		const { without } = asTaken(twice, [batch(1224, 204)]);
		expect(without).toHaveLength(1);
	});
});

describe('what is planned of lines by feel before a batch tells', () => {
	const shelf = new Map([flour, water, ingredient('salt', { kind: 'salt' })].map((each) => [each.id, each]));
	const ingredientOf = (id: string) => shelf.get(id) ?? flour;
	const grams = (lines: readonly FeltLine[] | undefined) => lines?.map(({ used_g }) => used_g);

	it('is from what goes in at once to what is kept back too', () => {
		const lines = [named(dough('flour', 1000)), byFeel(dough('water', 600), 650)];
		const range = plannedRange(lines, ingredientOf, null);
		expect(grams(range?.low)).toEqual([1000, 600]);
		expect(grams(range?.high)).toEqual([1000, 650]);
	});

	it('of water without grams is the family’s usual hydration, less the water that is named', () => {
		// 50 to 58 % of 1000 g are 500 and 580 g, of which 100 g are another line
		const lines = [named(dough('flour', 1000)), named(dough('water', 100)), toWeigh(dough('water', 0))];
		const range = plannedRange(lines, ingredientOf, { low: 50, high: 58 });
		expect(grams(range?.low)).toEqual([1000, 100, 400]);
		expect(grams(range?.high)).toEqual([1000, 100, 480]);
		expect(plannedRange(lines, ingredientOf, null)).toBeNull();
	});

	it('is nothing where every line names its grams, or what is open is no water', () => {
		expect(plannedRange([named(dough('flour', 1000))], ingredientOf, { low: 50, high: 58 })).toBeNull();
		const salted = [named(dough('flour', 1000)), toWeigh(dough('salt', 0))];
		expect(plannedRange(salted, ingredientOf, { low: 50, high: 58 })).toBeNull();
		expect(plannedRange([toWeigh(dough('water', 0))], ingredientOf, { low: 50, high: 58 })).toBeNull();
	});
});
