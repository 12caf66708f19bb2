import { isDough, type Recipe } from '../formula/types.ts';
import { roundTo } from '../measure/round.ts';
import { chanceOf, near, oneOf } from './chance.ts';
import { PARTS, type Exercise, type Part } from './exercises.ts';
import { ingredientNamed, type Setting } from './setting.ts';
import type { Claim, SlipKind } from './slips.ts';

/** What weighs something before anything is in it. */
export const BOWL = { name: 'Steel bowl', tare_g: 412 } as const;
export const TOOLS = ['Steel bowl', 'Board', 'Griddle'] as const;
/** The batches a flour bag was kept of, the newest last. */
export const KEPT_BATCHES = ['The first batch', 'The second batch', 'The third batch'] as const;
export const LOTS = ['A2041', 'B7719'] as const;

/** What really became of a line before the learner came. */
export interface TrueLine {
	ingredient: string;
	name: string;
	planned_g: number;
	/** In the bowl. */
	went_g: number;
	/** As the helper wrote it down; null where nothing was. */
	recorded_g: number | null;
}

/** What only the program knows of a practice batch. */
export interface Truth {
	seed: number;
	setting: Setting;
	works: Exercise['works'];
	/** What is to be found, as it is rightly said. */
	slip: Claim;
	/** Lines of the dough; of one the learner weighs in nothing went in yet. */
	lines: TrueLine[];
	/** Dough that stays in the bowl. */
	residue_g: number;
	/** How far the helper’s count of balls is off. */
	miscount: number;
	/** Places of the balls that are far off, and by how much. */
	uneven: Readonly<Record<number, number>>;
	/** Of the dusting flour: set out, left in the jar, swept from the board. */
	dusting: { setOut_g: number; back_g: number; swept_g: number };
	/** Water beyond the plan that the dough asks for. */
	thirst_g: number;
	/** Which pack is a piece short; null where none is. */
	shortPack: number | null;
	/** What the new bag names that the shelf does not. */
	newly: { ingredient: string; tag: string; word: string } | null;
	/** Of each tool: whether it was cleaned, and whether that is written down. */
	tools: Readonly<Record<string, { isClean: boolean; isNoted: boolean }>>;
	/** The flour lot each kept batch was really made of, and the one that is written down. */
	lots: readonly { batch: string; really: string; noted: string }[];
	recalled: string;
}

/** Grams within which a hand pours a line, as a share of it. */
const POUR_SHARE = 0.004;
/** None that the rest of the formula declares already. */
const ALLERGENS = [
	{ tag: 'sesame', word: 'sesame' },
	{ tag: 'peanut', word: 'peanut' },
	{ tag: 'soy', word: 'soy' }
] as const;
/** What a slip of a line can be about: what is too little to show in a gap is not. */
const LEAST_SHOWN_G = 10;

