import { onScale_g } from '../formula/scale.ts';
import { settled } from '../measure/round.ts';
import { ofReadings, tolerance_g } from '../squaring/uncertainty.ts';

/** How a line stands on the scale. */
export type LineState = 'to weigh' | 'under' | 'there' | 'over';

export interface WeighInLine {
	state: LineState;
	/** What to weigh, as the scale can show it. */
	target_g: number;
	/** Still missing; below zero when too much is in. */
	missing_g: number;
	/** Within this either way it is there. */
	tolerance_g: number;
}

/** Share of a line within which no one would weigh again. */
const NEAR_SHARE = 0.005;

/**
 * How near a line has to come: the tolerance of its readings (computation, section 13),
 * and never nearer than one step of the scale or half a percent of the line.
 */
export function weighTolerance_g(target_g: number, readings: number, scaleDivision_g: number): number {
	const uncertainty_g = tolerance_g(ofReadings(scaleDivision_g, Math.max(1, readings)));
	return Math.max(uncertainty_g, scaleDivision_g, NEAR_SHARE * target_g);
}

/** How a line stands of which `planned_g · factor` is wanted and these readings were taken, grams. */
export function weighInLine(
	planned_g: number,
	factor: number,
	readings_g: readonly number[],
	scaleDivision_g: number
): WeighInLine {
	const target_g = onScale_g(planned_g * factor, scaleDivision_g);
	const tolerance_g = weighTolerance_g(target_g, readings_g.length, scaleDivision_g);
	const missing_g = settled(target_g - readings_g.reduce((sum, grams) => sum + grams, 0));
	const state =
		readings_g.length === 0
			? 'to weigh'
			: missing_g > tolerance_g
				? 'under'
				: missing_g < -tolerance_g
					? 'over'
					: 'there';
	return { state, target_g, missing_g, tolerance_g };
}

/** What the rest is multiplied by so that it fits a line that came out otherwise. */
export function restFactor(target_g: number, weighed_g: number): number | null {
	return target_g > 0 && weighed_g > 0 ? weighed_g / target_g : null;
}
