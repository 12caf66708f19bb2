import { describe, expect, it } from 'vitest';
import { factsOf, recipe } from '../testing/recipe.ts';
import { writeRecipeJsonLd } from './recipe-jsonld.ts';

describe('schema.org Recipe out', () => {
	const made = recipe({ pack: { pieces: 6 } });
	const written = JSON.parse(writeRecipeJsonLd(made, factsOf(made), ['Mix', 'Rest 20 min']));
	it('carries the lines in grams and the nutrition of one piece', () => {
		expect(written).toMatchObject({
			'@type': 'Recipe',
			name: 'Plain roti',
			recipeYield: '32 roti', // 1600 / 50
			recipeIngredient: ['1000 g Bread flour', '600 g Water'],
			nutrition: {
				servingSize: '1 roti (42 g)',
				proteinContent: '3.8 g', // 50/1600 · 1000 · 12 % = 3.75
				calories: '111 calories' // 4·3.75 + 4·22.5 + 9·0.625 = 110.625
			}
		});
		expect(written.recipeInstructions).toHaveLength(2);
	});
});
