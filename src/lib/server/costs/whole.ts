import { wholeCost, type Costed, type WholeCost } from '$core/cost/whole.ts';
import type { Material } from '$core/formula/types.ts';
import { readBatches } from '../batches/read.ts';
import type { Batch } from '../../batch/types.ts';
import type { Database } from '../db/connection.ts';
import type { RowOf } from '../db/tables.ts';
import type { Kitchen } from '../../kitchen/types.ts';
import { toList } from '../rows.ts';
import { listRates, ratesOn } from './rates.ts';
import { workingOf } from './working.ts';

/** What of a batch its whole cost needs; null while nothing is derived of it. */
export function costedOf(batch: Batch): Costed | null {
	return (
		batch.facts && {
			cost: batch.facts.cost,
			sellable: batch.facts.yield.sellable,
			packs: batch.packsMade,
			product: batch.recipe.product
		}
	);
}

/** A batch beside one of its closings; nothing of a closing where it has none. */
type CostRow = Pick<RowOf<'batches'>, 'id' | 'made_on' | 'packs_made' | 'pack_pieces' | 'materials'> & {
	number: number | null;
	sellable: number | null;
} & Record<'cost_batch' | 'cost_piece' | 'cost_pack', string | null>;

/**
 * What batches cost altogether, by batch id; null where nothing can be said. Of a closed one its closing
 * says so, an open one is derived.
 */
export async function wholeCosts(
	db: Database,
	kitchen: Kitchen,
	batchIds: readonly string[]
): Promise<Map<string, WholeCost | null>> {
	if (batchIds.length === 0) return new Map();
	const [rows, working, rates] = await Promise.all([
		db('batches as b')
			.leftJoin('batch_closings as c', 'c.batch_id', 'b.id')
			.where('b.kitchen_id', kitchen.id)
			.whereIn('b.id', [...batchIds])
			.orderBy('c.number')
			.select<CostRow[]>(
				'b.id',
				'b.made_on',
				'b.packs_made',
				'b.pack_pieces',
				'b.materials',
				'c.number',
				'c.cost_batch',
				'c.cost_piece',
				'c.cost_pack',
				'c.sellable'
			),
		workingOf(db, kitchen.id, batchIds),
		listRates(db, kitchen.id)
	]);
	// A correction comes after what it corrects, and takes its place.
	const newest = new Map(rows.map((row) => [row.id, row]));
	const open = await readBatches(
		db,
		kitchen,
		[...newest.values()].flatMap((row) => (row.number === null ? [row.id] : []))
	);
	const derived = new Map(open.map((batch) => [batch.id, costedOf(batch)]));
	return new Map(
		[...newest].map(([id, row]) => {
			const costed: Costed | null =
				row.number === null
					? (derived.get(id) ?? null)
					: {
							cost: {
								batch: row.cost_batch,
								perPiece: row.cost_piece,
								perPack: row.cost_pack,
								unpriced: []
							},
							sellable: row.sellable ?? 0,
							packs: row.packs_made,
							product: { packPieces: row.pack_pieces, materials: toList<Material>(row.materials) }
						};
			const took = working.get(id) ?? { heat_min: null, hands_min: null, power_kw: null };
			return [id, costed && wholeCost(costed, took, ratesOn(rates, row.made_on))];
		})
	);
}
