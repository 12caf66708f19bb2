import { derive } from '../derive.ts';
import type { Recipe } from '../formula/types.ts';
import type { Outcome } from '../problem.ts';
import { USUAL_DRAWS, type Assumptions } from './assumptions.ts';
import { Drawing } from './drawing.ts';
import type { SureFigure } from './result.ts';

/** How sure each figure is that a recipe prints. */
export interface Sure {
	draws: number;
	seed: number;
	figures: SureFigure[];
}

/**
 * How sure each declared figure is, by `draws` draws (section 15), or every problem that makes the recipe impossible.
 * The same recipe, assumptions and seed give the same answer.
 */
export function sure(recipe: Recipe, given: Assumptions, draws = USUAL_DRAWS, seed = 1): Outcome<Sure> {
	const facts = derive(recipe);
	if (!facts.ok) return facts;
	const drawing = new Drawing(recipe, facts.value, given, draws, seed);
	drawing.draw(draws);
	return { ok: true, value: { draws, seed, figures: drawing.result() } };
}
