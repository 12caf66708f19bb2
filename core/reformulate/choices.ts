import { derive } from '../derive.ts';
import { settled } from '../measure/round.ts';
import { frameOf, recipeWith } from './frame.ts';
import { changeOf, modelOf, type Model } from './model.ts';
import { GaveUp, type Solver } from './program.ts';
import { quantityOf } from './quantity.ts';
import type { Granted } from './reformulate.ts';
import { roundedGrams, type Aim } from './rounding.ts';
import type { Wish } from './wish.ts';

/** Another formula that grants the wish nearly as well, and what it is best at. */
export interface Choice {
	best: 'cheapest' | 'fewest lines';
	grams: number[];
	change: number;
	recipe: Granted['recipe'];
	facts: Granted['facts'];
}

/** What is nearly as near: a quarter further, or a twentieth of a line. */
const FURTHER = 1.25;
const A_LITTLE = 0.05;

/**
 * Other formulas that grant a wish at the ball weight that was found: the cheapest of those nearly as near, and the one
 * that touches fewest lines. Those that are no other are left out.
 */
export function choicesBeside(
	recipe: Parameters<typeof frameOf>[0],
	wish: Wish,
	granted: Granted,
	solve: Solver
): Choice[] {
	const frame = frameOf(recipe);
	if (!frame.ok) return [];
	const model = modelOf(frame.value, wish, granted.ballWeight_g);
	if (!model.ok) return [];
	const aims: [Choice['best'], Aim | null][] = [
		['cheapest', cheapest(model.value, granted)],
		['fewest lines', { fewest: true }]
	];
	const seen = [granted.grams];
	return aims.flatMap(([best, aim]): Choice[] => {
		const grams = aim && gramsInTime(model.value, wish.step_g, solve, aim);
		if (!grams || seen.some((each) => isSame(each, grams))) return [];
		const next = recipeWith(frame.value, grams, granted.ballWeight_g);
		const derived = derive(next);
		if (!derived.ok || !isBetter(best, model.value, granted, grams, derived.value)) return [];
		seen.push(grams);
		return [
			{ best, grams, change: settled(changeOf(model.value, grams)), recipe: next, facts: derived.value }
		];
	});
}

/** What cannot be told in time is no choice: the nearest stands without it. */
function gramsInTime(model: Model, step_g: number, solve: Solver, aim: Aim): number[] | null {
	try {
		return roundedGrams(model, step_g, solve, aim);
	} catch (error) {
		if (error instanceof GaveUp) return null;
		throw error;
	}
}

function cheapest(model: Model, granted: Granted): Aim | null {
	const mayHave = (line: number) =>
		(model.frame.now_g[line] ?? 0) > 0 || model.free.some((each) => each.line === line);
	const cost = quantityOf(
		model.frame,
		{ figure: 'cost', per: 'piece', atMost: null, atLeast: null, as: 'exact' },
		granted.ballWeight_g,
		mayHave
	);
	if (!cost.ok) return null;
	return { least: cost.value.over, mostChange: granted.optimum * FURTHER + A_LITTLE };
}

const isSame = (a: readonly number[], b: readonly number[]): boolean =>
	a.every((each, at) => settled(each) === settled(b[at] ?? 0));

/** Free lines that are not what they are now. */
export const touchedBy = ({ free, frame }: Pick<Model, 'free' | 'frame'>, grams: readonly number[]): number =>
	free.filter(({ line }) => settled(grams[line] ?? 0) !== settled(frame.now_g[line] ?? 0)).length;

function isBetter(
	best: Choice['best'],
	model: Model,
	granted: Granted,
	grams: readonly number[],
	facts: Granted['facts']
): boolean {
	if (best === 'fewest lines') return touchedBy(model, grams) < touchedBy(model, granted.grams);
	return Number(facts.cost.batch) < Number(granted.facts.cost.batch);
}
