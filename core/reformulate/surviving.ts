import { probit } from 'simple-statistics';
import type { Recipe } from '../formula/types.ts';
import type { Outcome } from '../problem.ts';
import { rulesOf } from '../rules/index.ts';
import type { Assumptions } from '../sure/assumptions.ts';
import type { SureFigure } from '../sure/result.ts';
import { sure } from '../sure/sure.ts';
import type { Solver } from './program.ts';
import { isNutrient } from './quantity.ts';
import { reformulate, type Reformulated } from './reformulate.ts';
import type { Target, Wish } from './wish.ts';

/** Enough to know a spread by. */
const DRAWS = 4000;
/** The spread hardly changes with the formula: what is found narrows it once or twice. */
const TRIES = 4;
const NEAR = 1e-9;

/**
 * The nearest formula whose printed targets survive as well: with a chance of `chance`, what a laboratory finds is
 * within what the rules allow of the target’s own figure (sections 15 and 18). Each bound is drawn in by what the spread
 * of the figure asks for, and solved again.
 */
export function reformulateToSurvive(
	recipe: Recipe,
	wish: Wish,
	solve: Solver,
	{ given, chance, mayGive = false }: { given: Assumptions; chance: number; mayGive?: boolean }
): Outcome<Reformulated> {
	let asked = wish;
	for (let tries = 1; ; tries++) {
		const found = reformulate(recipe, asked, solve, { mayGive });
		if (!found.ok || found.value.status === 'impossible' || tries === TRIES) return found;
		const outcome = sure(found.value.recipe, given, DRAWS);
		if (!outcome.ok) return outcome;
		const targets = asked.targets.map((target) => narrowed(recipe, target, outcome.value.figures, chance));
		if (targets.every((target, at) => target === asked.targets[at])) return found;
		asked = { ...wish, targets };
	}
}

/** The target, narrower where it would not survive often enough. */
function narrowed(recipe: Recipe, target: Target, figures: readonly SureFigure[], chance: number): Target {
	const rules = rulesOf(recipe.rules);
	// A laboratory’s finding is held against what is printed of a serving, or of 100 g.
	if (target.as !== 'printed' || target.per !== rules.printedPer || !isNutrient(target.figure)) return target;
	const { figure: nutrient } = target;
	const prints = rules.printsOf(nutrient);
	const of = figures.find(({ figure }) => figure === prints?.key);
	if (!prints || !of || of.printed === null || of.found.mean <= 0) return target;
	const isAdded = recipe.ingredients.some(({ added }) => added.includes(nutrient));
	const boundsAt = (bound: number) =>
		rules.boundsOf(prints.key, rules.print(prints.key, bound * prints.factor), isAdded);
	const spread = (probit(chance) * of.found.sd) / of.found.mean;
	const most = target.atMost === null ? null : boundsAt(target.atMost).high;
	const least = target.atLeast === null ? null : boundsAt(target.atLeast).low;
	const high = most === null ? null : most / (1 + spread);
	const low = least === null || spread >= 1 ? null : least / (1 - spread);
	const isWithin =
		(high === null || of.found.mean <= high * (1 + NEAR)) &&
		(low === null || of.found.mean >= low * (1 - NEAR));
	return isWithin ? target : { ...target, narrowed: { low, high } };
}
