import { drawingOf, movesTo } from '$core/stock/draw.ts';
import { priceDrawn, type PricedDraw } from '$core/stock/price.ts';
import type { Price } from '$core/formula/types.ts';
import { settled } from '$core/measure/round.ts';
import type { Database } from '../db/connection.ts';
import { known } from '../db/known.ts';
import type { RowOf } from '../db/tables.ts';
import type { Consumption } from '$core/bench/consumption.ts';
import { groupBy, newId, toMoney, utcNow } from '../rows.ts';
import type { BatchStock } from '../../shelf/lots.ts';

/** What is to be settled of a batch: whose row is locked, and what it consumed. */
export interface Settling {
	id: string;
	madeOn: string;
	uses: readonly Consumption[];
}

/**
 * Brings what a batch draws from lots to what it consumed: each difference is a move, none is edited. Call
 * it in the transaction that changed what was consumed, with the batch's row locked. Whether anything moved.
 */
export async function settleDraws(
	db: Database,
	kitchenId: string,
	{ id, madeOn, uses }: Settling,
	movedAt = utcNow()
): Promise<boolean> {
	if (!(await db('lots').where('kitchen_id', kitchenId).first('id'))) return false;
	const drawn = await drawnBy(db, kitchenId, id);
	const lots = await lotsToDrawFrom(db, kitchenId, { id, madeOn, uses }, [...drawn.keys()]);
	const moves = new Map<string, number>();
	for (const used of uses) {
		const of = lots.filter((lot) => lot.ingredientId === used.ingredientId && lot.material === used.material);
		const known = new Set(of.map((lot) => lot.id));
		const only = (amounts: ReadonlyMap<string, number>) =>
			new Map([...amounts].filter(([lotId]) => known.has(lotId)));
		// A lot of something else cannot have been it.
		const { byLot } = drawingOf(of, { consumed: used.consumed, drawn: only(drawn), named: only(used.named) });
		for (const [lotId, amount] of movesTo(only(drawn), byLot)) moves.set(lotId, amount);
	}
	if (moves.size === 0) return false;
	await db('lot_moves').insert(
		[...moves].map(([lotId, amount]) => ({
			id: newId(),
			kitchen_id: kitchenId,
			lot_id: lotId,
			kind: 'drawn',
			amount: -amount,
			batch_id: id,
			moved_at: movedAt
		}))
	);
	for (const [lotId, amount] of moves)
		await db('lots').where({ kitchen_id: kitchenId, id: lotId }).decrement('on_hand', amount);
	return true;
}

/** A lot as it is drawn from. */
interface DrawnLot {
	id: string;
	onHand: number;
	ingredientId: string | null;
	material: string | null;
}

/**
 * The lots of what a batch uses, locked: those that were there when it was made, and those it drew from or was
 * said to. One that came on the day itself was not there for a batch of which packs had gone by then.
 */
async function lotsToDrawFrom(
	db: Database,
	kitchenId: string,
	{ id, madeOn, uses }: Settling,
	drawn: readonly string[]
): Promise<DrawnLot[]> {
	const concerned = [...drawn, ...uses.flatMap((used) => [...used.named.keys()])];
	const firstGone = await db('sales')
		.where({ kitchen_id: kitchenId, batch_id: id })
		.min('created_at as at')
		.first();
	const rows = await db('lots')
		.where('kitchen_id', kitchenId)
		.where((query) => {
			query
				.where((at) => {
					at.where('on_hand', '>', 0)
						.where((then) => {
							then.where('received_on', '<', madeOn).orWhere((same) => {
								same.where('received_on', madeOn);
								if (firstGone?.at) same.where('created_at', '<=', String(firstGone.at));
							});
						})
						.where((of) => {
							of.whereIn(
								'ingredient_id',
								uses.flatMap((used) => used.ingredientId ?? [])
							).orWhereIn(
								'material',
								uses.flatMap((used) => used.material ?? [])
							);
						});
				})
				.orWhereIn('id', concerned);
		})
		.orderBy(['received_on', 'id'])
		.forUpdate()
		.select('id', 'on_hand', 'ingredient_id', 'material');
	return rows.map((row) => ({
		id: row.id,
		onHand: Number(row.on_hand),
		ingredientId: row.ingredient_id,
		material: row.material
	}));
}

/** What a batch has drawn, by lot. */
async function drawnBy(db: Database, kitchenId: string, batchId: string): Promise<Map<string, number>> {
	const rows = await db('lot_moves')
		.where({ kitchen_id: kitchenId, batch_id: batchId })
		.groupBy('lot_id')
		.havingRaw('SUM(amount) <> 0')
		.select<{ lot_id: string; amount: string }[]>('lot_id', db.raw('SUM(amount) AS amount'));
	return new Map(rows.map((row) => [row.lot_id, settled(-Number(row.amount))]));
}

