import { settled, sumOf } from '../measure/round.ts';
import {
	COUNTED,
	inOrder,
	REJECT_REASONS,
	type Counted,
	type Entry,
	type EventEntry,
	type Happening,
	type RejectReason,
	type WeighingEntry,
	type Weighed
} from './entries.ts';

/** A reading that stands. */
export interface Reading {
	id: string;
	at: string;
	grams: number;
	by: WeighingEntry['by'];
	/** The lot it was taken from; null where nobody said. */
	lotId: string | null;
}

/** A note of what was seen. */
export interface Note {
	id: string;
	at: string;
	cue: string;
	text: string;
}

/** A step as it went; null where it did not yet. */
export interface StepTimes {
	begunAt: string | null;
	endedAt: string | null;
}

/** How a batch stands at the bench, from everything that happened to it. */
export interface Bench {
	/** Readings that stand, in the order of the first of each: a corrected one keeps its place. */
	readings: (what: Weighed, lineId?: string | null) => Reading[];
	counted: Record<Counted, number | null>;
	/** Rejects tapped since the last count of them, and by reason altogether. */
	rejectsTapped: number;
	rejected: Record<RejectReason, number>;
	/** Pieces put on less pieces done or rejected, and pieces done. */
	on: number;
	done: number;
	/** How many are cooked together. */
	atOnce: number;
	temperatures: { id: string; at: string; temperature_c: number }[];
	notes: Note[];
	steps: ReadonlyMap<number, StepTimes>;
	/** Lines that stay as weighed. */
	kept: ReadonlySet<string>;
	/** What the planned grams of a line are multiplied by; 1 where nothing was scaled. */
	factorOf: (lineId: string) => number;
	partCooked: boolean;
	/** How many pieces are in each pack that was made up of loose ones. */
	shortPacks: number[];
	bestBefore: string | null;
	/** The newest entry that stands and was made by hand at the bench, for taking it back. */
	last: (is: (entry: Entry) => boolean) => Entry | null;
	/** Where a reading that was moved stood before: what was withdrawn there, still without another. */
	movedFrom: (moved: WeighingEntry) => WeighingEntry | null;
}

/** How the batch stands after these entries, taken in the order the server kept them. */
export function benchOf(entries: readonly Entry[]): Bench {
	const ordered = inOrder(entries);
	const slots = standingSlots(ordered);
	const happened = standingEvents(ordered);
	const counted = Object.fromEntries(COUNTED.map((of) => [of, null])) as Bench['counted'];
	const rejected = Object.fromEntries(REJECT_REASONS.map((reason) => [reason, 0])) as Bench['rejected'];
	const steps = new Map<number, StepTimes>();
	const kept = new Set<string>();
	const factors = new Map<string, number>();
	const bench = {
		rejectsTapped: 0,
		on: 0,
		done: 0,
		atOnce: 1,
		temperatures: [] as Bench['temperatures'],
		notes: [] as Note[],
		partCooked: false,
		shortPacks: [] as number[],
		bestBefore: null as string | null
	};
	for (const { id, at, happening } of happened) {
		switch (happening.name) {
			case 'step begun':
				steps.set(happening.step, { begunAt: at, endedAt: null });
				break;
			case 'step ended':
				steps.set(happening.step, { begunAt: steps.get(happening.step)?.begunAt ?? null, endedAt: at });
				break;
			case 'piece rejected':
				rejected[happening.reason] += 1;
				bench.rejectsTapped += 1;
				bench.on = Math.max(0, bench.on - 1);
				break;
			case 'pieces on':
				bench.on += happening.count;
				break;
			case 'pieces done':
				bench.done += happening.count;
				bench.on = Math.max(0, bench.on - happening.count);
				break;
			case 'surface temperature':
				bench.temperatures.push({ id, at, temperature_c: happening.temperature_c });
				break;
			case 'noted':
				bench.notes.push({ id, at, cue: happening.cue, text: happening.text });
				break;
			case 'counted':
				counted[happening.of] = happening.count;
				if (happening.of === 'rejects') bench.rejectsTapped = 0;
				break;
			case 'line kept':
				kept.add(happening.lineId);
				break;
			case 'rest scaled':
				for (const lineId of happening.lineIds)
					factors.set(lineId, (factors.get(lineId) ?? 1) * happening.factor);
				break;
			case 'at once':
				bench.atOnce = happening.count;
				break;
			case 'part-cooked':
				bench.partCooked = happening.is;
				break;
			case 'short pack':
				bench.shortPacks.push(happening.pieces);
				break;
			case 'best before':
				bench.bestBefore = happening.day;
				break;
		}
	}
	return {
		...bench,
		counted,
		rejected,
		steps,
		kept,
		readings: (what, lineId = null) =>
			slots.flatMap(({ id, at, by, grams, lotId, ...of }) =>
				of.what === what && of.lineId === lineId && grams !== null ? [{ id, at, grams, by, lotId }] : []
			),
		factorOf: (lineId) => factors.get(lineId) ?? 1,
		// Both entries of a move bear one time: nothing else withdraws and weighs at the same moment.
		movedFrom: ({ what, lineId, at }) =>
			slots.find(
				(slot) => slot.grams === null && slot.at === at && slot.what === what && slot.lineId !== lineId
			) ?? null,
		last: (is) => {
			const place = new Map(ordered.map((entry, index) => [entry.id, index]));
			const placeOf = (entry: Entry) => place.get(entry.id) ?? 0;
			return (
				[...slots.filter((slot) => slot.grams !== null), ...happened]
					.filter(is)
					.toSorted((a, b) => placeOf(a) - placeOf(b))
					.at(-1) ?? null
			);
		}
	};
}

