import { describe, expect, it } from 'vitest';
import { dough, factsOf, flour, ingredient, per100g, recipe, water } from '../testing/recipe.ts';
import { labelChanges } from './changes.ts';

describe('what a bag would no longer say truly', () => {
	const salt = ingredient('salt', {
		kind: 'salt',
		label: { us: 'salt' },
		per100g: per100g({ sodium_mg: 38758 })
	});
	const salted = (grams: number) =>
		factsOf(
			recipe({
				ingredients: [flour, water, salt],
				formula: { name: 'Roti', lines: [dough('flour', 1000), dough('water', 600), dough('salt', grams)] },
				pack: { pieces: 6 }
			})
		);
	it('is nothing when nothing changed', () => expect(labelChanges(salted(20), salted(20))).toEqual([]));
	it('names the line with both figures', () => {
		const changes = labelChanges(salted(20), salted(10));
		expect(changes.map((change) => change.what)).toContain('sodium');
		// 50/1620 · 20 g · 38.758 % = 239 mg → 240mg; with 10 g 50/1610 · 10 · 38.758 % = 120.4 → 120mg
		expect(changes.find((change) => change.what === 'sodium')).toEqual({
			what: 'sodium',
			before: '240mg 10%',
			after: '120mg 5%'
		});
	});
	it('sees an allergen that is no longer declared', () => {
		const plain = factsOf(recipe({ ingredients: [{ ...flour, allergens: [] }, water] }));
		expect(labelChanges(factsOf(recipe()), plain)).toContainEqual({
			what: 'allergens',
			before: 'Wheat',
			after: 'none'
		});
	});
});
