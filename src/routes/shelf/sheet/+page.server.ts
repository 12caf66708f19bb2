import { saving } from '$lib/server/edge/actions.ts';
import { ID } from '$lib/server/edge/fields.ts';
import { shelfSheetForm } from '$lib/server/edge/shelf-sheet.ts';
import { saveShelfSheet, shelfSheet } from '$lib/server/shelf-sheet.ts';
import type { Actions, PageServerLoad } from './$types';

/** What is bought, for confirming and pricing many at once; from a formula, the way back to it. */
export const load: PageServerLoad = async ({ locals: { db, kitchen }, url }) => {
	const formula = url.searchParams.get('formula') ?? '';
	return { rows: await shelfSheet(db, kitchen), formula: ID.test(formula) ? formula : null };
};

export const actions: Actions = {
	default: saving(shelfSheetForm, async ({ locals: { db, kitchen } }, { rows }) => {
		await saveShelfSheet(db, kitchen, rows);
	})
};
