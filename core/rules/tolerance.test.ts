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
