import { expose } from 'comlink';
import type { DayWish } from '$core/planning/assemble.ts';
import { howSure, planWish, type PlannedDay } from '$core/planning/plan.ts';
import { waysOut, type WayOut } from '$core/planning/ways-out.ts';
import type { Simulated } from '$core/planning/simulate.ts';
import type { Outcome } from '$core/problem.ts';

/** A first answer comes at once, and a better one where there is one. */
const AT_ONCE_MS = 60;
const LONGER_MS = 1400;
const WAYS_MS = 4000;

const clock = () => performance.now();

/** Hours with the evening before among them; null where they are already, or it is out of the question. */
export type Evening = Pick<DayWish, 'earliest_min' | 'nights'> | null;

const isBetter = (a: PlannedDay, b: PlannedDay): boolean =>
	a.plan.late_min < b.plan.late_min ||
	(a.plan.late_min === b.plan.late_min && a.plan.firstStart_min > b.plan.firstStart_min);

const api = {
	/** A plan at once, close to the one before. */
	quick(wish: DayWish, before: PlannedDay | null): Outcome<PlannedDay> {
		return planWish(wish, { budget_ms: AT_ONCE_MS, clock }, before ?? undefined, false);
	},

	/** As good a plan as can be found, what limits it, how sure it is, and what else would be a way. */
	thorough(
		wish: DayWish,
		evening: Evening,
		quick: PlannedDay | null,
		planned: (outcome: Outcome<PlannedDay>) => void,
		sure: (sure: Simulated) => void,
		ways: (ways: WayOut[]) => void
	): void {
		const longer = planWish(wish, { budget_ms: LONGER_MS, clock }, quick ?? undefined);
		const best: Outcome<PlannedDay> =
			quick && longer.ok && isBetter(quick, longer.value)
				? { ok: true, value: { ...quick, plan: { ...quick.plan, limits: longer.value.plan.limits } } }
				: longer.ok || !quick
					? longer
					: { ok: true, value: quick };
		planned(best);
		if (!best.ok) return;
		sure(howSure(best.value));
		ways(waysOut(wish, best.value, { budget_ms: WAYS_MS, clock }, evening));
	}
};

export type PlanningWorker = typeof api;
expose(api);
