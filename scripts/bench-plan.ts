import loadHighs from 'highs';
import type { Day, Mode } from '../core/planning/day.ts';
import { networkOf, placedTasks, type Hold } from '../core/planning/network.ts';
import { planDay } from '../core/planning/plan-day.ts';
import { dayOf, make, task } from '../core/testing/days.ts';
import { chances } from '../core/testing/random-recipe.ts';

const USUAL_COUNT = 20;
const USUAL_SECONDS = 60;
const USUAL_BATCHES = 5;
const BUDGET_MS = 2000;
/** No task is so far apart from another that an order is chosen the wrong way for it. */
const BIG = 4000;

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

/** The same day as a mixed-integer program: which of its units each hold is on, and which of two on one goes first. */
function programOf(day: Day): string {
	const placed = placedTasks(day);
	const modeOf = (place: number): Mode => placed[place]?.modes[0] ?? { uses: {}, minutes: 0 };
	const { latest, orders, holds } = networkOf(day, modeOf, -BIG);
	const lines: string[] = [];
	const binaries: string[] = [];
	for (const place of placed.keys()) lines.push(`first - s${place} <= 0`);
	for (const { before, after, lag } of orders) lines.push(`s${before} - s${after} <= ${-lag}`);
	for (const [resource, capacity] of Object.entries(day.resources)) {
		const on = holds.filter((hold) => hold.resource === resource);
		const unit = (nth: number, at: number) => `x${resource}${nth}u${at}`;
		for (const nth of on.keys()) {
			const units = Array.from({ length: capacity }, (_, at) => unit(nth, at));
			binaries.push(...units);
			lines.push(`${units.join(' + ')} = 1`);
		}
		for (const [a, first] of on.entries())
			for (const [b, then] of on.entries()) {
				if (b <= a) continue;
				const order = `o${resource}${a}v${b}`;
				binaries.push(order);
				for (let at = 0; at < capacity; at++) {
					lines.push(
						apart(first, then, `${BIG} ${unit(a, at)} + ${BIG} ${unit(b, at)} + ${BIG} ${order}`, 3 * BIG)
					);
					lines.push(
						apart(then, first, `${BIG} ${unit(a, at)} + ${BIG} ${unit(b, at)} - ${BIG} ${order}`, 2 * BIG)
					);
				}
			}
	}
	return [
		'Maximize',
		' obj: first',
		'Subject To',
		...lines.map((line, nth) => ` c${nth}: ${line}`),
		'Bounds',
		` -${BIG} <= first <= 0`,
		...latest.map((most, place) => ` -${BIG} <= s${place} <= ${most}`),
		'Binary',
		` ${binaries.join(' ')}`,
		'End'
	].join('\n');
}

/** One hold ends before another begins, unless the switches are off. */
const apart = (first: Hold, then: Hold, switches: string, most: number): string =>
	first.until === then.from
		? `${switches} <= ${most - first.after}`
		: `s${first.until} - s${then.from} + ${switches} <= ${most - first.after}`;
