import { isDough, type Line, type Recipe } from '../formula/types.ts';
import type { Closing } from '../squaring/closings.ts';
import type { Exercise } from './exercises.ts';
import { ingredientNamed, type Setting } from './setting.ts';
import type { Claim } from './slips.ts';

/** An exercise of one’s own, from a batch that was off. */
export interface OwnExercise {
	exercise: Exercise;
	setting: Setting;
	slip: Claim;
}

/** What a batch that is off is told by: its planned recipe, and how its stages closed. */
export interface OffBatch {
	code: string;
	recipe: Recipe;
	cookLoss: number | null;
	closings: readonly Closing[];
}

/** Pieces that an exercise is made of at most: nobody learns more from the hundredth ball. */
const MOST_PIECES = 24;
const USUAL_LOSS = 0.14;
/** A line is what a gap is about where it is as near as this to it, as a share of the line. */
const NEAR_SHARE = 0.35;

/** The exercise a batch’s own slip makes, with its figures; null where it was not off in a way that can be played again. */
export function ownExercise(batch: OffBatch): OwnExercise | null {
	const slip = slipOf(batch);
	if (!slip) return null;
	const setting = settingOf(batch);
	const common = {
		minutes: 12,
		setting: 'griddle' as const,
		slips: [slip.slip],
		next: 'salt'
	};
	const exercise: Exercise =
		slip.slip === 'ball miscounted'
			? {
					...common,
					id: 'own',
					name: `Your batch ${batch.code}`,
					story: `It is the day of batch ${batch.code} again, with its formula and its figures. Somebody calls out a number of balls.`,
					goal: 'Weigh some balls and what is left over, and make the divide square.',
					skill: 'counting',
					works: { from: 'divide', to: 'divide' },
					closes: false,
					hints: ['A gap near the weight of one ball is a ball.', 'Count the balls on the board.']
				}
			: {
					...common,
					id: 'own',
					name: `Your batch ${batch.code}`,
					story: `It is the day of batch ${batch.code} again, with its formula and its figures. Everything is in the bowl, and somebody wrote it down.`,
					goal: 'Weigh the dough, find out what happened, say it, and close the batch with the true reason if it cannot square.',
					skill: 'squaring',
					works: { from: 'dough', to: 'dough' },
					closes: true,
					hints: [
						'More dough than was weighed in, or less? That says which way to look.',
						'Look at the counter: what is opened, what is empty, what was never touched.'
					]
				};
	return { exercise, setting, slip };
}

/** What explains the gap it was off by: the line nearest to it, or a ball. */
function slipOf({ closings, recipe }: OffBatch): Claim | null {
	const off = closings.filter((each): each is Extract<Closing, { state: 'off' }> => each.state === 'off');
	const mix = off.find(({ stage }) => stage === 'mix');
	if (mix) {
		const gap_g = Math.abs(mix.gap);
		const nearest = recipe.formula.lines
			.filter((line) => isDough(line) && line.used_g > 0)
			.toSorted((a, b) => Math.abs(a.used_g - gap_g) - Math.abs(b.used_g - gap_g))[0];
		if (nearest && Math.abs(nearest.used_g - gap_g) <= NEAR_SHARE * nearest.used_g) {
			const subject = ingredientNamed({ recipe, cookLoss: USUAL_LOSS }, nearest.ingredient);
			return { slip: mix.gap < 0 ? 'line missed' : 'line not in', subject };
		}
		return null;
	}
	return off.some(({ stage }) => stage === 'divide' || stage === 'count')
		? { slip: 'ball miscounted', subject: null }
		: null;
}

/** In a story each ingredient goes into the bowl once: what a formula names in two stages is one line. */
function onceEach(lines: readonly Line[]): Line[] {
	const by = new Map<string, Line>();
	for (const line of lines) {
		const before = by.get(line.ingredient);
		by.set(line.ingredient, before ? { ...before, used_g: before.used_g + line.used_g } : line);
	}
	return [...by.values()];
}

/** The batch’s formula as it was planned, as much of it as an exercise needs. */
function settingOf({ recipe, cookLoss }: OffBatch): Setting {
	const dough = onceEach(recipe.formula.lines.filter(isDough));
	const planned_g = dough.reduce((sum, line) => sum + line.used_g, 0);
	const ball_g = recipe.product.ballWeight_g ?? planned_g;
	const factor = Math.min(1, (MOST_PIECES * ball_g) / planned_g);
	return {
		cookLoss: cookLoss ?? USUAL_LOSS,
		recipe: {
			...recipe,
			formula: {
				...recipe.formula,
				lines: dough.map((line) => ({ ...line, used_g: Math.round(line.used_g * factor * 10) / 10 }))
			},
			measured: { doughWeight_g: null, ballWeights_g: [], balls: null, finishedWeights_g: [], rejects: 0 }
		}
	};
}
