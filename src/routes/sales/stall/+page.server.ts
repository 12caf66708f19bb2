import { batchesLeft } from '$lib/server/batches/left.ts';
import { today } from '$lib/server/kitchens.ts';
import { getProfile } from '$lib/server/profiles.ts';
import { ALL, channelsUsed, recentIds } from '$lib/server/sales/ledger.ts';
import { ledgerSplit } from '$lib/server/sales/totals.ts';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals: { db, kitchen } }) => {
	const day = today(kitchen);
	const [left, channels, { profile }, takings, known] = await Promise.all([
		batchesLeft(db, kitchen),
		channelsUsed(db, kitchen.id),
		getProfile(db, kitchen.id),
		ledgerSplit(db, kitchen.id, { ...ALL, from: day, to: day }, 'channel'),
		recentIds(db, kitchen.id)
	]);
	return {
		// The oldest are sold first.
		left: left.reverse(),
		channels: [...new Set([...channels, ...(profile?.channels ?? [])])],
		takings,
		/** What the server has of the last days: what this device sent since is beside it. */
		known,
		day
	};
};
