import { parseDate } from '@internationalized/date';
import { batchesLeft } from '$lib/server/batches/left.ts';
import type { Database } from '$lib/server/db/connection.ts';
import { saving } from '$lib/server/edge/actions.ts';
import { ledgerQuery, eraseForm, payForm, returnForm, saleForm, voidForm } from '$lib/server/edge/sale.ts';
import { today } from '$lib/server/kitchens.ts';
import { listProducts } from '$lib/server/products.ts';
import { getProfile } from '$lib/server/profiles.ts';
import { keepCheckout, keepSale, voidSale } from '$lib/server/sales/keep.ts';
import { channelsUsed, ledgerPage, type LedgerFilter } from '$lib/server/sales/ledger.ts';
import { owedNow, payOwed } from '$lib/server/sales/payments.ts';
import { sumOfGroups } from '$lib/sales/totals.ts';
import { ledgerSplit } from '$lib/server/sales/totals.ts';
import { yearOfSales } from '$lib/server/sales/year.ts';
import { knownPage } from '$lib/server/page.ts';
import type { Actions, PageServerLoad } from './$types';
import { eraseCustomer } from '$lib/server/sales/erase.ts';
import { whoDid } from '$lib/server/people/deeds.ts';

/** The ledger opens with these months of it. */
const MONTHS = 12;

export const load: PageServerLoad = ({ locals, url }) =>
	knownPage(locals, `sales ${url.search}`, () => readPage(locals, url));

async function readPage({ db, kitchen }: App.Locals, url: URL) {
	const day = today(kitchen);
	const { filter, sort, shown } = ledgerQuery(
		url.searchParams,
		parseDate(day)
			.subtract({ months: MONTHS - 1 })
			.set({ day: 1 })
			.toString()
	);
	const [available, { profile }, products] = await Promise.all([
		batchesLeft(db, kitchen),
		getProfile(db, kitchen.id),
		listProducts(db, kitchen.id)
	]);
	const [sales, byChannel, byProduct, byPaying, channels, owed, year] = await Promise.all([
		// One more than is shown tells whether there are more.
		ledgerPage(db, kitchen.id, filter, { sort, most: shown + 1 }),
		ledgerSplit(db, kitchen.id, filter, 'channel'),
		ledgerSplit(db, kitchen.id, filter, 'product'),
		ledgerSplit(db, kitchen.id, filter, 'paid'),
		channelsUsed(db, kitchen.id),
		owedNow(db, kitchen.id),
		yearOfSales(db, kitchen.id, day, profile?.yearlyLimit ?? null)
	]);
	const asked = available.find((batch) => batch.id === url.searchParams.get('batch'));
	/** What is past its date is asked for to be written off, all of it. */
	const isPast = asked !== undefined && url.searchParams.get('as') === 'past';
	const entries = sales.slice(0, shown);
	return {
		sales: entries,
		/** Who noted each, by its id. */
		notedBy: await whoDid(
			db,
			kitchen.id,
			'sales',
			entries.map(({ id }) => id)
		),
		byDay: sort === 'largest' ? [] : await daysShown(db, kitchen.id, filter, entries),
		hasMore: sales.length > shown,
		shown,
		filter,
		sort,
		total: sumOfGroups(byChannel),
		byChannel,
		byProduct,
		byPaying,
		owed,
		available,
		products: products.map(({ id, name, packPieces }) => ({ id, name: `${name} × ${packPieces}` })),
		channels: [...new Set([...(profile?.channels ?? []), ...channels])],
		/** Ways to sell that the local profile lists; empty where it lists none. */
		allowedChannels: profile?.channels ?? [],
		year,
		today: day,
		draft: {
			kind: isPast ? 'written off' : 'sale',
			lines: [
				{
					batchId: asked?.id ?? '',
					packs: isPast ? String(asked.packsLeft) : '1',
					price: asked?.price ?? ''
				}
			],
			soldOn: day,
			channel: channels[0] ?? '',
			paidBy: 'cash',
			customer: '',
			reason: isPast ? 'past its best-before' : ''
		}
	};
}

/** What the days came to that are shown: all of each, where only some of its entries are. */
async function daysShown(
	db: Database,
	kitchenId: string,
	filter: LedgerFilter,
	entries: readonly { soldOn: string }[]
): Promise<{ day: string; money: string }[]> {
	const days = entries.map((entry) => entry.soldOn).sort();
	const [from, to] = [days[0], days.at(-1)];
	if (from === undefined || to === undefined) return [];
	return (await ledgerSplit(db, kitchenId, { ...filter, from, to }, 'day')).map(({ key, money }) => ({
		day: key,
		money
	}));
}

export const actions: Actions = {
	sell: saving(saleForm, async ({ locals: { db, kitchen } }, sale) => {
		await keepCheckout(db, kitchen.id, sale);
	}),
	void: saving(voidForm, async ({ locals: { db, kitchen } }, { saleId, reason }) => {
		await voidSale(db, kitchen.id, saleId, reason);
	}),
	comeBack: saving(returnForm, async ({ locals: { db, kitchen } }, { saleId, ...back }) => {
		await keepSale(db, kitchen.id, {
			...back,
			kind: 'return',
			ofId: saleId,
			checkoutId: null,
			batchId: '',
			channel: '',
			price: '0',
			paidBy: null,
			customer: ''
		});
	}),
	erase: saving(eraseForm, async ({ locals: { db, kitchen } }, { customer }) => {
		await eraseCustomer(db, kitchen.id, customer);
	}),
	pay: saving(payForm, async ({ locals: { db, kitchen } }, payment) => {
		await payOwed(db, kitchen.id, payment);
	})
};
