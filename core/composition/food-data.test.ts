import { describe, expect, it } from 'vitest';
import { readFoodData } from './food-data.ts';

const full = {
	fdcId: 168936,
	description: 'Wheat flour, white, made-up',
	dataType: 'SR Legacy',
	foodNutrients: [
		{ nutrient: { number: '203', name: 'Protein', unitName: 'g' }, amount: 10.3 },
		{ nutrient: { number: '208', name: 'Energy', unitName: 'kcal' }, amount: 364 },
		{ nutrient: { number: '268', name: 'Energy', unitName: 'kJ' }, amount: 1520 },
		{ nutrient: { number: '307', name: 'Sodium', unitName: 'mg' }, amount: 2 },
		{ nutrient: { number: '324', name: 'Vitamin D', unitName: 'IU' }, amount: 40 }
	],
	foodPortions: [
		{ amount: 1, gramWeight: 125, modifier: 'cup' },
		{ amount: 2, gramWeight: 16, measureUnit: { name: 'tablespoon' } },
		{ amount: 1, gramWeight: 110, modifier: 'cup, sifted' }
	]
};

describe('one food of the public database', () => {
	it('gives what it knows per 100 g, and the rest stays unknown', () => {
		const read = readFoodData(full);
		expect(read.ok && read.value).toMatchObject({
			name: 'Wheat flour, white, made-up',
			number: '168936',
			dataType: 'SR Legacy',
			per100g: {
				protein_g: 10.3,
				energy_kcal: 364,
				sodium_mg: 2,
				vitaminD_ug: 1,
				fat_g: null,
				sugars_g: null
			},
			measures: { cup: { grams: 125, low: 125, high: 125 }, tbsp: { grams: 8, low: 8, high: 8 } }
		});
	});
	it('is read in its abridged form too', () => {
		const read = readFoodData({
			description: 'Salt',
			foodNutrients: [{ number: '307', unitName: 'MG', amount: 38758 }]
		});
		expect(read.ok && read.value.per100g.sodium_mg).toBe(38758);
	});
	it.each([null, [], 'x', {}, { description: 'Salt' }, { foodNutrients: [{}] }])(
		'%j is refused',
		(document) => {
			expect(readFoodData(document).ok).toBe(false);
		}
	);
	it('a value below nothing is not taken', () => {
		const read = readFoodData({ description: 'x', foodNutrients: [{ number: '203', amount: -1 }] });
		expect(read.ok && read.value.per100g.protein_g).toBeNull();
	});
});
