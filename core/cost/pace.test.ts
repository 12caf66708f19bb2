import { describe, expect, it } from 'vitest';
import { paceOf } from './pace.ts';

describe('the pace of a year', () => {
	it('goes on as it went so far', () => {
		// 100 in ten days: 10 a day, 365 days
		expect(paceOf('100.00', null, '2026-01-10')).toEqual({ atYearsEnd: '3650.00', reachedOn: null });
		expect(paceOf('100.00', null, '2028-01-10')?.atYearsEnd).toBe('3660.00'); // a leap year
	});

	it('reaches the limit on the day the sum comes to it', () => {
		// 365 / 10 a day = 36.5: in the course of the 37th day, 6 February
		expect(paceOf('100.00', '365.00', '2026-01-10')?.reachedOn).toBe('2026-02-06');
		expect(paceOf('100.00', '360.00', '2026-01-10')?.reachedOn).toBe('2026-02-05');
	});

	it('is today once it is reached, and no day where the year ends before', () => {
		expect(paceOf('100.00', '100.00', '2026-01-10')?.reachedOn).toBe('2026-01-10');
		expect(paceOf('100.00', '99.00', '2026-01-10')?.reachedOn).toBe('2026-01-10');
		expect(paceOf('100.00', '3650.00', '2026-01-10')?.reachedOn).toBe('2026-12-31');
		expect(paceOf('100.00', '3650.01', '2026-01-10')?.reachedOn).toBeNull();
	});

	it('is nothing before anything is sold', () => {
		expect(paceOf('0.00', '100.00', '2026-01-10')).toBeNull();
		expect(paceOf('-5.00', '100.00', '2026-01-10')).toBeNull();
	});
});
