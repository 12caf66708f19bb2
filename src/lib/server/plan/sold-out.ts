import { parseAbsolute, parseDate, toTime } from '@internationalized/date';
import { decodeTime } from 'ulid';
import type { SoldOut } from '$core/selling/rhythm.ts';
import { dayIn } from '../../day.ts';
import type { Hours } from '../../plan/types.ts';
import type { Kitchen } from '../../kitchen/types.ts';
import type { Database } from '../db/connection.ts';
import { refuse } from '../errors.ts';
import { madeOnce } from '../db/once.ts';
import { inTransaction } from '../db/transaction.ts';
import { today } from '../kitchens.ts';
import { groupBy, utcNow } from '../rows.ts';
import { placeHours } from './hours.ts';

/** No product sells out before a tenth of the day: what says so was entered later. */
const LEAST_SHARE = 0.1;
/** Bread is not sold longer after it was made. */
const MOST_DAYS_OLD = 45;

/** Says that a place has nothing left of a product, now; said twice it is once. Throws `Refused`. */
export async function saySoldOut(
	db: Database,
	kitchen: Kitchen,
	{ id, place, productId }: { id: string; place: string; productId: string }
): Promise<void> {
	const product = await db('products').where({ kitchen_id: kitchen.id, id: productId }).first('id');
	if (!product) refuse('productId', 'this product is not made here');
	await madeOnce(db, { table: 'sold_outs', kitchenId: kitchen.id, id }, async (transaction) => {
		const said = { kitchen_id: kitchen.id, place, product_id: productId, sold_out_on: today(kitchen) };
		const known = await transaction('sold_outs').where(said).whereNull('taken_back_at').first('id');
		if (known) return;
		await transaction('sold_outs').insert({ id, ...said, sold_out_at: utcNow(), created_at: utcNow() });
	});
}

/** Takes back what was said of a product today: there is some after all. */
export async function takeBackSoldOut(
	db: Database,
	kitchen: Kitchen,
	place: string,
	productId: string
): Promise<void> {
	await inTransaction(db, (transaction) =>
		transaction('sold_outs')
			.where({ kitchen_id: kitchen.id, place, product_id: productId, sold_out_on: today(kitchen) })
			.whereNull('taken_back_at')
			.update({ taken_back_at: utcNow() })
	);
}

/** Products said to be sold out at places today. */
export async function soldOutToday(
	db: Database,
	kitchen: Kitchen
): Promise<{ place: string; productId: string }[]> {
	const rows = await db('sold_outs')
		.where({ kitchen_id: kitchen.id, sold_out_on: today(kitchen) })
		.whereNull('taken_back_at')
		.select('place', 'product_id');
	return rows.map(({ place, product_id }) => ({ place, productId: product_id }));
}

/** Of a day's hours, how much had passed at a moment; all of it where nobody said the hours. */
function shareAt(at: string, hours: Hours | undefined, timeZone: string): number {
	if (!hours) return 1;
	const minutes = (time: string) => {
		const [hour = 0, minute = 0] = time.split(':').map(Number);
		return hour * 60 + minute;
	};
	const local = toTime(parseAbsolute(`${at.replace(' ', 'T').replace(/Z?$/, '')}Z`, timeZone));
	const [opens, closes] = [minutes(hours.opens), minutes(hours.closes)];
	const share = (local.hour * 60 + local.minute - opens) / (closes - opens);
	return Math.min(1, Math.max(LEAST_SHARE, share));
}

/** The same by an entry; all of the day where it was entered another day. */
function shareOfEntry(id: string, day: string, hours: Hours | undefined, timeZone: string): number {
	const at = new Date(decodeTime(id));
	return dayIn(timeZone, at) === day ? shareAt(at.toISOString().slice(0, -1), hours, timeZone) : 1;
}

/**
 * The days since `from` on which a product was sold out at a place: said at the stall, or nothing of it was left when
 * the day ended, and then from its last pack on.
 */
export async function soldOutSince(db: Database, kitchen: Kitchen, from: string): Promise<SoldOut[]> {
	const oldest = parseDate(from).subtract({ days: MOST_DAYS_OLD }).toString();
	const [said, hours, made, gone, last] = await Promise.all([
		db('sold_outs')
			.where('kitchen_id', kitchen.id)
			.where('sold_out_on', '>=', from)
			.whereNull('taken_back_at')
			.select('place', 'product_id', 'sold_out_on', 'sold_out_at'),
		placeHours(db, kitchen.id),
		db('batches')
			.where('kitchen_id', kitchen.id)
			.where('made_on', '>=', oldest)
			.groupBy('product_id', 'made_on')
			.select<{ product_id: string; made_on: string; packs: string }[]>(
				'product_id',
				'made_on',
				db.raw('SUM(packs_made) AS packs')
			),
		db('sales as s')
			.join('batches as b', 'b.id', 's.batch_id')
			.where('s.kitchen_id', kitchen.id)
			.where('b.made_on', '>=', oldest)
			.groupBy('b.product_id', 's.sold_on')
			.select<{ product_id: string; sold_on: string; packs: string }[]>(
				'b.product_id',
				's.sold_on',
				db.raw('SUM(s.packs) AS packs')
			),
		db('sales')
			.where({ kitchen_id: kitchen.id, is_given: 0, kind: 'sale' })
			.where('sold_on', '>=', from)
			.whereNotNull('product_id')
			.groupBy('product_id', 'sold_on', 'channel')
			.select<{ product_id: string; sold_on: string; channel: string; newest: string }[]>(
				'product_id',
				'sold_on',
				'channel',
				// An entry's id has the moment it was made in it, on the device that made it.
				db.raw('MAX(id) AS newest')
			)
	]);
	const found = said.map(({ place, product_id, sold_out_on, sold_out_at }): SoldOut => ({
		day: sold_out_on,
		place,
		productId: product_id,
		share: shareAt(sold_out_at, hours.get(place), kitchen.timeZone)
	}));
	const isSaid = (day: string, productId: string) =>
		found.some((each) => each.day === day && each.productId === productId);
	const madeBy = groupBy(made, (row) => row.product_id);
	const goneBy = groupBy(gone, (row) => row.product_id);
	const upTo = <T extends { packs: string }>(rows: readonly T[] | undefined, is: (row: T) => boolean) =>
		(rows ?? []).reduce((sum, row) => sum + (is(row) ? Number(row.packs) : 0), 0);
	for (const [, of] of groupBy(last, (row) => `${row.product_id} ${row.sold_on}`)) {
		const [newest] = of.toSorted((a, b) => b.newest.localeCompare(a.newest));
		if (!newest || newest.sold_on >= today(kitchen)) continue;
		const { product_id, sold_on } = newest;
		const packsMade = upTo(madeBy.get(product_id), (row) => row.made_on <= sold_on);
		const there = packsMade - upTo(goneBy.get(product_id), (row) => row.sold_on <= sold_on);
		// Of sales from before batches were kept nobody knows what was left.
		if (packsMade === 0 || there > 0 || isSaid(sold_on, product_id)) continue;
		found.push({
			day: sold_on,
			place: newest.channel,
			productId: product_id,
			share: shareOfEntry(newest.newest, sold_on, hours.get(newest.channel), kitchen.timeZone)
		});
	}
	return found;
}
