import { NUTRIENTS, nutrientWord, type Composition, type Nutrient } from '../composition/nutrients.ts';
import type { Kind } from '../composition/kinds.ts';
import { pricePerUsableGram } from '../cost/cost.ts';
import { isPreferment, type ShareKey } from '../formula/shares.ts';
import { ingredientsOf, isDough } from '../formula/types.ts';
import { evaporatedPerPiece_g } from '../nutrition/shares.ts';
import type { Outcome } from '../problem.ts';
import { rulesOf } from '../rules/index.ts';
import type { Frame } from './frame.ts';
import { leastThatPrints, mostThatPrints } from './printed.ts';
import type { Per, Target, TargetFigure } from './wish.ts';

/** A sum of the lines’ grams times a factor each, and something that stays. */
export interface Sum {
	factors: number[];
	constant: number;
}

/** A figure as a sum over a sum, both of the lines’ grams; and between what it has to be. */
export interface Quantity {
	over: Sum;
	under: Sum;
	/** −∞ and ∞ where nothing bounds it. */
	low: number;
	high: number;
	/** What of the figure one of the target’s own unit is: salt of sodium. */
	factor: number;
}

export const isNutrient = (figure: TargetFigure): figure is Nutrient =>
	(NUTRIENTS as readonly string[]).includes(figure);

const fail = (message: string): { ok: false; problems: [{ path: string; message: string }] } => ({
	ok: false,
	problems: [{ path: '', message }]
});

/** The value of a quantity at some grams; without flour a share of it is endless. */
export function valueAt({ over, under }: Pick<Quantity, 'over' | 'under'>, grams: readonly number[]): number {
	return sumAt(over, grams) / sumAt(under, grams);
}

export function sumAt({ factors, constant }: Sum, grams: readonly number[]): number {
	let sum = constant;
	for (let at = 0; at < factors.length; at++) sum += (factors[at] ?? 0) * (grams[at] ?? 0);
	return sum;
}

const times = ({ factors, constant }: Sum, by: number): Sum => ({
	factors: factors.map((factor) => factor * by),
	constant: constant * by
});

/** What a target bounds at a ball weight, or why it cannot be asked. `mayHave` says which lines may hold something. */
export function quantityOf(
	frame: Frame,
	target: Target,
	ballWeight_g: number,
	mayHave: (line: number) => boolean
): Outcome<Quantity> {
	if (isNutrient(target.figure)) return nutrientQuantity(frame, target, target.figure, ballWeight_g, mayHave);
	if (target.as === 'printed' && target.figure !== 'cost')
		return fail('a share of the flour does not print: ask for it exactly');
	const bounds = { low: target.atLeast ?? -Infinity, high: target.atMost ?? Infinity, factor: 1 };
	if (target.figure === 'cost') {
		const cost = costPerPiece(frame, mayHave);
		if (!cost.ok) return cost;
		const basis = perOf(frame, target.per, ballWeight_g);
		if (!basis.ok) return basis;
		return {
			ok: true,
			value: { over: times(cost.value, basis.value.times), under: basis.value.under, ...bounds }
		};
	}
	const share = shareOf(frame, target.figure, mayHave);
	return share.ok ? { ok: true, value: { ...share.value, ...bounds } } : share;
}

/** How a piece’s amount comes to be that of a serving, or of 100 g. */
function perOf(frame: Frame, per: Per, ballWeight_g: number): Outcome<{ times: number; under: Sum }> {
	const { recipe, uptakes, pieces, cookLoss } = frame;
	const one: Sum = { factors: frame.now_g.map(() => 0), constant: 1 };
	if (per === 'piece') return { ok: true, value: { times: 1, under: one } };
	if (cookLoss === null) return fail('no finished piece was weighed, so only one piece can be asked about');
	if (per === 'serving') return { ok: true, value: { times: frame.servingPieces, under: one } };
	const kept = 1 - cookLoss;
	return {
		ok: true,
		value: {
			times: 100,
			under: {
				factors: recipe.formula.lines.map((line, at) =>
					isDough(line) ? 0 : ((uptakes[at] ?? 0) / pieces) * kept
				),
				constant: ballWeight_g * kept
			}
		}
	};
}

/** Grams of each line in one piece for each gram that is weighed in or used up. */
function inPiece({ recipe, basis_g, uptakes, pieces }: Frame, ballWeight_g: number): number[] {
	return recipe.formula.lines.map((line, at) =>
		isDough(line) ? ballWeight_g / basis_g : (uptakes[at] ?? 0) / pieces
	);
}

