import { benchOf } from '../bench/bench.ts';
import { inOrder, type Entry } from '../bench/entries.ts';
import type { Step, StepKind } from '../formula/process.ts';
import type { Happened } from './follow.ts';
import type { PaceKind } from './paces.ts';

/** When something began and ended, ISO 8601; null where it did not yet. */
interface Span {
	begunAt: string | null;
	endedAt: string | null;
}

const STEPS: Readonly<Record<PaceKind, readonly StepKind[]>> = {
	mix: ['sponge', 'mix', 'knead'],
	divide: ['divide'],
	layer: ['layer'],
	cook: ['shape', 'cook first side', 'cook second side', 'finish'],
	pack: ['pack']
};
/** A task is over where one of these begins. */
const OVER_BY: Readonly<Record<PaceKind, readonly StepKind[]>> = {
	mix: ['rest'],
	divide: ['rest balls'],
	layer: [],
	cook: ['hold', 'cool'],
	pack: []
};

const least = (times: readonly string[]): string | null => times.toSorted()[0] ?? null;
const most = (times: readonly string[]): string | null => times.toSorted().at(-1) ?? null;

/** What the bench of a batch says of each task of a plan: when it began, and when it was over. */
export function spansOf(
	entries: readonly Entry[],
	steps: readonly Pick<Step, 'kind'>[]
): Record<PaceKind, Span> {
	const bench = benchOf(entries);
	const standing = inOrder(entries);
	const weighed = (what: 'line' | 'ball') => bench.readings(what).map(({ at }) => at);
	const lines = standing.flatMap((entry) =>
		entry.kind === 'weighing' && entry.what === 'line' && entry.by === 'scale' ? entry.at : []
	);
	const events = (...names: string[]) =>
		standing.flatMap((entry) =>
			entry.kind === 'event' && names.includes(entry.happening.name) ? entry.at : []
		);
	const counted = (of: string) =>
		standing.flatMap((entry) =>
			entry.kind === 'event' &&
			entry.happening.name === 'counted' &&
			entry.happening.of === of &&
			entry.happening.count !== null
				? entry.at
				: []
		);
	const times = (kinds: readonly StepKind[], of: 'begunAt' | 'endedAt') =>
		steps.flatMap(({ kind }, index) => (kinds.includes(kind) ? (bench.steps.get(index)?.[of] ?? []) : []));
	const isAllCooked =
		bench.counted.balls !== null &&
		bench.on === 0 &&
		bench.done + Object.values(bench.rejected).reduce((sum, count) => sum + count, 0) >= bench.counted.balls;
	const lastEnded = (kind: PaceKind) => {
		const of = steps.flatMap(({ kind: each }, index) => (STEPS[kind].includes(each) ? index : []));
		const last = of.at(-1);
		return last === undefined ? [] : (bench.steps.get(last)?.endedAt ?? []);
	};
	const span = (kind: PaceKind, begun: readonly string[], ended: readonly string[]): Span => ({
		begunAt: least([...begun, ...times(STEPS[kind], 'begunAt')]),
		endedAt: most([...ended, ...times(OVER_BY[kind], 'begunAt'), ...[lastEnded(kind)].flat()])
	});
	return {
		mix: span('mix', lines, []),
		divide: span('divide', weighed('ball'), counted('balls')),
		layer: span('layer', [], []),
		cook: span(
			'cook',
			events('pieces on'),
			isAllCooked ? events('pieces done', 'piece rejected').slice(-1) : []
		),
		pack: span('pack', [], counted('packs'))
	};
}

/**
 * What has happened to the tasks of one batch, in their order, in minutes of the plan. What is before something that
 * has begun is over, also where nobody pressed it.
 */
export function happenedOf(
	kinds: readonly PaceKind[],
	spans: Readonly<Record<PaceKind, Span>>,
	minuteOf: (at: string) => number
): (Happened | null)[] {
	const found: (Happened | null)[] = [];
	for (const kind of kinds.toReversed()) found.unshift(happenedTo(spans[kind], found[0] ?? null, minuteOf));
	return found;
}

/** What happened to one task, by what happened to the next one. */
function happenedTo(
	{ begunAt, endedAt }: Span,
	next: Happened | null,
	minuteOf: (at: string) => number
): Happened | null {
	const ended_min = endedAt === null ? null : minuteOf(endedAt);
	const begun_min = begunAt === null ? ended_min : minuteOf(begunAt);
	if (begun_min === null) return next && { begun_min: next.begun_min, ended_min: next.begun_min };
	const over = ended_min ?? next?.begun_min ?? null;
	return { begun_min, ended_min: over === null ? null : Math.max(begun_min, over) };
}
