import { falseAlarms, isNamed } from './claims.ts';
import type { Point } from './point.ts';
import { pointsOf } from './points.ts';
import type { Exercise, Skill } from './exercises.ts';
import type { Claim } from './slips.ts';
import type { Truth } from './truth.ts';
import type { Worked } from './worked.ts';
import type { World } from './move.ts';

/** What a hint takes off, each: the first tells little, the last nearly all. */
export const HINT_COSTS = [4, 8, 12] as const;
/** So much of a hundred is a pass, where nothing is wrong that a bag would lie by. */
export const PASS = 70;
/** What has to be at least half right, whatever else was earned. */
const LEAST_SHARE = 0.5;
const MAY_BE_LOST: readonly Point['id'][] = ['calm', 'time'];

export interface Grade {
	points: Point[];
	/** Of a hundred, before and after what hints took off. */
	earned: number;
	hintsCost: number;
	score: number;
	isPassed: boolean;
	skill: Skill;
}

/** What so many hints of an exercise cost. */
export const hintsCost = (hints: number): number =>
	HINT_COSTS.slice(0, hints).reduce((sum, cost) => sum + cost, 0);

/**
 * The grade of an exercise against its truth (computation, section 19). Points are weighed to a hundred. Passed is 70
 * of them with what was hidden named, every figure true that a bag would state, and one false alarm at most: who cries
 * at everything finds nothing.
 */
export function gradeOf(
	exercise: Exercise,
	truth: Truth,
	world: World,
	worked: Worked,
	claims: readonly Claim[]
): Grade {
	const points = pointsOf(exercise, truth, world, worked, claims);
	const weights = points.reduce((sum, { weight }) => sum + weight, 0);
	const earned = (100 * points.reduce((sum, { weight, share }) => sum + weight * share, 0)) / weights;
	const cost = hintsCost(world.hints);
	const score = Math.max(0, Math.round(earned - cost));
	return {
		points,
		earned: Math.round(earned),
		hintsCost: cost,
		score,
		isPassed:
			score >= PASS &&
			isNamed(truth, claims) &&
			falseAlarms(truth, claims).length <= 1 &&
			points.every(({ id, share }) => share >= LEAST_SHARE || MAY_BE_LOST.includes(id)),
		skill: exercise.skill
	};
}
