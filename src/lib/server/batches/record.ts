import { BATCH_FIELD } from '../../batch-draft.ts';
import { COUNTED, type Counted, type EventEntry, type Weighed } from '$core/bench/entries.ts';
import { insertEntries } from '../bench/entries.ts';
import type { Database } from '../db/connection.ts';
import { NotFound, Refused, refuse, Stale } from '../errors.ts';
import type { Kitchen } from '../kitchens.ts';
import { newId, utcNow, type Row } from '../rows.ts';
import { recordReadings, type Readings } from '../weighings.ts';
import { settleDraws } from '../lots/draw.ts';
import { setEquipment } from './equipment.ts';
import { newestRevisionId } from './label.ts';
import { getBatch } from './read.ts';
import type { Batch, BatchInput } from './types.ts';

/**
 * Records what was measured of a batch that was opened at `version`. Refused whole when the figures
 * are impossible, or give fewer packs than were sold. Throws `Stale`, `Refused`, `NotFound`.
 */
export async function recordBatch(
	db: Database,
	kitchen: Kitchen,
	id: string,
	version: number,
	input: BatchInput,
	takenAt = utcNow()
): Promise<void> {
	await db.transaction(async (transaction) => {
		// Locks the row: a sale of the same batch waits, and then sees the new number of packs.
		const locked = (await transaction('batches')
			.where({ kitchen_id: kitchen.id, id })
			.forUpdate()
			.first('version', 'label_revision_id')) as Row | undefined;
		if (!locked) throw new NotFound('this batch is not here');
		const before = await getBatch(transaction, kitchen, id);
		if (Number(locked.version) !== version) throw new Stale(before);
		if (before.closed.length > 0) refuse('', 'this batch is closed: record a correction with its reason');
		await recordReadings(transaction, kitchen.id, id, readingsOf(input, before), takenAt);
		await insertEntries(transaction, kitchen.id, id, countsTyped(input, before, takenAt));
		if (input.ballCount !== null && input.rejects > input.ballCount)
			refuse('rejects', `${input.rejects} rejects are more than the ${input.ballCount} pieces made`);
		await transaction('batches')
			.where({ kitchen_id: kitchen.id, id })
			.update({
				made_on: input.madeOn,
				...(input.beganAt === undefined ? {} : { began_at: input.beganAt }),
				ball_weight_g: input.ballWeight_g,
				ball_count: input.ballCount,
				rejects: input.rejects,
				...(input.sellable === undefined ? {} : { sellable_counted: input.sellable }),
				...(input.packs === undefined ? {} : { packs_counted: input.packs }),
				...(input.loose === undefined ? {} : { loose_counted: input.loose }),
				serving_pieces: input.servingPieces,
				note: input.note,
				version: version + 1,
				updated_at: utcNow()
			});
		if (input.equipment) await setEquipment(transaction, kitchen.id, id, input.equipment);
		const after = await getBatch(transaction, kitchen, id);
		if (!after.facts)
			throw new Refused(
				after.problems.map((problem) => ({ ...problem, path: BATCH_FIELD[problem.path] ?? '' }))
			);
		const packs = after.packs ?? after.facts.yield.packs ?? 0;
		const gone = before.packsSold + before.packsGiven;
		if (packs < gone)
			refuse('ballCount', `these figures give ${packs} packs, but ${gone} of this batch are gone already`);
		await transaction('batches')
			.where({ kitchen_id: kitchen.id, id })
			.update({
				packs_made: packs,
				// What it was first packed under stays, whatever is approved later.
				label_revision_id:
					locked.label_revision_id ?? (await newestRevisionId(transaction, kitchen, before.productId))
			});
		await settleDraws(transaction, kitchen.id, id, takenAt);
	});
}

/** The counts of a record form that are other than they were, as they are kept at the bench. */
function countsTyped(input: BatchInput, before: Batch, takenAt: string): EventEntry[] {
	const typed: Record<Counted, [was: number | null, is: number | null | undefined]> = {
		balls: [before.ballCount, input.ballCount],
		rejects: [before.rejects, input.rejects],
		sellable: [before.sellable, input.sellable],
		packs: [before.packs, input.packs],
		loose: [before.loose, input.loose]
	};
	return COUNTED.flatMap((of): EventEntry[] => {
		const [was, is] = typed[of];
		if (is === undefined || is === was) return [];
		return [
			{
				kind: 'event',
				id: newId(),
				at: takenAt,
				happening: { name: 'counted', of, count: is },
				voids: null
			}
		];
	});
}

/** The readings a record form stands for. Refuses lines that are not the batch's. */
function readingsOf(input: BatchInput, batch: Batch): Readings[] {
	const one = (what: Weighed, grams: number | null, lineId: string | null = null): Readings => ({
		what,
		lineId,
		grams: grams === null ? [] : [grams]
	});
	const known = new Map(batch.lines.map((line) => [line.id, line]));
	if (input.lines.length !== known.size || input.lines.some((line) => !known.has(line.id)))
		refuse('lines', 'the lines are not those of this batch: open it again');
	return [
		...input.lines.flatMap((line) => {
			const before = known.get(line.id);
			// A total that stands already, of several readings or of what was set out and returned, is left alone.
			const grams = before?.weighed_g === line.grams ? [] : [line.grams];
			if (before?.use === 'dough') return grams.map((each) => one('line', each, line.id));
			const uptake = before?.weighedUptake_g === line.uptake_g ? [] : [line.uptake_g];
			return [
				...grams.map((each) => one('consumed', each, line.id)),
				...uptake.map((each) => one('uptake', each, line.id))
			];
		}),
		one('dough', input.doughWeight_g),
		one('leftover', input.leftover_g),
		{ what: 'ball', lineId: null, grams: input.ballWeights_g },
		{ what: 'finished', lineId: null, grams: input.finishedWeights_g }
	];
}
