import { batchesLeft } from '$lib/server/batches/read.ts';
import { saleForm, voidForm } from '$lib/server/edge/sale.ts';
import { withDraft } from '$lib/server/edge/actions.ts';
import { today } from '$lib/server/kitchens.ts';
import { getProfile } from '$lib/server/profiles.ts';
import { newId } from '$lib/server/rows.ts';
import { listSales, recordSale, salesTotals, voidSale, yearOfSales } from '$lib/server/sales.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals: { db, kitchen }, url }) => {
	const [sales, available, { profile }] = await Promise.all([
		listSales(db, kitchen.id),
		batchesLeft(db, kitchen.id),
		getProfile(db, kitchen.id)
	]);
	const day = today(kitchen);
	const asked = available.find((batch) => batch.id === url.searchParams.get('batch'));
	return {
		sales,
		totals: salesTotals(sales),
		available,
		channels: [...new Set([...(profile?.channels ?? []), ...sales.map((sale) => sale.channel)])],
		/** Ways to sell that the local profile lists; empty where it lists none. */
		allowedChannels: profile?.channels ?? [],
		year: yearOfSales(sales, day.slice(0, 4), profile?.yearlyLimit ?? null),
		draft: {
			id: newId(),
			batchId: asked?.id ?? '',
			soldOn: day,
			channel: sales[0]?.channel ?? '',
			packs: '1',
			price: asked?.price ?? ''
		}
	};
};

export const actions: Actions = {
	sell: async ({ locals: { db, kitchen }, request }) =>
		(await withDraft(request, saleForm, async ({ id, ...sale }) => {
			await recordSale(db, kitchen.id, id, sale);
			return null;
		})) ?? { saved: true },
	void: async ({ locals: { db, kitchen }, request }) =>
		(await withDraft(request, voidForm, async ({ saleId, reason }) => {
			await voidSale(db, kitchen.id, saleId, reason);
			return null;
		})) ?? { saved: true }
};
