import { settled } from '../measure/round.ts';
import { falseAlarms } from './claims.ts';
import { isWorked, type Exercise } from './exercises.ts';
import { momentsOf } from './moments.ts';
import type { World } from './move.ts';
import { g, point, type Point } from './point.ts';
import { recallOf } from './recall.ts';
import { recordPoints } from './record.ts';
import { claimText, sameClaim, type Claim } from './slips.ts';
import type { Truth } from './truth.ts';
import type { Worked } from './worked.ts';
import { ballNow_g, madeNow, packNow } from './world.ts';

/** A ball is even within so much of its weight. */
export const EVEN_G = 3;

/** Everything that is graded of an exercise. */
export function pointsOf(
	exercise: Exercise,
	truth: Truth,
	world: World,
	worked: Worked,
	claims: readonly Claim[]
): Point[] {
	return [
		...named(truth, claims),
		...recordPoints(exercise, truth, world, worked, claims),
		...balls(exercise, truth, world),
		...packs(exercise, truth, world),
		...allergens(truth, worked),
		...cleans(truth, worked),
		...recall(truth, claims),
		...closed(exercise, truth, worked, claims),
		time(exercise, world)
	];
}

function named(truth: Truth, claims: readonly Claim[]): Point[] {
	const isFound = claims.some((claim) => sameClaim(claim, truth.slip));
	const wrong = falseAlarms(truth, claims);
	const kindOnly = claims.some(({ slip }) => slip === truth.slip.slip);
	return [
		point(
			'named',
			truth.slip.slip === 'none' ? 'Said that nothing was wrong' : 'Found what was wrong, and named it',
			30,
			isFound ? 1 : kindOnly ? 0.4 : 0,
			isFound
				? 'Rightly.'
				: kindOnly
					? `The right kind of thing, at the wrong place: ${claimText(truth.slip)}.`
					: `It was: ${claimText(truth.slip)}.`,
			momentsOf(truth)
		),
		point(
			'calm',
			'No false alarm',
			15,
			claims.length === 0 ? 0 : Math.max(0, 1 - wrong.length / 2),
			claims.length === 0
				? 'Nothing was said at all.'
				: wrong.length === 0
					? 'Nothing was said that was not so.'
					: `Not so: ${wrong.map(claimText).join('; ')}.`,
			['Before something is said to be wrong, a figure or a look has to show it.']
		)
	];
}

/** The balls as they lie there now, not as they were weighed. */
function balls({ works }: Exercise, truth: Truth, world: World): Point[] {
	if (!works || truth.slip.slip !== 'uneven balls') return [];
	const made = madeNow(truth, world);
	const aim_g = truth.setting.recipe.product.ballWeight_g ?? 0;
	const off = made.balls_g.flatMap((_, at) => {
		const now_g = ballNow_g(made, world, at + 1);
		return Math.abs(settled(now_g - aim_g)) > EVEN_G ? [`ball ${at + 1} weighs ${g(now_g)}`] : [];
	});
	const uneven = Object.keys(truth.uneven).length;
	return [
		point(
			'balls',
			`Every ball within ${EVEN_G} g of ${aim_g} g`,
			30,
			Math.max(0, 1 - off.length / uneven),
			off.length === 0 ? 'All of them.' : `Still off: ${off.join(', ')}.`,
			[
				`When it lay on the scale, a ball of less than ${aim_g - EVEN_G} g or more than ${aim_g + EVEN_G} g was one to mend. Every one has to be laid on.`
			]
		)
	];
}

/** A pack that holds too few fails the inspector’s test by a whole piece (section 12). */
function packs({ works }: Exercise, truth: Truth, world: World): Point[] {
	if (!works || !isWorked(works, 'pack')) return [];
	const made = madeNow(truth, world);
	const size = truth.setting.recipe.product.packPieces ?? 0;
	const short = made.packs.flatMap((_, at) =>
		packNow(made, world, at + 1) < size ? [`pack ${at + 1}`] : []
	);
	return [
		point(
			'packs',
			'Every pack holds what it says',
			25,
			short.length === 0 ? 1 : 0,
			short.length === 0 ? 'All of them.' : `Short by a piece: ${short.join(', ')}.`,
			[
				'On the scale the short pack is lighter than the others by a whole piece; and counted, it holds one fewer.'
			]
		)
	];
}

function allergens({ newly }: Truth, { contains }: Worked): Point[] {
	if (!newly) return [];
	const says = contains.some((each) => each.toLowerCase().includes(newly.word));
	return [
		point(
			'allergens',
			'The label would declare it',
			40,
			says ? 1 : 0,
			says
				? `It declares ${newly.word}.`
				: `Every bag would have left the kitchen without a word of ${newly.word}.`,
			[
				`The new bag of the spice mix names ${newly.word}. The shelf was asked for it when the lot came in, and whenever its sheet is opened.`
			]
		)
	];
}

function cleans({ slip, tools }: Truth, { cleansNoted }: Worked): Point[] {
	if (slip.slip !== 'not cleaned' && slip.slip !== 'clean not recorded') return [];
	const of = slip.subject ?? '';
	const shouldBe = tools[of]?.isClean ?? false;
	const is = cleansNoted.includes(of);
	return [
		point(
			'cleans',
			'The notes of cleans are true',
			40,
			is === shouldBe ? 1 : 0,
			is === shouldBe
				? 'They say what was done.'
				: shouldBe
					? `${of} was cleaned at noon, and nothing says so: its sesame is still carried on by the record.`
					: `A clean of ${of} is noted that nobody made: the label would leave sesame out.`,
			[
				`Looking at each tool shows it: ${of} ${shouldBe ? 'is clean and dry, and the record has no clean of it' : 'has seeds in its corners'}.`
			]
		)
	];
}

function recall(truth: Truth, claims: readonly Claim[]): Point[] {
	if (truth.lots.length === 0) return [];
	const { missed, tooMany } = recallOf(truth, claims);
	return [
		point(
			'recall',
			'Every batch that holds the lot, and no other',
			40,
			missed.length > 0 ? 0 : tooMany.length > 0 ? 0.5 : 1,
			missed.length > 0
				? `${missed.join(' and ')} went on being eaten.`
				: tooMany.length > 0
					? `${tooMany.join(' and ')} held none of it, and was thrown away.`
					: 'All of them.',
			['The record names one batch; the bags that were kept name another.']
		)
	];
}

function closed(
	{ closes, works }: Exercise,
	truth: Truth,
	worked: Worked,
	claims: readonly Claim[]
): Point[] {
	if (!closes || !works) return [];
	const isOpen = worked.closedWith === null;
	const squares = worked.stages.every(({ state }) => state === 'squares');
	const isTrue = squares || claims.some((claim) => sameClaim(claim, truth.slip));
	return [
		point(
			'closed',
			'Squared, or closed with a true reason',
			20,
			isOpen ? 0 : isTrue ? 1 : 0.3,
			isOpen
				? 'The batch was left open.'
				: squares
					? 'It squares.'
					: isTrue
						? 'Closed with what really happened.'
						: 'It was closed, but not with what happened.',
			['Its page says what is still open, and asks for a reason where it cannot square.']
		)
	];
}

function time({ minutes: planned_min }: Exercise, { minutes }: World): Point {
	const over = Math.max(0, minutes - planned_min) / planned_min;
	return point(
		'time',
		`Within ${planned_min} minutes of the story`,
		10,
		Math.max(0, 1 - over),
		`${Math.round(minutes)} minutes went by.`,
		['Each look and each weighing takes its time: those that can show something come first.']
	);
}
