import { describe, expect, it } from 'vitest';
import { breakEvenPacks, marginOf, priceForMargin } from './selling.ts';

describe('margin', () => {
	it('is (price − cost) / price', () => {
		// (6.50 − 4.38) / 6.50
		expect(marginOf('6.50', '4.38')).toBeCloseTo(0.32615, 5);
		expect(marginOf('4.00', '5.00')).toBe(-0.25);
		expect(marginOf('0', '1.00')).toBeNull();
	});

	it('counts what the place keeps as cost', () => {
		// (10 − 4 − 2.5) / 10
		expect(marginOf('10', '4', 0.25)).toBe(0.35);
	});
});

describe('the price a margin needs', () => {
	it('keeps the margin when it is asked, and not a cent less does', () => {
		// 4.38 / 0.5 = 8.76; 4.38 / (1 − 0.4) = 7.30; 4.38 / 0.65 = 6.7384… → 6.74
		expect(priceForMargin('4.38', 0.5)).toBe('8.76');
		expect(priceForMargin('4.38', 0.4)).toBe('7.30');
		expect(priceForMargin('4.38', 0.35)).toBe('6.74');
		expect(marginOf('6.74', '4.38')).toBeGreaterThanOrEqual(0.35);
		expect(marginOf('6.73', '4.38')).toBeLessThan(0.35);
	});

	it('pays the place as well, as long as anything is left', () => {
		// 4 / (1 − 0.3 − 0.2) = 8
		expect(priceForMargin('4', 0.3, 0.2)).toBe('8.00');
		expect(priceForMargin('4', 0.8, 0.2)).toBeNull();
		expect(priceForMargin('4', 1)).toBeNull();
	});
});

describe('packs that pay for a selling day', () => {
	it('are what the day costs over what a pack leaves, rounded up', () => {
		// 22.00 / (6.50 − 4.38) = 10.377… → 11
		expect(breakEvenPacks('6.50', '4.38', '22.00')).toBe(11);
		// 22.00 / 2.00 = 11 exactly; a cent more needs another
		expect(breakEvenPacks('6.00', '4.00', '22.00')).toBe(11);
		expect(breakEvenPacks('6.00', '4.00', '22.01')).toBe(12);
		expect(breakEvenPacks('6.00', '4.00', '0')).toBe(0);
	});

	it('are none where a pack does not pay for itself', () => {
		expect(breakEvenPacks('4.00', '4.00', '22.00')).toBeNull();
		// 5.00 × 0.8 = 4.00
		expect(breakEvenPacks('5.00', '4.00', '22.00', 0.2)).toBeNull();
		// 5.01 × 0.8 − 4 = 0.008; 22 / 0.008 = 2750
		expect(breakEvenPacks('5.01', '4.00', '22.00', 0.2)).toBe(2750);
	});
});
