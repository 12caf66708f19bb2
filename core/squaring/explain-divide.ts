import { mean } from '../measure/round.ts';
import { closings, type Closing } from './closings.ts';
import { weighed, type Explanation, type ExplainFigures, type Suspect } from './likelihood.ts';

/** How many balls may be miscounted, and how often each happens beside the others. */
const BALLS: readonly (readonly [count: number, prior: number])[] = [
	[1, 1],
	[2, 0.4],
	[3, 0.15]
];
const PRIOR = { bowl: 0.4, leftover: 0.3 };
/** Evidence of another stage for the same thing, and against it. */
const [FOR, AGAINST] = [5, 0.05];

const g = (grams: number) => `${Math.round(grams)} g`;

/** What would explain a dividing that is off: balls miscounted, a bowl not tared, leftover not weighed. */
export function explainDivide(
	closing: Extract<Closing, { state: 'off' }>,
	figures: ExplainFigures
): Explanation[] {
	const { gap } = closing;
	const { ballCount, doughWeight_g, leftover_g, sellable, rejects } = figures;
	const ball_g = mean(figures.ballWeights_g);
	if (ballCount === null || doughWeight_g === null || leftover_g === null || ball_g === null) return [];
	const counted = sellable === null ? null : sellable + rejects;
	const sign = gap > 0 ? 1 : -1;
	const suspects: Suspect[] = BALLS.filter(([by]) => ballCount + sign * by > 0).map(([by, prior]) => {
		const count = ballCount + sign * by;
		return {
			words:
				sign > 0
					? `${by === 1 ? 'one ball was' : `${by} balls were`} not counted: ${count}, not ${ballCount}`
					: `${by === 1 ? 'one ball was' : `${by} balls were`} counted too many: ${count}, not ${ballCount}`,
			corrections: [{ what: 'balls', count }],
			prior: counted === null ? prior : counted === count ? prior * FOR : prior * AGAINST,
			left_g: gap - sign * by * ball_g,
			own_g: 0
		};
	});
	if (gap > 0 && leftover_g === 0)
		suspects.push({
			words: `dough was left over and not weighed, about ${g(gap)}`,
			corrections: [{ what: 'leftover', grams: Math.round(gap) }],
			prior: PRIOR.leftover,
			left_g: 0,
			// Any amount would do: as a weighing it says little.
			own_g: ball_g
		});
	for (const { name, tare_g } of figures.containers) {
		if (gap > 0 && doughWeight_g > tare_g)
			suspects.push({
				words: `the dough was weighed with the ${name}, ${g(tare_g)}`,
				corrections: [{ what: 'dough', grams: doughWeight_g - tare_g }],
				prior: PRIOR.bowl * (mixSquares({ ...figures, doughWeight_g: doughWeight_g - tare_g }) ? 1 : AGAINST),
				left_g: gap - tare_g,
				own_g: 0
			});
		if (gap < 0 && leftover_g > tare_g)
			suspects.push({
				words: `the leftover was weighed with the ${name}, ${g(tare_g)}`,
				corrections: [{ what: 'leftover', grams: leftover_g - tare_g }],
				prior: PRIOR.bowl,
				left_g: gap + tare_g,
				own_g: 0
			});
	}
	return weighed(suspects, { mean_g: 0, sd_g: 0 }, closing.tolerance, gap);
}

/** Whether the mix closes with these figures: a dough weight is evidence of two stages. */
function mixSquares(figures: ExplainFigures): boolean {
	return closings(figures)[0]?.state === 'squares';
}
