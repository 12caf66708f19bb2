import type { Recipe } from '../formula/types.ts';

/** The extension of a Square Batch file. */
export const FILE_EXTENSION = '.squarebatch.json';

/** The recipe as a Square Batch file: JSON, indented with tabs, ending in a line break. */
export function writeRecipe(recipe: Recipe): string {
	return `${JSON.stringify(recipe, null, '\t')}\n`;
}
