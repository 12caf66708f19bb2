import { expect, it } from 'vitest';
import { EXACT } from '../testing/unsure.ts';
import { bestChance } from './best.ts';
import type { PrintedSure } from './result.ts';

const figure: PrintedSure = {
	figure: 'sodium',
	printed: '200mg',
	unit: 'mg',
	low: null,
	high: 240,
	found: { p5: 0, p50: 210, p95: 0, mean: 210, sd: 50 },
	survives: 0.7,
	standardError: 0,
	firstOrderSd: 50,
	shares: [
		{ input: 'line 1', share: 0.64 },
		{ input: 'laboratory sodium', share: 0.36 }
	]
};

it('leaves what nobody can measure', () => {
	const given = {
		...EXACT,
		lines: new Map([[1, { kind: 'said' as const, low_g: 1, high_g: 2, typical_g: null }]])
	};
	// 50 · √0.36 = 30 are left: Φ((240 − 210) / 30) = Φ(1)
	expect(bestChance(figure, given)).toBeCloseTo(0.8413, 3);
	// Weighed already, the line is nobody's act: Φ(30 / 50)
	expect(bestChance(figure, EXACT)).toBeCloseTo(0.7257, 3);
});

it('a value keeps half of its spread with the next better source', () => {
	const value = { ...figure, shares: [{ input: 'value flour sodium_mg', share: 1 }] };
	// 50 · √0.25 = 25: Φ(30 / 25)
	expect(bestChance(value, EXACT)).toBeCloseTo(0.8849, 3);
});

it('without any spread it is 0 or 1', () => {
	expect(bestChance({ ...figure, firstOrderSd: 0, shares: [] }, EXACT)).toBe(1);
	expect(bestChance({ ...figure, firstOrderSd: 0, shares: [], high: 200 }, EXACT)).toBe(0);
});