/** Rejects of the batch: the last count of them, and each one tapped since; null while neither was. */
export function rejectsOf(bench: Bench): number | null {
	if (bench.counted.rejects === null && bench.rejectsTapped === 0) return null;
	return (bench.counted.rejects ?? 0) + bench.rejectsTapped;
}

/** The newest reading of each chain of corrections, at the place of the first. */
function standingSlots(ordered: readonly Entry[]): WeighingEntry[] {
	const slots: WeighingEntry[] = [];
	const placeOf = new Map<string, number>();
	for (const entry of ordered) {
		if (entry.kind !== 'weighing') continue;
		const place = entry.corrects === null ? slots.length : placeOf.get(entry.corrects);
		// A correction of what is not here, or was corrected already, has nothing to take the place of.
		if (place === undefined) continue;
		if (entry.corrects !== null) placeOf.delete(entry.corrects);
		slots[place] = entry;
		placeOf.set(entry.id, place);
	}
	return slots;
}

function standingEvents(ordered: readonly Entry[]): EventEntry[] {
	const events = ordered.filter((entry) => entry.kind === 'event');
	const voided = new Set(events.flatMap((event) => event.voids ?? []));
	return events.filter((event) => event.voids === null && !voided.has(event.id));
}

/** What of a surface material was used up, and what of that stays on the pieces; null while not weighed. */
export interface SurfaceUse {
	consumed_g: number | null;
	uptake_g: number | null;
}

const totalOf = (readings: readonly Pick<Reading, 'grams'>[]) =>
	readings.length === 0 ? null : settled(sumOf(readings, (reading) => reading.grams));

/**
 * Consumed is set out less returned, uptake is consumed less what was swept or wiped away (computation,
 * section 3). A weighing of either itself stands before what follows from others; never below zero.
 */
export function surfaceUse(
	{ readings }: { readings: (what: Weighed, lineId: string) => Pick<Reading, 'grams'>[] },
	lineId: string
): SurfaceUse {
	const of = (what: Weighed) => totalOf(readings(what, lineId));
	const [setOut_g, returned_g, swept_g] = [of('set out'), of('returned'), of('swept')];
	const followed_g =
		setOut_g === null || returned_g === null ? null : Math.max(0, settled(setOut_g - returned_g));
	const consumed_g = of('consumed') ?? followed_g;
	const uptake_g =
		of('uptake') ??
		(consumed_g === null || swept_g === null ? null : Math.max(0, settled(consumed_g - swept_g)));
	return { consumed_g, uptake_g };
}

/** What was weighed of a dough line, all its readings together; null while none. */
export function lineWeighed_g(bench: Bench, lineId: string): number | null {
	return totalOf(bench.readings('line', lineId));
}

/** Something that was done to a batch, and when. */
export interface Moment {
	at: string;
	/** How a weighing was taken, or what happened. */
	what: WeighingEntry['by'] | Happening['name'];
}

/** What is done at the bench while it happens; what is typed may have been typed at the desk, days later. */
const MAKING = new Set<Moment['what']>([
	'scale',
	'step begun',
	'step ended',
	'pieces on',
	'pieces done',
	'piece rejected'
]);

/** Whether it is of the making, and done while it happens. */
export const isMaking = (what: Moment['what']): boolean => MAKING.has(what);

/**
 * Milliseconds over which these moments went, given in the order in which they were kept. A clock that was put back on
 * the way makes none of it longer: then it is what went on between one moment and the next; and entries that came late
 * are within the others.
 */
export function went_ms(times: readonly number[]): number {
	if (times.length === 0) return 0;
	const forward = times.slice(1).map((time, index) => Math.max(0, time - (times[index] ?? time)));
	const between = forward.reduce((sum, each) => sum + each, 0);
	return Math.min(between, Math.max(...times) - Math.min(...times));
}

/** Minutes from the first to the last of the making, in the order kept; null where that is one moment or none. */
export function timeTaken_min(moments: readonly Moment[]): number | null {
	const times = moments.flatMap(({ at, what }) => (isMaking(what) ? Date.parse(at) : []));
	const taken_min = went_ms(times) / 60_000;
	return taken_min > 0 ? taken_min : null;
}
