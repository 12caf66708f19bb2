import type { LabelContent } from '$core/label/content.ts';
import type { Kitchen } from '../../kitchen/types.ts';
import type { LabelRevision } from '../../label/types.ts';
import type { Database } from '../db/connection.ts';
import type { RowOf } from '../db/tables.ts';
import { known } from '../db/known.ts';
import { NotFound } from '../errors.ts';
import { groupBy, toList } from '../rows.ts';

/** What labels did not say yet when the first were approved. */
const LATER_ADDED = { mayContain: null, localLeast_pt: null, barcode: null };

function fromRow(row: RevisionRow): LabelRevision {
	return {
		id: row.id,
		number: row.number,
		approvedAt: row.approved_at,
		formulaNumber: row.formula_number,
		declared_g: Number(row.declared_g),
		content: { ...LATER_ADDED, ...(JSON.parse(row.content) as LabelContent) },
		said: { contains: toList<string>(row.contains), ingredients: toList<string>(row.ingredients) }
	};
}

/** A revision beside what it is of; the allergens its figures name, and the ingredients of its formula, as JSON. */
type RevisionRow = Pick<
	RowOf<'label_revisions'>,
	'id' | 'number' | 'approved_at' | 'declared_g' | 'content'
> & {
	product_id: string;
	formula_number: number;
	contains: string | null;
	ingredients: string | null;
};

function revisionRows(db: Database, kitchen: Kitchen) {
	return db('label_revisions as r')
		.join('labels as l', 'l.id', 'r.label_id')
		.join('formula_versions as v', 'v.id', 'r.formula_version_id')
		.where({ 'r.kitchen_id': kitchen.id, 'l.rules': kitchen.rules })
		.orderBy('r.number', 'desc')
		.select<RevisionRow[]>(
			'r.id',
			'r.number',
			'r.approved_at',
			'r.declared_g',
			'r.content',
			'l.product_id',
			'v.number as formula_number',
			db.raw("CAST(JSON_QUERY(r.facts, '$.allergens.contains') AS CHAR) AS contains"),
			db.raw(
				`(SELECT CAST(JSON_ARRAYAGG(n.ingredient_id) AS CHAR) FROM formula_lines AS n
					WHERE n.kitchen_id = r.kitchen_id AND n.version_id = r.formula_version_id) AS ingredients`
			)
		);
}

/** Every revision of the kitchen, or of one product, by product, newest first. */
export async function readRevisions(
	db: Database,
	kitchen: Kitchen,
	productId?: string
): Promise<Map<string, LabelRevision[]>> {
	return known(db, kitchen.id, `revisions ${kitchen.rules} ${productId ?? ''}`, async () => {
		const query = revisionRows(db, kitchen);
		if (productId) query.where('l.product_id', productId);
		const byProduct = groupBy(await query, (row) => row.product_id);
		return new Map([...byProduct].map(([id, found]) => [id, found.map(fromRow)]));
	});
}

/** One approved revision of a product's label, as it was frozen. Throws `NotFound`. */
export async function getRevision(
	db: Database,
	kitchen: Kitchen,
	productId: string,
	number: number
): Promise<LabelRevision> {
	const row = await revisionRows(db, kitchen)
		.where({ 'l.product_id': productId, 'r.number': number })
		.first<RevisionRow | undefined>();
	if (!row) throw new NotFound('this label was not approved under that number');
	return fromRow(row);
}
