import { describe, expect, it } from 'vitest';
import { derive } from '../derive.ts';
import { dough, flour, ingredient, recipe, water } from '../testing/recipe.ts';
import { allergensMoved, lossMoves } from './moved.ts';

const butter = ingredient('butter', { name: 'Butter', kind: 'fat', allergens: ['milk'] });
const tahini = ingredient('tahini', { name: 'Tahini', allergens: ['sesame'] });

/** Of 1000 g of flour and so much water, and a spoon of something. */
function factsOf(water_g: number, more?: typeof butter) {
	const lines = [dough('flour', 1000), dough('water', water_g)];
	const derived = derive(
		recipe({
			ingredients: [flour, water, ...(more ? [more] : [])],
			formula: { name: 'Roti', lines: more ? [...lines, dough(more.id, 20)] : lines }
		})
	);
	if (!derived.ok) throw new Error(JSON.stringify(derived.problems));
	return derived.value;
}

describe('what moves from one formula to another', () => {
	it('names the allergens gained and lost, and not those of both', () => {
		expect(allergensMoved(factsOf(500, butter), factsOf(500, tahini))).toEqual({
			gained: ['Sesame'],
			lost: ['Milk']
		});
		expect(allergensMoved(factsOf(500, butter), factsOf(520, butter))).toEqual({ gained: [], lost: [] });
	});

	it('moves the loss from more than two points of hydration on, either way', () => {
		// 500 of 1000 is 50 %: 520 is two points more, 521 is 2.1.
		expect(lossMoves(factsOf(500), factsOf(520))).toBe(false);
		expect(lossMoves(factsOf(500), factsOf(521))).toBe(true);
		expect(lossMoves(factsOf(500), factsOf(480))).toBe(false);
		expect(lossMoves(factsOf(500), factsOf(479))).toBe(true);
	});
});
