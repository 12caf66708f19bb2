import { parseDate } from '@internationalized/date';
import { assembleDay } from '$core/planning/assemble.ts';
import { asItGoes } from '$core/planning/as-it-goes.ts';
import { happenedOf, spansOf } from '$core/planning/happened.ts';
import type { Happened } from '$core/planning/follow.ts';
import type { Step } from '$core/formula/process.ts';
import { dayIn } from '../../day.ts';
import { dayWishOf, packedAt } from '../../plan/day-wish.ts';
import type { NextTask, TakenPlan } from '../../plan/types.ts';
import type { Kitchen } from '../../kitchen/types.ts';
import { entriesOfBatches } from '../bench/rows.ts';
import type { Database } from '../db/connection.ts';
import { toList, type Row } from '../rows.ts';
import { batchesOfPlans } from './plans.ts';

const MINUTE_MS = 60_000;
/** A plan whose packing is longer past than this is no more followed. */
const OVER_AFTER_MIN = 4 * 60;
/** What comes next is said on every page from so many minutes before it. */
const SAID_BEFORE_MIN = 12 * 60;

/** What has happened to each task of a plan that was taken, by its place in the day. */
export async function happenedIn(
	db: Database,
	kitchen: Kitchen,
	taken: TakenPlan,
	batches: Readonly<Record<string, { id: string }>>
): Promise<Map<number, Happened>> {
	const { tasks } = assembleDay(dayWishOf(taken.basis, taken.wish, kitchen.timeZone));
	const zero = packedAt(taken.basis.day, taken.wish, kitchen.timeZone);
	const minuteOf = (at: string) => Math.round((Date.parse(at) - zero) / MINUTE_MS);
	const ids = Object.values(batches).map(({ id }) => id);
	const [entries, steps] = await Promise.all([
		entriesOfBatches(db, kitchen.id, ids, 'all'),
		stepsOfBatches(db, kitchen.id, ids)
	]);
	const happened = new Map<number, Happened>();
	for (const [make, { id }] of Object.entries(batches)) {
		const places = [...tasks.entries()].flatMap(([place, task]) => (task.make === make ? place : []));
		const kinds = places.flatMap((place) => tasks[place]?.kind ?? []);
		const found = happenedOf(kinds, spansOf(entries.get(id) ?? [], steps.get(id) ?? []), minuteOf);
		for (const [nth, place] of places.entries()) {
			const of = found[nth];
			if (of) happened.set(place, of);
		}
	}
	return happened;
}

async function stepsOfBatches(
	db: Database,
	kitchenId: string,
	ids: readonly string[]
): Promise<Map<string, Step[]>> {
	const rows = await db('batches as b')
		.join('formula_versions as v', 'v.id', 'b.formula_version_id')
		.where('b.kitchen_id', kitchenId)
		.whereIn('b.id', [...ids])
		.select<Row[]>('b.id', 'v.steps');
	return new Map(rows.map((row) => [row.id, toList<Step>(row.steps)]));
}

/** The next thing to do of each plan that was taken and goes on, the nearest first. */
export async function nextTasks(db: Database, kitchen: Kitchen, now: Date): Promise<NextTask[]> {
	const day = parseDate(dayIn(kitchen.timeZone, now));
	const rows = await db('plans')
		.where('kitchen_id', kitchen.id)
		.whereNotNull('taken')
		.whereBetween('day', [day.subtract({ days: 1 }).toString(), day.add({ days: 2 }).toString()]);
	const batches = await batchesOfPlans(
		db,
		kitchen.id,
		rows.map(({ id }) => id)
	);
	const found = await Promise.all(
		rows.map(async (row): Promise<NextTask[]> => {
			const taken = JSON.parse(row.taken ?? 'null') as TakenPlan;
			const zero = packedAt(taken.basis.day, taken.wish, kitchen.timeZone);
			const now_min = (now.getTime() - zero) / MINUTE_MS;
			if (now_min > OVER_AFTER_MIN) return [];
			const of = batches.get(row.id) ?? {};
			const assembled = assembleDay(dayWishOf(taken.basis, taken.wish, kitchen.timeZone));
			const happened = await happenedIn(db, kitchen, taken, of);
			const going = asItGoes(assembled, { tasks: taken.tasks.map(plannedTask) }, happened, -Infinity);
			if (going.next === null) return [];
			const task = assembled.tasks[going.next];
			const start_min = going.course.starts[going.next] ?? 0;
			if (!task || start_min - now_min > SAID_BEFORE_MIN) return [];
			const make = assembled.makes.find(({ id }) => id === task.make);
			return [
				{
					words: `${task.words}, ${make?.name ?? ''}`,
					at: new Date(zero + start_min * MINUTE_MS).toISOString(),
					packedAt: new Date(zero + Math.round(going.packed_min) * MINUTE_MS).toISOString(),
					late_min: Math.max(0, Math.round(going.packed_min)),
					href: of[task.make] ? `/batches/${of[task.make]?.id ?? ''}` : planHref(row.day, row.place),
					plan: planHref(row.day, row.place)
				}
			];
		})
	);
	return found.flat().sort((a, b) => a.at.localeCompare(b.at));
}

const plannedTask = ({ mode, start_min }: { mode: number; start_min: number }) => ({
	make: '',
	task: '',
	mode,
	start_min,
	latestStart_min: start_min
});

const planHref = (day: string, place: string): string => `/plan/${day}?place=${encodeURIComponent(place)}`;