/** What lots are kept under: an ingredient and a material of one name are two things. */
export const lotKey = (ingredientId: string | null, material: string): string =>
	ingredientId === null ? `material ${material}` : ingredientId;

/** The material of a key that is of no ingredient. */
export const materialOf = (key: string): string => key.replace(/^material /, '');

/** The day the first lot of each thing was received, by `lotKey`. */
export function lotsKeptSince(db: Database, kitchenId: string): Promise<Map<string, string>> {
	return known(db, kitchenId, 'kept since', () => readLotsKeptSince(db, kitchenId));
}

async function readLotsKeptSince(db: Database, kitchenId: string): Promise<Map<string, string>> {
	const rows = await db('lots')
		.where('kitchen_id', kitchenId)
		.groupBy('ingredient_id', 'material')
		.select<(Pick<RowOf<'lots'>, 'ingredient_id' | 'material'> & { since: string })[]>(
			'ingredient_id',
			'material',
			db.raw('MIN(received_on) AS since')
		);
	return new Map(rows.map((row) => [keyOf(row), row.since]));
}

/** Ids of the open batches of a day or later that use what a lot is of: they may have been short of it. */
export async function batchesThatUse(
	db: Database,
	kitchenId: string,
	lot: { ingredientId: string; receivedOn: string }
): Promise<string[]> {
	const query = db('batches as b')
		.where('b.kitchen_id', kitchenId)
		.whereNull('b.closed_at')
		.where('b.made_on', '>=', lot.receivedOn);
	if (lot.ingredientId !== '')
		query.whereExists((lines) => {
			lines.from('batch_lines as l').whereRaw('l.batch_id = b.id').where('l.ingredient_id', lot.ingredientId);
		});
	return (await query.orderBy(['b.made_on', 'b.id']).pluck('b.id')) as string[];
}

/** What batches drew, for their pages and their cost, by batch id. */
export interface BatchDraws {
	stock: Omit<BatchStock, 'perPack'>[];
	/** The price of an ingredient as its lots cost, given what was consumed and the price in force. */
	priceOf: (ingredientId: string, consumed_g: number, inForce: Price | null) => Price | null;
}

/** What a batch drew from a lot in all, beside the lot. */
type DrawnRow = RowOf<'lots'> & { batch_id: string; ingredient_name: string | null; moved: string };

/** Draws of batches by batch id; those without any are not in it. */
export function drawsOf(
	db: Database,
	kitchenId: string,
	batchIds: readonly string[]
): Promise<Map<string, BatchDraws>> {
	return known(db, kitchenId, `draws ${batchIds.join()}`, () => readDrawsOf(db, kitchenId, batchIds));
}

async function readDrawsOf(
	db: Database,
	kitchenId: string,
	batchIds: readonly string[]
): Promise<Map<string, BatchDraws>> {
	if (batchIds.length === 0) return new Map();
	const rows = await db('lot_moves as m')
		.join('lots as l', 'l.id', 'm.lot_id')
		.leftJoin('ingredients as i', 'i.id', 'l.ingredient_id')
		.where('m.kitchen_id', kitchenId)
		.whereIn('m.batch_id', [...batchIds])
		.groupBy('m.batch_id', 'm.lot_id')
		.havingRaw('SUM(m.amount) <> 0')
		.orderBy(['l.received_on', 'l.id'])
		.select<DrawnRow[]>('m.batch_id', 'l.*', 'i.name as ingredient_name', db.raw('SUM(m.amount) AS moved'));
	return new Map(
		[...groupBy(rows, (row) => row.batch_id)].map(([batchId, of]) => [
			batchId,
			{
				stock: [...groupBy(of, keyOf).values()].map(drawnStock),
				priceOf: (ingredientId, consumed_g, inForce) => {
					const drawn = of.filter((row) => row.ingredient_id === ingredientId);
					return drawn.length === 0 ? inForce : priceDrawn(drawn.map(pricedDraw), consumed_g, inForce);
				}
			}
		])
	);
}

const keyOf = (row: Pick<RowOf<'lots'>, 'ingredient_id' | 'material'>) =>
	lotKey(row.ingredient_id, row.material ?? '');

function drawnStock(lots: readonly DrawnRow[]): Omit<BatchStock, 'perPack'> {
	const [first] = lots;
	const ingredientId = first?.ingredient_id ?? null;
	return {
		ingredientId,
		name: (ingredientId === null ? first?.material : first?.ingredient_name) ?? '',
		unit: ingredientId === null ? 'pieces' : 'g',
		from: lots.map((row) => ({
			lotId: row.id,
			code: row.code,
			amount: settled(-Number(row.moved))
		}))
	};
}

function pricedDraw(row: DrawnRow): PricedDraw {
	return {
		grams: settled(-Number(row.moved)),
		price:
			row.amount === null
				? null
				: { amount: toMoney(row.amount), grams: Number(row.received), usable: Number(row.usable) }
	};
}
