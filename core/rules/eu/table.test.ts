import { describe, expect, it } from 'vitest';
import type { NutrientAmounts } from '../../composition/nutrients.ts';
import { per100g } from '../../testing/recipe.ts';
import { euTable } from './table.ts';

const table = (values: Partial<NutrientAmounts>) =>
	euTable({ ...(per100g() as NutrientAmounts), ...values }, { eu_kcal: 279.5, eu_kJ: 1180.4 });

describe('EU table', () => {
	it('energy to the nearest one', () => expect(table({}).energy).toBe('1180 kJ / 280 kcal'));

	it.each([
		[0, '0 g'],
		[0.5, '<0.5 g'],
		[0.51, '0.5 g'],
		[2.85, '2.9 g'],
		[9.94, '9.9 g'],
		[10, '10 g'],
		[10.5, '11 g']
	])('fat %d prints %s', (fat_g, text) => expect(table({ fat_g }).fat).toBe(text));

	it.each([
		[0, '0 g'],
		[0.1, '<0.1 g'],
		[0.14, '0.1 g'],
		[10, '10 g']
	])('saturates %d prints %s', (saturates_g, text) => expect(table({ saturates_g }).saturates).toBe(text));

	it.each([
		[0, '0 g'],
		[5, '<0.01 g'], // 5 mg · 2.5 = 0.0125 g
		[6, '0.02 g'], // 0.015 g
		[396, '0.99 g'],
		[400, '1 g'],
		[500, '1.3 g'] // 1.25 g
	])('%d mg of sodium print as salt %s', (sodium_mg, text) => expect(table({ sodium_mg }).salt).toBe(text));

	it('carbohydrate is without fibre, and unknown where either is', () => {
		expect(table({ carbohydrate_g: 50, fibre_g: 6.4 }).carbohydrate).toBe('44 g');
		expect(table({ carbohydrate_g: 50, fibre_g: null })).toMatchObject({ carbohydrate: null, fibre: null });
	});
});
