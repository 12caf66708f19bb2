import { cases } from '../testing/cases.ts';
import { describe, expect, it } from 'vitest';
import { NUTRIENTS } from '../composition/nutrients.ts';
import { derive } from '../derive.ts';
import { uptakeOf_g } from '../formula/surface.ts';
import { isDough } from '../formula/types.ts';
import { settled } from '../measure/round.ts';
import { rulesOf } from '../rules/index.ts';
import { randomRecipe } from '../testing/random-recipe.ts';
import { EXACT, sureFigures } from '../testing/unsure.ts';
import { USUAL_ASSUMPTIONS } from './assumptions.ts';

const FORMULAS = cases(200);

describe('on random formulas', () => {
	it('without any spread every figure is what derive has, to the last digit it keeps', () => {
		for (let seed = 0; seed < FORMULAS; seed++) {
			const recipe = randomRecipe(seed);
			// Samples have a spread, and so has an uptake nobody weighed: each is put down as its mean.
			const facts = derive(recipe);
			if (!facts.ok) throw new Error(`formula ${seed} does not derive`);
			const { ballWeight_g, finishedWeight_g } = facts.value.yield;
			const lines = recipe.formula.lines.map((line) => ({
				...line,
				uptake_g: isDough(line) ? null : uptakeOf_g(line)
			}));
			const still = {
				...recipe,
				formula: { ...recipe.formula, lines },
				measured: {
					...recipe.measured,
					ballWeights_g: [ballWeight_g],
					finishedWeights_g: [finishedWeight_g ?? 0]
				}
			};
			const values = recipe.ingredients.flatMap(({ id }) =>
				NUTRIENTS.map((nutrient) => ({ ingredient: id, nutrient, cv: 0, range: null }))
			);
			const rules = rulesOf(recipe.rules);
			const { perPiece } = facts.value;
			const grams = rules.analysed_g(facts.value) ?? 0;
			for (const figure of sureFigures(still, { ...EXACT, values }, 1)) {
				if (figure.printed === null) throw new Error(`${figure.figure} of formula ${seed} does not print`);
				const of =
					rules.figures.find(({ key }) => key === figure.figure)?.of({ ...perPiece, ash_g: null }) ?? NaN;
				const exact = (of / (finishedWeight_g ?? 1)) * grams;
				expect(settled(figure.found.mean) - settled(exact), `${figure.figure} of formula ${seed}`).toBe(0);
			}
		}
	});

	it('first order and draws agree within 10 % where the relative spread is under 10 %', () => {
		let compared = 0;
		for (let seed = 0; seed < FORMULAS; seed++) {
			for (const figure of sureFigures(randomRecipe(seed), USUAL_ASSUMPTIONS, 4000, seed)) {
				if (figure.printed === null || figure.found.mean === 0) continue;
				const { mean, sd } = figure.found;
				// A figure near nothing is bent by the floor at zero, and so is what is cut at its whole.
				if (sd / mean >= 0.1) continue;
				compared++;
				expect(Math.abs(figure.firstOrderSd / sd - 1), `${figure.figure} of formula ${seed}`).toBeLessThan(
					0.1
				);
			}
		}
		expect(compared).toBeGreaterThan(FORMULAS);
	});
});
