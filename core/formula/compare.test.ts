import { describe, expect, it } from 'vitest';
import { dough, factsOf, ingredient, recipe, flour, water, per100g } from '../testing/recipe.ts';
import { compareLines, isChanged, labelChanges } from './compare.ts';

describe('two versions side by side', () => {
	it('pairs lines by ingredient, use and stage, and shows what only one has', () => {
		const rows = compareLines(
			[dough('flour', 1000, 'Dry'), dough('salt', 40, 'Dry'), dough('sugar', 10)],
			[
				dough('salt', 31, 'Dry'),
				dough('flour', 1000, 'Mix'),
				{ ingredient: 'ghee', use: 'brushing', consumed_g: 90 }
			]
		);
		expect(rows.map((row) => [row.ingredient, row.before_g, row.after_g, isChanged(row)])).toEqual([
			['flour', 1000, 1000, false],
			['salt', 40, 31, true],
			['sugar', 10, null, true],
			['ghee', null, 90, true]
		]);
	});
	it('the same ingredient twice pairs in order', () => {
		const rows = compareLines(
			[dough('flour', 100), dough('flour', 900)],
			[dough('flour', 200), dough('flour', 800)]
		);
		expect(rows.map((row) => [row.before_g, row.after_g])).toEqual([
			[100, 200],
			[900, 800]
		]);
	});
});

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
