import { describe, expect, it } from 'vitest';
import { shelfLifeBlocks } from './blocks.ts';
import { borneOut, daysOf, type ShelfTest } from './shelf-life.ts';

const test = (days: [day: number, isGood: boolean][], of: ShelfTest['of'] = 'baked'): ShelfTest => ({
	of,
	madeOn: '2026-04-05',
	keptHow: 'in its bag at 21 °C',
	days: days.map(([day, isGood]) => ({ day, isGood, found: isGood ? 'sound' : 'a spot of mould' }))
});

describe('the days a test bears out', () => {
	it.each([
		[[], null],
		[[[1, true]], 1],
		[
			[
				[1, true],
				[4, true],
				[6, false]
			],
			4
		],
		// Found good again after it was bad: the first bad day ends it.
		[
			[
				[1, true],
				[3, false],
				[4, true]
			],
			1
		],
		[[[2, false]], 0],
		// Noted again: the later note of a day stands.
		[
			[
				[3, true],
				[3, false],
				[2, true]
			],
			2
		]
	] as [[number, boolean][], number | null][])('%j: %j', (days, expected) =>
		expect(daysOf(test(days))).toBe(expected)
	);

	it('are the fewest of several, each kind for itself', () => {
		const tests = [test([[5, true]]), test([[4, true]]), test([]), test([[30, true]], 'premix')];
		expect(borneOut(tests, 'baked')).toBe(4);
		expect(borneOut(tests, 'premix')).toBe(30);
		expect(borneOut(tests, 'dough')).toBeNull();
	});
});

describe('the days on a label', () => {
	const fields = (bestBeforeDays: number | null, borne: number | null, shelfLifeTest = '') =>
		shelfLifeBlocks({ bestBeforeDays, shelfLifeTest }, borne).map(({ field }) => field);

	it('rest on a test that was noted, or on one in words', () => {
		expect(fields(null, null)).toEqual([]);
		expect(fields(4, null)).toEqual(['shelfLifeTest']);
		expect(fields(4, null, 'kept 7 days at 21 °C')).toEqual([]);
		expect(fields(4, 4)).toEqual([]);
	});

	it('are no more than the tests bear out, whatever the words say', () => {
		expect(fields(5, 4, 'kept 7 days at 21 °C')).toEqual(['bestBeforeDays']);
	});
});
