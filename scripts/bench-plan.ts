import loadHighs from 'highs';
import type { Day } from '../core/planning/day.ts';
import { planDay } from '../core/planning/plan-day.ts';
import { dayOf, make, task } from '../core/testing/days.ts';
import { programOf } from '../core/testing/program.ts';
import { chances } from '../core/testing/random-recipe.ts';

const USUAL_COUNT = 20;
const USUAL_SECONDS = 60;
const USUAL_BATCHES = 5;
const BUDGET_MS = 2000;

/**
 * `npm run bench:plan -- [COUNT [SECONDS [BATCHES]]]`: plans of random days larger than are searched whole, each beside what a
 * mixed-integer solver finds in so many seconds. Prints each that is worse, and how long plans take. Asserts nothing.
 */
export async function main([
	count = String(USUAL_COUNT),
	seconds = String(USUAL_SECONDS),
	batches = String(USUAL_BATCHES)
]: string[]): Promise<void> {
	const highs = await loadHighs();
	const took: number[] = [];
	let [worse, better, proved] = [0, 0, 0];
	for (let seed = 0; seed < Number(count); seed++) {
		const day = randomDay(seed, Number(batches));
		const begun = performance.now();
		const outcome = planDay(day, {
			budget_ms: BUDGET_MS,
			seed,
			clock: () => performance.now(),
			withLimits: false
		});
		took.push(performance.now() - begun);
		if (!outcome.ok) throw new Error(outcome.problems[0]?.message);
		const solved = highs.solve(programOf(day), { time_limit: Number(seconds), mip_rel_gap: 0 });
		const theirs = Math.round(solved.ObjectiveValue);
		const ours = outcome.value.firstStart_min;
		if (solved.Status === 'Optimal') proved++;
		if (!Number.isFinite(theirs) || solved.Status === 'Infeasible') {
			console.log(`day ${seed}: the solver found nothing (${solved.Status}); we begin at ${ours}`);
			continue;
		}
		if (ours < theirs) worse++;
		if (ours > theirs) better++;
		console.log(
			`day ${seed}: ${day.makes.length} batches, we begin at ${ours}, the solver at ${theirs}${solved.Status === 'Optimal' ? ', the best there is' : ''}`
		);
	}
	took.sort((a, b) => a - b);
	console.log(
		`${count} days: worse than the solver on ${worse}, better on ${better}; it proved ${proved} of its own the best`
	);
	console.log(
		`a plan took ${Math.round(took[took.length >> 1] ?? 0)} ms in the middle, ${Math.round(took.at(-1) ?? 0)} at most`
	);
}

/** Batches of three tasks for two people, a pan and two bowls. */
function randomDay(seed: number, batches: number): Day {
	const chance = chances(seed + 1000);
	const whole = (low: number, high: number) => low + Math.floor(chance() * (high - low + 1));
	const makes = Array.from({ length: batches }, (_, nth) =>
		make(`m${nth}`, [
			task('mix', whole(8, 20), {
				keeps: { bowl: 1 },
				waitLow_min: whole(15, 60),
				waitHigh_min: chance() < 0.5 ? whole(90, 180) : null
			}),
			task('cook', 0, {
				modes: [{ uses: { people: 1, pan: 1 }, minutes: whole(20, 60) }],
				waitLow_min: whole(5, 30)
			}),
			task('pack', whole(5, 15))
		])
	);
	return dayOf({ resources: { people: 2, pan: 2, bowl: 2 }, makes });
}
