import type { Batch } from '../../../batch/types.ts';
import type { Kitchen } from '../../../kitchen/types.ts';
import { newId } from '../../rows.ts';
import { keepSale, voidSale } from '../../sales/keep.ts';
import type { Database } from '../connection.ts';
import { did } from './did.ts';
import type { Chance } from './random.ts';

export const MARKET = 'Ferry Green Saturday market';
export const DOOR = 'From the door';

/** Most of a batch in sales of a few packs, now and then with one that was a slip. */
export async function sellAtMarket(
	db: Database,
	kitchen: Kitchen,
	batch: Batch,
	day: string,
	random: Chance
): Promise<void> {
	let left = batch.packsLeft - random.whole(0, 2);
	while (left > 0) {
		const packs = Math.min(left, random.whole(1, 3));
		await sell(db, kitchen, batch, day, MARKET, packs);
		left -= packs;
	}
	// A slip of the thumb at the stall, and its void.
	if (random.next() < 0.06) await voidNewest(db, kitchen, batch);
}

/** A few packs to whoever came by. */
export async function sellAtDoor(
	db: Database,
	kitchen: Kitchen,
	batch: Batch,
	day: string,
	random: Chance,
	most: number,
	reason = ''
): Promise<void> {
	const packsLeft = await packsLeftOf(db, batch);
	const packs = Math.min(packsLeft, random.whole(most - 2, most));
	if (packs > 0) await sell(db, kitchen, batch, day, DOOR, packs, reason);
}

async function sell(
	db: Database,
	kitchen: Kitchen,
	batch: Batch,
	soldOn: string,
	channel: string,
	packs: number,
	reason = ''
): Promise<void> {
	const id = newId();
	await did(db, kitchen.id, 'Sorrel', `${soldOn} 16:00:00.000`, {
		what: 'sold at the stall',
		path: '/sales/entries.json',
		ofWhat: `batch ${batch.code}`
	});
	await keepSale(db, kitchen.id, {
		id,
		kind: 'sale',
		checkoutId: id,
		batchId: batch.id,
		soldOn,
		channel,
		packs,
		price: batch.price ?? '0',
		paidBy: packs > 1 ? 'card' : 'cash',
		customer: '',
		reason,
		ofId: null,
		thrownAway: false
	});
}

async function packsLeftOf(db: Database, { id }: Pick<Batch, 'id'>): Promise<number> {
	const row = await db('batches').where({ id }).first('packs_left');
	return row?.packs_left ?? 0;
}

/** What nobody bought is written off. */
export async function writeOffRest(
	db: Database,
	kitchen: Kitchen,
	batch: Batch,
	soldOn: string
): Promise<void> {
	const packsLeft = await packsLeftOf(db, batch);
	if (packsLeft === 0) return;
	await did(db, kitchen.id, 'Wren', `${soldOn} 17:00:00.000`, {
		what: 'noted a sale',
		path: '/sales',
		ofWhat: `batch ${batch.code}`
	});
	await keepSale(db, kitchen.id, {
		id: newId(),
		kind: 'written off',
		checkoutId: null,
		batchId: batch.id,
		soldOn,
		channel: DOOR,
		packs: packsLeft,
		price: '0',
		paidBy: null,
		customer: '',
		reason: 'unsold',
		ofId: null,
		thrownAway: false
	});
}

async function voidNewest(db: Database, kitchen: Kitchen, batch: Batch): Promise<void> {
	const newest = await db('sales')
		.where({ kitchen_id: kitchen.id, batch_id: batch.id })
		.orderBy('id', 'desc')
		.first('id');
	if (newest) await voidSale(db, kitchen.id, newest.id, 'entered twice at the stall');
}
