import { WEIGHED, type Entry, type EventEntry, type WeighingEntry } from '$core/bench/entries.ts';

/** Entries of a batch as its page is sent them: nine hundred readings are a long page otherwise. */
export interface PackedEntries {
	/** Ids of lines and lots, which readings name by their place. */
	ids: string[];
	/** Time of the first reading, ms since 1970. */
	since_ms: number;
	/** A reading a line: see `packed`. */
	weighings: string;
	events: readonly EventEntry[];
}

const RADIX = 36;
const BY: readonly WeighingEntry['by'][] = ['scale', 'typed'];

/** Packs entries; `unpackEntries` gives the very same back, in order of their numbers. */
export function packEntries(entries: readonly Entry[]): PackedEntries {
	const weighings = entries.filter((entry) => entry.kind === 'weighing');
	const named = weighings.flatMap(({ lineId, lotId }) => [lineId, lotId]);
	const ids = [...new Set(named.filter((id) => id !== null))];
	const placeOf = new Map(ids.map((id, place) => [id, place]));
	const first = weighings[0];
	const since_ms = first ? Date.parse(first.at) : 0;
	return {
		ids,
		since_ms,
		weighings: weighings.map((entry) => packed(entry, placeOf, since_ms)).join('\n'),
		events: entries.filter((entry) => entry.kind === 'event')
	};
}

/** The entries again. */
export function unpackEntries({ ids, since_ms, weighings, events }: PackedEntries): Entry[] {
	const rows = weighings === '' ? [] : weighings.split('\n');
	return [...rows.map((row) => unpacked(row, ids, since_ms)), ...events].sort(
		(a, b) => (a.number ?? Infinity) - (b.number ?? Infinity) || 0
	);
}

/** Id, number, time, what, line, grams, what it corrects, how it was taken, lot; empty where there is none. */
function packed(entry: WeighingEntry, placeOf: ReadonlyMap<string, number>, since_ms: number): string {
	const place = (id: string | null) => (id === null ? '' : placeOf.get(id)?.toString(RADIX));
	return [
		entry.id,
		entry.number?.toString(RADIX) ?? '',
		(Date.parse(entry.at) - since_ms).toString(RADIX),
		WEIGHED.indexOf(entry.what).toString(RADIX),
		place(entry.lineId),
		entry.grams ?? '',
		entry.corrects ?? '',
		BY.indexOf(entry.by),
		place(entry.lotId)
	].join(',');
}

function unpacked(row: string, ids: readonly string[], since_ms: number): WeighingEntry {
	const fields = row.split(',');
	const field = (nth: number): string => fields[nth] ?? '';
	const whole = (nth: number): number => parseInt(field(nth), RADIX);
	const id = (nth: number): string | null => (field(nth) === '' ? null : (ids[whole(nth)] ?? null));
	const what = WEIGHED[whole(3)];
	const by = BY[whole(7)];
	if (!what || !by) throw new Error('a reading did not arrive whole');
	return {
		kind: 'weighing',
		id: field(0),
		number: field(1) === '' ? null : whole(1),
		at: new Date(since_ms + whole(2)).toISOString(),
		what,
		lineId: id(4),
		grams: field(5) === '' ? null : Number(field(5)),
		corrects: field(6) || null,
		by,
		lotId: id(8)
	};
}

/** Up to which number nothing is missing: what comes after is asked for. */
export function wholeUpTo(entries: readonly Pick<Entry, 'number'>[]): number {
	const numbers = new Set(entries.map((entry) => entry.number));
	let upTo = 0;
	while (numbers.has(upTo + 1)) upTo++;
	return upTo;
}
