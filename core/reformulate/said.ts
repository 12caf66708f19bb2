import { readNumber } from '../measure/reading.ts';
import type { Read } from '../measure/reading.ts';
import type { Per, Target, TargetFigure } from './wish.ts';

/** A wish in words: a bound on a figure, or an allergen that shall not be in it. */
export type SaidWish = { kind: 'target'; target: Target } | { kind: 'without'; word: string };

/** What is known of the formula as it is, for wishes that go by it. */
export interface Now {
	/** The printed column of the rules: by serving, or by 100 g. */
	printedPer: Per;
	amountOf(figure: TargetFigure, per: Per): number | null;
	/** What a pack holds, and what its materials cost; null where nothing is packed. */
	pack: { pieces: number; materials: number } | null;
}

/** Words for figures; what is a share of the flour is asked for in percent. */
const NAMES: readonly [words: RegExp, nutrient: TargetFigure | null, share: TargetFigure | null][] = [
	[/saturate[sd]?( fat)?/, 'saturates_g', null],
	[/trans ?fat/, 'transFat_g', null],
	[/added sugars?/, 'addedSugars_g', null],
	[/carb(ohydrate)?s?/, 'carbohydrate_g', null],
	[/calories|energy|kcal/, 'energy_kcal', null],
	[/protein/, 'protein_g', null],
	[/cholesterol/, 'cholesterol_mg', null],
	[/fib(re|er)/, 'fibre_g', null],
	[/sodium/, 'sodium_mg', null],
	[/calcium/, 'calcium_mg', null],
	[/iron/, 'iron_mg', null],
	[/potassium/, 'potassium_mg', null],
	[/vitamin d/, 'vitaminD_ug', null],
	[/hydration|water/, null, 'hydration'],
	[/salt/, null, 'salt'],
	[/leavening|baking powder/, null, 'leavening'],
	[/yeast/, null, 'yeast'],
	[/sugars?/, 'sugars_g', 'sugar'],
	[/(total )?fats?/, 'fat_g', 'fat'],
	[/costs?|price|ingredients/, 'cost', null]
];
const NUMBER = String.raw`(\d+(?:[.,]\d+)?)`;
const MOST = /at most|no more than|not more than|under|below|less than|up to|max(imum)?|<=|≤|</;
const LEAST = /at least|no less than|not less than|over|above|more than|from|min(imum)?|>=|≥|>/;
/** What “less” and “more” come to where nobody says how much. */
const USUAL_STEP_PERCENT = 10;
const SMALL_NUMBERS: Record<string, number> = { five: 5, ten: 10, twenty: 20, thirty: 30, half: 50 };

/**
 * A wish as it is said: “sodium at most 140 mg”, “cost under 0.90 a pack”, “hydration at least 52”, “10 % cheaper”,
 * “less sodium”, “no milk”. What cannot be read says what could be.
 */
export function readWish(text: string, now: Now): Read<SaidWish> {
	const said = text
		.trim()
		.toLowerCase()
		.replace(/[.!]+$/, '')
		.replaceAll(/\s+/g, ' ');
	if (said === '') return fail('say a wish: “sodium at most 140 mg”, “10 % cheaper”, “no milk”');
	const without = /^(?:no|without|free of) ([a-z ]+)$|^([a-z ]+)[- ]free$/.exec(said);
	if (without) return { ok: true, value: { kind: 'without', word: (without[1] ?? without[2] ?? '').trim() } };
	const relative = relativeWish(said, now);
	if (relative) return relative;
	const bound = new RegExp(NUMBER).exec(said);
	const figure = figureIn(said, /%|per ?cent/.test(said));
	if (!figure) return fail(`“${text.trim()}” names no figure: sodium, fat, carbohydrate, cost, hydration …`);
	if (!bound) return fail('say how much: “at most 140 mg”');
	const value = readNumber(bound[1] ?? '');
	if (!value.ok) return value;
	// “No less than” holds “less than”: the longer word is looked for first.
	const isLeast =
		/(no|not) less than/.test(said) ||
		(!/(no|not) more than/.test(said) && LEAST.test(said) && !MOST.test(said));
	return { ok: true, value: { kind: 'target', target: targetOf(said, figure, value.value, isLeast, now) } };
}

const fail = (message: string): { ok: false; message: string } => ({ ok: false, message });

function figureIn(said: string, isPercent: boolean): TargetFigure | null {
	for (const [words, nutrient, share] of NAMES) {
		if (!new RegExp(`\\b(?:${words.source})\\b`).test(said)) continue;
		return (isPercent ? (share ?? nutrient) : (nutrient ?? share)) ?? null;
	}
	return null;
}

function perIn(said: string): Per | null {
	if (/100 ?g/.test(said)) return '100g';
	if (/\b(a|per|each) serving/.test(said)) return 'serving';
	return /\b(a|per|each|of one) (piece|pack|roti|pita|tortilla|flatbread)/.test(said) ? 'piece' : null;
}

function targetOf(said: string, figure: TargetFigure, asked: number, isLeast: boolean, now: Now): Target {
	const isNutrient = /_(g|mg|kcal|ug)$/.test(figure);
	const per = perIn(said) ?? (isNutrient ? now.printedPer : 'piece');
	const value =
		figure === 'cost' && /pack/.test(said) && now.pack
			? (asked - now.pack.materials) / now.pack.pieces
			: asked;
	return {
		figure,
		per,
		atMost: isLeast ? null : Math.max(0, value),
		atLeast: isLeast ? Math.max(0, value) : null,
		as: isNutrient && per === now.printedPer ? 'printed' : 'exact'
	};
}

/** Less or more of something than there is now, by some percent; null where it is said in another way. */
function relativeWish(said: string, now: Now): Read<SaidWish> | null {
	const percent = new RegExp(
		`${NUMBER} ?(?:%|per ?cent)|(${Object.keys(SMALL_NUMBERS).join('|')}) (?:%|per ?cent)`
	).exec(said);
	const word = /\b(cheaper|less|fewer|lower|more|higher)\b/.exec(said)?.[1];
	if (!word || /\b(less|more) than\b/.test(said) || (/\d/.test(said) && !percent)) return null;
	const figure = word === 'cheaper' ? 'cost' : figureIn(said, false);
	if (!figure) return null;
	const per: Per = 'piece';
	const has = now.amountOf(figure, per);
	if (has === null) return fail('this is not known of the formula as it is');
	const by = percent
		? Number((percent[1] ?? String(SMALL_NUMBERS[percent[2] ?? ''] ?? 0)).replace(',', '.'))
		: USUAL_STEP_PERCENT;
	const isMore = word === 'more' || word === 'higher';
	const bound = has * (1 + ((isMore ? 1 : -1) * by) / 100);
	// Four digits are what a person would say of it.
	const rounded = Number(bound.toPrecision(4));
	return {
		ok: true,
		value: {
			kind: 'target',
			target: { figure, per, atMost: isMore ? null : rounded, atLeast: isMore ? rounded : null, as: 'exact' }
		}
	};
}
