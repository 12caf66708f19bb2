import { drawingOf, movesTo } from '$core/stock/draw.ts';
import { priceDrawn, type PricedDraw } from '$core/stock/price.ts';
import type { Price } from '$core/formula/types.ts';
import { settled } from '$core/measure/round.ts';
import type { Database } from '../db/connection.ts';
import { groupBy, newId, toMoney, utcNow, type Row } from '../rows.ts';
import { consumptionOf, type Consumption } from './consumption.ts';
import type { BatchStock } from './types.ts';

/**
 * Brings what a batch draws from lots to what it consumed: each difference is a move, none is edited. Call
 * it in the transaction that changed what was consumed.
 */
export async function settleDraws(
	db: Database,
	kitchenId: string,
	batchId: string,
	movedAt = utcNow()
): Promise<void> {
	if (!(await db('lots').where('kitchen_id', kitchenId).first('id'))) return;
	const uses = await consumptionOf(db, kitchenId, batchId);
	const drawn = await drawnBy(db, kitchenId, batchId);
	const lots = await lotsToDrawFrom(db, kitchenId, batchId, uses, [...drawn.keys()]);
	const moves = new Map<string, number>();
	for (const used of uses) {
		const of = lots.filter(
			(lot) => lot.ingredient_id === used.ingredientId && (lot.material ?? null) === used.material
		);
		const known = new Set(of.map((lot) => String(lot.id)));
		const only = (amounts: ReadonlyMap<string, number>) =>
			new Map([...amounts].filter(([lotId]) => known.has(lotId)));
		const { byLot } = drawingOf(
			of.map((lot) => ({ id: String(lot.id), onHand: Number(lot.on_hand) })),
			// A lot of something else cannot have been it.
			{ consumed: used.consumed, drawn: only(drawn), named: only(used.named) }
		);
		for (const [lotId, amount] of movesTo(only(drawn), byLot)) moves.set(lotId, amount);
	}
	if (moves.size === 0) return;
	await db('lot_moves').insert(
		[...moves].map(([lotId, amount]) => ({
			id: newId(),
			kitchen_id: kitchenId,
			lot_id: lotId,
			kind: 'drawn',
			amount: -amount,
			batch_id: batchId,
			moved_at: movedAt
		}))
	);
	for (const [lotId, amount] of moves)
		await db('lots').where({ kitchen_id: kitchenId, id: lotId }).decrement('on_hand', amount);
}

/** The lots of what a batch uses, locked; those with nothing left where it drew from them or was said to. */
async function lotsToDrawFrom(
	db: Database,
	kitchenId: string,
	batchId: string,
	uses: readonly Consumption[],
	drawn: readonly string[]
): Promise<Row[]> {
	const batch = (await db('batches').where({ kitchen_id: kitchenId, id: batchId }).first('made_on')) as Row;
	const concerned = [...drawn, ...uses.flatMap((used) => [...used.named.keys()])];
	return (await db('lots')
		.where('kitchen_id', kitchenId)
		.where(
			(query) =>
				void query
					.where(
						(at) =>
							void at
								.where('on_hand', '>', 0)
								.where('received_on', '<=', String(batch.made_on))
								.where(
									(of) =>
										void of
											.whereIn(
												'ingredient_id',
												uses.flatMap((used) => used.ingredientId ?? [])
											)
											.orWhereIn(
												'material',
												uses.flatMap((used) => used.material ?? [])
											)
								)
					)
					.orWhereIn('id', concerned)
		)
		.orderBy(['received_on', 'id'])
		.forUpdate()
		.select('id', 'on_hand', 'ingredient_id', 'material')) as Row[];
}

/** What a batch has drawn, by lot. */
async function drawnBy(db: Database, kitchenId: string, batchId: string): Promise<Map<string, number>> {
	const rows = (await db('lot_moves')
		.where({ kitchen_id: kitchenId, batch_id: batchId })
		.groupBy('lot_id')
		.havingRaw('SUM(amount) <> 0')
		.select('lot_id')
		.sum('amount as amount')) as Row[];
	return new Map(rows.map((row) => [String(row.lot_id), settled(-Number(row.amount))]));
}

