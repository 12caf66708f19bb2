import { quantileSorted } from 'simple-statistics';
import { benchOf } from '../bench/bench.ts';
import { inOrder, type Entry } from '../bench/entries.ts';
import type { Step, StepKind } from '../formula/process.ts';

/** What is worked by hand and timed for itself: the dough by the batch, all else by the piece or the pack. */
export const PACES = ['mix', 'divide', 'layer', 'cook', 'pack'] as const;
export type PaceKind = (typeof PACES)[number];

/** How long something takes, in minutes: of a batch for the dough, else of one piece or pack. */
export interface Pace {
	median_min: number;
	p90_min: number;
	/** From how many batches; 0 where the process says it. */
	batches: number;
}

export type Paces = Readonly<Record<PaceKind, Pace | null>>;

/** A batch that was worked, with what its bench kept. */
export interface WorkedBatch {
	entries: readonly Entry[];
	steps: readonly Pick<Step, 'kind'>[];
	packs: number;
}

/** So many timed batches say more than a process's own range. */
export const ENOUGH_BATCHES = 3;
const MINUTE_MS = 60_000;
/** Longer than this somebody forgot to press, or did something else. */
const MOST_SPAN_MIN = 6 * 60;

const MIXING: readonly StepKind[] = ['mix', 'knead'];

/** What one batch says of each pace; null where it does not. */
export function pacesOfBatch({ entries, steps, packs }: WorkedBatch): Record<PaceKind, number | null> {
	const bench = benchOf(entries);
	const weighed = (what: 'line' | 'ball') =>
		inOrder(entries).flatMap((entry) =>
			entry.kind === 'weighing' && entry.what === what && entry.by === 'scale' && entry.corrects === null
				? Date.parse(entry.at)
				: []
		);
	const timed = (kinds: readonly StepKind[]) => {
		const spans = steps.flatMap(({ kind }, index) => {
			const of = kinds.includes(kind) ? bench.steps.get(index) : undefined;
			return of?.begunAt && of.endedAt ? [Date.parse(of.endedAt) - Date.parse(of.begunAt)] : [];
		});
		return spans.length === 0 ? null : minutes(spans.reduce((sum, span) => sum + span, 0));
	};
	const per = (taken: number | null, count: number | null) =>
		taken === null || !count ? null : taken / count;
	const weighIn = spanOf(weighed('line'));
	const mixing = timed(MIXING);
	const balls = weighed('ball');
	const pieces = bench.counted.balls ?? (bench.done || null) ?? (balls.length || null);
	const plate = inOrder(entries).flatMap((entry) =>
		entry.kind === 'event' && ['pieces on', 'pieces done', 'piece rejected'].includes(entry.happening.name)
			? Date.parse(entry.at)
			: []
	);
	const cooked = bench.done + Object.values(bench.rejected).reduce((sum, count) => sum + count, 0);
	return {
		mix: mixing === null ? null : mixing + (weighIn ?? 0),
		divide: per(timed(['divide']), pieces) ?? per(spanOf(balls), balls.length - 1),
		layer: per(timed(['layer']), pieces),
		cook: per(spanOf(plate), cooked),
		pack: per(timed(['pack']), packs)
	};
}

/** What batches of a formula teach of how long each takes; null where fewer than three were timed. */
export function pacesOf(batches: readonly WorkedBatch[]): Paces {
	const said = batches.map(pacesOfBatch);
	return Object.fromEntries(
		PACES.map((kind) => {
			const taken = said.flatMap((of) => of[kind] ?? []).sort((a, b) => a - b);
			return [
				kind,
				taken.length < ENOUGH_BATCHES
					? null
					: {
							median_min: quantileSorted(taken, 0.5),
							p90_min: quantileSorted(taken, 0.9),
							batches: taken.length
						}
			];
		})
	) as Record<PaceKind, Pace | null>;
}

function spanOf(times: readonly number[]): number | null {
	return times.length < 2 ? null : minutes(Math.max(...times) - Math.min(...times));
}

/** Null where it is nothing, or too long to be one work. */
function minutes(span_ms: number): number | null {
	const taken = span_ms / MINUTE_MS;
	return taken > 0 && taken <= MOST_SPAN_MIN ? taken : null;
}
