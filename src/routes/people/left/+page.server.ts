import { saving } from '$lib/server/edge/actions.ts';
import { entryForm } from '$lib/server/edge/entries.ts';
import { letGoForm, recordLeftForm } from '$lib/server/edge/left.ts';
import { saleEntryForm } from '$lib/server/edge/sale.ts';
import { validated } from '$lib/server/edge/validated.ts';
import { refuse } from '$lib/server/errors.ts';
import { letGo, recordLeft, type Reading } from '$lib/server/left/decide.ts';
import { listLeft } from '$lib/server/left/read.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals: { db, kitchen } }) => ({
	left: await listLeft(db, kitchen.id)
});

/** What a device left is read as what a device sends is. */
const READING: Reading = {
	sale: (item) => {
		const { error, value } = validated(saleEntryForm, item, { convert: false });
		return error ? refuse('', `it cannot be read: ${error.message}`) : value;
	},
	entry: (item) => {
		const { error, value } = validated(entryForm(item ?? {}), item, { convert: false });
		return error ? refuse('', `it cannot be read: ${error.message}`) : value;
	}
};

export const actions: Actions = {
	record: saving(recordLeftForm, async ({ locals: { db, kitchen } }, { id }) => {
		await recordLeft(db, kitchen, id, READING);
	}),
	letGo: saving(letGoForm, async ({ locals: { db, kitchen } }, { id, reason }) => {
		await letGo(db, kitchen.id, id, reason);
	})
};
