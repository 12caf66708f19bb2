import { describe, expect, it } from 'vitest';
import { compositionOf } from '../composition/nutrients.ts';
import { per100g } from '../testing/recipe.ts';
import { completeness } from './completeness.ts';
import { rulesOf } from './index.ts';

describe('completeness', () => {
	const [us, eu] = [rulesOf('us'), rulesOf('eu')];
	it('tells what a panel waits for from what it does not', () => {
		expect(completeness(per100g(), us)).toEqual({ share: 1, unknown: [], blocking: [] });
		expect(completeness(per100g({ energy_kcal: null }), us)).toMatchObject({
			blocking: [],
			unknown: ['energy_kcal']
		});
		expect(completeness(per100g({ iron_mg: null }), us).blocking).toEqual(['iron_mg']);
		expect(completeness(per100g({ iron_mg: null }), eu).blocking).toEqual([]);
		expect(completeness(compositionOf({}), us).share).toBe(0);
	});
});
