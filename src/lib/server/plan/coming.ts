import type { Kitchen } from '../../kitchen/types.ts';
import type { Database } from '../db/connection.ts';
import { today } from '../kitchens.ts';

/** How far the plan of a day is. */
export type PlanState = 'begun' | 'taken' | 'kept';

/** Plans from today on. */
export async function comingPlans(
	db: Database,
	kitchen: Kitchen
): Promise<{ day: string; place: string; state: PlanState }[]> {
	const rows = await db('plans as p')
		.where('p.kitchen_id', kitchen.id)
		.where('p.day', '>=', today(kitchen))
		.orderBy(['p.day', 'p.place'])
		.select<{ day: string; place: string; is_taken: number; batches: number }[]>(
			'p.day',
			'p.place',
			db.raw('p.taken IS NOT NULL AS is_taken'),
			db.raw('(SELECT COUNT(*) FROM plan_batches b WHERE b.plan_id = p.id) AS batches')
		);
	return rows.map(({ day, place, is_taken, batches }) => ({
		day,
		place,
		state: batches > 0 ? 'begun' : is_taken === 1 ? 'taken' : 'kept'
	}));
}
