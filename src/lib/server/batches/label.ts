import type { Row } from '../rows.ts';
import type { Database } from '../db/connection.ts';
import type { Kitchen } from '../../kitchen/types.ts';

/** The label approved last for a product by the kitchen's rules; null while none is. */
export async function newestRevisionId(
	db: Database,
	kitchen: Kitchen,
	productId: string
): Promise<string | null> {
	const row = await db('label_revisions as r')
		.join('labels as l', 'l.id', 'r.label_id')
		.where({ 'r.kitchen_id': kitchen.id, 'l.product_id': productId, 'l.rules': kitchen.rules })
		.orderBy('r.number', 'desc')
		.first<Row | undefined>('r.id');
	return row ? row.id : null;
}
