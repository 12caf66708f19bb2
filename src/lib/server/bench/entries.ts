import { fromDate, toCalendarDate } from '@internationalized/date';
import { benchOf, rejectsOf, type Bench } from '$core/bench/bench.ts';
import type { Entry, EventEntry, WeighingEntry } from '$core/bench/entries.ts';
import { newestRevisionId } from '../batches/label.ts';
import type { Database } from '../db/connection.ts';
import { NotFound } from '../errors.ts';
import type { Kitchen } from '../kitchens.ts';
import { settleDraws } from '../lots/draw.ts';
import { groupBy, utcNow, type Row } from '../rows.ts';

/** What became of an entry that was sent: kept, now or before, or why it was not. */
export type Answer = { id: string; kept: true } | { id: string; kept: false; message: string };

/** Everything that was kept of a batch, in order. */
export async function entriesOf(db: Database, kitchenId: string, batchId: string): Promise<Entry[]> {
	const where = { kitchen_id: kitchenId, batch_id: batchId };
	const [weighings, events] = (await Promise.all([
		db('weighings').where(where).orderBy('id'),
		db('batch_events').where(where).orderBy('id')
	])) as [Row[], Row[]];
	return [...weighings.map(weighingFromRow), ...events.map(eventFromRow)].sort((a, b) =>
		a.id < b.id ? -1 : 1
	);
}

/**
 * Keeps entries of a batch, in the order given. One that was kept before is answered as kept; one that
 * cannot be is answered with the reason and does not hold up the others. Throws `NotFound`.
 */
export async function keepEntries(
	db: Database,
	kitchen: Kitchen,
	batchId: string,
	sent: readonly Entry[]
): Promise<{ answers: Answer[]; added: Entry[] }> {
	return db.transaction(async (transaction) => {
		// Entries of two devices are taken one after the other, each seeing what came before.
		const batch = (await transaction('batches')
			.where({ kitchen_id: kitchen.id, id: batchId })
			.forUpdate()
			.first()) as Row | undefined;
		if (!batch) throw new NotFound('this batch is not here');
		const standing = await entriesOf(transaction, kitchen.id, batchId);
		const lines = await linesOf(transaction, kitchen.id, batchId, sent);
		const added: Entry[] = [];
		const answers = sent.map((entry): Answer => {
			const known = [...standing, ...added];
			if (known.some((each) => each.id === entry.id)) return { id: entry.id, kept: true };
			const message = batch.closed_at
				? 'the batch is closed: record it as a correction'
				: refusal(entry, known, lines);
			if (message !== null) return { id: entry.id, kept: false, message };
			added.push(timed(entry));
			return { id: entry.id, kept: true };
		});
		if (added.length > 0) {
			await insertEntries(transaction, kitchen.id, batchId, added);
			await transaction('batches')
				.where({ kitchen_id: kitchen.id, id: batchId })
				.update({
					...(await counts(transaction, kitchen, batch, [...standing, ...added])),
					...beginning(kitchen, batch, added),
					version: Number(batch.version) + 1,
					updated_at: utcNow()
				});
			if (added.some(changesConsumption)) await settleDraws(transaction, kitchen.id, batchId);
		}
		return { answers, added };
	});
}

/** The lines of a batch, each with those lots that entries name and that are of its ingredient. */
type Lines = ReadonlyMap<string, ReadonlySet<string>>;

async function linesOf(
	db: Database,
	kitchenId: string,
	batchId: string,
	sent: readonly Entry[]
): Promise<Lines> {
	const named = sent.flatMap((entry) => (entry.kind === 'weighing' ? (entry.lotId ?? []) : []));
	const rows = (await db('batch_lines as b')
		.leftJoin('lots as l', (on) => {
			on.on('l.kitchen_id', 'b.kitchen_id')
				.on('l.ingredient_id', 'b.ingredient_id')
				.onIn('l.id', [...named, '']);
		})
		.where({ 'b.kitchen_id': kitchenId, 'b.batch_id': batchId })
		.select('b.id', 'l.id as lot_id')) as Row[];
	return new Map(
		[...groupBy(rows, (row) => String(row.id))].map(([id, of]) => [
			id,
			new Set(of.flatMap((row) => (row.lot_id === null ? [] : String(row.lot_id))))
		])
	);
}

/** Why an entry cannot be kept beside what is known, in words; null where it can. */
function refusal(entry: Entry, known: readonly Entry[], lines: Lines): string | null {
	if (entry.kind === 'weighing') {
		if (entry.lineId !== null && !lines.has(entry.lineId)) return 'this line is not of this batch';
		if (entry.lotId && !lines.get(entry.lineId ?? '')?.has(entry.lotId))
			return 'the lot it names is not of what this line is';
		if (entry.corrects === null) return null;
		const corrected = known.find((each) => each.kind === 'weighing' && each.id === entry.corrects);
		if (corrected?.kind !== 'weighing') return 'the reading it corrects is not of this batch';
		if (corrected.what !== entry.what || corrected.lineId !== entry.lineId)
			return 'the reading it corrects is of something else';
		return known.some((each) => each.kind === 'weighing' && each.corrects === entry.corrects)
			? 'another device corrected that reading first'
			: null;
	}
	const { happening, voids } = entry;
	if (voids !== null) {
		if (!known.some((each) => each.kind === 'event' && each.voids === null && each.id === voids))
			return 'what it takes back is not of this batch';
		if (known.some((each) => each.kind === 'event' && each.voids === voids))
			return 'another device took that back first';
	}
	const of =
		happening.name === 'line kept'
			? [happening.lineId]
			: happening.name === 'rest scaled'
				? happening.lineIds
				: [];
	if (of.some((lineId) => !lines.has(lineId))) return 'this line is not of this batch';
	const after = benchOf([...known, entry]);
	const [balls, rejects] = [after.counted.balls, rejectsOf(after) ?? 0];
	return balls !== null && rejects > balls
		? `${rejects} rejects are more than the ${balls} balls that were made: count the balls again`
		: null;
}