/** What there is to know of a practice batch: the same each time for an exercise, a setting and a seed. */
export function truthOf(
	exercise: Pick<Exercise, 'slips' | 'works'>,
	setting: Setting,
	seed: number,
	/** Said where the slip is one that happened. */
	given: Partial<Pick<Truth, 'slip'>> = {}
): Truth {
	const chance = chanceOf(seed, 'slip');
	const kind: SlipKind = given.slip?.slip ?? oneOf(chance, exercise.slips);
	const { recipe } = setting;
	const doughs = recipe.formula.lines.filter(isDough);
	const weighsIn = exercise.works?.from === 'weigh';
	const touched = given.slip?.subject ?? subjectOf(kind, setting, chance);
	const lines = doughs.map(({ ingredient, used_g }): TrueLine => {
		const name = ingredientNamed(setting, ingredient);
		const poured_g = roundTo(near(chance, used_g, used_g * POUR_SHARE), 0.1);
		const line = { ingredient, name, planned_g: used_g, went_g: poured_g, recorded_g: poured_g };
		if (weighsIn) return { ...line, went_g: 0, recorded_g: null };
		// The bowl stands under whatever is weighed first.
		if (kind === 'bowl not tared' && line.ingredient === doughs[0]?.ingredient)
			return { ...line, recorded_g: roundTo(poured_g + BOWL.tare_g, 0.1) };
		if (touched !== name) return line;
		if (kind === 'line missed') return { ...line, recorded_g: null };
		if (kind === 'line not in') return { ...line, went_g: 0 };
		if (kind === 'line twice') return { ...line, went_g: roundTo(2 * poured_g, 0.1) };
		return line;
	});
	const bags = chanceOf(seed, 'bags');
	const newly = kind === 'allergen unsaid' ? { ingredient: 'spices', ...oneOf(bags, ALLERGENS) } : null;
	const setOut_g = Math.round(near(bags, 60, 2));
	const recalled = oneOf(bags, LOTS);
	return {
		seed,
		setting,
		works: exercise.works,
		slip: { slip: kind, subject: touched },
		lines,
		residue_g: roundTo(near(chanceOf(seed, 'residue'), 6, 0.8), 0.1),
		miscount: kind === 'ball miscounted' ? oneOf(bags, [-1, 1]) : 0,
		uneven: kind === 'uneven balls' ? unevenBalls(chanceOf(seed, 'uneven'), recipe) : {},
		dusting: { setOut_g, back_g: Math.round(near(bags, 36, 2)), swept_g: Math.round(near(bags, 8, 1)) },
		thirst_g: kind === 'dough dry' ? Math.round(14 + 10 * bags()) : 0,
		shortPack: kind === 'pack short' ? oneOf(bags, [1, 2]) : null,
		newly,
		tools: Object.fromEntries(
			TOOLS.map((name) => {
				const is = name === touched;
				return [
					name,
					{
						isClean: !(is && kind === 'not cleaned'),
						isNoted: !(is && (kind === 'clean not recorded' || kind === 'not cleaned'))
					}
				];
			})
		),
		lots: lotsOf(kind, touched, recalled, bags),
		recalled
	};
}

/** What the slip is about: drawn among what it can be about and is shown by. */
function subjectOf(kind: SlipKind, setting: Setting, chance: () => number): string | null {
	const { formula, ingredients } = setting.recipe;
	const kindOf = (id: string) => ingredients.find((each) => each.id === id)?.kind;
	const named = (least_g: number) =>
		formula.lines
			.filter((line) => isDough(line) && line.used_g >= least_g && kindOf(line.ingredient) !== 'flour')
			.map((line) => ingredientNamed(setting, line.ingredient));
	switch (kind) {
		case 'line missed':
		case 'line twice':
			return oneOf(chance, named(LEAST_SHOWN_G));
		// A gap as wide as a bowl’s usual residue tells of nothing.
		case 'line not in':
			return oneOf(chance, named(5 * LEAST_SHOWN_G));
		case 'bowl not tared':
			return BOWL.name;
		case 'spoon heaped':
			return ingredientNamed(setting, 'salt');
		case 'allergen unsaid':
			return ingredientNamed(setting, 'spices');
		case 'not cleaned':
		case 'clean not recorded':
			return oneOf(chance, TOOLS);
		case 'wrong lot':
			return oneOf(chance, KEPT_BATCHES);
		default:
			return null;
	}
}

/** Two to four balls that are 5 to 9 g off, not all the same way. */
function unevenBalls(chance: () => number, { product }: Recipe): Record<number, number> {
	const places = new Set<number>();
	const balls = product.ballWeight_g === null ? 0 : 18;
	const count = 2 + Math.floor(chance() * 3);
	while (places.size < count) places.add(1 + Math.floor(chance() * balls));
	return Object.fromEntries(
		[...places].map((place, nth) => [place, roundTo((nth % 2 === 0 ? 1 : -1) * (5 + 4 * chance()), 0.1)])
	);
}

