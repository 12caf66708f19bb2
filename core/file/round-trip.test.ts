import fc from 'fast-check';
import { expect, it } from 'vitest';
import { KINDS } from '../composition/kinds.ts';
import { NUTRIENTS } from '../composition/nutrients.ts';
import { derive } from '../derive.ts';
import { CATEGORIES } from '../formula/types.ts';
import {
	recipeOfDocument,
	type FileDocument,
	type IngredientDocument,
	type LineDocument
} from './document.ts';
import { readRecipe } from './read.ts';
import { writeRecipe } from './write.ts';

const number = (min: number, max: number) => fc.double({ min, max, noNaN: true, noDefaultInfinity: true });
const ingredient = (id: string): fc.Arbitrary<IngredientDocument> =>
	fc.record({
		id: fc.constant(id),
		name: fc.constantFrom('Flour', 'Water', 'Émile’s “mix”', 'खाद्य'),
		kind: fc.constantFrom(...KINDS),
		per100g: fc.dictionary(fc.constantFrom(...NUTRIENTS), fc.option(number(0, 100))),
		allergens: fc.option(fc.subarray(['wheat', 'milk', 'treenut:almond', 'sesame'])),
		price: fc.record({
			amount: fc.nat(100_000).map((cents) => (cents / 100).toFixed(2)),
			grams: number(1, 25_000),
			usable: number(0.1, 1)
		})
	});
const line: fc.Arbitrary<LineDocument> = fc.oneof(
	fc.record({
		ingredient: fc.constantFrom('a', 'b'),
		use: fc.constant('dough' as const),
		grams: number(1, 5000)
	}),
	fc
		.record({ ingredient: fc.constantFrom('a', 'b'), consumed_g: number(0, 200), share: number(0, 1) })
		.map(({ ingredient: id, consumed_g, share }) => ({
			ingredient: id,
			use: 'dusting' as const,
			consumed_g,
			uptake_g: consumed_g * share
		}))
);
const recipe: fc.Arbitrary<FileDocument> = fc.record({
	squareBatch: fc.constant(1 as const),
	rules: fc.constantFrom('us' as const, 'eu' as const),
	currency: fc.constant('USD'),
	ingredients: fc.tuple(ingredient('a'), ingredient('b')),
	formula: fc.record({
		name: fc.constant('Round trip'),
		lines: fc
			.array(line, { maxLength: 8 })
			.map((lines): LineDocument[] => [{ ingredient: 'a', use: 'dough', grams: 500 }, ...lines])
	}),
	piece: fc.record({
		one: fc.constant('roti'),
		many: fc.constant('roti'),
		category: fc.constantFrom(...CATEGORIES),
		ballWeight_g: number(20, 120)
	}),
	batch: fc.record({ finishedWeights_g: fc.array(number(15, 110), { maxLength: 4 }), rejects: fc.nat(3) }),
	pack: fc.record({ pieces: fc.integer({ min: 1, max: 12 }) })
});

it('a file written and read derives identically, sound or not', () => {
	fc.assert(
		fc.property(recipe, (given) => {
			const model = recipeOfDocument(given);
			const read = readRecipe(writeRecipe(model));
			if (!read.ok) throw new Error(JSON.stringify(read.problems));
			expect(read.value).toEqual(model);
			expect(derive(read.value)).toEqual(derive(model));
		}),
		{ numRuns: 300 }
	);
});
