import { settled } from '../../measure/round.ts';
import type { PackRule } from '../ruleset.ts';

/** Nominal grams, up to; the error as a share of the nominal, or in grams. */
const STEPS: readonly { upTo_g: number; share: number | null; error_g: number }[] = [
	{ upTo_g: 50, share: 0.09, error_g: 0 },
	{ upTo_g: 100, share: null, error_g: 4.5 },
	{ upTo_g: 200, share: 0.045, error_g: 0 },
	{ upTo_g: 300, share: null, error_g: 9 },
	{ upTo_g: 500, share: 0.03, error_g: 0 },
	{ upTo_g: 1000, share: null, error_g: 15 },
	{ upTo_g: 10_000, share: 0.015, error_g: 0 }
];
const LEAST_G = 5;
/** Share of packs that may be short by more than the tolerable error. */
const MAY_BE_SHORT = 0.025;

/** Net contents by the average system (Directive 76/211/EEC annex I, assimilated in the UK; computation, section 12). */
export const euPacks: PackRule = {
	test: 'the average system',
	source: 'Directive 76/211/EEC and its UK counterpart',
	/** The tolerable negative error of a nominal quantity; null below 5 g and above 10 kg. */
	allowedShort_g(nominal_g) {
		if (settled(nominal_g) < LEAST_G) return null;
		const step = STEPS.find(({ upTo_g }) => settled(nominal_g) <= upTo_g);
		if (!step) return null;
		// A percentage is rounded up to the next tenth of a gram (annex I, 2.4).
		return step.share === null ? step.error_g : Math.ceil(settled(step.share * nominal_g * 10)) / 10;
	},
	mayBeTooShort: (packs) => Math.floor(settled(MAY_BE_SHORT * packs)),
	neverTimes: 2,
	sampleLimit_g: () => 0,
	testsMean: () => true,
	sampleSize: () => null
};
