import { parseDate } from '@internationalized/date';
import { Decimal } from 'decimal.js';
import { dayText, plural } from '../../format.ts';
import type { Kitchen } from '../../kitchen/types.ts';
import type { Order, OrderInput, PaidAhead } from '../../orders/types.ts';
import type { PaidBy } from '../../sales/kinds.ts';
import type { Database } from '../db/connection.ts';
import { madeOnce } from '../db/once.ts';
import { inTransaction } from '../db/transaction.ts';
import { NotFound, refuse, Stale } from '../errors.ts';
import { today } from '../kitchens.ts';
import { newId, utcNow } from '../rows.ts';
import { keepCheckout } from '../sales/keep.ts';
import { batchesLeft } from '../batches/left.ts';
import { getOrder } from './read.ts';

/** Takes an order; one sent twice is one. Throws `Refused`. */
export async function takeOrder(
	db: Database,
	kitchen: Kitchen,
	id: string,
	input: OrderInput
): Promise<void> {
	await madeOnce(db, { table: 'orders', kitchenId: kitchen.id, id }, async (transaction) => {
		const names = await productNames(transaction, kitchen.id, input);
		const now = utcNow();
		await transaction('orders').insert({
			id,
			kitchen_id: kitchen.id,
			...rowOf(input, today(kitchen)),
			series_id: input.weekly ? id : null,
			created_at: now,
			updated_at: now
		});
		await insertLines(transaction, kitchen.id, id, input);
		await note(
			transaction,
			kitchen.id,
			id,
			`taken: ${linesText(input, names)}, for ${dayText(input.fetchedOn)}`
		);
	});
}

/** Changes an order that is open, and says in its history what. Throws `Refused`, `Stale`, `NotFound`. */
export async function changeOrder(
	db: Database,
	kitchen: Kitchen,
	id: string,
	version: number,
	input: OrderInput
): Promise<void> {
	await inTransaction(db, async (transaction) => {
		const before = await lockedOrder(transaction, kitchen.id, id, version);
		const names = await productNames(transaction, kitchen.id, input);
		const row = rowOf(input, before.paidOn ?? today(kitchen));
		await transaction('orders')
			.where({ kitchen_id: kitchen.id, id })
			.update({
				...row,
				series_id: input.weekly ? id : null,
				version: version + 1,
				updated_at: utcNow()
			});
		await transaction('order_lines').where({ kitchen_id: kitchen.id, order_id: id }).delete();
		await insertLines(transaction, kitchen.id, id, input);
		const changes = changesText(before, input, names);
		if (changes.length > 0) await note(transaction, kitchen.id, id, `changed: ${changes.join('; ')}`);
	});
}

/** Cancels an order that is open; the next of a weekly one is taken in its place unless the series ends. */
export async function cancelOrder(
	db: Database,
	kitchen: Kitchen,
	id: string,
	version: number,
	{ reason, endSeries }: { reason: string; endSeries: boolean }
): Promise<void> {
	await inTransaction(db, async (transaction) => {
		const before = await lockedOrder(transaction, kitchen.id, id, version);
		await close(transaction, kitchen.id, before, 'cancelled');
		await note(transaction, kitchen.id, id, reason === '' ? 'cancelled' : `cancelled: ${reason}`);
		if (before.weekly && !endSeries) await nextOfSeries(transaction, kitchen, before);
	});
}

/** How an order is paid as it is handed over; `ahead` where it was paid before. */
export type PaidAtHand = PaidBy | 'ahead';

/**
 * Hands an order over: its packs are taken from the batches that keep, the oldest first, and the order becomes a sale
 * that points at it. The next of a weekly one is taken. Throws `Refused` where packs are missing.
 */
export async function handOver(
	db: Database,
	kitchen: Kitchen,
	id: string,
	version: number,
	paid: PaidAtHand
): Promise<void> {
	await inTransaction(db, async (transaction) => {
		const order = await lockedOrder(transaction, kitchen.id, id, version);
		const day = today(kitchen);
		if (paid === 'ahead' && order.paidBy === null)
			refuse('paid', 'it was not paid ahead: say how it is paid now');
		const all = (await batchesLeft(transaction, kitchen)).reverse();
		const left = all.filter(
			({ held, bestBefore }) => held.length === 0 && (bestBefore === null || bestBefore >= day)
		);
		const lines = order.lines.flatMap((line) => {
			let missing = line.packs;
			const taken = left.flatMap((batch) => {
				if (batch.productId !== line.productId || missing === 0 || batch.packsLeft === 0) return [];
				const packs = Math.min(missing, batch.packsLeft);
				batch.packsLeft -= packs;
				missing -= packs;
				return { id: newId(), batchId: batch.id, packs, price: line.price };
			});
			if (missing > 0) {
				const held = all.find(({ productId, held: why }) => productId === line.productId && why.length > 0);
				refuse(
					'',
					`${plural(missing, 'pack')} of ${line.name} ${missing === 1 ? 'is' : 'are'} missing: ${
						held
							? `batch ${held.code} is held, ${held.held.join('; ')}. At the stall it can be sold to whoever was told`
							: 'nothing else that keeps is left'
					}`
				);
			}
			return taken;
		});
		await keepCheckout(transaction, kitchen.id, {
			kind: 'sale',
			soldOn: day,
			channel: order.place,
			paidBy: paid === 'ahead' ? order.paidBy : paid,
			customer: order.customer,
			reason: '',
			orderId: order.id,
			lines
		});
		await close(transaction, kitchen.id, order, 'fetched');
		await note(transaction, kitchen.id, id, paid === 'owed' ? 'fetched, owed' : 'fetched');
		if (order.weekly) await nextOfSeries(transaction, kitchen, order);
	});
}

