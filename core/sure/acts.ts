import { derive } from '../derive.ts';
import { isDough, type Recipe } from '../formula/types.ts';
import type { Assumptions } from './assumptions.ts';
import { Drawing } from './drawing.ts';
import { ENOUGH_BATCHES } from './masses.ts';
import type { PrintedSure } from './result.ts';
import type { Source } from './values.ts';

/** What somebody can do to make a figure surer. */
export type Act =
	/** Weigh a line that was never weighed, or a surface material before and after. */
	| { kind: 'weigh line' | 'weigh uptake'; line: number }
	/** Take the pack's figures, or have the ingredient analysed. */
	| { kind: 'pack figures' | 'analyse'; ingredient: string }
	/** Weigh as many balls, or finished pieces, again. */
	| { kind: 'weigh balls' | 'weigh pieces' }
	/** Weigh the water rather than add it by feel; close batches until three are known. */
	| { kind: 'weigh water' | 'close batches' };

/** An act with what comes of it. */
export interface Help {
	act: Act;
	/** What it mends of the figure's variance. */
	share: number;
	/** The chance to survive once it is done. */
	survives: number;
}

/** What helps a figure, and how far all of it together would bring it. */
export interface Helps {
	helps: Help[];
	atBest: number;
}

/** Never more are offered. */
const MOST_ACTS = 5;
/** A chance that is not better by this much is not better. */
const LEAST_GAIN = 0.005;

/** The sources that can still be bettered, each with the next better one. */
const BETTER: Partial<Record<Source, { source: Source; kind: 'pack figures' | 'analyse' }>> = {
	estimate: { source: 'label', kind: 'pack figures' },
	table: { source: 'label', kind: 'pack figures' },
	label: { source: 'laboratory', kind: 'analyse' },
	supplier: { source: 'laboratory', kind: 'analyse' }
};

/** What could be done about an input; null where measuring does not mend it. */
function actOf(input: string, given: Assumptions): Act | null {
	const [what, of] = [input.split(' ')[0], input.split(' ')[1] ?? ''];
	if (what === 'line') {
		const line = Number(of);
		return given.lines.get(line)?.kind === 'said' ? { kind: 'weigh line', line } : null;
	}
	if (what === 'uptake') return { kind: 'weigh uptake', line: Number(of) };
	if (what === 'value') {
		const ingredient = input.slice('value '.length, input.lastIndexOf(' '));
		const better = BETTER[given.sources.get(ingredient) ?? 'table'];
		return better ? { kind: better.kind, ingredient } : null;
	}
	switch (input) {
		case 'ball weight':
			return given.question === 'batch' ? { kind: 'weigh balls' } : null;
		case 'finished weight':
			return { kind: 'weigh pieces' };
		case 'water by feel':
			return { kind: 'weigh water' };
		case 'cook loss':
			return given.batches.filter(({ cookLoss }) => cookLoss !== null).length < ENOUGH_BATCHES
				? { kind: 'close batches' }
				: null;
		default:
			return null;
	}
}

/** The acts that could mend a figure, by how much of its variance they are about. */
export function actsFor({ shares }: PrintedSure, given: Assumptions): { act: Act; share: number }[] {
	const found = new Map<string, { act: Act; share: number }>();
	for (const { input, share } of shares) {
		const act = actOf(input, given);
		if (!act) continue;
		const key = JSON.stringify(act);
		found.set(key, { act, share: share + (found.get(key)?.share ?? 0) });
	}
	return [...found.values()].sort((a, b) => b.share - a.share);
}

/** A recipe and what is assumed of it. */
export interface Asked {
	recipe: Recipe;
	given: Assumptions;
}

/** How it would stand once an act is done, its figures coming out as they are. */
export function afterAct({ recipe, given }: Asked, act: Act): Asked {
	const { measured } = recipe;
	switch (act.kind) {
		case 'weigh line':
			return weighed(recipe, given, act.line);
		case 'weigh uptake': {
			const lines = recipe.formula.lines.map((line, index) =>
				// Half of it is what is printed from.
				index === act.line ? { ...line, uptake_g: line.used_g / 2 } : line
			);
			return { recipe: { ...recipe, formula: { ...recipe.formula, lines } }, given };
		}
		case 'pack figures':
		case 'analyse': {
			const better = BETTER[given.sources.get(act.ingredient) ?? 'table'];
			const sources = new Map(given.sources).set(act.ingredient, better?.source ?? 'label');
			const values = given.values.filter(({ ingredient }) => ingredient !== act.ingredient);
			return { recipe, given: { ...given, sources, values } };
		}
		case 'weigh balls':
			return {
				recipe: { ...recipe, measured: { ...measured, ballWeights_g: twice(measured.ballWeights_g) } },
				given
			};
		case 'weigh pieces':
			return {
				recipe: {
					...recipe,
					measured: { ...measured, finishedWeights_g: twice(measured.finishedWeights_g) }
				},
				given
			};
		case 'weigh water':
			return {
				recipe,
				given: {
					...given,
					batches: given.batches.map((batch) => ({ ...batch, water_g: null })),
					pooled: { ...given.pooled, water_g: null }
				}
			};
		case 'close batches':
			return { recipe, given: { ...given, pooled: halved(given.pooled) } };
	}
}

/** A line that was never weighed, once it is: what it most likely is goes into the figures too. */
function weighed(recipe: Recipe, given: Assumptions, at: number): Asked {
	const reading = given.lines.get(at);
	const typical_g = reading?.kind === 'said' ? reading.typical_g : null;
	const lines = recipe.formula.lines.map((line, index) =>
		index === at && typical_g !== null && isDough(line) ? { ...line, used_g: typical_g } : line
	);
	return {
		recipe: { ...recipe, formula: { ...recipe.formula, lines } },
		given: { ...given, lines: without(given.lines, at) }
	};
}

const twice = (weights_g: readonly number[]): number[] => [...weights_g, ...weights_g];

function without<K, V>(map: ReadonlyMap<K, V>, key: K): Map<K, V> {
	const left = new Map(map);
	left.delete(key);
	return left;
}

const halved = ({ cookLoss, ballWeight_g, water_g }: Assumptions['pooled']): Assumptions['pooled'] => ({
	cookLoss: cookLoss === null ? null : cookLoss / 2,
	ballWeight_g: ballWeight_g === null ? null : ballWeight_g / 2,
	water_g: water_g === null ? null : water_g / 2
});

/**
 * What would make a figure surer, by drawing again with each act done: the first five that do, in the order of the
 * share they mend. What is left with all of them done cannot be mended by measuring.
 */
export function whatHelps(asked: Asked, figure: PrintedSure, draws: number, seed: number): Helps {
	const chance = (of: Asked): number => {
		// What is printed follows from what was weighed.
		const facts = derive(of.recipe);
		if (!facts.ok) return 0;
		const drawing = new Drawing(of.recipe, facts.value, of.given, draws, seed);
		drawing.draw(draws);
		return drawing.survival(figure.figure);
	};
	const now = chance(asked);
	const acts = actsFor(figure, asked.given);
	const helps = acts
		.map(({ act, share }) => ({ act, share, survives: chance(afterAct(asked, act)) }))
		.filter(({ survives }) => survives >= now + LEAST_GAIN)
		.slice(0, MOST_ACTS);
	const all = acts.reduce((so, { act }) => afterAct(so, act), asked);
	return { helps, atBest: Math.max(now, chance(all), ...helps.map(({ survives }) => survives)) };
}