/** Of three batches at least one is of the recalled lot by the record; one is of another lot than is written down. */
function lotsOf(kind: SlipKind, wrong: string | null, recalled: string, chance: () => number): Truth['lots'] {
	if (kind !== 'wrong lot') return [];
	const other = LOTS.find((lot) => lot !== recalled) ?? recalled;
	const right = KEPT_BATCHES.filter((batch) => batch !== wrong);
	const hit = oneOf(chance, right);
	// The wrong one was made of the recalled lot, and the record says the other: that is what hurts somebody.
	return KEPT_BATCHES.map((batch) =>
		batch === wrong
			? { batch, really: recalled, noted: other }
			: { batch, really: batch === hit ? recalled : other, noted: batch === hit ? recalled : other }
	);
}

/** Whether a part of the batch is worked by the learner; what lies before, the helper did; what lies behind, nobody. */
export function workedBy({ works }: Pick<Truth, 'works'>, part: Part): 'helper' | 'learner' | 'nobody' {
	if (!works) return 'nobody';
	const [at, from, to] = [part, works.from, works.to].map((each) => PARTS.indexOf(each)) as [
		number,
		number,
		number
	];
	return at < from ? 'helper' : at <= to ? 'learner' : 'nobody';
}

/** What a dough of so much becomes, in this truth. */
export interface Made {
	dough_g: number;
	/** By place, as they were divided. */
	balls_g: number[];
	leftover_g: number;
	/** Cooled, by place. */
	pieces_g: number[];
	/** Pieces in each pack as it was closed, and those left over. */
	packs: number[];
	loose: number;
}

/** A scale of 0.1 g hardly adds to what a hand spreads: balls are within so much of their weight. */
const BALL_SPREAD_SHARE = 0.012;
const LOSS_SPREAD = 0.004;

/** What is made of what went in. */
export function madeOf(truth: Truth, went_g: number): Made {
	const { setting, seed } = truth;
	const { product, formula } = setting.recipe;
	const aim_g = product.ballWeight_g ?? 50;
	const size = product.packPieces ?? 6;
	const dough_g = roundTo(Math.max(0, went_g - truth.residue_g), 0.1);
	const chance = chanceOf(seed, 'balls');
	const balls_g: number[] = [];
	let left_g = dough_g;
	for (;;) {
		const ball_g = roundTo(
			near(chance, aim_g, aim_g * BALL_SPREAD_SHARE) - 0.3 + (truth.uneven[balls_g.length + 1] ?? 0),
			0.1
		);
		if (ball_g > left_g || balls_g.length >= 500) break;
		balls_g.push(ball_g);
		left_g = roundTo(left_g - ball_g, 0.1);
	}
	const dusted = formula.lines.some((line) => line.use === 'dusting');
	const onPiece_g = dusted && balls_g.length > 0 ? uptake_g(truth) / balls_g.length : 0;
	const cook = chanceOf(seed, 'cook');
	const pieces_g = balls_g.map((ball_g) =>
		roundTo((ball_g + onPiece_g) * (1 - near(cook, setting.cookLoss, LOSS_SPREAD)), 0.1)
	);
	const full = Math.floor(balls_g.length / size);
	const packs = Array.from({ length: full }, (_, at) => (truth.shortPack === at + 1 ? size - 1 : size));
	return {
		dough_g,
		balls_g,
		leftover_g: left_g,
		pieces_g,
		packs,
		loose: balls_g.length - packs.reduce((sum, pieces) => sum + pieces, 0)
	};
}

/** Of the dusting flour what stayed on the pieces: set out less what came back and what was swept. */
export const uptake_g = ({ dusting: { setOut_g, back_g, swept_g } }: Truth): number =>
	setOut_g - back_g - swept_g;
/** Of the dusting flour what is used up: what did not come back into the jar. */
export const consumed_g = ({ dusting: { setOut_g, back_g } }: Truth): number => setOut_g - back_g;
