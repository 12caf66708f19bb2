import type { Ingredient } from '$core/formula/types.ts';
import { unsaid, type WentIn } from '$core/label/held.ts';
import { rulesOf } from '$core/rules/index.ts';
import type { RuleSet } from '$core/rules/ruleset.ts';
import { declaredOf } from '$core/statement/declared.ts';
import type { BatchStanding } from '../../batch/summary.ts';
import type { Kitchen } from '../../kitchen/types.ts';
import type { LabelRevision } from '../../label/types.ts';
import type { Database } from '../db/connection.ts';
import { today } from '../kitchens.ts';
import type { Row } from '../rows.ts';
import { shelfReader } from '../shelf.ts';
import { labelOfBatch } from './of-batch.ts';
import { readRevisions } from './revisions.ts';

/** What of a batch's row, joined to its standing as `s`, says whether it is held. */
export const heldColumns = (db: Database) => [
	'b.product_id',
	's.standing',
	db.raw('b.trial IS NOT NULL AS is_trial'),
	db.raw('? AS label_id', [labelOfBatch(db)])
];

/** Figures of a label are of its version’s lines, which a trial is not made by. */
const TRIAL = 'it is a trial of other amounts: no label is of what it holds';

/** What batches are held by: every approved revision, and the shelf as it is known now. */
export interface HeldBy {
	revisions: ReadonlyMap<string, LabelRevision[]>;
	shelf: ReadonlyMap<string, Ingredient>;
	rules: RuleSet;
}

export async function heldBy(db: Database, kitchen: Kitchen): Promise<HeldBy> {
	const [revisions, shelfOn] = await Promise.all([readRevisions(db, kitchen), shelfReader(db, kitchen)]);
	return { revisions, shelf: shelfOn(today(kitchen)), rules: rulesOf(kitchen.rules) };
}

/**
 * What went into a batch, by its standing and by what is known of its ingredients now: an allergen may come to light
 * after the batch was closed, and another rule set than the kitchen's may name one that its own does not.
 */
function wentIn(row: Pick<Row, 'standing'>, { shelf, rules }: HeldBy): WentIn {
	const standing = JSON.parse(row.standing) as BatchStanding;
	const known = declaredOf(
		standing.ingredients.flatMap((id) => shelf.get(id) ?? []),
		rules
	);
	return { ...standing, contains: [...new Set([...standing.contains, ...known])] };
}

/**
 * What a batch holds that its label does not say, in words; of a row with `heldColumns`. A batch's label is the one its
 * bags were printed with last, else the one it was packed under, else the newest that is approved.
 */
export function heldOf(row: Row, by: HeldBy): string[] {
	const newestFirst = by.revisions.get(row.product_id ?? '') ?? [];
	const label = newestFirst.find(({ id }) => id === row.label_id) ?? newestFirst[0];
	return [...(Number(row.is_trial) ? [TRIAL] : []), ...unsaid(wentIn(row, by), label?.said ?? null)];
}

/** What batches hold that their labels do not say, in words, by batch id. */
export async function heldBatches(
	db: Database,
	kitchen: Kitchen,
	batchIds: readonly string[]
): Promise<Map<string, string[]>> {
	if (batchIds.length === 0) return new Map();
	const [rows, by] = await Promise.all([
		db('batches as b')
			.join('batch_standings as s', 's.batch_id', 'b.id')
			.where('b.kitchen_id', kitchen.id)
			.whereIn('b.id', [...batchIds])
			.select<Row[]>('b.id', ...heldColumns(db)),
		heldBy(db, kitchen)
	]);
	return new Map(rows.map((row) => [row.id, heldOf(row, by)]));
}

/** What one batch holds that its label does not say, in words. */
export async function heldBatch(db: Database, kitchen: Kitchen, batchId: string): Promise<string[]> {
	return (await heldBatches(db, kitchen, [batchId])).get(batchId) ?? [];
}

/** What a batch holds that a revision does not say, in words. */
export async function unsaidBy(
	db: Database,
	kitchen: Kitchen,
	batchId: string,
	revision: LabelRevision
): Promise<string[]> {
	const [row, by] = await Promise.all([
		db('batches as b')
			.join('batch_standings as s', 's.batch_id', 'b.id')
			.where({ 'b.kitchen_id': kitchen.id, 'b.id': batchId })
			.first<Row | undefined>(...heldColumns(db)),
		heldBy(db, kitchen)
	]);
	return row ? [...(Number(row.is_trial) ? [TRIAL] : []), ...unsaid(wentIn(row, by), revision.said)] : [];
}
