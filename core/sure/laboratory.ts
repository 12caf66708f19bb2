/** A laboratory works calories out rather than measure them: section 15 gives them this relative spread. */
const CALORIES_RSD = 0.02;
const HORWITZ_BELOW = 1.2e-7;
const HORWITZ_ABOVE = 0.138;

/** Grams in one of a unit. */
const GRAMS_IN: Record<string, number> = { g: 1, mg: 1e-3, mcg: 1e-6 };

/**
 * The relative standard deviation between laboratories at a mass fraction: Thompson's form (2000) of the curve
 * Horwitz drew from collaborative trials.
 */
export function reproducibility(massFraction: number): number {
	if (massFraction < HORWITZ_BELOW) return 0.22;
	if (massFraction <= HORWITZ_ABOVE) return 0.02 * massFraction ** -0.1505;
	return 0.01 * massFraction ** -0.5;
}

/** The same for a figure of so much per 100 g in its unit; of kcal, which is worked out, 2 %. */
export function laboratoryRsd(per100g: number, unit: string): number {
	const grams = GRAMS_IN[unit];
	if (grams === undefined) return CALORIES_RSD;
	return per100g > 0 ? reproducibility((per100g * grams) / 100) : 0;
}
