import type { Step, StepKind } from '../formula/process.ts';
import type { Entry } from './entries.ts';
import { benchOf, isMaking, timeTaken_min, went_ms } from './bench.ts';

/** Steps at which nobody has their hands in the dough. */
const WAITING: readonly StepKind[] = ['sponge', 'rest', 'rest balls', 'hold', 'cool', 'store'];
const MINUTE_MS = 60_000;

/** What the bench says of how long a batch took; null where it says nothing. */
export interface BenchMinutes {
	/** From the first to the last of the making. */
	taken_min: number | null;
	/** From the first piece put on to the last one done. */
	heat_min: number | null;
	/** From the first to the last of the making, less the steps that only wait. */
	hands_min: number | null;
}

/** Entries as they were first kept, without what was voided and what corrects. */
function uncorrected(entries: readonly Entry[]): Entry[] {
	const voided = new Set(entries.flatMap((entry) => (entry.kind === 'event' ? (entry.voids ?? []) : [])));
	return entries.filter(
		(entry) =>
			!voided.has(entry.id) && (entry.kind === 'event' ? entry.voids === null : entry.corrects === null)
	);
}

/**
 * When a batch last used its equipment, as far as its entries tell: the latest of its weighings, steps and pieces. Null
 * where it has none. What was typed later at the desk counts too: rather too late than too early.
 */
export function lastUse(entries: readonly Entry[]): string | null {
	const used = uncorrected(entries).flatMap((entry) =>
		entry.kind === 'weighing' || isMaking(entry.happening.name) ? entry.at : []
	);
	return used.toSorted().at(-1) ?? null;
}

/** Heating and hands-on minutes of a batch from what happened at the bench, to the minute. */
export function benchMinutes(entries: readonly Entry[], steps: readonly Pick<Step, 'kind'>[]): BenchMinutes {
	const bench = benchOf(entries);
	const standing = uncorrected(entries);
	const plate = standing.flatMap((entry) =>
		entry.kind === 'event' && ['pieces on', 'pieces done', 'piece rejected'].includes(entry.happening.name)
			? [Date.parse(entry.at)]
			: []
	);
	const heat_min = plate.length < 2 ? null : Math.round(went_ms(plate) / MINUTE_MS) || null;
	const taken_min = timeTaken_min(
		standing.map((entry) => ({
			at: entry.at,
			what: entry.kind === 'event' ? entry.happening.name : entry.by
		}))
	);
	let waited_min = 0;
	for (const [index, { begunAt, endedAt }] of bench.steps) {
		const kind = steps[index]?.kind;
		if (!kind || !WAITING.includes(kind) || begunAt === null || endedAt === null) continue;
		waited_min += Math.max(0, Date.parse(endedAt) - Date.parse(begunAt)) / MINUTE_MS;
	}
	const hands_min = taken_min === null ? null : Math.round(Math.max(0, taken_min - waited_min)) || null;
	return { taken_min, heat_min, hands_min };
}
