import { packsMade } from '$core/bench/batch.ts';
import { shortPackProblem } from '$core/bench/short-packs.ts';
import { shortPacksGone } from '../sales/short-packs.ts';
import { openedHydration } from '$core/formula/mix.ts';
import { mixParts } from '../mixes.ts';
import { consumptionOf } from '$core/bench/consumption.ts';
import type { Entry } from '$core/bench/entries.ts';
import { benchMinutes, lastUse } from '$core/bench/minutes.ts';
import { standingOf } from '$core/bench/standing.ts';
import type { Kitchen } from '../../kitchen/types.ts';
import { insertEntries } from '../bench/rows.ts';
import type { Database } from '../db/connection.ts';
import { inTransaction } from '../db/transaction.ts';
import { tell } from '../feed/tell.ts';
import { NotFound, refuse } from '../errors.ts';
import { drawsOf, settleDraws } from '../lots/draw.ts';
import { utcNow, type Cells } from '../rows.ts';
import { newestRevisionId } from './label.ts';
import { assemble, batchContexts, type BatchContext, type ReadBatch } from './read.ts';
import { keepStandings } from './standing.ts';
import type { Batch } from '../../batch/types.ts';
import type { BatchStanding } from '../../batch/summary.ts';
import { getKitchen } from '../kitchens.ts';

/** A batch that is being changed: its row is locked. */
export interface Changing extends ReadBatch {
	/** Keeps entries after those it has; they come back with their numbers. */
	keep: (entries: readonly Entry[]) => Promise<Entry[]>;
	/** How it stands with what was kept since. */
	now: () => ReadBatch;
}

/**
 * The one way to change a batch: its row is locked before anything is read, `act` does what is to be done, and what
 * lists need is written from the fold, and its draws settled, in the same transaction. `act` says whether it
 * changed more than entries. Throws `NotFound`, `Refused`.
 */
export async function changeBatch<R>(
	db: Database,
	kitchen: Kitchen,
	id: string,
	act: (transaction: Database, batch: Changing) => Promise<R>,
	{ movedAt = utcNow(), changes }: { movedAt?: string; changes: 'entries' | 'its row' }
): Promise<R> {
	return inTransaction(db, async (transaction) => {
		const row = await transaction('batches').where({ kitchen_id: kitchen.id, id }).forUpdate().first('id');
		const [read] = row ? await batchContexts(transaction, kitchen, [id], 'all') : [];
		if (!read) throw new NotFound('this batch is not here');
		const { context, entries } = read;
		const told: Entry[] = [];
		const result = await act(transaction, {
			...assemble(context, [...entries]),
			keep: async (more) => {
				const kept = await insertEntries(transaction, kitchen.id, id, entries, more);
				entries.push(...kept);
				told.push(...kept);
				return kept;
			},
			now: () => assemble(context, entries)
		});
		if (changes === 'entries') await writeFromFold(transaction, context, entries, movedAt);
		else await rewriteFromFold(transaction, kitchen, id, movedAt);
		if (changes === 'its row') await tell(transaction, kitchen.id, { batchId: id, entries: [] });
		else if (told.length > 0) await tell(transaction, kitchen.id, { batchId: id, entries: told });
		return result;
	});
}

/** Writes anew what follows from a batch; for one whose row, shelf or lots changed. Its row must be locked. */
export async function rewriteFromFold(
	db: Database,
	kitchen: Kitchen,
	id: string,
	movedAt = utcNow()
): Promise<void> {
	const [read] = await batchContexts(db, kitchen, [id], 'all');
	if (read) await writeFromFold(db, read.context, read.entries, movedAt);
}

/**
 * Writes what follows from a batch's entries into what lists and sales read: its counts, the packs there are to
 * sell, the label it was packed under, its draws and its standing.
 */
async function writeFromFold(
	db: Database,
	context: BatchContext,
	entries: Entry[],
	movedAt: string
): Promise<void> {
	const { kitchen, row } = context;
	const { batch, bench } = assemble(context, entries);
	const closing = batch.closed.at(-1);
	const packs = batch.packsMade;
	const gone = batch.packsSold + batch.packsGiven;
	if (packs < gone)
		refuse(
			'packs',
			`${counted(packs)}, but ${gone} of this batch are sold or given away already: count the packs there were, those too`
		);
	// Of a closed batch nothing is made up or taken apart any more.
	if (!closing && (bench.shortPacks.length > 0 || gone > 0)) {
		const shortGone = await shortPacksGone(db, kitchen.id, row.id);
		const problem = shortPackProblem(bench.shortPacks, batch.loose, shortGone);
		if (problem) refuse(problem.path, problem.message);
	}
	await db('batches')
		.where({ kitchen_id: kitchen.id, id: row.id })
		.update({
			...countsFromFold(batch),
			// What it was first packed under stays, whatever is approved later.
			label_revision_id:
				row.labelRevisionId ?? (packs > 0 ? await newestRevisionId(db, kitchen, row.productId) : null)
		});
	const uses = consumptionOf({
		lines: batch.lines,
		bench,
		packs,
		materials: batch.recipe.product.materials,
		closed: closing ? new Map(closing.input.lines.map((line) => [line.id, line.grams ?? 0])) : null
	});
	const moved = await settleDraws(db, kitchen.id, { id: row.id, madeOn: row.madeOn, uses }, movedAt);
	// What it draws says what it cost, and whether its stock squares.
	const draws = moved ? (await drawsOf(db, kitchen.id, [row.id])).get(row.id) : context.draws;
	await noteStandings(db, kitchen.id, [{ context: { ...context, draws }, entries }]);
}

