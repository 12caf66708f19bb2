import { eachEntry } from '$lib/server/edge/each-entry.ts';
import { json } from '@sveltejs/kit';
import { keepEach } from '$lib/server/bench/entries.ts';
import { entriesOfBatch } from '$lib/server/bench/rows.ts';
import { orNotFound } from '$lib/server/edge/actions.ts';
import { entryForm, MOST_ENTRIES } from '$lib/server/edge/entries.ts';
import type { RequestHandler } from './$types';

/** What was kept of the batch after the entry of number `after`; everything, where none is named. */
export const GET: RequestHandler = async ({ locals: { db, kitchen }, params, url }) => {
	const after = Number(url.searchParams.get('after') ?? 0);
	if (!Number.isSafeInteger(after) || after < 0)
		return json({ message: 'after is the number of an entry' }, { status: 400 });
	const entries = await orNotFound(entriesOfBatch(db, kitchen.id, params.id));
	return json({ entries: entries.filter(({ number }) => number === null || number > after) });
};

/** Keeps entries; one sent again is kept once. Each is answered for itself. */
export const POST: RequestHandler = async ({ locals: { db, kitchen }, params, request }) => {
	const read = await eachEntry(await request.json().catch(() => null), MOST_ENTRIES, entryForm);
	if (typeof read === 'string') return json({ message: read }, { status: 400 });
	const { answers } = await orNotFound(keepEach(db, kitchen, params.id, read.sound));
	return json({ answers: [...read.answers, ...answers] });
};
