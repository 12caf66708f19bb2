import { readPlanDay } from '../core/file/plan-day-request.ts';
import { planDay } from '../core/planning/plan-day.ts';
import { answer } from './lib/answer.ts';

/** `npm run --silent plan-day -- FILE`: when each task of a day starts, or problems to standard error and exit 2. */
export function main(args: string[]): void {
	answer(args, (text) => {
		const asked = readPlanDay(text);
		if (!asked.ok) return asked;
		const { day, budget_ms, seed } = asked.value;
		return planDay(day, { budget_ms, seed, clock: () => performance.now() });
	});
}
