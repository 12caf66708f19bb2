import { describe, expect, it } from 'vitest';
import { carelessDeeds, perfectDeeds, playedOf, type Deed } from '../testing/practice-player.ts';
import { EXERCISES, exerciseById, type Exercise } from './exercises.ts';
import { canDo, handsOf } from './hands.ts';
import { gradeOf, HINT_COSTS } from './grade.ts';
import { notedBefore } from './helper.ts';
import { liesOf, trueRecipe } from './lies.ts';
import { SETTINGS } from './setting.ts';
import { ownExercise, type OffBatch } from './own.ts';
import { progressOf } from './progress.ts';
import { SLIP_WORDS, SLIPS } from './slips.ts';
import { BOWL, KEPT_BATCHES, madeOf, TOOLS, truthOf, type Truth } from './truth.ts';
import { afterMove, beginning, scaleNow, worldAfter } from './world.ts';

const SEEDS = Array.from({ length: 40 }, (_, seed) => seed * 7919 + 3);
const truthFor = (exercise: Exercise, seed: number): Truth =>
	truthOf(exercise, SETTINGS[exercise.setting], seed);
function graded(exercise: Exercise, truth: Truth, deeds: readonly Deed[]) {
	const { world, worked, claims } = playedOf(truth, deeds);
	return gradeOf(exercise, truth, world, worked, claims);
}
const found = (id: string): Exercise => {
	const exercise = exerciseById(id);
	if (!exercise) throw new Error(id);
	return exercise;
};

describe('exercises', () => {
	it('are at least twelve, each with two sentences, a goal, hints, and a next that is there', () => {
		expect(EXERCISES.length).toBeGreaterThanOrEqual(12);
		for (const { story, goal, hints, next, slips } of EXERCISES) {
			expect(story.match(/[.!?”](\s|$)/g)?.length, story).toBe(2);
			expect(goal).not.toBe('');
			expect(hints.length).toBeGreaterThan(0);
			expect(hints.length).toBeLessThanOrEqual(HINT_COSTS.length);
			expect(exerciseById(next)).not.toBeNull();
			expect(slips.length).toBeGreaterThan(0);
		}
		expect(new Set(EXERCISES.map(({ id }) => id)).size).toBe(EXERCISES.length);
	});

	it('are the same for a seed each time, and differ between seeds', () => {
		for (const exercise of EXERCISES) expect(truthFor(exercise, 11)).toEqual(truthFor(exercise, 11));
		const slips = new Set(
			SEEDS.map((seed) => truthFor(found('salt'), seed)).map(({ slip }) => `${slip.slip} ${slip.subject}`)
		);
		expect(slips.size).toBeGreaterThan(4);
	});
});

describe.each(EXERCISES)('$id', (exercise) => {
	it('whoever works by the truth gets all of it', () => {
		for (const seed of SEEDS) {
			const truth = truthFor(exercise, seed);
			const grade = graded(exercise, truth, perfectDeeds(exercise, truth));
			const lost = grade.points.filter(({ share }) => share < 1);
			expect(lost, `seed ${seed}`).toEqual([]);
			expect([grade.score, grade.isPassed]).toEqual([100, true]);
		}
	});

	it('whoever takes every reading without looking does not pass where something was hidden', () => {
		for (const seed of SEEDS) {
			const truth = truthFor(exercise, seed);
			const grade = graded(exercise, truth, carelessDeeds(exercise, truth));
			// A count of packs in which nothing is wrong is the one thing that carelessness gets through.
			const isHarmless = exercise.id === 'short-pack' && truth.slip.slip === 'none';
			expect(grade.isPassed, `seed ${seed}`).toBe(isHarmless);
			for (const { share, moments } of grade.points) expect(moments.length > 0).toBe(share < 1);
		}
	});

	it('nobody passes by refusing everything, or by doing nothing', () => {
		const subjects = [
			...Object.values(SETTINGS).flatMap(({ recipe }) => recipe.ingredients.map(({ name }) => name)),
			BOWL.name,
			...TOOLS,
			...KEPT_BATCHES
		];
		const everything: Deed[] = SLIPS.flatMap((slip): Deed[] =>
			SLIP_WORDS[slip].of === null
				? [{ do: 'say', claim: { slip, subject: null } }]
				: [...new Set(subjects)].map((subject) => ({ do: 'say', claim: { slip, subject } }))
		);
		for (const seed of SEEDS.slice(0, 8)) {
			const truth = truthFor(exercise, seed);
			expect(graded(exercise, truth, [...everything, { do: 'close' }]).isPassed).toBe(false);
			expect(graded(exercise, truth, []).isPassed).toBe(false);
			const careful = perfectDeeds(exercise, truth).filter((deed) => deed.do !== 'say');
			expect(graded(exercise, truth, [...careful, ...everything]).isPassed).toBe(false);
		}
	});

	it('a hint costs what it says', () => {
		const truth = truthFor(exercise, 5);
		const deeds = perfectDeeds(exercise, truth);
		const hint: Deed = { do: 'move', move: { do: 'hint', at: null } };
		exercise.hints.forEach((_, nth) => {
			const grade = graded(exercise, truth, [...Array.from({ length: nth + 1 }, () => hint), ...deeds]);
			const cost = HINT_COSTS.slice(0, nth + 1).reduce((sum, each) => sum + each, 0);
			expect([grade.hintsCost, grade.score]).toEqual([cost, 100 - cost]);
		});
	});

	it('every move of the perfect player can be made where it is made, by the hands that are offered', () => {
		for (const seed of SEEDS.slice(0, 10)) {
			const truth = truthFor(exercise, seed);
			let world = beginning(truth);
			for (const deed of perfectDeeds(exercise, truth)) {
				if (deed.do !== 'move') continue;
				// A hand takes the next ball; which one is laid on is the player’s own.
				if (deed.move.do !== 'lay')
					expect(canDo(truth, world, deed.move), JSON.stringify(deed.move)).toBe(true);
				world = afterMove(truth, world, deed.move);
			}
		}
	});
});

