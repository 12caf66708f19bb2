import { batchesLeft } from '$lib/server/batches/left.ts';
import { today } from '$lib/server/kitchens.ts';
import { getProfile } from '$lib/server/profiles.ts';
import { ALL, channelsUsed, recentIds } from '$lib/server/sales/ledger.ts';
import { ledgerSplit } from '$lib/server/sales/totals.ts';
import { openOrders } from '$lib/server/orders/read.ts';
import { saySoldOut, soldOutToday, takeBackSoldOut } from '$lib/server/plan/sold-out.ts';
import { listProducts } from '$lib/server/products.ts';
import { soldOutForm } from '$lib/server/edge/plan.ts';
import { saving } from '$lib/server/edge/actions.ts';
import { knownPage } from '$lib/server/page.ts';
import { tillForm } from '$lib/server/edge/sale.ts';
import { countTill, tillCounts, tillsSold } from '$lib/server/sales/till-count.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals }) => knownPage(locals, 'stall', () => readPage(locals));

async function readPage({ db, kitchen }: App.Locals) {
	const day = today(kitchen);
	const [left, channels, { profile }, takings, known, counts, tills, orders, soldOut, products] =
		await Promise.all([
			batchesLeft(db, kitchen),
			channelsUsed(db, kitchen.id),
			getProfile(db, kitchen.id),
			ledgerSplit(db, kitchen.id, { ...ALL, from: day, to: day }, 'channel'),
			recentIds(db, kitchen.id),
			tillCounts(db, kitchen.id, day),
			tillsSold(db, kitchen.id, day),
			openOrders(db, kitchen.id),
			soldOutToday(db, kitchen),
			listProducts(db, kitchen.id)
		]);
	return {
		// The oldest are sold first.
		left: left.toReversed(),
		channels: [...new Set([...channels, ...(profile?.channels ?? [])])],
		/** Taken today by place; of each what was cash and card. */
		takings: takings.map((each) => ({ ...each, ...tills.get(each.name) })),
		counts,
		/** What the server has of the last days: what this device sent since is beside it. */
		known,
		/** To be fetched by today. */
		orders: orders.filter(({ fetchedOn }) => fetchedOn <= day),
		soldOut,
		products: products.filter(({ price }) => price !== null).map(({ id, name }) => ({ id, name })),
		day
	};
}

export const actions: Actions = {
	count: saving(tillForm, async ({ locals: { db, kitchen } }, form) => {
		await countTill(db, kitchen, form);
	}),
	soldOut: saving(soldOutForm, async ({ locals: { db, kitchen } }, { is, ...said }) => {
		if (is) await saySoldOut(db, kitchen, said);
		else await takeBackSoldOut(db, kitchen, said.place, said.productId);
	})
};
