import { nutrientUnit, nutrientWord } from '$core/composition/nutrients.ts';
import type { ShareKey } from '$core/formula/shares.ts';
import { isNutrient } from '$core/reformulate/quantity.ts';
import type { Ask } from '$core/reformulate/model.ts';
import type { Per, Target, TargetFigure } from '$core/reformulate/wish.ts';
import { money, plain } from '../format.ts';
import { shareWord } from '../formula/share-words.ts';

/** A share of the flour, told apart from the nutrient of the same name. */
export const shareOfFlour = (key: ShareKey): string =>
	SHARED_NAMES.includes(key) ? `${shareWord(key)}, of the flour` : shareWord(key);
const SHARED_NAMES: readonly ShareKey[] = ['salt', 'sugar'];

/** A figure in plain words. */
export function figureWord(figure: TargetFigure): string {
	if (figure === 'cost') return 'ingredient cost';
	return isNutrient(figure) ? nutrientWord(figure) : shareOfFlour(figure);
}

/** Figures that can be wished about, in the order they are offered. */
export const OFFERED: readonly TargetFigure[] = [
	'sodium_mg',
	'carbohydrate_g',
	'sugars_g',
	'addedSugars_g',
	'fat_g',
	'saturates_g',
	'protein_g',
	'fibre_g',
	'energy_kcal',
	'cholesterol_mg',
	'calcium_mg',
	'iron_mg',
	'potassium_mg',
	'cost',
	'hydration',
	'fat',
	'salt',
	'sugar',
	'leavening',
	'yeast'
];

/** Whether a figure is of a piece, a serving or 100 g; a share of the flour is not. */
export const hasPer = (figure: TargetFigure): boolean => isNutrient(figure) || figure === 'cost';

export const PER_WORDS: Record<Per, string> = { serving: 'a serving', piece: 'a piece', '100g': 'in 100 g' };

/** The unit of a figure. */
export function unitOf(figure: TargetFigure): string {
	if (figure === 'cost') return '';
	return isNutrient(figure) ? nutrientUnit(figure) : '%';
}

/** An amount of a figure with its unit. */
export function amountText(figure: TargetFigure, amount: number | null, currency: string): string {
	if (amount === null || !Number.isFinite(amount)) return 'not known';
	if (figure === 'cost') return money(amount.toFixed(4), currency, 4);
	const places = Math.abs(amount) >= 100 ? 0 : Math.abs(amount) >= 10 ? 1 : 2;
	return `${plain(amount, places)} ${unitOf(figure)}`;
}

/** A target in a sentence’s words: `sodium at most 140 mg a serving, as it prints`. */
export function targetText({ figure, per, atMost, atLeast, as }: Target, currency: string): string {
	const bounds = [
		atLeast === null ? '' : `at least ${boundText(figure, atLeast, currency)}`,
		atMost === null ? '' : `at most ${boundText(figure, atMost, currency)}`
	].filter((each) => each !== '');
	const of = hasPer(figure) ? ` ${PER_WORDS[per]}` : '';
	return `${figureWord(figure)} ${bounds.join(' and ')}${of}${as === 'printed' ? ', as it prints' : ''}`;
}

const boundText = (figure: TargetFigure, bound: number, currency: string): string =>
	figure === 'cost' ? money(bound.toFixed(4), currency, 4) : `${plain(bound, 3)} ${unitOf(figure)}`;

/** What of a wish is meant, in words. */
export const askText = (ask: Ask, targets: readonly Target[], currency: string): string => {
	if (ask.kind === 'window') return `the usual window of ${shareOfFlour(ask.key)}`;
	const target = targets[ask.target];
	return target ? targetText(target, currency) : '';
};
