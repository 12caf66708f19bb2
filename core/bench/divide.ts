import { mean, settled } from '../measure/round.ts';
import { standardDeviation } from '../measure/spread.ts';

/** How a ball stands to the target. */
export type BallMark = 'light' | 'good' | 'heavy';

/** One ball may give to another so that both hold. */
export interface Gift {
	/** Indices among the balls. */
	from: number;
	to: number;
	grams: number;
}

export interface BallBoard {
	balls: { grams: number; deviation_g: number; mark: BallMark }[];
	tolerance_g: number;
	mean_g: number | null;
	/** Standard deviation; null of fewer than two. */
	spread_g: number | null;
	/** Dough not divided yet; null while the dough was not weighed. */
	left_g: number | null;
	/** Whole balls of the target that it still gives; null while it cannot be told. */
	toGo: number | null;
	gifts: Gift[];
}

/** Share of the target a ball may be off before it is marked. */
const BALL_SHARE = 0.03;

/** Balls within this of the target need no mending: 3 % of it, and never less than two steps of the scale. */
export function ballTolerance_g(target_g: number, scaleDivision_g: number): number {
	return Math.max(BALL_SHARE * target_g, 2 * scaleDivision_g);
}

/** The balls weighed so far against their target, grams. `dough_g` is the whole dough, null if not weighed. */
export function ballBoard(
	weights_g: readonly number[],
	target_g: number,
	dough_g: number | null,
	scaleDivision_g: number
): BallBoard {
	const tolerance_g = ballTolerance_g(target_g, scaleDivision_g);
	const balls = weights_g.map((grams) => {
		const deviation_g = settled(grams - target_g);
		const mark: BallMark =
			deviation_g > settled(tolerance_g) ? 'heavy' : deviation_g < -settled(tolerance_g) ? 'light' : 'good';
		return { grams, deviation_g, mark };
	});
	const left_g =
		dough_g === null ? null : Math.max(0, settled(dough_g - weights_g.reduce((sum, each) => sum + each, 0)));
	return {
		balls,
		tolerance_g,
		mean_g: mean(weights_g),
		spread_g: standardDeviation(weights_g),
		left_g,
		toGo: left_g === null ? null : Math.floor(settled(left_g / target_g)),
		gifts: gifts(balls, tolerance_g, scaleDivision_g)
	};
}

/** Heaviest to lightest, as much as leaves both within the tolerance; a ball gives or takes once. */
function gifts(balls: BallBoard['balls'], tolerance_g: number, scaleDivision_g: number): Gift[] {
	const by = (mark: BallMark) =>
		balls.flatMap((ball, index) => (ball.mark === mark ? [{ index, deviation_g: ball.deviation_g }] : []));
	const heavy = by('heavy').sort((a, b) => b.deviation_g - a.deviation_g);
	const light = by('light').sort((a, b) => a.deviation_g - b.deviation_g);
	const found: Gift[] = [];
	for (const from of heavy) {
		for (const [place, to] of light.entries()) {
			const wanted_g = Math.min(from.deviation_g, -to.deviation_g);
			const grams = settled(Math.round(settled(wanted_g / scaleDivision_g)) * scaleDivision_g);
			const holds = (after_g: number) => Math.abs(settled(after_g)) <= settled(tolerance_g);
			if (grams <= 0 || !holds(from.deviation_g - grams) || !holds(to.deviation_g + grams)) continue;
			found.push({ from: from.index, to: to.index, grams });
			light.splice(place, 1);
			break;
		}
	}
	return found;
}

/** Dividing by halves: so many equal balls, and what each weighs. */
export interface Halving {
	balls: number;
	ball_g: number;
	/** From the target, as a fraction of it. */
	off: number;
}

const MOST_HALVINGS = 10;

/** What halving the dough again and again comes to: 2, 4, 8, 16… balls, as long as one is half the target or more. */
export function halvings(dough_g: number, target_g: number): Halving[] {
	const found: Halving[] = [];
	for (let times = 1; times <= MOST_HALVINGS; times++) {
		const balls = 2 ** times;
		const ball_g = dough_g / balls;
		if (ball_g < target_g / 2) break;
		found.push({ balls, ball_g, off: ball_g / target_g - 1 });
	}
	return found;
}
