import { describe, expect, it } from 'vitest';
import { rulesOf } from './index.ts';

const us = (key: string, printed: string, isAdded = false) => {
	const { low, high } = rulesOf('us').boundsOf(key, printed, isAdded);
	return [low, high];
};
const eu = (key: string, printed: string) => {
	const { low, high } = rulesOf('eu').boundsOf(key, printed, false);
	return [low, high];
};

describe('21 CFR 101.9(g)', () => {
	it.each([
		['sodium', '210mg', null, 252], // 210 · 1.2
		['calories', '150', null, 180],
		['totalFat', '4.5g', null, 5.4],
		['protein', '4g', 3.2, null], // 4 · 0.8
		['iron', '2.3mg', 1.84, null]
	] as const)('%s printed %s', (key, printed, low, high) => expect(us(key, printed)).toEqual([low, high]));

	it('what was added has to be there in full', () => expect(us('iron', '2.3mg', true)).toEqual([2.3, null]));

	it.each([
		['totalFat', '0g', 0.5],
		['transFat', '0g', 0.5],
		['cholesterol', '0mg', 2],
		['cholesterol', 'less than 5mg', 5],
		['sodium', '0mg', 5],
		['totalSugars', '0g', 0.5],
		['addedSugars', 'less than 1g', 1],
		['calories', '0', 5]
	] as const)('%s printed %s has to be found as one that prints so', (key, printed, high) =>
		expect(us(key, printed)).toEqual([null, high])
	);

	it.each([
		['protein', '0g'],
		['dietaryFiber', 'less than 1g'],
		['vitaminD', '0mcg']
	])('%s printed %s promises nothing', (key, printed) => expect(us(key, printed)).toEqual([null, null]));
});

describe('what would have to be printed', () => {
	const safe = (key: string, p5: number, p95: number, isAdded = false) =>
		rulesOf('us').safePrint(key, { p5, p95 }, isAdded);

	it.each([
		// 300 / 1.2 = 250
		['sodium', 180, 300, '250mg'],
		// 301 / 1.2 = 250.8, which prints as 250 and covers 300: the next is 260
		['sodium', 180, 301, '260mg'],
		// 0.9 / 1.2 = 0.75, which prints as 1 g
		['totalFat', 0.4, 0.9, '1g'],
		// at least: 3 / 0.8 = 3.75 prints as 4 g and asks for 3.2; 3 g asks for 2.4
		['protein', 3, 5, '3g'],
		['protein', 3.2, 5, '4g']
	])('%s found from %d to %d: %s', (key, p5, p95, printed) => expect(safe(key, p5, p95)).toBe(printed));

	it('what was added is found in full', () => {
		// 1.96 mg prints as 2 mg, which would have to be found; 1.9 mg is
		expect(safe('iron', 1.96, 3, true)).toBe('1.9mg');
		expect(safe('iron', 1.96, 3)).toBe('2.4mg');
	});

	it('an EU or UK average is not moved', () =>
		expect(rulesOf('eu').safePrint('salt', { p5: 1, p95: 2 }, false)).toBeNull());
});

describe('the guidance of 2012', () => {
	it.each([
		['protein', '9.9 g', 7.9, 11.9],
		['protein', '10 g', 8, 12],
		['protein', '40 g', 32, 48],
		['protein', '41 g', 33, 49],
		['carbohydrate', '50 g', 42, 58],
		['fat', '2.9 g', 1.4, 4.4],
		['fat', '1.2 g', 0, 2.7],
		['saturates', '3.9 g', 3.1, 4.7],
		['saturates', '4 g', 3.2, 4.8],
		['salt', '1.2 g', 0.825, 1.575],
		['salt', '1.3 g', 1.04, 1.56]
	] as const)('%s printed %s', (key, printed, low, high) => expect(eu(key, printed)).toEqual([low, high]));

	it.each([
		['fat', '<0.5 g', 0.5],
		['saturates', '<0.1 g', 0.1],
		['salt', '<0.01 g', 0.0125]
	] as const)('%s printed %s has to be found as one that prints so', (key, printed, high) =>
		expect(eu(key, printed)).toEqual([null, high])
	);

	it('has nothing of energy', () => expect(eu('energy', '1180 kJ / 280 kcal')).toEqual([null, null]));
});