function nutrientQuantity(
	frame: Frame,
	target: Target,
	nutrient: Nutrient,
	ballWeight_g: number,
	mayHave: (line: number) => boolean
): Outcome<Quantity> {
	const { recipe } = frame;
	const rules = rulesOf(recipe.rules);
	const isPrinted = target.as === 'printed';
	const prints = isPrinted ? rules.printsOf(nutrient) : null;
	if (isPrinted && !prints) return fail(`${nutrientWord(nutrient)} does not print here: ask for it exactly`);
	const figure = prints && rules.figures.find(({ key }) => key === prints.key);
	const of = figure ? figure.of : (per100g: Composition) => per100g[nutrient];
	const ingredientOf = ingredientsOf(recipe);
	const shares = inPiece(frame, ballWeight_g);
	const factors: number[] = [];
	for (const [at, line] of recipe.formula.lines.entries()) {
		const share = shares[at] ?? 0;
		const ingredient = ingredientOf(line.ingredient);
		const value = share === 0 || !mayHave(at) ? 0 : of(ingredient.per100g);
		if (value === null) return fail(`the ${nutrientWord(nutrient)} of ${ingredient.name} is not known`);
		factors.push((share * value) / 100);
	}
	const basis = perOf(frame, target.per, ballWeight_g);
	if (!basis.ok) return basis;
	const raw: Sum = { factors, constant: 0 };
	const over = nutrient === 'water_g' ? lessLoss(frame, raw, ballWeight_g) : raw;
	const factor = prints?.factor ?? 1;
	const print = (amount: number) => rules.print(prints?.key ?? '', amount);
	const least = (asked: number) => (prints ? leastThatPrints(print, asked * factor) : asked);
	const most = (asked: number) => (prints ? mostThatPrints(print, asked * factor) : asked);
	return {
		ok: true,
		value: {
			over: times(over, basis.value.times),
			under: basis.value.under,
			low: Math.max(
				target.atLeast === null ? -Infinity : least(target.atLeast),
				target.narrowed?.low ?? -Infinity
			),
			high: Math.min(
				target.atMost === null ? Infinity : most(target.atMost),
				target.narrowed?.high ?? Infinity
			),
			factor
		}
	};
}

/** The water that is left: what steamed off the dough and what the cooking took is gone. */
function lessLoss(frame: Frame, raw: Sum, ballWeight_g: number): Sum {
	const { recipe, facts, cookLoss, uptakes, pieces } = frame;
	const loss = cookLoss ?? 0;
	const evaporated_g = evaporatedPerPiece_g({ ...facts.yield, ballWeight_g }, recipe.formula.mixGap);
	return {
		factors: raw.factors.map((factor, at) => factor - ((uptakes[at] ?? 0) / pieces) * loss),
		constant: raw.constant - evaporated_g - ballWeight_g * loss
	};
}

function costPerPiece({ recipe, facts }: Frame, mayHave: (line: number) => boolean): Outcome<Sum> {
	const { sellable } = facts.yield;
	if (sellable === 0) return fail('no piece can be sold, so none has a cost');
	const ingredientOf = ingredientsOf(recipe);
	const factors: number[] = [];
	for (const [at, line] of recipe.formula.lines.entries()) {
		const { price, name } = ingredientOf(line.ingredient);
		if (!price && mayHave(at)) return fail(`the price of ${name} is not known`);
		factors.push(price ? pricePerUsableGram(price).toNumber() / sellable : 0);
	}
	return { ok: true, value: { factors, constant: 0 } };
}

const KIND_OF: Partial<Record<ShareKey, Kind>> = {
	hydration: 'water',
	fat: 'fat',
	salt: 'salt',
	sugar: 'sweetener',
	leavening: 'leavening',
	yeast: 'yeast'
};

/** A share of the flour, in percent: what it is of over the flour. */
export function shareOf(
	{ recipe, uptakes }: Frame,
	key: ShareKey,
	mayHave: (line: number) => boolean
): Outcome<Pick<Quantity, 'over' | 'under'>> {
	const ingredientOf = ingredientsOf(recipe);
	const { lines } = recipe.formula;
	const under = lines.map((line) =>
		isDough(line) && ingredientOf(line.ingredient).kind === 'flour' ? 1 : 0
	);
	if (!under.some((factor, at) => factor > 0 && mayHave(at)))
		return fail('no dough line is a flour, so nothing is a share of it');
	const over: number[] = [];
	for (const [at, line] of lines.entries()) {
		const { kind, per100g, name } = ingredientOf(line.ingredient);
		if (key === 'layeringFat') {
			over.push(line.use === 'layering' && kind === 'fat' ? (uptakes[at] ?? 0) * 100 : 0);
			continue;
		}
		if (!isDough(line)) over.push(0);
		else if (key === 'effectiveHydration') {
			if (kind !== 'flour' && per100g.water_g === null && mayHave(at))
				return fail(`the water of ${name} is not known`);
			over.push(kind === 'flour' ? 0 : (per100g.water_g ?? 0));
		} else if (key === 'prefermented') over.push(kind === 'flour' && isPreferment(line.stage) ? 100 : 0);
		else over.push(kind === KIND_OF[key] ? 100 : 0);
	}
	return {
		ok: true,
		value: { over: { factors: over, constant: 0 }, under: { factors: under, constant: 0 } }
	};
}
