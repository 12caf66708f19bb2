import type { Day, Mode } from '../planning/day.ts';
import { networkOf, placedTasks, type Hold } from '../planning/network.ts';

/** No task is so far apart from another that an order is chosen the wrong way for it. */
const BIG = 4000;

/**
 * The latest first start of a day as a mixed-integer program, each task done the first way: which of its units each hold
 * is on, and which of two on one goes first. For a solver that shares nothing with the planner.
 */
export function programOf(day: Day): string {
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
