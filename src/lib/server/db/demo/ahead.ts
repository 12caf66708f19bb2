import { parseDateTime, toZoned } from '@internationalized/date';
import type { Kitchen } from '../../../kitchen/types.ts';
import { getFormula } from '../../formulas/read.ts';
import { takeOrder } from '../../orders/keep.ts';
import { setHours } from '../../plan/hours.ts';
import { newId, utcAt, utcNow } from '../../rows.ts';
import type { Database } from '../connection.ts';
import { addDays, lastSaturday } from './days.ts';
import { did } from './did.ts';
import { DEMO_PRODUCTS } from './products.ts';

/** Saturdays on which something had run out before the market closed: weeks ago, what, and when. */
const RAN_OUT: readonly [weeksAgo: number, product: string, at: string][] = [
	[0, 'Half-and-half tortilla', '11:10'],
	[2, 'Half-and-half tortilla', '11:40'],
	[1, 'Beet and cumin roti', '12:05'],
	[3, 'Toasted-oat pita', '12:20']
];

/** When the demo kitchen sells, what ran out, and what is ordered for the next market. */
export async function askAhead(
	db: Database,
	kitchen: Kitchen,
	formulaIds: readonly string[],
	{ market, door, day }: { market: string; door: string; day: string }
): Promise<void> {
	await setHours(db, kitchen.id, market, { opens: '09:00', closes: '13:00' });
	await setHours(db, kitchen.id, door, { opens: '10:00', closes: '18:00' });
	const products = new Map<string, { id: string; price: string }>();
	for (const [nth, { name }] of DEMO_PRODUCTS.entries()) {
		const [product] = (await getFormula(db, kitchen.id, formulaIds[nth] ?? '')).products;
		if (product) products.set(name, { id: product.id, price: product.price ?? '0' });
	}
	const saturday = lastSaturday(day);
	for (const [weeksAgo, name, at] of RAN_OUT) {
		const on = addDays(saturday, -7 * weeksAgo);
		await did(db, kitchen.id, 'Sorrel', `${on} 17:00:00.000`, {
			what: 'said what is sold out',
			path: '/sales/stall',
			ofWhat: ''
		});
		await db('sold_outs').insert({
			id: newId(),
			kitchen_id: kitchen.id,
			place: market,
			product_id: products.get(name)?.id ?? '',
			sold_out_on: on,
			sold_out_at: utcAt(
				toZoned(parseDateTime(`${on}T${at}`), kitchen.timeZone)
					.toDate()
					.getTime()
			),
			created_at: utcNow()
		});
	}
	const line = (name: string, packs: number) => {
		const { id = '', price = '0' } = products.get(name) ?? {};
		return { productId: id, packs, price };
	};
	const next = addDays(saturday, 7);
	await did(db, kitchen.id, 'Sorrel', utcNow(), { what: 'took an order', path: '/sales/orders', ofWhat: '' });
	await takeOrder(db, kitchen, newId(), {
		customer: 'Briony',
		fetchedOn: next,
		place: market,
		note: '',
		weekly: true,
		paid: '',
		lines: [line('Half-and-half tortilla', 2)]
	});
	await takeOrder(db, kitchen, newId(), {
		customer: 'Hazel at the mill',
		fetchedOn: next,
		place: market,
		note: 'comes before eleven',
		weekly: false,
		paid: 'card',
		lines: [line('Toasted-oat pita', 3), line('Beet and cumin roti', 1)]
	});
}
