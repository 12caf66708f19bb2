import type { Facts } from '../facts.ts';
import { isDough, type Ingredient, type Recipe } from '../formula/types.ts';
import { roundTo } from '../measure/round.ts';

/** A recipe as schema.org Recipe with its NutritionInformation per piece, as JSON-LD. */
export function writeRecipeJsonLd(recipe: Recipe, facts: Facts, processSteps: readonly string[]): string {
	const nameOf = new Map(
		recipe.ingredients.map((ingredient): [string, Ingredient] => [ingredient.id, ingredient])
	);
	const grams = (value: number | null, unit = 'g', step = 0.1) =>
		value === null ? undefined : `${roundTo(value, step)} ${unit}`;
	const { perPiece, energy, yield: made } = facts;
	return `${JSON.stringify(
		{
			'@context': 'https://schema.org',
			'@type': 'Recipe',
			name: recipe.formula.name,
			recipeYield: `${made.pieces} ${made.pieces === 1 ? recipe.product.one : recipe.product.many}`,
			recipeIngredient: recipe.formula.lines.map((line) => {
				const name = nameOf.get(line.ingredient)?.name ?? line.ingredient;
				const weighed = `${roundTo(line.used_g, 0.1)} g ${name}`;
				return isDough(line) ? weighed : `${weighed}, for ${line.use}`;
			}),
			...(processSteps.length > 0
				? { recipeInstructions: processSteps.map((text) => ({ '@type': 'HowToStep', text })) }
				: {}),
			nutrition: {
				'@type': 'NutritionInformation',
				servingSize: `1 ${recipe.product.one}${made.finishedWeight_g === null ? '' : ` (${roundTo(made.finishedWeight_g, 1)} g)`}`,
				calories: energy.us_kcal === null ? undefined : `${roundTo(energy.us_kcal, 1)} calories`,
				fatContent: grams(perPiece.fat_g),
				saturatedFatContent: grams(perPiece.saturates_g),
				transFatContent: grams(perPiece.transFat_g),
				cholesterolContent: grams(perPiece.cholesterol_mg, 'mg', 1),
				sodiumContent: grams(perPiece.sodium_mg, 'mg', 1),
				carbohydrateContent: grams(perPiece.carbohydrate_g),
				fiberContent: grams(perPiece.fibre_g),
				sugarContent: grams(perPiece.sugars_g),
				proteinContent: grams(perPiece.protein_g)
			}
		},
		null,
		'\t'
	)}\n`;
}
