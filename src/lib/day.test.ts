import { describe, expect, it } from 'vitest';
import { dayIn } from './day.ts';

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
