import { fromDate, toCalendarDate } from '@internationalized/date';
import { Admitting, type Lines } from '$core/bench/admitting.ts';
import type { Entry } from '$core/bench/entries.ts';
import type { Batch } from '../../batch/types.ts';
import type { Kitchen } from '../../kitchen/types.ts';
import { changeBatch } from '../batches/change.ts';
import type { Database } from '../db/connection.ts';
import { failedOn, type EntryAnswer } from '../edge/each-entry.ts';
import { keptEntries, TAKEN } from '../db/once.ts';
import { NotFound, Refused } from '../errors.ts';
import { groupBy, utcNow, type Row } from '../rows.ts';
import { shortPacksGone } from '../sales/short-packs.ts';

/**
 * Keeps entries of a batch, in the order given, each with the next number of the batch. One that was kept before
 * is answered as kept; one that cannot be is answered with the reason and does not hold up the others. Throws
 * `NotFound`.
 */
export async function keepEntries(
	db: Database,
	kitchen: Kitchen,
	batchId: string,
	sent: readonly Entry[]
): Promise<{ answers: EntryAnswer[]; added: Entry[] }> {
	return changeBatch(
		db,
		kitchen,
		batchId,
		async (transaction, { batch, entries, keep }) => {
			const lines = await linesOf(transaction, kitchen.id, batchId, sent);
			const taken: Entry[] = [];
			const gone = {
				packs: batch.packsSold + batch.packsGiven,
				// Readings count no packs.
				short: sent.some(({ kind }) => kind === 'event')
					? await shortPacksGone(transaction, kitchen.id, batchId)
					: []
			};
			const admitting = new Admitting(entries, lines, gone);
			const others = await notTheirs(
				transaction,
				{ kitchen_id: kitchen.id, batch_id: batchId },
				sent.filter(({ id }) => admitting.has(id))
			);
			const answers = sent.map((entry): EntryAnswer => {
				if (others.has(entry.id)) return { id: entry.id, kept: false, message: TAKEN };
				if (admitting.has(entry.id)) return { id: entry.id, kept: true };
				const message =
					batch.closed.length > 0
						? 'the batch is closed: record it as a correction'
						: admitting.take({ ...entry, number: null });
				if (message !== null) return { id: entry.id, kept: false, message };
				taken.push({ ...timed(entry), number: null });
				return { id: entry.id, kept: true };
			});
			if (taken.length === 0) return { answers, added: [] };
			const added = await keep(taken);
			await transaction('batches')
				.where({ kitchen_id: kitchen.id, id: batchId })
				.update({ ...beginning(kitchen, batch, added), version: batch.version + 1, updated_at: utcNow() });
			return { answers, added };
		},
		{ changes: 'entries' }
	);
}

/**
 * Keeps entries like `keepEntries`. Where the server fails on them together it takes each alone, so that the one it fails
 * on holds up no other. Throws `NotFound`.
 */
export async function keepEach(
	db: Database,
	kitchen: Kitchen,
	batchId: string,
	sent: readonly Entry[]
): Promise<{ answers: EntryAnswer[]; added: Entry[] }> {
	try {
		return await keepEntries(db, kitchen, batchId, sent);
	} catch (error) {
		if (error instanceof NotFound) throw error;
		const [only] = sent;
		if (sent.length === 1 && only)
			return {
				answers: [
					error instanceof Refused
						? { id: only.id, kept: false, message: error.message }
						: failedOn(only.id, error)
				],
				added: []
			};
		// Thrown on where it is no fault of theirs.
		if (!(error instanceof Refused)) failedOn('', error);
		const all: { answers: EntryAnswer[]; added: Entry[] } = { answers: [], added: [] };
		for (const entry of sent) {
			const { answers, added } = await keepEach(db, kitchen, batchId, [entry]);
			all.answers.push(...answers);
			all.added.push(...added);
		}
		return all;
	}
}

/** Of entries whose ids are kept already those that are somebody else's, or something else. */
async function notTheirs(
	db: Database,
	of: { kitchen_id: string; batch_id: string },
	sent: readonly Entry[]
): Promise<Set<string>> {
	const [weighings = [], events = []] = [true, false].map((isWeighing) =>
		sent.filter(({ kind }) => (kind === 'weighing') === isWeighing).map(({ id }) => id)
	);
	const [weighed, done] = await Promise.all([
		keptEntries(db, 'weighings', of, weighings),
		keptEntries(db, 'batch_events', of, events)
	]);
	return new Set(sent.map(({ id }) => id).filter((id) => !(weighed.get(id) ?? done.get(id) ?? false)));
}

/** The lines of a batch, with the lots that `sent` names. */
async function linesOf(
	db: Database,
	kitchenId: string,
	batchId: string,
	sent: readonly Entry[]
): Promise<Lines> {
	const named = sent.flatMap((entry) => (entry.kind === 'weighing' ? (entry.lotId ?? []) : []));
	const rows = await db('batch_lines as b')
		.leftJoin('lots as l', (on) => {
			on.on('l.kitchen_id', 'b.kitchen_id')
				.on('l.ingredient_id', 'b.ingredient_id')
				.onIn('l.id', [...named, '']);
		})
		.where({ 'b.kitchen_id': kitchenId, 'b.batch_id': batchId })
		.select<Row[]>('b.id', 'l.id as lot_id');
	return new Map(
		[...groupBy(rows, (row) => row.id)].map(([id, of]) => [
			id,
			new Set(of.flatMap((row) => (row.lot_id === null ? [] : row.lot_id)))
		])
	);
}

/** No later than now: a device whose clock is ahead does not make its readings come after everyone's. */
function timed<E extends Entry>(entry: E): E {
	const now = new Date().toISOString();
	return entry.at > now ? { ...entry, at: now } : entry;
}

/** When the batch was begun, where nobody noted it: at its first entry, if that was on its day. */
function beginning(
	kitchen: Kitchen,
	batch: Pick<Batch, 'beganAt' | 'madeOn'>,
	added: readonly Entry[]
): Record<string, unknown> {
	const [first] = added.map((entry) => entry.at).sort();
	if (batch.beganAt !== null || first === undefined) return {};
	const at = fromDate(new Date(first), kitchen.timeZone);
	const two = (value: number) => String(value).padStart(2, '0');
	return toCalendarDate(at).toString() === batch.madeOn
		? { began_at: `${two(at.hour)}:${two(at.minute)}` }
		: {};
}
