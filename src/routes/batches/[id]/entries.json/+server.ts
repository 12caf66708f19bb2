import { validated } from '$lib/server/edge/validated.ts';
import { json } from '@sveltejs/kit';
import { keepEntries } from '$lib/server/bench/entries.ts';
import { entriesOf } from '$lib/server/bench/rows.ts';
import { tell } from '$lib/server/bench/live.ts';
import { orNotFound } from '$lib/server/edge/actions.ts';
import { entriesForm } from '$lib/server/edge/entries.ts';
import type { RequestHandler } from './$types';

/** Everything kept of the batch. */
export const GET: RequestHandler = async ({ locals: { db, kitchen }, params }) =>
	json({ entries: await entriesOf(db, kitchen.id, params.id) });

/** Keeps entries; one sent again is kept once. Each is answered for itself. */
export const POST: RequestHandler = async ({ locals: { db, kitchen }, params, request }) => {
	const document: unknown = await request.json().catch(() => null);
	const { error, value } = validated(entriesForm, document, { convert: false });
	if (error) return json({ message: error.message }, { status: 400 });
	const { answers, added } = await orNotFound(keepEntries(db, kitchen, params.id, value.entries));
	if (added.length > 0) tell(kitchen.id, { batchId: params.id, entries: added });
	return json({ answers });
};
