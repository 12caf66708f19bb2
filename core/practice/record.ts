import { settled, sumOf } from '../measure/round.ts';
import { isWorked, type Exercise, type Part } from './exercises.ts';
import type { World } from './move.ts';
import { g, point, type Point } from './point.ts';
import { sameClaim, type Claim } from './slips.ts';
import { consumed_g, uptake_g, type Made, type Truth } from './truth.ts';
import type { Worked } from './worked.ts';
import { looseNow, madeNow } from './world.ts';

/** A figure is true within so much: a step or two of the scale, and what a hand adds. */
const WITHIN_G = 2;
const WITHIN_SHARE = 0.006;
/** Balls and pieces that have to be weighed at least, and how far a mean may be. */
const LEAST_WEIGHED = 3;
const MEAN_SHARE = 0.02;
/** A line poured by hand is as planned within so much, and a dough right within so much water. */
const PLANNED_SHARE = 0.02;
const THIRST_G = 10;
const isNear = (is: number | null, really: number): boolean =>
	is !== null && Math.abs(settled(is - really)) <= Math.max(WITHIN_G, WITHIN_SHARE * really);
/** A figure that was to be taken: whether it is true, and what was lost where it is not. */
interface Check {
	isTrue: boolean;
	lost: string;
}

/** Whether what stands in the record is what was, as far as it was the learner’s to take or to put right. */
export function recordPoints(
	{ works }: Exercise,
	truth: Truth,
	world: World,
	worked: Worked,
	claims: readonly Claim[]
): Point[] {
	if (!works) return [];
	const made = madeNow(truth, world);
	const does = (part: Part) => isWorked(works, part);
	const checks = [
		...(does('weigh') || does('dough') ? linesIn(truth, world, worked, claims, does('weigh')) : []),
		...(does('dough') ? dough(truth, world, worked, made) : []),
		...(does('divide') ? divided(worked, made) : []),
		...(works.from === 'surface' ? dusted(truth, worked) : []),
		...(does('cook') ? cooked(worked, made) : []),
		...(does('pack') ? packed(worked, made, looseNow(made, world)) : [])
	];
	const lost = checks.filter(({ isTrue }) => !isTrue).map((each) => each.lost);
	return [
		point(
			'record',
			'The record says what was',
			35,
			trueShare(lost.length),
			lost.length === 0 ? 'Every figure that was yours to take is true.' : lost.join(' '),
			lost
		)
	];
}

/** One false figure is enough for a bag to lie: the rest of the record is worth less than half. */
const trueShare = (lost: number): number => (lost === 0 ? 1 : Math.max(0, 0.5 - 0.1 * lost));

/** Lines as they went in; what went in unseen is named, and never made up. */
function linesIn(
	truth: Truth,
	world: World,
	{ lines }: Worked,
	claims: readonly Claim[],
	poured: boolean
): Check[] {
	return truth.lines.flatMap(({ ingredient, name, planned_g }): Check[] => {
		const really_g = world.went_g[ingredient] ?? 0;
		const said_g = lines.find((each) => each.isDough && each.name === name)?.weighed_g ?? null;
		const isNamed = name === truth.slip.subject && claims.some((claim) => sameClaim(claim, truth.slip));
		if (isNamed && !poured) return [];
		const written: Check = {
			isTrue: really_g > 0 ? isNear(said_g, really_g) : (said_g ?? 0) === 0,
			lost: `${name} is written down with ${g(said_g)}; in the bowl were ${g(really_g)}.`
		};
		const isByFeel = truth.thirst_g > 0 && ingredient === 'water';
		if (!poured || isByFeel) return [written];
		const asPlanned: Check = {
			isTrue: Math.abs(settled(really_g - planned_g)) <= Math.max(1, PLANNED_SHARE * planned_g),
			lost: `${name}: ${g(really_g)} went in, ${g(planned_g)} were planned; the scale showed it as it was poured.`
		};
		return [written, asPlanned];
	});
}

function dough(truth: Truth, world: World, { doughWeight_g }: Worked, made: Made): Check[] {
	const weighed: Check = {
		isTrue: isNear(doughWeight_g, made.dough_g),
		lost: `The dough is written down with ${g(doughWeight_g)}; it weighed ${g(made.dough_g)}.`
	};
	const water = truth.lines.find(({ ingredient }) => ingredient === 'water');
	if (truth.thirst_g === 0 || !water) return [weighed];
	const lacks_g = settled(water.planned_g + truth.thirst_g - (world.went_g[water.ingredient] ?? 0));
	return [
		weighed,
		{
			isTrue: Math.abs(lacks_g) <= THIRST_G,
			lost:
				lacks_g > 0 ? 'The dough still cracked: it lacked water.' : 'The dough stuck: it had too much water.'
		}
	];
}

const divided = ({ ballCount, ballWeights_g, leftover_g }: Worked, made: Made): Check[] => [
	{
		isTrue: ballCount === made.balls_g.length,
		lost: `${ballCount ?? 'No'} balls are written down; ${made.balls_g.length} lay on the board.`
	},
	{
		isTrue: ballWeights_g.length >= LEAST_WEIGHED,
		lost: `${ballWeights_g.length} balls were weighed: fewer than ${LEAST_WEIGHED} tell nothing of their spread.`
	},
	{
		isTrue: isNear(leftover_g, made.leftover_g),
		lost: `What was left over is written down with ${g(leftover_g)}; it was ${g(made.leftover_g)}.`
	}
];

function dusted(truth: Truth, { lines }: Worked): Check[] {
	const line = lines.find((each) => !each.isDough);
	const [used_g, stayed_g] = [line?.weighed_g ?? null, line?.uptake_g ?? null];
	return [
		{
			isTrue: isNear(used_g, consumed_g(truth)),
			lost: `Of the dusting flour ${g(used_g)} are written down as used up; it was ${g(consumed_g(truth))}.`
		},
		{
			isTrue: isNear(stayed_g, uptake_g(truth)),
			lost: `On the pieces stayed ${g(uptake_g(truth))} of it; the record says ${g(stayed_g)}.`
		}
	];
}

function cooked({ finishedWeights_g }: Worked, { pieces_g }: Made): Check[] {
	const mean = (of: readonly number[]) => sumOf(of, (grams) => grams) / of.length;
	const really_g = mean(pieces_g);
	const said_g = finishedWeights_g.length > 0 ? mean(finishedWeights_g) : null;
	return [
		{
			isTrue: finishedWeights_g.length >= LEAST_WEIGHED,
			lost: `${finishedWeights_g.length} finished pieces stand in the record: fewer than ${LEAST_WEIGHED}.`
		},
		{
			isTrue: said_g !== null && Math.abs(said_g - really_g) <= MEAN_SHARE * really_g,
			lost: `A cooled piece weighed ${g(really_g)} on average; the record says ${g(said_g)}.`
		}
	];
}

const packed = ({ sellable, rejects, packs, loose }: Worked, made: Made, loose_now: number): Check[] => [
	{
		isTrue: sellable === made.balls_g.length - rejects,
		lost: `${made.balls_g.length} pieces were there; ${sellable ?? 'none'} are counted as sellable.`
	},
	{
		isTrue: packs === made.packs.length,
		lost: `${made.packs.length} packs were there; ${packs ?? 'none'} are counted.`
	},
	{
		isTrue: loose === loose_now,
		lost: `${loose_now} pieces lay loose; ${loose ?? 'none'} are counted.`
	}
];
