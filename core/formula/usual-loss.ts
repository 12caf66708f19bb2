/**
 * Cook loss usual for a family, as a share of the ball. Estimates, inside the 3 to 30 % of computation, section 4, for a
 * preview before the first batch is weighed; no label is ever printed on one.
 */
const USUAL_COOK_LOSS = new Map([
	['tortilla-cut-in', 0.13],
	['tortilla-hot-water', 0.14],
	['roti', 0.16],
	['layered', 0.14],
	['pita', 0.13],
	['enriched', 0.13],
	['stack-rolled', 0.14]
]);
/** Where there is no family to go by. */
const ANY_FAMILY = 0.14;

/** The cook loss a preview goes by where no batch of a formula was weighed. */
export const usualCookLoss = (family: string): number => USUAL_COOK_LOSS.get(family) ?? ANY_FAMILY;
