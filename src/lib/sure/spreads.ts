import { NUTRIENTS, type Nutrient } from '$core/composition/nutrients.ts';
import { USUAL_ASSUMPTIONS } from '$core/sure/assumptions.ts';
import { TABLE_CV } from '$core/sure/values.ts';

/** The scale's own error, where nobody had it calibrated. */
export const CALIBRATION = 'calibration';
/** How far a line may be from what is planned where nobody weighed it and no measure says. */
export const UNWEIGHED = 'unweighed';

/** Nutrients whose values of a table have a spread of their own. */
export const SPREAD_NUTRIENTS: readonly Nutrient[] = NUTRIENTS.filter(
	(nutrient) => TABLE_CV[nutrient] > 0 && nutrient !== 'addedSugars_g'
);

export type SpreadInput = Nutrient | typeof CALIBRATION | typeof UNWEIGHED;
export const SPREAD_INPUTS: readonly SpreadInput[] = [...SPREAD_NUTRIENTS, CALIBRATION, UNWEIGHED];

/** A tenth either way: a cup is off by as much. */
const UNWEIGHED_SHARE = 0.1;

/** What is assumed where a kitchen says nothing, as fractions. */
export const USUAL_SPREADS: Readonly<Record<SpreadInput, number>> = {
	...TABLE_CV,
	[CALIBRATION]: USUAL_ASSUMPTIONS.scale.calibration,
	[UNWEIGHED]: UNWEIGHED_SHARE
};
