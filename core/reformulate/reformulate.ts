import { derive } from '../derive.ts';
import type { Facts } from '../facts.ts';
import { settled } from '../measure/round.ts';
import type { Outcome } from '../problem.ts';
import { smallestConflict, type Giving } from './conflict.ts';
import { frameOf, recipeWith, type Frame } from './frame.ts';
import { changeOf, gramsOf, modelOf, programOf, type Ask, type Asked, type Model } from './model.ts';
import type { Solver } from './program.ts';
import { valueAt } from './quantity.ts';
import { roundedGrams } from './rounding.ts';
import type { Wish } from './wish.ts';

/** A formula that grants a wish. */
export interface Granted {
	status: 'met';
	ballWeight_g: number;
	/** Of every line of the formula, as weighed in or used up. */
	grams: number[];
	/** Σ |grams − now| ÷ now over the free dough lines. */
	change: number;
	/** The least change before the grams were brought to the scale’s step. */
	optimum: number;
	/** What holds it back: by how much the change would be less for one unit of it. */
	binding: { ask: Ask; worth: number }[];
	recipe: Frame['recipe'];
	facts: Facts;
}

/** Why no formula grants a wish. */
export interface Impossible {
	status: 'impossible';
	/** The smallest set that cannot hold together. */
	conflict: Ask[];
	giving: Giving[];
	/** It would hold, but for the step of the scale. */
	isTooCoarse: boolean;
}

export type Reformulated = Granted | Impossible;

/** A ball weight is tried for each whole gram; more would be no wish. */
export const MOST_BALLS = 200;

/**
 * The nearest formula that grants a wish, or what of it cannot hold together (computation, section 18). Problems where
 * the recipe cannot be derived from, or something is asked that is not known. `mayGive` says whether the family’s
 * windows are among what a conflict may name.
 */
export function reformulate(
	recipe: Frame['recipe'],
	wish: Wish,
	solve: Solver,
	{ mayGive = false }: { mayGive?: boolean } = {}
): Outcome<Reformulated> {
	const framed = frameOf(recipe);
	if (!framed.ok) return framed;
	const frame = framed.value;
	const models: Model[] = [];
	for (const ball of ballsOf(frame, wish)) {
		const model = modelOf(frame, wish, ball);
		if (!model.ok) return model;
		models.push(model.value);
	}
	const now = frame.facts.yield.ballWeight_g;
	const found = models
		.flatMap((model) => {
			const solution = solve(programOf(model, { asked: model.asked }));
			return solution
				? [{ model, objective: solution.objective, grams: gramsOf(model, solution.values) }]
				: [];
		})
		.sort(
			(a, b) =>
				settled(a.objective) - settled(b.objective) ||
				Math.abs(a.model.ballWeight_g - now) - Math.abs(b.model.ballWeight_g - now)
		);
	for (const { model, objective } of found) {
		const granted = grantedBy(model, wish, objective, solve);
		if (granted) return { ok: true, value: granted };
	}
	const among = ({ asked }: Model) => (mayGive ? asked : asked.filter(({ ask }) => ask.kind === 'target'));
	if (found.length === 0) {
		const { asks, giving } = smallestConflict(models, among, solve);
		return { ok: true, value: { status: 'impossible', conflict: asks, giving, isTooCoarse: false } };
	}
	return { ok: true, value: { status: 'impossible', ...bound(found[0]), isTooCoarse: true } };
}

/** Whole grams of the range that is asked for, or the ball as it is. */
function ballsOf({ facts }: Frame, { ballWeight_g }: Wish): number[] {
	if (!ballWeight_g) return [facts.yield.ballWeight_g];
	const [low, high] = [Math.ceil(ballWeight_g.low), Math.floor(ballWeight_g.high)];
	return Array.from({ length: Math.max(0, Math.min(MOST_BALLS, high - low + 1)) }, (_, at) => low + at);
}

function grantedBy(model: Model, wish: Wish, optimum: number, solve: Solver): Granted | null {
	const grams = roundedGrams(model, wish.step_g, solve);
	if (!grams) return null;
	const recipe = recipeWith(model.frame, grams, model.ballWeight_g);
	const derived = derive(recipe);
	if (!derived.ok) return null;
	return {
		status: 'met',
		ballWeight_g: model.ballWeight_g,
		grams,
		change: settled(changeOf(model, grams)),
		optimum,
		binding: bindingOf(model, optimum, solve),
		recipe,
		facts: derived.value
	};
}

/** Asks at whose bound some grams are. */
function bound(
	found: { model: Model; grams: number[] } | undefined
): Pick<Impossible, 'conflict' | 'giving'> {
	if (!found) return { conflict: [], giving: [] };
	const at = found.model.asked.filter((asked) => isAtBound(asked, found.grams));
	return {
		conflict: at.map(({ ask }) => ask),
		giving: at.map(({ ask, quantity }) => ({ ask, would: valueAt(quantity, found.grams) / quantity.factor }))
	};
}

const isAtBound = ({ quantity }: Asked, grams: readonly number[]): boolean => {
	const value = valueAt(quantity, grams);
	const near = (other: number) =>
		Number.isFinite(other) && Math.abs(value - other) <= NEAR * Math.max(1, Math.abs(other));
	return near(quantity.low) || near(quantity.high);
};
const NEAR = 1e-6;

/** A bound is moved by this share of itself to see what it is worth. */
const MOVED = 1e-3;

/**
 * What each ask holds the change up by: the difference a small step of its bound makes when it is solved again, for one
 * unit of it. Where several bounds meet a dual value alone would be one of many.
 */
function bindingOf(model: Model, optimum: number, solve: Solver): Granted['binding'] {
	return model.asked.flatMap(({ ask, quantity }) => {
		const { low, high, factor } = quantity;
		const size = Math.max(Math.abs(Number.isFinite(high) ? high : low), MOVED) * MOVED;
		const wider = { ask, quantity: { ...quantity, low: low - size, high: high + size } };
		const asked = model.asked.map((each) => (each.ask === ask ? wider : each));
		const again = solve(programOf(model, { asked }));
		const worth = again ? ((optimum - again.objective) / size) * factor : 0;
		return worth * size > WORTHLESS ? [{ ask, worth: Number(worth.toPrecision(6)) }] : [];
	});
}

/** Solvers are as exact as this. */
const WORTHLESS = 1e-9;
