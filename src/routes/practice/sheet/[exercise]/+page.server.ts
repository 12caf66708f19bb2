import { error } from '@sveltejs/kit';
import { isDough } from '$core/formula/types.ts';
import { exerciseById } from '$core/practice/exercises.ts';
import { momentsOf } from '$core/practice/moments.ts';
import { ingredientNamed, SETTINGS } from '$core/practice/setting.ts';
import { claimText, SLIP_WORDS } from '$core/practice/slips.ts';
import { notedBefore } from '$core/practice/helper.ts';
import { recallOf } from '$core/practice/recall.ts';
import { pointsOf } from '$core/practice/points.ts';
import { UNTOUCHED } from '$core/practice/worked.ts';
import { beginning } from '$core/practice/world.ts';
import { madeOf, truthOf } from '$core/practice/truth.ts';
import type { PageServerLoad } from './$types';

/** The sheet a class works by: its seed makes the same exercise for everybody, and its second page the key. */
const USUAL_SEED = 1234;

export const load: PageServerLoad = ({ locals, params, url }) => {
	const exercise = exerciseById(params.exercise);
	if (!exercise) error(404, { message: 'There is no such exercise.', remedy: 'Choose one of the list.' });
	const asked = Number(url.searchParams.get('seed') ?? USUAL_SEED);
	const seed = Number.isInteger(asked) && asked > 0 ? asked : USUAL_SEED;
	const setting = SETTINGS[exercise.setting];
	const truth = truthOf(exercise, setting, seed);
	const went_g = truth.lines.reduce((sum, line) => sum + line.went_g, 0);
	const made = went_g > 0 && exercise.works ? madeOf(truth, went_g) : null;
	const noted = notedBefore(truth);
	const marks = pointsOf(exercise, truth, beginning(truth), UNTOUCHED, []);
	return {
		exercise: {
			id: exercise.id,
			name: exercise.name,
			story: exercise.story,
			goal: exercise.goal,
			minutes: exercise.minutes
		},
		seed,
		formula: setting.recipe.formula.name,
		ballWeight_g: setting.recipe.product.ballWeight_g,
		lines: setting.recipe.formula.lines.map((line) => ({
			name: ingredientNamed(setting, line.ingredient),
			isDough: isDough(line),
			planned_g: line.used_g,
			noted_g: isDough(line)
				? (noted.find(
						(each) => each.kind === 'weighed' && each.what === 'line' && each.ingredient === line.ingredient
					) ?? null)
				: null
		})),
		slips: Object.values(SLIP_WORDS).map(({ words }) => words),
		/** Whoever is in an exercise does not read the key. */
		key: locals.who?.practice
			? null
			: {
					hidden: claimText(truth.slip),
					moments: momentsOf(truth),
					lines: truth.lines.map(({ name, planned_g, went_g: grams, recorded_g }) => ({
						name,
						planned_g,
						went_g: grams,
						recorded_g
					})),
					made: made && {
						dough_g: made.dough_g,
						balls: made.balls_g.length,
						leftover_g: made.leftover_g,
						piece_g: made.pieces_g.reduce((sum, grams) => sum + grams, 0) / Math.max(1, made.pieces_g.length),
						packs: made.packs,
						loose: made.loose
					},
					uneven: Object.entries(truth.uneven).map(([ball, off_g]) => ({ ball: Number(ball), off_g })),
					newly: truth.newly?.word ?? null,
					batches: truth.lots.length > 0 ? recallOf(truth, []).missed : [],
					lot: truth.lots.length > 0 ? truth.recalled : null,
					hints: exercise.hints,
					marks: marks.map(({ words, weight }) => ({ words, weight }))
				}
	};
};
