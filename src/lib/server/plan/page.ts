import { error } from '@sveltejs/kit';
import { parseDate } from '@internationalized/date';
import type { Kitchen } from '../../kitchen/types.ts';
import type { KeptPlan, PlanBasis } from '../../plan/types.ts';
import type { Database } from '../db/connection.ts';
import { isDay } from '../edge/query.ts';
import { today } from '../kitchens.ts';
import { demandDays, planBasis } from './basis.ts';
import { getPlan } from './plans.ts';

/** Where is sold that nobody named yet. */
const SOMEWHERE = 'From the door';
const MOST_PLACE = 60;
/** Nobody plans longer ahead, or looks longer back. */
const MOST_DAYS = 400;

/** What the page of a planned day goes by; 404 for what is no day. Without a place the first that sells then is taken. */
export async function pageOfPlan(
	db: Database,
	kitchen: Kitchen,
	day: string,
	asked: string | null
): Promise<{ basis: PlanBasis; plan: KeptPlan }> {
	const far = isDay(day) ? Math.abs(parseDate(day).compare(parseDate(today(kitchen)))) > MOST_DAYS : true;
	if (far || (asked !== null && (asked.trim() === '' || asked.length > MOST_PLACE)))
		error(404, { message: 'there is no such day to plan.', remedy: 'Choose a day on Plan.' });
	const demand = await demandDays(db, kitchen);
	const place = asked ?? demand.find((each) => each.day === day)?.place ?? demand[0]?.place ?? SOMEWHERE;
	const basis = await planBasis(db, kitchen, day, place, demand);
	return { basis, plan: await getPlan(db, kitchen, basis) };
}
