import { describe, expect, it } from 'vitest';
import { partsOf } from './totals.ts';

const parts = (from: string | null, to: string | null) => partsOf({ from, to });

describe('the whole months of a span', () => {
	it('are all of it where it begins and ends with one, or is open', () => {
		expect(parts(null, null)).toEqual({ months: { from: null, to: null }, days: [] });
		expect(parts('2026-02-01', '2026-02-28')).toEqual({
			months: { from: '2026-02', to: '2026-02' },
			days: []
		});
		expect(parts('2025-12-01', null)).toEqual({ months: { from: '2025-12', to: null }, days: [] });
		expect(parts(null, '2024-02-29')).toEqual({ months: { from: null, to: '2024-02' }, days: [] });
	});

	it('have the days before and after them beside them, each once', () => {
		expect(parts('2026-01-31', '2026-03-01')).toEqual({
			months: { from: '2026-02', to: '2026-02' },
			days: [
				{ from: '2026-01-31', to: '2026-01-31' },
				{ from: '2026-03-01', to: '2026-03-01' }
			]
		});
		expect(parts('2026-01-02', null)).toEqual({
			months: { from: '2026-02', to: null },
			days: [{ from: '2026-01-02', to: '2026-01-31' }]
		});
		expect(parts(null, '2026-02-27')).toEqual({
			months: { from: null, to: '2026-01' },
			days: [{ from: '2026-02-01', to: '2026-02-27' }]
		});
	});

	it('are none where it lies within a month, or covers two only in part', () => {
		expect(parts('2026-02-02', '2026-02-28')).toEqual({
			months: null,
			days: [{ from: '2026-02-02', to: '2026-02-28' }]
		});
		expect(parts('2026-01-15', '2026-02-15')).toEqual({
			months: null,
			days: [
				{ from: '2026-01-15', to: '2026-01-31' },
				{ from: '2026-02-01', to: '2026-02-15' }
			]
		});
		// The wrong way round: nothing is in it.
		expect(parts('2026-03-01', '2026-01-31')).toEqual({
			months: null,
			days: [{ from: '2026-03-01', to: '2026-01-31' }]
		});
	});
});
