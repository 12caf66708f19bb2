import { roundTo } from '../measure/round.ts';
import { lineTaken, measuredOf, type BatchMeasured, type PlannedLine } from './batch.ts';
import type { Bench } from './bench.ts';
import { COUNTED, type Counted, type Entry, type Weighed, type WeighingEntry } from './entries.ts';

/** What a batch should stand at, as somebody typed it at the desk. */
export interface Wanted extends BatchMeasured {
	/** Null where nobody weighed it. */
	lines: readonly { id: string; grams: number | null; uptake_g: number | null }[];
}

/** What gives an entry its id and time. */
export type Stamp = () => { id: string; at: string };

/** What is kept of a reading: thousandths of a gram. */
const STEP_G = 0.001;

/**
 * The entries that bring a batch to what was typed, without editing one: what is new is added, what is gone is
 * withdrawn by an entry that points at it, and what stays is left alone. Of lines, only those whose figure is
 * other than it was: what is planned is never weighed by being looked at.
 */
export function entriesTo(
	wanted: Wanted,
	lines: readonly Pick<PlannedLine, 'id' | 'use'>[],
	bench: Bench,
	stamp: Stamp
): Entry[] {
	const entries: Entry[] = [];
	const bring = (what: Weighed, lineId: string | null, grams: readonly number[]) =>
		entries.push(...readingsTo(what, lineId, grams, bench, stamp));
	const one = (grams: number | null) => (grams === null ? [] : [grams]);
	const typed = new Map(wanted.lines.map((line) => [line.id, line]));
	for (const line of lines) {
		const said = typed.get(line.id);
		if (!said) continue;
		const before = lineTaken(line, bench);
		if (line.use === 'dough') {
			if (said.grams !== before.weighed_g) bring('line', line.id, one(said.grams));
			continue;
		}
		if (said.grams !== before.weighed_g) {
			bring('consumed', line.id, one(said.grams));
			// Nothing was used up after all: what was set out and returned goes too, or it would follow from those.
			if (said.grams === null) for (const what of ['set out', 'returned'] as const) bring(what, line.id, []);
		}
		if (said.uptake_g !== before.weighedUptake_g) {
			bring('uptake', line.id, one(said.uptake_g));
			if (said.uptake_g === null) bring('swept', line.id, []);
		}
	}
	const now = measuredOf(bench);
	if (wanted.doughWeight_g !== now.doughWeight_g) bring('dough', null, one(wanted.doughWeight_g));
	if (wanted.leftover_g !== now.leftover_g) bring('leftover', null, one(wanted.leftover_g));
	bring('ball', null, wanted.ballWeights_g);
	bring('finished', null, wanted.finishedWeights_g);
	const counts: Record<Counted, [was: number | null, is: number | null]> = {
		balls: [now.ballCount, wanted.ballCount],
		rejects: [now.rejects, wanted.rejects],
		sellable: [now.sellable, wanted.sellable],
		packs: [now.packs, wanted.packs],
		loose: [now.loose, wanted.loose]
	};
	for (const of of COUNTED) {
		const [was, is] = counts[of];
		if (was === is) continue;
		entries.push({
			kind: 'event',
			...stamp(),
			number: null,
			happening: { name: 'counted', of, count: is },
			voids: null
		});
	}
	return entries;
}

/** Entries that bring the readings of one thing to these grams. */
function readingsTo(
	what: Weighed,
	lineId: string | null,
	wanted_g: readonly number[],
	bench: Bench,
	stamp: Stamp
): WeighingEntry[] {
	const leaving = bench.readings(what, lineId);
	const arriving: number[] = [];
	for (const typed of wanted_g) {
		const grams = roundTo(typed, STEP_G);
		const same = leaving.findIndex((each) => each.grams === grams);
		if (same >= 0) leaving.splice(same, 1);
		else arriving.push(grams);
	}
	const entry = (grams: number | null, corrects: string | null, lotId: string | null): WeighingEntry => ({
		kind: 'weighing',
		...stamp(),
		number: null,
		what,
		lineId,
		grams,
		corrects,
		by: 'typed',
		lotId
	});
	return [
		// A new value in the place of an old one is its correction, and it is the same flour, weighed again; the
		// rest is plain adding or withdrawing.
		...leaving.map((old) => entry(arriving.shift() ?? null, old.id, old.lotId)),
		...arriving.map((grams) => entry(grams, null, null))
	];
}
