import { describe, expect, it } from 'vitest';
import { dayIn, dayOfTime } from './day.ts';

describe('the day of a kitchen', () => {
	it('begins at its own midnight, not at that of Greenwich or of the device', () => {
		const justAfter = new Date('2026-03-14T05:00:00Z');
		const justBefore = new Date('2026-03-14T04:59:59Z');
		// Chicago is five hours behind in March, once its clocks have gone forward.
		expect(dayIn('America/Chicago', justAfter)).toBe('2026-03-14');
		expect(dayIn('America/Chicago', justBefore)).toBe('2026-03-13');
		expect(dayIn('UTC', justBefore)).toBe('2026-03-14');
		expect(dayIn('Pacific/Auckland', new Date('2026-12-31T11:00:00Z'))).toBe('2027-01-01');
	});
});

it('a time that was kept is of the kitchen’s day: half past seven in the evening of the 14th is not the 15th', () => {
	expect(dayOfTime('2026-03-15 00:30:00.000', 'America/Chicago')).toBe('2026-03-14');
	expect(dayOfTime('2026-03-15T00:30:00.000Z', 'America/Chicago')).toBe('2026-03-14');
	expect(dayOfTime('2026-03-15 00:30:00.000', 'UTC')).toBe('2026-03-15');
	expect(dayOfTime('2026-03-14 23:30:00.000', 'Asia/Kolkata')).toBe('2026-03-15');
});
