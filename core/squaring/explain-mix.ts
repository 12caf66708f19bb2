import type { Closing } from './closings.ts';
import {
	expectedMixGap,
	weighed,
	type Explanation,
	type ExplainFigures,
	type Suspect
} from './likelihood.ts';

/** A line is weighed as planned to about so much. */
const LINE_SHARE = 0.02;
/** Under this share of what was planned a line counts as missed, above the other as weighed twice. */
const MISSED = 0.5;
const TWICE = 1.5;
/** How often each happens, beside the others. */
const PRIOR = { missed: 1, partly: 0.3, twice: 1, leftOut: 0.3, doubledIn: 0.1, bowl: 0.4, lineBowl: 0.1 };

const g = (grams: number) => `${Math.round(grams)} g`;

/** What would explain a mix that is off: lines missed or doubled, a bowl that was not tared. */
export function explainMix(
	closing: Extract<Closing, { state: 'off' }>,
	figures: ExplainFigures
): Explanation[] {
	const { gap } = closing;
	const suspects: Suspect[] = [
		...figures.lines.flatMap((line): Suspect[] => {
			const { id, name, recorded_g, planned_g } = line;
			const own_g = planned_g * LINE_SHARE;
			const corrected = (grams: number) => [{ what: 'line' as const, line: id, grams }];
			if (recorded_g < planned_g * MISSED)
				return [
					{
						words:
							recorded_g === 0
								? `${name}, ${g(planned_g)} planned, went in and was not noted`
								: `${name} is noted at ${g(recorded_g)} of ${g(planned_g)}: all of it went in`,
						corrections: corrected(planned_g),
						prior: recorded_g === 0 ? PRIOR.missed : PRIOR.partly,
						left_g: gap + planned_g - recorded_g,
						own_g
					}
				];
			if (recorded_g > planned_g * TWICE)
				return [
					{
						words: `${name} was noted twice: ${g(recorded_g)} for ${g(planned_g)} planned`,
						corrections: corrected(planned_g),
						prior: PRIOR.twice,
						left_g: gap - (recorded_g - planned_g),
						own_g
					}
				];
			return [
				{
					words: `${name}, ${g(recorded_g)}, is noted and never went in`,
					corrections: corrected(0),
					prior: PRIOR.leftOut,
					left_g: gap - recorded_g,
					own_g: 0
				},
				{
					words: `${name}, ${g(recorded_g)}, went in twice and was noted once`,
					corrections: corrected(recorded_g * 2),
					prior: PRIOR.doubledIn,
					left_g: gap + recorded_g,
					own_g
				}
			];
		}),
		...figures.containers.flatMap(({ name, tare_g }): Suspect[] => [
			...(figures.doughWeight_g !== null && figures.doughWeight_g > tare_g
				? [
						{
							words: `the dough was weighed with the ${name}, ${g(tare_g)}`,
							corrections: [{ what: 'dough' as const, grams: figures.doughWeight_g - tare_g }],
							prior: PRIOR.bowl,
							left_g: gap + tare_g,
							own_g: 0
						}
					]
				: []),
			...figures.lines
				.filter((line) => line.recorded_g > tare_g && line.recorded_g - line.planned_g > tare_g * MISSED)
				.map((line): Suspect => ({
					words: `${line.name} was weighed with the ${name}, ${g(tare_g)}`,
					corrections: [{ what: 'line', line: line.id, grams: line.recorded_g - tare_g }],
					prior: PRIOR.lineBowl,
					left_g: gap - tare_g,
					own_g: 0
				}))
		])
	];
	return weighed(
		suspects,
		expectedMixGap(figures.mixGap, figures.doughMass_g, figures.usualGap),
		closing.tolerance,
		gap
	);
}
