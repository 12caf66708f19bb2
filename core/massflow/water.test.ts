import { describe, expect, it } from 'vitest';
import type { MassFlow } from './massflow.ts';
import { moistureNotices, pieceWater } from './water.ts';

/** Ten balls of 60 g from 620 g of dough weighed as 600 g, a gram of flour on each, 51 g when finished. */
const flow = (more: Partial<MassFlow> = {}): MassFlow =>
	({
		doughMass_g: 620,
		doughWeight_g: 600,
		ballWeight_g: 60,
		uptakePerPiece_g: 1,
		finishedWeight_g: 51,
		...more
	}) as MassFlow;

describe('water of a piece', () => {
	it('is what was raw less what cooked off', () => {
		// 60 + 1 − 51 = 10 g cooked off; 24 − 10 = 14 left, of 51.
		const { water, problems } = pieceWater(flow(), 24);
		expect(water).toEqual({ raw_g: 24, left_g: 14, finishedMoisture: 14 / 51 });
		expect(problems).toEqual([]);
	});

	it.each([
		['nobody knows what was raw', flow(), null],
		['no finished piece was weighed', flow({ finishedWeight_g: null }), 24]
	])('is not known where %s', (_, of, raw) => {
		expect(pieceWater(of, raw).water).toEqual({ raw_g: raw, left_g: null, finishedMoisture: null });
	});

	it('may be gone to the last drop, and no further', () => {
		expect(pieceWater(flow(), 10).problems).toEqual([]);
		const [problem] = pieceWater(flow(), 9.9).problems;
		// It names both: 10 g gone of the 9.9 g there were.
		expect(problem?.path).toBe('batch.finishedWeights_g');
		expect(problem?.message).toContain('10 g of water cooked off');
		expect(problem?.message).toContain('held only 9.9 g');
	});

	it('lost to the air before baking cannot be more than the dough held', () => {
		const { problems } = pieceWater(flow(), -0.5);
		expect(problems).toHaveLength(1);
		expect(problems[0]?.path).toBe('batch.doughWeight_g');
		expect(problems[0]?.message).toContain('20 g to evaporation');
	});
});

describe('the moisture of finished pieces', () => {
	it.each([
		[0.2, 0],
		[0.48, 0],
		[0.199, 1],
		[0.481, 1]
	])('of %d is said where it is outside 20 to 48 %%: %d notices', (finishedMoisture, notices) => {
		expect(moistureNotices({ raw_g: 1, left_g: 1, finishedMoisture })).toHaveLength(notices);
	});

	it('that is not known says nothing', () => {
		expect(moistureNotices({ raw_g: null, left_g: null, finishedMoisture: null })).toEqual([]);
	});
});
