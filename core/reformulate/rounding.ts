import { settled, roundTo } from '../measure/round.ts';
import { isDough } from '../formula/types.ts';
import { changeOf, gramsOf, programOf, type Ask, type Asked, type Model, type Task } from './model.ts';
import { GaveUp, type Solution, type Solver } from './program.ts';
import { sumAt, valueAt } from './quantity.ts';

/** What is to be least instead of the change. */
export type Aim = Pick<Task, 'least' | 'mostChange' | 'fewest'>;

/** Programs that are solved with bounds drawn in further, before it is said that the scale is too coarse. */
const TRIES = 12;

/** A scale so fine that rounding to it moves hardly anything is no matter of whole numbers. */
const MOST_STEPS = 100_000;

/** Whether an ask holds of some grams, with the noise of binary numbers taken off. */
export function holds({ quantity }: Asked, grams: readonly number[]): boolean {
	const value = valueAt(quantity, grams);
	if (!Number.isFinite(value)) return false;
	return settled(value) <= settled(quantity.high) && settled(value) >= settled(quantity.low);
}

/**
 * The nearest grams in whole steps of the scale for which every ask holds; null where none are found. The bounds are
 * drawn in by what the rounding of the other lines breaks them by, until it breaks none; then every free line is tried
 * a step nearer to what it is now.
 */
export function roundedGrams(model: Model, step_g: number, solve: Solver, aim: Aim = {}): number[] | null {
	const margins = new Map<Ask, number>();
	let isWhole = model.frame.doughMass_g / step_g <= MOST_STEPS;
	for (let tries = 0; tries < TRIES; tries++) {
		const task = { ...aim, asked: model.asked, margins };
		const found = isWhole ? inSteps(model, task, step_g, solve) : undefined;
		// What cannot be told in time is not asked again: grams between the steps are rounded.
		if (found === undefined) isWhole = false;
		const near = found === undefined ? between(model, task, solve) : found;
		if (!near) return null;
		const grams = onScale(model, near, step_g);
		const broken = model.asked.filter((asked) => !holds(asked, grams));
		if (broken.length === 0 && isWithin(model, grams))
			return Object.keys(aim).length === 0 ? nearer(model, grams, step_g) : grams;
		for (const { ask, quantity } of broken) {
			const { over, under, low, high } = quantity;
			const beyond = (bound: number) =>
				Number.isFinite(bound) ? sumAt(over, grams) - bound * sumAt(under, grams) : 0;
			const by = Math.max(beyond(high), -beyond(low), 0);
			const least = Math.abs(sumAt(over, grams)) * 1e-9;
			margins.set(ask, (margins.get(ask) ?? 0) + Math.max(by, least) * (1.01 + tries * DRAWN_IN));
		}
		if (broken.length === 0) return null;
	}
	return null;
}

/** Each try draws the bounds in by so much more of what the rounding broke them by. */
const DRAWN_IN = 0.2;

/** The nearest grams with free lines in whole steps; undefined where that cannot be told in time. */
function inSteps(model: Model, task: Task, step_g: number, solve: Solver): number[] | null | undefined {
	try {
		const found: Solution = solve(programOf(model, { ...task, step_g }));
		return found && gramsOf(model, found.values, step_g);
	} catch (error) {
		if (error instanceof GaveUp) return undefined;
		throw error;
	}
}

function between(model: Model, task: Task, solve: Solver): number[] | null {
	const found: Solution = solve(programOf(model, task));
	return found && gramsOf(model, found.values);
}

/**
 * Every line on the scale’s step; what that leaves over of the dough goes to the largest line that is not free, or to
 * the largest there is where all are.
 */
export function onScale(model: Model, grams: readonly number[], step_g: number): number[] {
	const { frame, units, rest } = model;
	const { lines } = frame.recipe.formula;
	const rounded = [...grams];
	const inUnits = units.flatMap(({ members }) => members.map(({ line }) => line));
	for (const line of inUnits) rounded[line] = roundTo(grams[line] ?? 0, step_g);
	const isDoughLine = (line: number) => lines[line] !== undefined && isDough(lines[line]);
	const sum = (of: readonly number[]) => of.reduce((total, line) => total + (rounded[line] ?? 0), 0);
	const freeDough = inUnits.filter(isDoughLine);
	const left_g = frame.doughMass_g - sum(freeDough);
	const rest_g = rest.reduce((total, line) => total + (frame.now_g[line] ?? 0), 0);
	if (rest_g > 0)
		for (const line of rest) rounded[line] = roundTo(((frame.now_g[line] ?? 0) * left_g) / rest_g, step_g);
	const takers = rest_g > 0 ? rest : freeDough;
	const largest = takers.reduce(
		(best, line) => ((grams[line] ?? 0) > (grams[best] ?? 0) ? line : best),
		takers[0] ?? 0
	);
	const others = [...freeDough, ...rest].filter((line) => line !== largest);
	rounded[largest] = settled(frame.doughMass_g - sum(others));
	return rounded;
}

function isWithin({ free, units }: Model, grams: readonly number[]): boolean {
	const alone = new Set(
		units.filter(({ members }) => members.length === 1).flatMap(({ members }) => members[0]?.line ?? [])
	);
	return (
		grams.every((each) => each >= 0) &&
		free
			.filter(({ line }) => alone.has(line))
			.every(
				({ line, low_g, high_g }) =>
					settled(grams[line] ?? 0) >= settled(low_g) &&
					(high_g === null || settled(grams[line] ?? 0) <= settled(high_g))
			)
	);
}

/** A free line at a time a step nearer to what it is now, for as long as everything holds. */
function nearer(model: Model, from: number[], step_g: number): number[] {
	const alone = model.units.flatMap(({ members }) => (members.length === 1 ? (members[0]?.line ?? []) : []));
	let grams = from;
	for (let goesOn = true; goesOn;) {
		goesOn = false;
		for (const line of alone)
			for (const step of [step_g, -step_g]) {
				const tried = [...grams];
				tried[line] = settled((grams[line] ?? 0) + step);
				const next = onScale(model, tried, step_g);
				if (
					!isWithin(model, next) ||
					settled(changeOf(model, next, true)) >= settled(changeOf(model, grams, true))
				)
					continue;
				if (!model.asked.every((asked) => holds(asked, next))) continue;
				[grams, goesOn] = [next, true];
			}
	}
	return grams;
}
