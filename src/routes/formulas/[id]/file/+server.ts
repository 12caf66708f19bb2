import { recipeFor } from '$lib/server/edge/shapes.ts';
import { writeRecipe } from '$core/file/write.ts';
import { download } from '$lib/server/edge/download.ts';
import { fileName, formulaRecipe } from '$lib/server/files.ts';
import type { RequestHandler } from './$types';

export const GET: RequestHandler = ({ locals, params }) =>
	download(async () => {
		const recipe = recipeFor(locals, await formulaRecipe(locals.db, locals.kitchen, params.id));
		return { name: fileName(recipe.formula.name), type: 'application/json', body: writeRecipe(recipe) };
	});
