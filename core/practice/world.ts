import { roundTo, sumOf } from '../measure/round.ts';
import { chanceOf, near } from './chance.ts';
import { lookedAt } from './looking.ts';
import type { Move, Verb, World } from './move.ts';
import { BOWL, madeOf, type Made, type Truth } from './truth.ts';

export const beginning = (truth: Truth): World => ({
	minutes: 0,
	moves: 0,
	hints: 0,
	went_g: Object.fromEntries(truth.lines.map(({ ingredient, went_g }) => [ingredient, went_g])),
	poured: null,
	bowlOn: false,
	lying: null,
	isHeaped: truth.slip.slip === 'spoon heaped',
	wanders: truth.slip.slip === 'scale drifts',
	hotSince_min: 0,
	trimmed_g: {},
	filled: [],
	looked: [],
	told: ''
});

/** How long each takes by the story’s clock. */
const TAKES_MIN: Readonly<Record<Verb, number>> = {
	'bowl on': 0.25,
	'bowl off': 0.25,
	pour: 0.5,
	'pour more': 0.25,
	'take out': 0.25,
	level: 0.25,
	battery: 1,
	lay: 0.25,
	clear: 0.1,
	pinch: 0.25,
	'add dough': 0.25,
	cool: 15,
	fill: 0.5,
	look: 0.25,
	hint: 0
};

/** A heaped spoon holds so much of a level one. */
const HEAPED = 1.5;
/** More or less of a line, as a share of it. */
const SOME_SHARE = 0.03;
const LEAST_SOME_G = 0.5;
/** A hot piece holds so much water more than a cooled one, and half of what it has left is gone in so long. */
const HOT_SHARE = 0.05;
const HALF_MIN = 3;
/** Dough that a thumb takes off a ball or puts to it. */
const PINCH_G = 2;
/** A wandering scale: how far its zero goes in a minute. */
export const DRIFT_G_PER_MIN = 25;

export const wentIn_g = ({ went_g }: World): number => sumOf(Object.values(went_g), (grams) => grams);
/** What is made of what is in the bowl now. */
export const madeNow = (truth: Truth, world: World): Made => madeOf(truth, wentIn_g(world));
export const ballNow_g = (made: Made, world: World, place: number): number =>
	roundTo((made.balls_g[place - 1] ?? 0) + (world.trimmed_g[place] ?? 0), 0.1);
/** Pieces in a pack now. */
export const packNow = (made: Made, world: World, place: number): number =>
	(made.packs[place - 1] ?? 0) + world.filled.filter((each) => each === place).length;
export const looseNow = (made: Made, world: World): number => made.loose - world.filled.length;

/** A piece as hot as it is now. */
function pieceNow_g(made: Made, world: World, place: number): number {
	const since_min = world.minutes - world.hotSince_min;
	return roundTo((made.pieces_g[place - 1] ?? 0) * (1 + HOT_SHARE * 0.5 ** (since_min / HALF_MIN)), 0.1);
}

/** A bag alone. */
const BAG_G = 4;

/** Grams of what can be laid on the scale. */
function weightOf_g(truth: Truth, world: World, thing: string): number {
	const made = madeNow(truth, world);
	const [what = '', nth = ''] = thing.split(' ');
	const place = Number(nth);
	switch (what) {
		case 'dough':
			return made.dough_g;
		case 'leftover':
			return made.leftover_g;
		case 'ball':
			return ballNow_g(made, world, place);
		case 'piece':
			return pieceNow_g(made, world, place);
		case 'pack': {
			const before = sumOf(made.packs.slice(0, place - 1), (pieces) => pieces);
			const pieces = made.pieces_g.slice(before, before + packNow(made, world, place));
			return BAG_G + sumOf(pieces, (grams) => grams);
		}
		case 'jar':
			return truth.dusting.back_g;
		case 'sweepings':
			return truth.dusting.swept_g;
		default:
			return 0;
	}
}

