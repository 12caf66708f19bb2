import { derive } from '../derive.ts';
import type { Facts } from '../facts.ts';
import type { Outcome } from '../problem.ts';
import { readRecipe } from './read.ts';

/** The facts of a Square Batch file's text, or every problem in it. */
export function deriveText(text: string): Outcome<Facts> {
	const recipe = readRecipe(text);
	return recipe.ok ? derive(recipe.value) : recipe;
}