/** What lists and sales read of a batch's counts, as its entries say. */
function countsFromFold(batch: Batch): Cells {
	return {
		packs_made: batch.packsMade,
		...(batch.closed.length > 0
			? {}
			: {
					ball_count: batch.ballCount,
					rejects: batch.rejects,
					sellable_counted: batch.sellable,
					packs_counted: batch.packs,
					loose_counted: batch.loose
				})
	};
}

/** Notes how batches stand for the lists. */
async function noteStandings(
	db: Database,
	kitchenId: string,
	batches: readonly { context: BatchContext; entries: Entry[] }[]
): Promise<void> {
	const mixes = batches[0] ? await mixParts(db, kitchenId, batches[0].context.shelf) : null;
	const standings = batches.map(({ context, entries }): [string, BatchStanding] => {
		const { batch, bench } = assemble(context, entries);
		const { formula, ingredients } = batch.recipe;
		return [
			batch.id,
			{
				...standingOf(batch, batch, bench, benchMinutes(entries, context.row.steps).taken_min),
				// As the formula's sheet tells it: also of the flour within a mix.
				...(mixes && batch.facts ? { hydration: openedHydration(formula.lines, ingredients, mixes) } : {}),
				equipment: batch.equipment,
				usedUntil: lastUse(entries),
				sources: batch.sources,
				names: Object.fromEntries(batch.lines.map((line) => [line.ingredient, line.name]))
			}
		];
	});
	await keepStandings(db, kitchenId, new Map(standings));
}

/** Writes counts anew where the entries say others; never fewer packs than are sold and given. */
async function writeCounts(db: Database, context: BatchContext, { batch, bench }: ReadBatch): Promise<void> {
	const { kitchen, row } = context;
	// A closed one stands at its newest closing, beside the short packs that were made of it.
	const packs = packsMade(batch, bench);
	if (packs === row.packsMade || packs < batch.packsSold + batch.packsGiven) return;
	await db('batches')
		.where({ kitchen_id: kitchen.id, id: row.id })
		.update(countsFromFold({ ...batch, packsMade: packs }));
}

const AT_ONCE = 50;

/**
 * Notes how batches stand of which nothing is noted, as after a restore or an update, and writes their counts anew: rules
 * of how entries are added up may have changed since. Called before anything is served, and cheap where nothing is missing.
 */
export async function noteMissingStandings(db: Database, kitchen: Kitchen): Promise<void> {
	for (;;) {
		const ids = (await db('batches as b')
			.leftJoin('batch_standings as s', 's.batch_id', 'b.id')
			.where('b.kitchen_id', kitchen.id)
			.whereNull('s.batch_id')
			.limit(AT_ONCE)
			.pluck('b.id')) as string[];
		if (ids.length === 0) return;
		const batches = await batchContexts(db, kitchen, ids, 'all');
		for (const { context, entries } of batches) await writeCounts(db, context, assemble(context, entries));
		await noteStandings(db, kitchen.id, batches);
	}
}

/**
 * Notes anew how open batches stand: those that use one of these ingredients, or a mix of it; all of them, where none
 * are named. Part of the transaction that changes what they go by; their rows are locked, so that no entry comes between.
 */
export async function noteOpenStandings(
	db: Database,
	kitchenId: string,
	ingredientIds: readonly string[] | null = null
): Promise<void> {
	const query = db('batches as b').where('b.kitchen_id', kitchenId).whereNull('b.closed_at');
	if (ingredientIds) {
		const uses = db.raw(
			`WITH RECURSIVE used AS (
				SELECT i.id FROM ingredients AS i WHERE i.kitchen_id = ? AND i.id IN (?)
				UNION SELECT m.mix_id FROM mix_lines AS m JOIN used AS u ON u.id = m.ingredient_id
			) SELECT id FROM used`,
			[kitchenId, [...ingredientIds, '']]
		);
		query.whereExists((lines) => {
			lines.from('batch_lines as l').whereRaw('l.batch_id = b.id').whereRaw('l.ingredient_id IN (?)', [uses]);
		});
	}
	const ids = (await query.orderBy('b.id').pluck('b.id')) as string[];
	if (ids.length === 0) return;
	await db('batches').whereIn('id', ids).orderBy('id').forUpdate().pluck('id');
	const kitchen = await getKitchen(db, kitchenId);
	await noteStandings(db, kitchenId, await batchContexts(db, kitchen, ids, 'all'));
}

const counted = (packs: number) =>
	packs === 0 ? 'no packs are counted' : packs === 1 ? 'one pack is counted' : `${packs} packs are counted`;
