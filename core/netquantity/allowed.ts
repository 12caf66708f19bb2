import { settled } from '../measure/round.ts';

/** Declared grams, up to and including, and how far one pack may be short (NIST Handbook 133, appendix A). */
const US_STEPS: readonly (readonly [declared_g: number, short_g: number])[] = [
	[54, 3.6],
	[81, 5.4],
	[117, 7.2],
	[154, 9.0],
	[208, 10.8],
	[263, 12.7],
	[317, 14.5],
	[381, 16.3],
	[426, 18.1],
	[489, 19.9],
	[571, 21.7],
	[635, 23.5],
	[698, 25.4],
	[771, 27.2],
	[852, 29.0],
	[970, 31.7],
	[1120, 35.3],
	[1250, 39.0],
	[1450, 42.6]
];

/**
 * How many grams one pack may fall short of what it declares in the United States, the maximum
 * allowable variation; null above 1450 g, where the table here ends.
 */
export function usAllowedShort_g(declared_g: number): number | null {
	if (settled(declared_g) < 36) return 0.1 * declared_g;
	return US_STEPS.find(([upTo_g]) => settled(declared_g) <= upTo_g)?.[1] ?? null;
}

/** Nominal grams, up to; the error as a share of the nominal, or in grams. */
const EU_STEPS: readonly { upTo_g: number; share?: number; error_g?: number }[] = [
	{ upTo_g: 50, share: 0.09 },
	{ upTo_g: 100, error_g: 4.5 },
	{ upTo_g: 200, share: 0.045 },
	{ upTo_g: 300, error_g: 9 },
	{ upTo_g: 500, share: 0.03 },
	{ upTo_g: 1000, error_g: 15 },
	{ upTo_g: 10_000, share: 0.015 }
];
const EU_LEAST_G = 5;

/**
 * The tolerable negative error of a nominal quantity in grams (Directive 76/211/EEC annex I, assimilated
 * in the UK); null below 5 g and above 10 kg, which the table does not cover.
 */
export function euTolerableError_g(nominal_g: number): number | null {
	if (settled(nominal_g) < EU_LEAST_G) return null;
	const step = EU_STEPS.find(({ upTo_g }) => settled(nominal_g) <= upTo_g);
	if (!step) return null;
	return step.error_g ?? (step.share ?? 0) * nominal_g;
}