async function lockedOrder(db: Database, kitchenId: string, id: string, version: number): Promise<Order> {
	const row = await db('orders').where({ kitchen_id: kitchenId, id }).forUpdate().first('id');
	if (!row) throw new NotFound('this order is not here');
	const order = await getOrder(db, kitchenId, id);
	if (order.version !== version) throw new Stale(order);
	if (order.state !== 'open') refuse('', `this order is ${order.state} already`);
	return order;
}

const close = (db: Database, kitchenId: string, { id, version }: Order, state: 'fetched' | 'cancelled') =>
	db('orders')
		.where({ kitchen_id: kitchenId, id })
		.update({ state, version: version + 1, updated_at: utcNow() });

/** The same a week later; what was paid is paid for this one alone. */
async function nextOfSeries(db: Database, kitchen: Kitchen, order: Order): Promise<void> {
	let next = parseDate(order.fetchedOn).add({ weeks: 1 });
	while (next.toString() < today(kitchen)) next = next.add({ weeks: 1 });
	await takeOrder(db, kitchen, newId(), {
		customer: order.customer,
		fetchedOn: next.toString(),
		place: order.place,
		note: order.note,
		weekly: true,
		paid: '',
		lines: order.lines
	});
}

function rowOf({ customer, fetchedOn, place, note: words, paid }: OrderInput, paidOn: string) {
	return {
		customer,
		fetched_on: fetchedOn,
		place,
		note: words,
		paid_by: paid === '' ? null : paid,
		paid_on: paid === '' ? null : paidOn
	};
}

async function insertLines(
	db: Database,
	kitchenId: string,
	orderId: string,
	{ lines }: OrderInput
): Promise<void> {
	await db('order_lines').insert(
		lines.map(({ productId, packs, price }, position) => ({
			id: newId(),
			kitchen_id: kitchenId,
			order_id: orderId,
			product_id: productId,
			position,
			packs,
			price
		}))
	);
}

/** The names of what is ordered. Refuses what is not made here, or twice the same. */
async function productNames(
	db: Database,
	kitchenId: string,
	{ lines }: OrderInput
): Promise<Map<string, string>> {
	const rows = await db('products as p')
		.join('formulas as f', 'f.id', 'p.formula_id')
		.where('p.kitchen_id', kitchenId)
		.whereIn(
			'p.id',
			lines.map(({ productId }) => productId)
		)
		.select<{ id: string; name: string }[]>('p.id', 'f.name');
	const names = new Map(rows.map(({ id, name }) => [id, name]));
	for (const [at, { productId }] of lines.entries()) {
		if (!names.has(productId)) refuse(`lines[${at}].productId`, 'choose a product');
		if (lines.findIndex((line) => line.productId === productId) !== at)
			refuse(`lines[${at}].productId`, 'it is ordered above already: add the packs there');
	}
	return names;
}

const linesText = ({ lines }: Pick<OrderInput, 'lines'>, names: ReadonlyMap<string, string>): string =>
	lines.map(({ productId, packs }) => `${packs} × ${names.get(productId) ?? ''}`).join(', ');

/** What of an order is other than before, in words; nobody's name is among them: history stays when a name is erased. */
function changesText(before: Order, input: OrderInput, names: ReadonlyMap<string, string>): string[] {
	const said: string[] = [];
	const now = linesText(input, names);
	const was = before.lines.map(({ packs, name }) => `${packs} × ${name}`).join(', ');
	if (now !== was) said.push(`${was} to ${now}`);
	for (const line of input.lines) {
		const old = before.lines.find(({ productId }) => productId === line.productId);
		if (old && !new Decimal(old.price).eq(line.price))
			said.push(`${names.get(line.productId) ?? ''} at ${line.price} in the place of ${old.price}`);
	}
	if (input.fetchedOn !== before.fetchedOn)
		said.push(`for ${dayText(input.fetchedOn)} in the place of ${dayText(before.fetchedOn)}`);
	if (input.place !== before.place) said.push(`to be fetched at ${input.place}`);
	if (input.paid !== (before.paidBy ?? ''))
		said.push(input.paid === '' ? 'not paid after all' : `paid by ${paidText(input.paid)}`);
	if (input.weekly !== before.weekly)
		said.push(input.weekly ? 'every week from now on' : 'not every week any more');
	if (input.note !== before.note) said.push('another note');
	if (input.customer !== before.customer) said.push('another name');
	return said;
}

const paidText = (paid: PaidAhead): string => (paid === 'cash' ? 'cash' : 'card');

async function note(db: Database, kitchenId: string, orderId: string, what: string): Promise<void> {
	await db('order_changes').insert({
		id: newId(),
		kitchen_id: kitchenId,
		order_id: orderId,
		what: what.slice(0, 500),
		changed_at: utcNow()
	});
}
