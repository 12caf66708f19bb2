import { describe, expect, it } from 'vitest';
import { NUTRIENTS, type Nutrient } from '../composition/nutrients.ts';
import { derive } from '../derive.ts';
import { isDough, type Ingredient, type Recipe } from '../formula/types.ts';
import { rulesOf } from '../rules/index.ts';
import { chances, randomRecipe } from '../testing/random-recipe.ts';
import { sureFigures } from '../testing/unsure.ts';
import { USUAL_ASSUMPTIONS, type Assumptions } from './assumptions.ts';
import { tableCv } from './values.ts';

const MAKERS = 500;
const DRAWS = 1000;
const given: Assumptions = { ...USUAL_ASSUMPTIONS, laboratory: false };
const { division_g, calibration } = given.scale;

/** As somebody made it: one sample each of ball and finished piece, so that these are read off the scale. */
function asMade(seed: number): Recipe {
	const recipe = randomRecipe(seed);
	const { ballWeights_g, finishedWeights_g } = recipe.measured;
	return {
		...recipe,
		measured: {
			...recipe.measured,
			ballWeights_g: ballWeights_g.slice(0, 1),
			finishedWeights_g: finishedWeights_g.slice(0, 1)
		}
	};
}

/** The truth behind what a maker wrote down, by the stated spreads and by derive: nothing of the kernel is in it. */
function truthOf(recipe: Recipe, chance: () => number): Recipe {
	const normal = () => Math.sqrt(-2 * Math.log(1 - chance())) * Math.cos(2 * Math.PI * chance());
	const scale = 1 + calibration * normal();
	const read = (grams: number) => (grams === 0 ? 0 : (grams + division_g * (chance() - 0.5)) * scale);
	const ingredients = recipe.ingredients.map((ingredient): Ingredient => {
		const of = (nutrient: Nutrient) => ingredient.per100g[nutrient] ?? 0;
		const drawn = Object.fromEntries(
			NUTRIENTS.map((nutrient) => {
				const variance = Math.log(1 + tableCv(ingredient, nutrient) ** 2);
				return [nutrient, of(nutrient) * Math.exp(Math.sqrt(variance) * normal() - variance / 2)];
			})
		) as Record<Nutrient, number>;
		const moved = (['water_g', 'protein_g', 'fat_g'] as const).reduce(
			(sum, nutrient) => sum + drawn[nutrient] - of(nutrient),
			0
		);
		const carbohydrate_g = Math.max(0, of('carbohydrate_g') - moved);
		const sugars_g = Math.min(drawn.sugars_g, carbohydrate_g);
		return {
			...ingredient,
			per100g: {
				...ingredient.per100g,
				...drawn,
				carbohydrate_g,
				sugars_g,
				fibre_g: Math.min(drawn.fibre_g, carbohydrate_g),
				saturates_g: Math.min(drawn.saturates_g, drawn.fat_g),
				transFat_g: Math.min(drawn.transFat_g, drawn.fat_g),
				addedSugars_g: Math.min(drawn.addedSugars_g, sugars_g)
			}
		};
	});
	const lines = recipe.formula.lines.map((line) => {
		if (isDough(line)) return { ...line, used_g: read(line.used_g) };
		const isAssumed = line.uptake_g === null && line.use !== 'garnish';
		return { ...line, uptake_g: isAssumed ? chance() * line.used_g : read(line.uptake_g ?? line.used_g) };
	});
	const facts = derive(recipe);
	if (!facts.ok) throw new Error('what was written down derives');
	return {
		...recipe,
		ingredients,
		formula: { ...recipe.formula, lines },
		// The pieces are as many as were counted, whatever the dough weighed.
		product: { ...recipe.product, balls: facts.value.yield.pieces },
		measured: {
			...recipe.measured,
			ballWeights_g: recipe.measured.ballWeights_g.map(read),
			finishedWeights_g: recipe.measured.finishedWeights_g.map(read)
		}
	};
}

describe('of many makers', () => {
	it('figures said to survive at p do so in a share p, in every decile', () => {
		const deciles = Array.from({ length: 10 }, () => ({ count: 0, said: 0, variance: 0, survived: 0 }));
		for (let maker = 0; maker < MAKERS; maker++) {
			const recipe = asMade(10_000 + maker);
			const stated = derive(recipe);
			const truth = derive(truthOf(recipe, chances(77 + maker)));
			// A dough that turns out too small for its balls is no batch.
			if (!stated.ok || !truth.ok) continue;
			const rules = rulesOf(recipe.rules);
			const grams = rules.analysed_g(stated.value) ?? 0;
			const perGram = 1 / (truth.value.yield.finishedWeight_g ?? 1);
			for (const figure of sureFigures(recipe, given, DRAWS, maker)) {
				if (figure.printed === null || (figure.low === null && figure.high === null)) continue;
				const of = rules.figures.find(({ key }) => key === figure.figure)?.of;
				const found = (of?.({ ...truth.value.perPiece, ash_g: null }) ?? 0) * perGram * grams;
				const decile = deciles[Math.min(9, Math.floor(figure.survives * 10))];
				if (!decile) continue;
				decile.count++;
				decile.said += figure.survives;
				decile.variance += figure.survives * (1 - figure.survives) + 1 / DRAWS;
				if (found >= (figure.low ?? -Infinity) && found <= (figure.high ?? Infinity)) decile.survived++;
			}
		}
		expect(deciles.reduce((sum, { count }) => sum + count, 0)).toBeGreaterThan(5 * MAKERS);
		for (const [nth, { count, said, variance, survived }] of deciles.entries())
			// Four standard errors: the figures of a maker go together.
			expect(Math.abs(survived - said), `decile ${nth} of ${count}`).toBeLessThan(
				4 * Math.sqrt(variance) + 1
			);
	});
});