/** What lies on the scale, and how the scale behaves. */
export function scaleNow(
	truth: Truth,
	world: World
): { load_g: number; drift_gPerMinute: number; batteryLow: boolean } {
	const load_g = world.bowlOn
		? BOWL.tare_g + wentIn_g(world)
		: world.lying === null
			? 0
			: weightOf_g(truth, world, world.lying);
	return {
		load_g: roundTo(load_g, 0.1),
		drift_gPerMinute: world.wanders ? DRIFT_G_PER_MIN : 0,
		batteryLow: world.wanders
	};
}

/** What a move does, and what it shows; the clock and the count of moves are the caller’s. */
function done(truth: Truth, world: World, { do: verb, at }: Move): Partial<World> {
	const line = truth.lines.find(({ ingredient }) => ingredient === at);
	const chance = chanceOf(truth.seed, `move ${world.moves}`);
	switch (verb) {
		case 'bowl on':
			return { bowlOn: true, lying: null, told: '' };
		case 'bowl off':
			return { bowlOn: false, told: '' };
		case 'pour':
		case 'pour more':
		case 'take out': {
			if (!line) return {};
			const now_g = world.went_g[line.ingredient] ?? 0;
			const isSpoon = line.name === truth.slip.subject && world.isHeaped;
			const some_g = Math.max(LEAST_SOME_G, line.planned_g * SOME_SHARE) * (0.8 + 0.4 * chance());
			const grams =
				verb === 'pour'
					? near(chance, line.planned_g, line.planned_g * 0.003) * (isSpoon ? HEAPED : 1)
					: verb === 'pour more'
						? some_g
						: -Math.min(now_g, some_g);
			const then_g = roundTo(now_g + grams, 0.1);
			return {
				went_g: { ...world.went_g, [line.ingredient]: then_g },
				poured: line.ingredient,
				told: `${line.name} ${grams < 0 ? 'is taken out' : 'goes into the bowl'}${isSpoon && verb === 'pour' ? ', by the spoon as it comes out of the jar' : ''}.`
			};
		}
		case 'level':
			return { isHeaped: false, told: 'The spoon is level now: a knife went across it.' };
		case 'battery':
			return { wanders: false, told: 'With a new battery, in the warm, the figure stands still.' };
		case 'lay':
			return { lying: at, bowlOn: false, told: '' };
		case 'clear':
			return { lying: null, told: '' };
		case 'pinch':
		case 'add dough': {
			const place = Number(world.lying?.split(' ')[1] ?? 0);
			const grams = (world.trimmed_g[place] ?? 0) + (verb === 'pinch' ? -PINCH_G : PINCH_G);
			return {
				trimmed_g: { ...world.trimmed_g, [place]: grams },
				told: verb === 'pinch' ? 'A little dough is off.' : 'A little dough is on.'
			};
		}
		case 'cool':
			return { lying: null, told: 'The pieces have cooled for a quarter of an hour.' };
		case 'fill':
			return {
				filled: [...world.filled, Number(at?.split(' ')[1] ?? 0)],
				lying: null,
				told: `A loose piece goes into ${at}.`
			};
		case 'look':
			return {
				looked: at === null || world.looked.includes(at) ? world.looked : [...world.looked, at],
				told: at === null ? '' : lookedAt(truth, world, at)
			};
		case 'hint':
			return { hints: world.hints + 1 };
	}
}

/** The kitchen after a move. */
export function afterMove(truth: Truth, world: World, move: Move): World {
	return {
		...world,
		...done(truth, world, move),
		// A hint moves nothing: what is poured after it is what would have been.
		moves: world.moves + (move.do === 'hint' ? 0 : 1),
		minutes: world.minutes + TAKES_MIN[move.do]
	};
}

/** The kitchen after all of them. */
export const worldAfter = (truth: Truth, moves: readonly Move[]): World =>
	moves.reduce((world, move) => afterMove(truth, world, move), beginning(truth));
