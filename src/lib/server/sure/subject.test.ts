import { describe, expect, it } from 'vitest';
import { batchReadings, formulaReadings } from './subject.ts';

const spooned = { use: 'dough' as const, used_g: 6, uptake_g: null, low_g: 5.4, high_g: 6.6 };
const dusted = { use: 'dusting' as const, used_g: 60, low_g: 48, high_g: 72 };
const planned = (
	planned_g: number,
	more: { plannedUptake_g?: number | null; weighed_g?: number | null } = {}
) => ({
	use: 'dough' as const,
	planned_g,
	plannedUptake_g: null,
	weighed_g: null,
	...more
});

describe('how a line came to its grams', () => {
	it('a spoon has the range of its measure; grams have none', () => {
		expect(formulaReadings([spooned, { ...spooned, low_g: null, high_g: null }])).toEqual(
			new Map([
				[0, { kind: 'said', low_g: expect.closeTo(5.4, 9), high_g: expect.closeTo(6.6, 9), typical_g: 6 }]
			])
		);
	});

	it('of a surface material the range is of what is used: what stays on is in proportion', () => {
		// 36 of 60 stay on: 0.8 to 1.2 of it
		expect(formulaReadings([{ ...dusted, uptake_g: 36 }]).get(0)).toEqual({
			kind: 'said',
			low_g: expect.closeTo(28.8, 9),
			high_g: expect.closeTo(43.2, 9),
			typical_g: 36
		});
		// Never weighed, it may be anything up to all of it: the core draws that.
		expect(formulaReadings([{ ...dusted, uptake_g: null }]).size).toBe(0);
	});

	it('a batch of twice the formula has twice the range, about what was planned', () => {
		expect(batchReadings([planned(12)], [spooned], []).get(0)).toEqual({
			kind: 'said',
			low_g: expect.closeTo(10.8, 9),
			high_g: expect.closeTo(13.2, 9),
			typical_g: 12
		});
	});

	it('what was weighed is weighed; what no measure says is off by a tenth', () => {
		expect(batchReadings([planned(12, { weighed_g: 11.8 })], [spooned], []).size).toBe(0);
		const own = [{ input: 'unweighed', spread: 0.25, note: '' }];
		expect(batchReadings([planned(100)], [], []).get(0)).toMatchObject({ low_g: 90, typical_g: 100 });
		expect(batchReadings([planned(100)], [], own).get(0)).toMatchObject({ low_g: 75, high_g: 125 });
	});
});
