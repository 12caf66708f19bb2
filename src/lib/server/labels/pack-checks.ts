import type { PackCheckRecord } from '../../label/pack-check.ts';
import type { Database } from '../db/connection.ts';
import { insertOnce } from '../db/once.ts';
import { whoDid } from '../people/deeds.ts';
import { utcNow } from '../rows.ts';

/** What is recorded of a check; `id` comes from the form, so that one sent twice is one. */
export type PackCheckInput = Omit<PackCheckRecord, 'checkedAt' | 'by'> & { productId: string };

/** Records a check of packs. */
export async function recordPackCheck(db: Database, kitchenId: string, input: PackCheckInput): Promise<void> {
	await insertOnce(db, 'pack_checks', {
		id: input.id,
		kitchen_id: kitchenId,
		product_id: input.productId,
		declared_g: input.declared_g,
		lot_packs: input.lotPacks,
		packs_g: JSON.stringify(input.packs_g),
		checked_at: utcNow()
	});
}

/** Checks of a product's packs, newest first. */
export async function listPackChecks(
	db: Database,
	kitchenId: string,
	productId: string
): Promise<PackCheckRecord[]> {
	const rows = await db('pack_checks')
		.where({ kitchen_id: kitchenId, product_id: productId })
		.orderBy('checked_at', 'desc');
	const by = await whoDid(
		db,
		kitchenId,
		'pack_checks',
		rows.map(({ id }) => id)
	);
	return rows.map((row) => ({
		id: row.id,
		declared_g: Number(row.declared_g),
		lotPacks: row.lot_packs,
		packs_g: JSON.parse(row.packs_g) as number[],
		checkedAt: row.checked_at,
		by: by[row.id] ?? ''
	}));
}
