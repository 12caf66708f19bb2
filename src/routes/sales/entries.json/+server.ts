import { eachEntry } from '$lib/server/edge/each-entry.ts';
import { json } from '@sveltejs/kit';
import { MOST_ENTRIES, saleEntryForm } from '$lib/server/edge/sale.ts';
import { keepSales } from '$lib/server/sales/keep.ts';
import type { RequestHandler } from './$types';

/** Keeps sales of a till; one sent again is kept once. Each is answered for itself. */
export const POST: RequestHandler = async ({ locals: { db, kitchen }, request }) => {
	const read = await eachEntry(await request.json().catch(() => null), MOST_ENTRIES, () => saleEntryForm);
	if (typeof read === 'string') return json({ message: read }, { status: 400 });
	const answers = await keepSales(db, kitchen.id, read.sound);
	return json({ answers: [...read.answers, ...answers] });
};
