import { unsaid } from '$core/label/held.ts';
import type { BatchStanding } from '../../batch/summary.ts';
import type { Kitchen } from '../../kitchen/types.ts';
import type { LabelRevision } from '../../label/types.ts';
import type { Database } from '../db/connection.ts';
import { textOrNull, type Row } from '../rows.ts';
import { readRevisions } from './revisions.ts';

/** What of a batch's row, joined to its standing as `s`, says whether it is held. */
export const heldColumns = (db: Database) => [
	'b.product_id',
	'b.label_revision_id',
	's.standing',
	db.raw(
		`(SELECT j.label_revision_id FROM print_jobs AS j
			WHERE j.kitchen_id = b.kitchen_id AND j.batch_id = b.id AND j.printed > 0
			ORDER BY j.id DESC LIMIT 1) AS printed_id`
	)
];

/**
 * What a batch holds that its label does not say, in words; of a row with `heldColumns`. A batch's label is the one its
 * bags were printed with last, else the one it was packed under, else the newest that is approved.
 */
export function heldOf(row: Row, revisions: ReadonlyMap<string, LabelRevision[]>): string[] {
	const label = labelOf(revisions.get(String(row.product_id)) ?? [], [
		textOrNull(row.printed_id),
		textOrNull(row.label_revision_id)
	]);
	return unsaid(JSON.parse(String(row.standing)) as BatchStanding, label?.said ?? null);
}

/** What one batch holds that its label does not say, in words. */
export async function heldBatch(db: Database, kitchen: Kitchen, batchId: string): Promise<string[]> {
	const [row, revisions] = await Promise.all([
		db('batches as b')
			.join('batch_standings as s', 's.batch_id', 'b.id')
			.where({ 'b.kitchen_id': kitchen.id, 'b.id': batchId })
			.first<Row | undefined>(heldColumns(db)),
		readRevisions(db, kitchen)
	]);
	return row ? heldOf(row, revisions) : [];
}

/** The first of these revisions that is there, else the newest. */
function labelOf(
	newestFirst: readonly LabelRevision[],
	ids: readonly (string | null)[]
): LabelRevision | undefined {
	for (const id of ids) {
		const found = newestFirst.find((each) => each.id === id);
		if (found) return found;
	}
	return newestFirst[0];
}

/** What a batch holds that a revision does not say, in words. */
export async function unsaidBy(
	db: Database,
	kitchen: Kitchen,
	batchId: string,
	revision: LabelRevision
): Promise<string[]> {
	const row = await db('batch_standings')
		.where({ kitchen_id: kitchen.id, batch_id: batchId })
		.first('standing');
	return row ? unsaid(JSON.parse(String(row.standing)) as BatchStanding, revision.said) : [];
}