/** The day the first lot of each thing was received, by ingredient id or by the name of a material. */
export async function lotsKeptSince(db: Database, kitchenId: string): Promise<Map<string, string>> {
	const rows = (await db('lots')
		.where('kitchen_id', kitchenId)
		.groupBy('ingredient_id', 'material')
		.select('ingredient_id', 'material')
		.min('received_on as since')) as Row[];
	return new Map(rows.map((row) => [String(row.ingredient_id ?? row.material), String(row.since)]));
}

/** Draws for open batches of a day or later what they consumed and no lot had, now that one came. */
export async function drawWhatWasShort(
	db: Database,
	kitchenId: string,
	lot: { ingredientId: string; material: string; receivedOn: string }
): Promise<void> {
	const query = db('batches as b')
		.where('b.kitchen_id', kitchenId)
		.whereNull('b.closed_at')
		.where('b.made_on', '>=', lot.receivedOn);
	if (lot.ingredientId !== '')
		query.whereExists((lines) =>
			lines.from('batch_lines as l').whereRaw('l.batch_id = b.id').where('l.ingredient_id', lot.ingredientId)
		);
	const batches = (await query.orderBy(['b.made_on', 'b.id']).select('b.id')) as Row[];
	for (const batch of batches) await settleDraws(db, kitchenId, String(batch.id));
}

/** What batches drew, for their pages and their cost, by batch id. */
export interface BatchDraws {
	stock: Omit<BatchStock, 'perPack'>[];
	/** The price of an ingredient as its lots cost, given what was consumed and the price in force. */
	priceOf: (ingredientId: string, consumed_g: number, inForce: Price | undefined) => Price | undefined;
}

/** Draws of batches by batch id; those without any are not in it. */
export async function drawsOf(
	db: Database,
	kitchenId: string,
	batchIds: readonly string[]
): Promise<Map<string, BatchDraws>> {
	const rows = (await db('lot_moves as m')
		.join('lots as l', 'l.id', 'm.lot_id')
		.leftJoin('ingredients as i', 'i.id', 'l.ingredient_id')
		.where('m.kitchen_id', kitchenId)
		.whereIn('m.batch_id', [...batchIds])
		.groupBy('m.batch_id', 'm.lot_id')
		.havingRaw('SUM(m.amount) <> 0')
		.orderBy(['l.received_on', 'l.id'])
		.select('m.batch_id', 'l.*', 'i.name as ingredient_name')
		.sum('m.amount as moved')) as Row[];
	return new Map(
		[...groupBy(rows, (row) => String(row.batch_id))].map(([batchId, of]) => [
			batchId,
			{
				stock: [...groupBy(of, nameOf)].map(([name, lots]) => drawnStock(name, lots)),
				priceOf: (ingredientId, consumed_g, inForce) => {
					const drawn = of.filter((row) => row.ingredient_id === ingredientId);
					return drawn.length === 0 ? inForce : priceDrawn(drawn.map(pricedDraw), consumed_g, inForce);
				}
			}
		])
	);
}

const nameOf = (row: Row) => String(row.ingredient_id === null ? row.material : row.ingredient_name);

function drawnStock(name: string, lots: readonly Row[]): Omit<BatchStock, 'perPack'> {
	const ingredientId = lots[0]?.ingredient_id ?? null;
	return {
		ingredientId: ingredientId === null ? null : String(ingredientId),
		name,
		unit: ingredientId === null ? 'pieces' : 'g',
		from: lots.map((row) => ({
			lotId: String(row.id),
			code: String(row.code),
			amount: settled(-Number(row.moved))
		}))
	};
}

function pricedDraw(row: Row): PricedDraw {
	return {
		grams: settled(-Number(row.moved)),
		price:
			row.amount === null
				? undefined
				: { amount: toMoney(row.amount), grams: Number(row.received), usable: Number(row.usable) }
	};
}
