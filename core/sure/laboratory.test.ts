import { expect, it } from 'vitest';
import { laboratoryRsd, reproducibility } from './laboratory.ts';

it.each([
	// 0.02 · c^(−0.1505), and the two ends of it
	[1e-3, 0.02 * 1e-3 ** -0.1505],
	[0.138, 0.02 * 0.138 ** -0.1505],
	[0.14, 0.01 / Math.sqrt(0.14)],
	[1, 0.01],
	[1.2e-7, 0.02 * 1.2e-7 ** -0.1505],
	[1.1e-7, 0.22]
])('two laboratories of a mass fraction of %d differ by %d', (fraction, rsd) => {
	expect(reproducibility(fraction)).toBeCloseTo(rsd, 12);
});

it('goes by grams, milligrams and micrograms of 100 g, and by none of kilocalories', () => {
	// 10 g of 100 g: c = 0.1
	expect(laboratoryRsd(10, 'g')).toBeCloseTo(0.02 * 0.1 ** -0.1505, 12);
	// 400 mg: c = 0.004
	expect(laboratoryRsd(400, 'mg')).toBeCloseTo(0.02 * 0.004 ** -0.1505, 12);
	// 5 mcg: c = 5e-8, below the bend
	expect(laboratoryRsd(5, 'mcg')).toBe(0.22);
	expect(laboratoryRsd(280, 'kcal')).toBe(0.02);
	expect(laboratoryRsd(0, 'mg')).toBe(0);
});