describe('the story’s kitchen', () => {
	it('shows the bowl with what is in it, and half as much salt again by a heaped spoon', () => {
		const truth = truthFor(found('spoon'), 4);
		const bowl = worldAfter(truth, [{ do: 'bowl on', at: null }]);
		expect(scaleNow(truth, bowl).load_g).toBe(412);
		const heaped = afterMove(truth, bowl, { do: 'pour', at: 'salt' });
		// 12 g of salt by a spoon that holds half as much again: 18 g.
		expect(scaleNow(truth, heaped).load_g - 412).toBeCloseTo(18, 0);
		const level = afterMove(truth, afterMove(truth, bowl, { do: 'level', at: null }), {
			do: 'pour',
			at: 'salt'
		});
		expect(scaleNow(truth, level).load_g - 412).toBeCloseTo(12, 0);
	});

	it('a hot piece grows lighter while one waits', () => {
		const truth = truthFor(found('hot-piece'), 4);
		const hot = worldAfter(truth, [{ do: 'lay', at: 'piece 1' }]);
		const cool = worldAfter(truth, [
			{ do: 'cool', at: null },
			{ do: 'lay', at: 'piece 1' }
		]);
		const piece_g =
			madeOf(
				truth,
				truth.lines.reduce((sum, { went_g }) => sum + went_g, 0)
			).pieces_g[0] ?? 0;
		// A quarter of a minute after the plate 1 + 0.05 × 0.5^(0.25/3), a quarter of an hour later 1 + 0.05 × 0.5^(15.25/3).
		expect(scaleNow(truth, hot).load_g).toBeCloseTo(piece_g * (1 + 0.05 * 0.5 ** (0.25 / 3)), 1);
		expect(scaleNow(truth, cool).load_g).toBeCloseTo(piece_g * (1 + 0.05 * 0.5 ** (15.25 / 3)), 1);
	});

	it('a scale wanders until it is cured, and says that its battery is low', () => {
		const truth = truthFor(found('drift'), 4);
		expect(scaleNow(truth, beginning(truth))).toEqual({ load_g: 0, drift_gPerMinute: 25, batteryLow: true });
		expect(scaleNow(truth, worldAfter(truth, [{ do: 'battery', at: null }])).drift_gPerMinute).toBe(0);
	});

	it('the mass of the dough is all in balls and leftover', () => {
		for (const seed of SEEDS) {
			const made = madeOf(truthFor(found('missing-ball'), seed), 1023);
			const balls_g = made.balls_g.reduce((sum, grams) => sum + grams, 0);
			expect(balls_g + made.leftover_g).toBeCloseTo(made.dough_g, 6);
			expect(made.balls_g).toHaveLength(18);
		}
	});

	it('the helper wrote down what the slip makes of it', () => {
		const bowl = truthFor(found('bowl'), 9);
		const [flour] = notedBefore(bowl);
		expect(flour).toMatchObject({ what: 'line', ingredient: 'flour' });
		// 600 g of flour and 412 g of bowl.
		expect(flour?.kind === 'weighed' && Math.abs(flour.grams - 1012) < 10).toBe(true);
		const ball = truthFor(found('missing-ball'), 9);
		const counted = notedBefore(ball).find((each) => each.kind === 'counted');
		expect([17, 19]).toContain(counted?.kind === 'counted' ? counted.count : null);
	});

	it('offers only what can be done now', () => {
		const truth = truthFor(found('two-lines'), 2);
		const words = (moves: Parameters<typeof worldAfter>[1]) =>
			handsOf(truth, worldAfter(truth, moves)).map((hand) => hand.words);
		expect(words([])).toContain('Put the bowl on');
		expect(words([])).not.toContain('Pour bread flour');
		expect(words([{ do: 'bowl on', at: null }])).toContain('Pour bread flour');
		expect(words([{ do: 'bowl on', at: null }])).not.toContain('Lay the dough on');
	});
});

