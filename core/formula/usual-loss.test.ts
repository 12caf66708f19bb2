import { expect, it } from 'vitest';
import { FAMILIES } from './families.ts';
import { usualCookLoss } from './usual-loss.ts';

it('is within what a loss can be, for every family and for none', () => {
	for (const family of [...FAMILIES.map(({ id }) => id), '', 'my-own', 'constructor']) {
		const loss = usualCookLoss(family);
		expect([family, typeof loss]).toEqual([family, 'number']);
		expect(loss).toBeGreaterThanOrEqual(0.03);
		expect(loss).toBeLessThanOrEqual(0.3);
	}
});
