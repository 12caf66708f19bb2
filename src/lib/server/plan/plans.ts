import { assembleDay } from '$core/planning/assemble.ts';
import { isSound } from '$core/planning/sound.ts';
import { dayWishOf, usualWish } from '../../plan/day-wish.ts';
import type { Kitchen } from '../../kitchen/types.ts';
import type { KeptPlan, PlanBasis, PlanWish, TakenPlan, TakenTask } from '../../plan/types.ts';
import type { Database } from '../db/connection.ts';
import { inTransaction } from '../db/transaction.ts';
import { isDuplicate, refuse, Stale } from '../errors.ts';
import { groupBy, newId, utcNow } from '../rows.ts';

type Of = Pick<PlanBasis, 'day' | 'place'>;

/** The plan of a day at a place as it is kept; version 0 while nobody kept one. */
export async function getPlan(db: Database, kitchen: Kitchen, basis: PlanBasis): Promise<KeptPlan> {
	const row = await db('plans').where({ kitchen_id: kitchen.id, day: basis.day, place: basis.place }).first();
	if (!row) return { id: '', version: 0, wish: usualWish(basis), taken: null, takenAt: null, batches: {} };
	return {
		id: row.id,
		version: row.version,
		wish: { ...usualWish(basis), ...(JSON.parse(row.wish) as PlanWish) },
		taken: row.taken === null ? null : (JSON.parse(row.taken) as TakenPlan),
		takenAt: row.taken_at,
		batches: (await batchesOfPlans(db, kitchen.id, [row.id])).get(row.id) ?? {}
	};
}

/** The batches begun from plans, by plan and the make they are. */
export async function batchesOfPlans(
	db: Database,
	kitchenId: string,
	ids: readonly string[]
): Promise<Map<string, Record<string, { id: string; code: string }>>> {
	if (ids.length === 0) return new Map();
	const rows = await db('plan_batches as p')
		.join('batches as b', 'b.id', 'p.batch_id')
		.where('p.kitchen_id', kitchenId)
		.whereIn('p.plan_id', [...ids])
		.select<{ plan_id: string; make: string; id: string; code: string }[]>(
			'p.plan_id',
			'p.make',
			'b.id',
			'b.code'
		);
	return new Map(
		[...groupBy(rows, (row) => row.plan_id)].map(([plan, of]) => [
			plan,
			Object.fromEntries(of.map(({ make, id, code }) => [make, { id, code }]))
		])
	);
}

/** Keeps what is said of a day. Throws `Stale` where somebody kept it meanwhile. */
export async function keepWish(
	db: Database,
	kitchen: Kitchen,
	basis: PlanBasis,
	version: number,
	wish: PlanWish
): Promise<void> {
	await write(db, kitchen, basis, version, { wish: JSON.stringify(wish) });
}

/**
 * Takes a plan: what it says stands from now on, whatever is learned later. It is held to every rule again. Throws
 * `Refused` where it breaks one, `Stale` where somebody kept the day meanwhile.
 */
export async function takePlan(
	db: Database,
	kitchen: Kitchen,
	basis: PlanBasis,
	{ version, wish, tasks, inTime }: { version: number; wish: PlanWish; tasks: TakenTask[]; inTime: number }
): Promise<void> {
	const { day, tasks: needed } = assembleDay(dayWishOf(basis, wish, kitchen.timeZone));
	const said = new Map(tasks.map((task) => [task.key, task]));
	const inOrder = needed.map(({ key }) => said.get(key));
	if (needed.length === 0) refuse('', 'nothing is to be made: say how many packs first');
	if (said.size !== needed.length || inOrder.some((task) => task === undefined))
		refuse(
			'',
			'what is to be made changed since this was planned: it is planned anew, look at it and take it again'
		);
	const isRight = isSound(
		day,
		inOrder.map((task) => task?.mode ?? 0),
		inOrder.map((task) => task?.start_min ?? 0)
	);
	if (!isRight)
		refuse('', 'what it is planned from changed meanwhile: it is planned anew, look at it and take it again');
	const money = basis.products.map((product) => ({ ...product, money: null }));
	const taken: TakenPlan = { basis: { ...basis, products: money }, wish, tasks, inTime };
	await write(db, kitchen, basis, version, {
		wish: JSON.stringify(wish),
		taken: JSON.stringify(taken),
		taken_at: utcNow()
	});
}

/** Lets a plan that was taken go; batches begun from it stay. */
export async function letGo(
	db: Database,
	kitchen: Kitchen,
	basis: PlanBasis,
	version: number
): Promise<void> {
	await write(db, kitchen, basis, version, { taken: null, taken_at: null });
}

async function write(
	db: Database,
	kitchen: Kitchen,
	basis: PlanBasis,
	version: number,
	cells: { wish?: string; taken?: string | null; taken_at?: string | null }
): Promise<void> {
	const of: Of = { day: basis.day, place: basis.place };
	// By the same connection: twenty that want another one would wait for each other for ever.
	const stale = async (transaction: Database) => new Stale(await getPlan(transaction, kitchen, basis));
	await inTransaction(db, async (transaction) => {
		const now = utcNow();
		if (version === 0) {
			await transaction('plans')
				.insert({
					id: newId(),
					kitchen_id: kitchen.id,
					...of,
					wish: JSON.stringify(usualWish(basis)),
					...cells,
					created_at: now,
					updated_at: now
				})
				.catch(async (error: unknown) => {
					if (isDuplicate(error)) throw await stale(transaction);
					throw error;
				});
			return;
		}
		const changed = await transaction('plans')
			.where({ kitchen_id: kitchen.id, ...of, version })
			.update({ ...cells, version: version + 1, updated_at: now });
		if (changed === 0) throw await stale(transaction);
	});
}
