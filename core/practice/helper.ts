import type { Counted } from '../bench/entries.ts';
import { sumOf } from '../measure/round.ts';
import type { Part } from './exercises.ts';
import { beginning } from './world.ts';
import { madeOf, workedBy, type Truth } from './truth.ts';

/** What the helper wrote down before the learner came, in order; lines by their ingredient. */
export type Noted =
	| {
			kind: 'weighed';
			what: 'line' | 'set out' | 'dough' | 'ball' | 'leftover' | 'finished';
			ingredient: string | null;
			grams: number;
	  }
	| { kind: 'counted'; of: Counted; count: number };

/** Pieces the helper weighed hot, and balls and pieces weighed as they should be. */
const HOT_PIECES = 4;
const SAMPLE = 12;
const HOT_SHARE = 0.05;

/** Everything that stands in the record as the exercise begins. */
export function notedBefore(truth: Truth): Noted[] {
	const { works } = truth;
	if (!works) return [];
	const noted: Noted[] = [];
	const by = (part: Part) => workedBy(truth, part) === 'helper';
	const weigh = (
		what: Extract<Noted, { kind: 'weighed' }>['what'],
		grams: number,
		ingredient: string | null = null
	) => noted.push({ kind: 'weighed', what, ingredient, grams });
	const made = madeOf(
		truth,
		sumOf(Object.values(beginning(truth).went_g), (grams) => grams)
	);
	if (by('weigh'))
		for (const { ingredient, recorded_g } of truth.lines)
			if (recorded_g !== null) weigh('line', recorded_g, ingredient);
	if (by('dough')) weigh('dough', made.dough_g);
	// Where the divide is worked, the helper called out a number all the same.
	if (by('divide') || works.from === 'divide')
		noted.push({ kind: 'counted', of: 'balls', count: made.balls_g.length + truth.miscount });
	if (by('divide')) {
		for (const ball_g of made.balls_g.slice(0, SAMPLE)) weigh('ball', ball_g);
		weigh('leftover', made.leftover_g);
	}
	const dusting = truth.setting.recipe.formula.lines.find((line) => line.use === 'dusting');
	if (dusting && (by('surface') || works.from === 'surface'))
		weigh('set out', truth.dusting.setOut_g, dusting.ingredient);
	if (truth.slip.slip === 'hot piece weighed')
		for (const piece_g of made.pieces_g.slice(0, HOT_PIECES))
			weigh('finished', Math.round(piece_g * (1 + HOT_SHARE) * 10) / 10);
	if (by('cook')) for (const piece_g of made.pieces_g.slice(0, SAMPLE)) weigh('finished', piece_g);
	if (works.from === 'pack') {
		const size = truth.setting.recipe.product.packPieces ?? 6;
		noted.push(
			{ kind: 'counted', of: 'rejects', count: 0 },
			{ kind: 'counted', of: 'sellable', count: made.balls_g.length },
			{ kind: 'counted', of: 'packs', count: made.packs.length },
			{ kind: 'counted', of: 'loose', count: made.balls_g.length - made.packs.length * size }
		);
	}
	return noted;
}
