import { parseDateTime, toZoned } from '@internationalized/date';
import type { Entry, EventEntry, Happening, WeighingEntry } from '$core/bench/entries.ts';
import type { Step } from '$core/formula/process.ts';
import { roundTo } from '$core/measure/round.ts';
import type { Batch } from '../../../batch/types.ts';
import { keepEntries } from '../../bench/entries.ts';
import type { Kitchen } from '../../../kitchen/types.ts';
import { newId } from '../../rows.ts';
import type { Database } from '../connection.ts';
import type { DemoProduct } from './products.ts';
import { chance, type Chance } from './random.ts';

const MINUTE_MS = 60_000;

const event = (at_ms: number, happening: Happening): EventEntry => ({
	kind: 'event',
	id: newId(),
	number: null,
	at: new Date(at_ms).toISOString(),
	happening,
	voids: null
});

/** Minutes to divide a ball, to open and coil one, to count and close a pack; and how much they differ from day to day. */
const BALL_MIN = 0.22;
const COIL_MIN = 0.6;
const PACK_MIN = 1.1;
const PACE_SPREAD = 0.08;

/** The steps of a batch as they went that day: each within its times, a little late now and then. */
export async function stepThrough(
	db: Database,
	kitchen: Kitchen,
	batch: Pick<Batch, 'id' | 'madeOn' | 'ballCount' | 'packsMade'>,
	demo: DemoProduct,
	steps: readonly Step[],
	random: Chance
): Promise<void> {
	const balls = batch.ballCount ?? 0;
	let at_ms = toZoned(parseDateTime(`${batch.madeOn}T${demo.beganAt}`), kitchen.timeZone)
		.toDate()
		.getTime();
	const pace = chance(Number(batch.madeOn.replaceAll('-', '')) + demo.name.length);
	const takes = (minutes: number) =>
		Math.max(minutes / 2, pace.normal(minutes, minutes * PACE_SPREAD)) * MINUTE_MS;
	const worked = (index: number, minutes: number): Entry[] => {
		const begun = event(at_ms, { name: 'step begun', step: index });
		at_ms += takes(minutes);
		return [begun, event(at_ms, { name: 'step ended', step: index })];
	};
	const entries = steps.flatMap((step, index): Entry[] => {
		if (step.kind === 'divide') return worked(index, balls * BALL_MIN);
		if (step.kind === 'layer') return worked(index, balls * COIL_MIN);
		if (step.kind === 'pack') return worked(index, batch.packsMade * PACK_MIN);
		const [low, high] = [step.minutesLow, step.minutesHigh];
		if (low === null || high === null) return [];
		if (step.kind === 'cook first side') {
			const on = event(at_ms, { name: 'pieces on', count: 1 });
			at_ms += takes(balls * demo.piece_min);
			return [on, event(at_ms, { name: 'pieces done', count: balls })];
		}
		// What is said of rolling and of the second side is of one piece: it is in what a piece takes.
		if (step.kind === 'shape' || step.kind === 'cook second side' || step.kind === 'finish') return [];
		const begun = event(at_ms, { name: 'step begun', step: index });
		at_ms += Math.max(low, random.normal((low + high) / 2, (high - low) / 3)) * MINUTE_MS;
		return [begun, event(at_ms, { name: 'step ended', step: index })];
	});
	await keepEntries(db, kitchen, batch.id, entries);
}

/** So many balls were weighed when the kitchen is first opened. */
const BALLS_WEIGHED = 17;

/** A batch that is on the bench as the kitchen is opened: weighed in, rested, and half divided. */
export async function halfDivided(
	db: Database,
	kitchen: Kitchen,
	batch: Batch,
	demo: DemoProduct,
	random: Chance
): Promise<void> {
	let at_ms = Date.now() - 95 * MINUTE_MS;
	const later = (minutes: number) => (at_ms += minutes * MINUTE_MS);
	const weighing = (more: Pick<WeighingEntry, 'what' | 'grams'> & { lineId?: string }): WeighingEntry => ({
		kind: 'weighing',
		id: newId(),
		number: null,
		at: new Date(at_ms).toISOString(),
		lineId: null,
		corrects: null,
		by: 'scale',
		lotId: null,
		...more
	});
	const entries: Entry[] = [];
	let weighedIn_g = 0;
	for (const line of batch.lines) {
		if (line.use !== 'dough') continue;
		later(1);
		const grams = roundTo(random.normal(line.planned_g, line.planned_g * 0.001), 0.1);
		weighedIn_g += grams;
		entries.push(weighing({ what: 'line', lineId: line.id, grams }));
	}
	for (const [step, minutes] of [
		[0, 5],
		[1, 9],
		[2, 62]
	] as const) {
		entries.push(event(at_ms, { name: 'step begun', step }));
		later(minutes);
		entries.push(event(at_ms, { name: 'step ended', step }));
	}
	entries.push(weighing({ what: 'dough', grams: roundTo(weighedIn_g - demo.gap_g, 0.1) }));
	for (let ball = 1; ball <= BALLS_WEIGHED; ball++) {
		later(0.3);
		const spread = ball === 7 || ball === 12 ? 3 * demo.ballSpread_g : demo.ballSpread_g * 0.8;
		const off = ball === 7 ? spread : ball === 12 ? -spread : random.normal(0, spread);
		entries.push(weighing({ what: 'ball', grams: roundTo(batch.ballWeight_g + off, 0.1) }));
	}
	await keepEntries(db, kitchen, batch.id, entries);
}
