import { planWish } from '$core/planning/plan.ts';
import { dayWishOf } from '../plan/day-wish.ts';
import type { PlanBasis, PlanWish, TakenTask } from '../plan/types.ts';

/** A plan of a day as a page would send it, found in so many milliseconds. */
export function plannedTasks(
	basis: PlanBasis,
	wish: PlanWish,
	timeZone: string,
	budget_ms = 300
): TakenTask[] {
	const planned = planWish(
		dayWishOf(basis, wish, timeZone),
		{ budget_ms, clock: () => performance.now() },
		undefined,
		false
	);
	if (!planned.ok) throw new Error(planned.problems[0]?.message);
	const { plan, assembled } = planned.value;
	return plan.tasks.map(({ mode, start_min }, place) => ({
		key: assembled.tasks[place]?.key ?? '',
		mode,
		start_min
	}));
}
