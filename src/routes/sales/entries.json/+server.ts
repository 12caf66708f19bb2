import { validated } from '$lib/server/edge/validated.ts';
import { json } from '@sveltejs/kit';
import { tell } from '$lib/server/bench/live.ts';
import { saleEntriesForm } from '$lib/server/edge/sale.ts';
import { keepSales } from '$lib/server/sales/keep.ts';
import type { RequestHandler } from './$types';

/** Keeps sales of a till; one sent again is kept once. Each is answered for itself. */
export const POST: RequestHandler = async ({ locals: { db, kitchen }, request }) => {
	const document: unknown = await request.json().catch(() => null);
	const { error, value } = validated(saleEntriesForm, document, { convert: false });
	if (error) return json({ message: error.message }, { status: 400 });
	const answers = await keepSales(db, kitchen.id, value.entries);
	for (const batchId of new Set(value.entries.map((entry) => entry.batchId)))
		tell(kitchen.id, { batchId, entries: [] });
	return json({ answers });
};
