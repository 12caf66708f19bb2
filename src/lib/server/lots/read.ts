import type { Database } from '../db/connection.ts';
import type { RowOf } from '../db/tables.ts';
import { known } from '../db/known.ts';
import { NotFound } from '../errors.ts';
import { toMoney } from '../rows.ts';
import type { Batch } from '../../batch/types.ts';
import type { Lot, LotMove } from '../../shelf/lots.ts';

/** The lots of a kitchen with the name of what they are of, those received first before the others. */
function lotRows(db: Database, kitchenId: string) {
	return db('lots as l')
		.leftJoin('ingredients as i', 'i.id', 'l.ingredient_id')
		.where('l.kitchen_id', kitchenId)
		.orderBy(['l.received_on', 'l.id'])
		.select<LotRow[]>('l.*', 'i.name as ingredient_name');
}

/** A lot beside its ingredient; a material has none. */
type LotRow = RowOf<'lots'> & { ingredient_name: string | null };

function fromRow(row: LotRow): Lot {
	const isMaterial = row.ingredient_id === null;
	return {
		id: row.id,
		code: row.code,
		ingredientId: row.ingredient_id,
		name: (isMaterial ? row.material : row.ingredient_name) ?? '',
		unit: isMaterial ? 'pieces' : 'g',
		supplier: row.supplier,
		supplierCode: row.supplier_code,
		receivedOn: row.received_on,
		received: Number(row.received),
		onHand: Number(row.on_hand),
		amount: row.amount === null ? null : toMoney(row.amount),
		usable: Number(row.usable),
		bestBefore: row.best_before,
		note: row.note
	};
}

/** The lots there is something left of, or more was drawn from than they held; oldest first. */
export function lotsOnHand(db: Database, kitchenId: string): Promise<Lot[]> {
	return known(db, kitchenId, 'lots on hand', () => readLotsOnHand(db, kitchenId));
}

async function readLotsOnHand(db: Database, kitchenId: string): Promise<Lot[]> {
	return (await lotRows(db, kitchenId).whereNot('l.on_hand', 0)).map(fromRow);
}

/** The lots a batch may draw from, and those it drew from though nothing is left of them; oldest first. */
export async function lotsFor(
	db: Database,
	kitchenId: string,
	batch: Pick<Batch, 'lines' | 'stock' | 'madeOn'>
): Promise<Lot[]> {
	const drawn = batch.stock.flatMap((use) => use.from.map((lot) => lot.lotId));
	const materials = batch.stock.flatMap((use) => (use.ingredientId === null ? use.name : []));
	const ingredients = batch.lines.map((line) => line.ingredient);
	const what = `lots for ${batch.madeOn} ${[...ingredients, ...materials, ...drawn].join()}`;
	return known(db, kitchenId, what, async () => {
		const rows = await lotRows(db, kitchenId)
			.where((query) => void query.whereIn('l.ingredient_id', ingredients).orWhereIn('l.material', materials))
			.where((query) => void query.whereNot('l.on_hand', 0).orWhereIn('l.id', drawn))
			.where('l.received_on', '<=', batch.madeOn);
		return rows.map(fromRow);
	});
}

/** The newest lots there is nothing left of. */
export async function usedUpLots(db: Database, kitchenId: string, most: number): Promise<Lot[]> {
	const rows = await lotRows(db, kitchenId)
		.where('l.on_hand', 0)
		.clearOrder()
		.orderBy([
			{ column: 'l.received_on', order: 'desc' },
			{ column: 'l.id', order: 'desc' }
		])
		.limit(most);
	return rows.map(fromRow);
}

/** One lot. Throws `NotFound`. */
export async function getLot(db: Database, kitchenId: string, id: string): Promise<Lot> {
	const [row] = await lotRows(db, kitchenId).where('l.id', id);
	if (!row) throw new NotFound('this lot is not here');
	return fromRow(row);
}

/** Lots by their ids, oldest first. */
export async function lotsById(db: Database, kitchenId: string, ids: readonly string[]): Promise<Lot[]> {
	return (await lotRows(db, kitchenId).whereIn('l.id', [...ids])).map(fromRow);
}

/** Everything that came into a lot and left it, newest first. */
export async function movesOf(db: Database, kitchenId: string, lotId: string): Promise<LotMove[]> {
	const rows = await db('lot_moves as m')
		.leftJoin('batches as b', 'b.id', 'm.batch_id')
		.where({ 'm.kitchen_id': kitchenId, 'm.lot_id': lotId })
		.orderBy('m.id', 'desc')
		.select<(RowOf<'lot_moves'> & { batch_code: string | null })[]>('m.*', 'b.code as batch_code');
	return rows.map((row) => ({
		id: row.id,
		kind: row.kind as LotMove['kind'],
		amount: Number(row.amount),
		batchId: row.batch_id,
		batchCode: row.batch_code,
		reason: row.reason,
		movedAt: row.moved_at
	}));
}
