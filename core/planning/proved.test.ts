import { cases } from '../testing/cases.ts';
import loadHighs from 'highs';
import { expect, it } from 'vitest';
import { dayOf, make, task } from '../testing/days.ts';
import { programOf } from '../testing/program.ts';
import { chances } from '../testing/random-recipe.ts';
import type { Day } from './day.ts';
import { planDay } from './plan-day.ts';

const DAYS = cases(40);

/** Three batches of two tasks: as many as are tried whole by hand, with waits, bowls and pans. */
function sixTasks(seed: number): Day {
	const chance = chances(seed + 500);
	const whole = (low: number, high: number) => low + Math.floor(chance() * (high - low + 1));
	const makes = Array.from({ length: 3 }, (_, nth) =>
		make(
			`m${nth}`,
			[
				task('mix', whole(3, 15), {
					keeps: { bowl: 1 },
					waitLow_min: whole(0, 20),
					waitHigh_min: chance() < 0.5 ? whole(20, 60) : null
				}),
				task('cook', 0, { modes: [{ uses: { people: 1, pan: 1 }, minutes: whole(5, 30) }] })
			],
			-whole(0, 10)
		)
	);
	return dayOf({ resources: { people: whole(1, 2), pan: 1, bowl: whole(1, 2) }, makes });
}

it(`on ${DAYS} days of six tasks it begins as late as a solver proves that anything can`, async () => {
	const highs = await loadHighs();
	for (let seed = 0; seed < DAYS; seed++) {
		const day = sixTasks(seed);
		const solved = highs.solve(programOf(day), { mip_rel_gap: 0 });
		expect(solved.Status, `day ${seed}`).toBe('Optimal');
		const planned = planDay(day, { budget_ms: 500, seed, clock: () => performance.now(), withLimits: false });
		expect(planned.ok && planned.value.firstStart_min, `day ${seed}`).toBe(Math.round(solved.ObjectiveValue));
	}
});
