import { roundTo } from '$core/measure/round.ts';
import type { Weighed } from '$core/bench/entries.ts';
import type { Database } from './db/connection.ts';
import { newId, utcNow, type Row } from './rows.ts';

/** One reading that stands, grams. */
export interface Weighing {
	id: string;
	batchId: string;
	lineId: string | null;
	what: Weighed;
	grams: number;
	takenAt: string;
	/** The lot it was taken from; null where nobody said. */
	lotId: string | null;
}

/** The readings a batch should stand at for one thing weighed. */
export interface Readings {
	what: Weighed;
	lineId: string | null;
	grams: number[];
}

/** The readings of batches that nothing has corrected or withdrawn, in the order taken. */
export async function standingWeighings(
	db: Database,
	kitchenId: string,
	batchIds: string[]
): Promise<Weighing[]> {
	const rows = (await db('weighings as w')
		.leftJoin('weighings as c', 'c.corrects_id', 'w.id')
		.where('w.kitchen_id', kitchenId)
		.whereIn('w.batch_id', batchIds)
		.whereNull('c.id')
		.whereNotNull('w.grams')
		.orderBy('w.id')
		.select('w.*')) as Row[];
	return rows.map((row) => ({
		id: String(row.id),
		batchId: String(row.batch_id),
		lineId: row.line_id === null ? null : String(row.line_id),
		what: row.what as Weighed,
		grams: Number(row.grams),
		takenAt: String(row.taken_at),
		lotId: row.lot_id === null ? null : String(row.lot_id)
	}));
}

/** What the database keeps of a reading: thousandths of a gram. */
const STEP_G = 0.001;

/**
 * Brings a batch to these readings without editing one: what is new is added, what is gone is
 * withdrawn by a row that points at it, and what stays is left alone.
 */
export async function recordReadings(
	db: Database,
	kitchenId: string,
	batchId: string,
	wanted: readonly Readings[],
	takenAt = utcNow()
): Promise<void> {
	const standing = await standingWeighings(db, kitchenId, [batchId]);
	const rows: Row[] = [];
	const row = (readings: Readings, grams: number | null, corrected: Weighing | null) =>
		rows.push({
			id: newId(),
			kitchen_id: kitchenId,
			batch_id: batchId,
			line_id: readings.lineId,
			what: readings.what,
			grams,
			corrects_id: corrected?.id ?? null,
			// It is the same flour, weighed again.
			lot_id: corrected?.lotId ?? null,
			taken_at: takenAt
		});
	for (const readings of wanted) {
		const leaving = standing.filter((each) => each.what === readings.what && each.lineId === readings.lineId);
		const arriving: number[] = [];
		for (const typed of readings.grams) {
			const grams = roundTo(typed, STEP_G);
			const same = leaving.findIndex((each) => each.grams === grams);
			if (same >= 0) leaving.splice(same, 1);
			else arriving.push(grams);
		}
		// A new value in the place of an old one is its correction; the rest is plain adding or withdrawing.
		for (const old of leaving) row(readings, arriving.shift() ?? null, old);
		for (const grams of arriving) row(readings, grams, null);
	}
	if (rows.length > 0) await db('weighings').insert(rows);
}
