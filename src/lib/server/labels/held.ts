import { unsaid } from '$core/label/held.ts';
import type { BatchStanding } from '../../batch/summary.ts';
import type { Kitchen } from '../../kitchen/types.ts';
import type { LabelRevision } from '../../label/types.ts';
import type { Database } from '../db/connection.ts';
import { known } from '../db/known.ts';
import { textOrNull, type Row } from '../rows.ts';
import { readRevisions } from './revisions.ts';

const TABLES = [
	'batches',
	'batch_standings',
	'print_jobs',
	'label_revisions',
	'labels',
	'formula_versions',
	'formula_lines'
];

/**
 * What batches hold that their label does not say, in words, by their ids: of those on the bench or with packs left
 * that hold any. A batch's label is the one its bags were printed with last, else the one it was packed under, else the
 * newest that is approved.
 */
export async function heldBatches(db: Database, kitchen: Kitchen): Promise<ReadonlyMap<string, string[]>> {
	return known(db, kitchen.id, TABLES, `held by ${kitchen.rules}`, async () => {
		const [rows, revisions] = await Promise.all([
			db('batches as b')
				.join('batch_standings as s', 's.batch_id', 'b.id')
				.where('b.kitchen_id', kitchen.id)
				.where((open) => void open.whereNull('b.closed_at').orWhere('b.packs_left', '>', 0))
				.select<Row[]>(
					'b.id',
					'b.product_id',
					'b.label_revision_id',
					's.standing',
					db.raw(
						`(SELECT j.label_revision_id FROM print_jobs AS j
							WHERE j.kitchen_id = b.kitchen_id AND j.batch_id = b.id AND j.printed > 0
							ORDER BY j.id DESC LIMIT 1) AS printed_id`
					)
				),
			readRevisions(db, kitchen)
		]);
		const held = new Map<string, string[]>();
		for (const row of rows) {
			const label = labelOf(revisions.get(String(row.product_id)) ?? [], [
				textOrNull(row.printed_id),
				textOrNull(row.label_revision_id)
			]);
			const missing = unsaid(JSON.parse(String(row.standing)) as BatchStanding, label?.said ?? null);
			if (missing.length > 0) held.set(String(row.id), missing);
		}
		return held;
	});
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
