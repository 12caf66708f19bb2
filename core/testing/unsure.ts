import type { Recipe } from '../formula/types.ts';
import { USUAL_ASSUMPTIONS, type Assumptions } from '../sure/assumptions.ts';
import type { PrintedSure, SureFigure } from '../sure/result.ts';
import { sure } from '../sure/sure.ts';

/** Nothing is uncertain but the values: a scale that shows every gram as it is, and no laboratory. */
export const EXACT: Assumptions = {
	...USUAL_ASSUMPTIONS,
	laboratory: false,
	scale: { division_g: 0, calibration: 0 }
};

/** The figures of a recipe that is expected to derive. */
export function sureFigures(recipe: Recipe, given: Assumptions, draws = 20_000, seed = 1): SureFigure[] {
	const outcome = sure(recipe, given, draws, seed);
	if (!outcome.ok) throw new Error(outcome.problems.map(({ message }) => message).join('\n'));
	return outcome.value.figures;
}

/** One figure that is expected to print. */
export function sureFigure(figures: readonly SureFigure[], key: string): PrintedSure {
	const found = figures.find((each) => each.figure === key);
	if (!found || found.printed === null) throw new Error(`${key} does not print`);
	return found;
}