/** Whether an entry may change what the batch consumed: a weighing of a line, or the packs that were closed. */
function changesConsumption(entry: Entry): boolean {
	if (entry.kind === 'weighing') return entry.lineId !== null;
	const { happening } = entry;
	return happening.name === 'void' || (happening.name === 'counted' && happening.of === 'packs');
}

/** No later than now: a device whose clock is ahead does not make its readings come after everyone's. */
function timed<E extends Entry>(entry: E): E {
	const now = new Date().toISOString();
	return entry.at > now ? { ...entry, at: now } : entry;
}

/** Keeps entries as they are; what they change of the batch's counts is not looked at. */
export async function insertEntries(
	db: Database,
	kitchenId: string,
	batchId: string,
	entries: readonly Entry[]
): Promise<void> {
	const common = { kitchen_id: kitchenId, batch_id: batchId };
	const weighings = entries.filter((entry) => entry.kind === 'weighing');
	const events = entries.filter((entry) => entry.kind === 'event');
	const rows = weighings.map((entry) => ({
		...common,
		id: entry.id,
		line_id: entry.lineId,
		what: entry.what,
		grams: entry.grams,
		corrects_id: entry.corrects,
		taken_by: entry.by,
		taken_at: stored(entry.at),
		lot_id: entry.lotId ?? null
	}));
	if (rows.length > 0) await db('weighings').insert(rows);
	const eventRows = events.map((entry) => {
		const { name, ...data } = entry.happening;
		return {
			...common,
			id: entry.id,
			name,
			data: JSON.stringify(data),
			voids_id: entry.voids,
			happened_at: stored(entry.at),
			received_at: utcNow()
		};
	});
	if (eventRows.length > 0) await db('batch_events').insert(eventRows);
}

/** When the batch was begun, where nobody noted it: at its first entry, if that was on its day. */
function beginning(kitchen: Kitchen, batch: Row, added: readonly Entry[]): Record<string, unknown> {
	const [first] = added.map((entry) => entry.at).sort();
	if (batch.began_at !== null || first === undefined) return {};
	const at = fromDate(new Date(first), kitchen.timeZone);
	const two = (value: number) => String(value).padStart(2, '0');
	return toCalendarDate(at).toString() === String(batch.made_on)
		? { began_at: `${two(at.hour)}:${two(at.minute)}` }
		: {};
}

/**
 * The counts of the batch as its entries have them. Packs can be sold from when they were counted, not
 * from what a half-made batch would give; and never fewer than were sold.
 */
async function counts(
	db: Database,
	kitchen: Kitchen,
	batch: Row,
	entries: readonly Entry[]
): Promise<Record<string, unknown>> {
	const bench = benchOf(entries);
	const { packs } = bench.counted;
	return {
		...countColumns(bench, entries),
		...(packs === null
			? {}
			: {
					packs_made: Math.max(packs, Number(batch.packs_sold) + Number(batch.packs_given)),
					label_revision_id:
						batch.label_revision_id ?? (await newestRevisionId(db, kitchen, String(batch.product_id)))
				})
	};
}

function countColumns(bench: Bench, entries: readonly Entry[]): Record<string, unknown> {
	/** What was ever said of a count: one that is taken back again is none, one never said stays as it was. */
	const counted = new Set(
		entries.flatMap((entry) => {
			if (entry.kind !== 'event') return [];
			if (entry.happening.name === 'piece rejected') return 'rejects';
			return entry.happening.name === 'counted' ? entry.happening.of : [];
		})
	);
	return {
		...(counted.has('rejects') ? { rejects: rejectsOf(bench) ?? 0 } : {}),
		...(counted.has('balls') ? { ball_count: bench.counted.balls } : {}),
		...(counted.has('sellable') ? { sellable_counted: bench.counted.sellable } : {}),
		...(counted.has('packs') ? { packs_counted: bench.counted.packs } : {}),
		...(counted.has('loose') ? { loose_counted: bench.counted.loose } : {})
	};
}

const stored = (at: string) => at.replace('T', ' ').replace('Z', '');
const sent = (at: unknown) => `${String(at).replace(' ', 'T')}Z`;
const idOrNull = (value: unknown) => (value === null ? null : String(value));

function weighingFromRow(row: Row): WeighingEntry {
	return {
		kind: 'weighing',
		id: String(row.id),
		at: sent(row.taken_at),
		what: row.what as WeighingEntry['what'],
		lineId: idOrNull(row.line_id),
		grams: row.grams === null ? null : Number(row.grams),
		corrects: idOrNull(row.corrects_id),
		by: row.taken_by as WeighingEntry['by'],
		...(row.lot_id === null ? {} : { lotId: String(row.lot_id) })
	};
}

function eventFromRow(row: Row): EventEntry {
	return {
		kind: 'event',
		id: String(row.id),
		at: sent(row.happened_at),
		happening: {
			...(JSON.parse(String(row.data)) as object),
			name: String(row.name)
		} as EventEntry['happening'],
		voids: idOrNull(row.voids_id)
	};
}
