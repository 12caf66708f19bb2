import { saving } from '$lib/server/edge/actions.ts';
import { cancelOrderForm, changeOrderForm, handOverForm, takeOrderForm } from '$lib/server/edge/order.ts';
import { today } from '$lib/server/kitchens.ts';
import { cancelOrder, changeOrder, handOver, takeOrder } from '$lib/server/orders/keep.ts';
import { doneOrders, openOrders } from '$lib/server/orders/read.ts';
import { demandDays } from '$lib/server/plan/basis.ts';
import { listProducts } from '$lib/server/products.ts';
import { getProfile } from '$lib/server/profiles.ts';
import { newId } from '$lib/server/rows.ts';
import { channelsUsed } from '$lib/server/sales/ledger.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals: { db, kitchen }, url }) => {
	const [open, done, products, channels, { profile }, demand] = await Promise.all([
		openOrders(db, kitchen.id),
		doneOrders(db, kitchen.id),
		listProducts(db, kitchen.id),
		channelsUsed(db, kitchen.id),
		getProfile(db, kitchen.id),
		demandDays(db, kitchen)
	]);
	const next = demand.find(({ day }) => day > today(kitchen)) ?? demand[0];
	return {
		open,
		done,
		products: products.map(({ id, name, packPieces, price }) => ({
			id,
			name,
			packPieces,
			price: price ?? ''
		})),
		places: [...new Set([...channels, ...(profile?.channels ?? [])])],
		draft: {
			id: newId(),
			fetchedOn: url.searchParams.get('day') ?? next?.day ?? today(kitchen),
			place: url.searchParams.get('place') ?? next?.place ?? channels[0] ?? ''
		}
	};
};

export const actions: Actions = {
	take: saving(takeOrderForm, async ({ locals: { db, kitchen } }, { id, ...input }) => {
		await takeOrder(db, kitchen, id, input);
	}),
	change: saving(changeOrderForm, async ({ locals: { db, kitchen } }, { id, version, ...input }) => {
		await changeOrder(db, kitchen, id, version, input);
	}),
	cancel: saving(cancelOrderForm, async ({ locals: { db, kitchen } }, { id, version, ...why }) => {
		await cancelOrder(db, kitchen, id, version, why);
	}),
	handOver: saving(handOverForm, async ({ locals: { db, kitchen } }, { id, version, paid }) => {
		await handOver(db, kitchen, id, version, paid);
	})
};