describe('what a bag would have lied by', () => {
	it('is nothing of a record that is true, and the sodium of one without its salt', () => {
		const truth = truthFor(found('missing-ball'), 6);
		const world = beginning(truth);
		const really = trueRecipe(truth, world);
		expect(liesOf(truth, world, really)).toEqual([]);
		const lines = really.formula.lines.map((line) =>
			line.ingredient === 'salt' ? { ...line, used_g: 0 } : line
		);
		const lies = liesOf(truth, world, { ...really, formula: { ...really.formula, lines } });
		// 12 g of salt in 18 pieces are 12000 × 0.38758 / 18 = 258 mg of sodium a piece; the powder's 39 mg stay.
		expect(lies.find(({ what }) => what === 'Sodium')?.said).toMatch(/^\d{2,3}mg$/);
		expect(lies.map(({ what }) => what)).not.toContain('Contains');
	});

	it('is the flour that was a bowl, in a batch whose pieces nobody has weighed', () => {
		const truth = truthFor(found('bowl'), 9);
		const world = beginning(truth);
		const really = trueRecipe(truth, world);
		const lines = really.formula.lines.map((line) =>
			line.ingredient === 'flour' ? { ...line, used_g: line.used_g + 412 } : line
		);
		const names = liesOf(truth, world, { ...really, formula: { ...really.formula, lines } }).map(
			({ what }) => what
		);
		expect(names).toContain('Total Fat');
		expect(names).toContain('Sodium');
	});

	it('is the allergen of the new bag', () => {
		const truth = truthFor(found('new-bag'), 2);
		const world = beginning(truth);
		const { recipe } = truth.setting;
		const [lie] = liesOf(truth, world, recipe);
		expect(lie?.what).toBe('Contains');
		expect(lie?.really.toLowerCase()).toContain(truth.newly?.word);
		expect(lie?.said.toLowerCase()).not.toContain(truth.newly?.word);
	});
});

describe('progress', () => {
	it('counts each exercise once, by its best try', () => {
		const tried = (score: number, isPassed: boolean) => ({
			exercise: 'bowl',
			skill: 'weighing' as const,
			score,
			isPassed
		});
		const [weighing, squaring] = progressOf([tried(60, false), tried(90, true), tried(75, true)]);
		expect(weighing).toEqual({ skill: 'weighing', passed: 1, of: 5, best: 90 });
		expect(squaring).toEqual({ skill: 'squaring', passed: 0, of: 2, best: null });
	});
});

describe('an exercise of one’s own', () => {
	const { recipe } = SETTINGS.griddle;
	const off = (stage: 'mix' | 'divide', gap: number): OffBatch => ({
		code: '260101-1',
		recipe,
		cookLoss: 0.12,
		closings: [{ stage, state: 'off', gap, tolerance: 1, unit: 'g', message: '' }]
	});

	it('is of the line its gap is nearest to, missed where there was more dough than was written down', () => {
		// 72 g of butter; a gap of −66 g is butter that went in and was not noted, less 6 g in the bowl.
		expect(ownExercise(off('mix', -66))?.slip).toEqual({ slip: 'line missed', subject: 'Butter' });
		expect(ownExercise(off('mix', 78))?.slip).toEqual({ slip: 'line not in', subject: 'Butter' });
		// Between butter’s 72 g and water’s 330 g nothing is near.
		expect(ownExercise(off('mix', 180))).toBeNull();
		expect(ownExercise(off('divide', 56))?.slip).toEqual({ slip: 'ball miscounted', subject: null });
		expect(ownExercise({ ...off('mix', 0), closings: [] })).toBeNull();
	});

	it('is passed by who works by its truth, also of a formula that names water twice', () => {
		const [first] = recipe.formula.lines;
		if (!first) throw new Error('no line');
		const twice = {
			...recipe,
			formula: {
				...recipe.formula,
				lines: [...recipe.formula.lines, { ...first, ingredient: 'water', used_g: 40 }]
			}
		};
		const own = ownExercise({ ...off('mix', -66), recipe: twice });
		if (!own) throw new Error('it can be played');
		// 330 and 40 g of water are one line of 370 g.
		const planned = own.setting.recipe.formula.lines.map(({ ingredient, used_g }) => [ingredient, used_g]);
		expect(planned).toContainEqual(['water', 370]);
		const truth = truthOf(own.exercise, own.setting, 12, { slip: own.slip });
		expect(truth.slip).toEqual(own.slip);
		const grade = graded(own.exercise, truth, perfectDeeds(own.exercise, truth));
		expect([grade.score, grade.isPassed]).toEqual([100, true]);
	});
});
