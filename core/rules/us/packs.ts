import { settled } from '../../measure/round.ts';
import { studentT } from '../../measure/student.ts';
import type { PackRule } from '../ruleset.ts';

/** Declared grams, up to and including, and how far one pack may be short (NIST Handbook 133, appendix A). */
const STEPS: readonly (readonly [declared_g: number, short_g: number])[] = [
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

/** The only sample in which one pack may be short by more than is allowed. */
const LARGEST_SAMPLE = 48;
const CONFIDENCE = 0.975;

/** Net contents by NIST Handbook 133, category A (computation, section 12). */
export const usPacks: PackRule = {
	test: 'the inspector’s test',
	source: 'NIST Handbook 133',
	/** The maximum allowable variation; null above 1450 g, where the table here ends. */
	allowedShort_g(declared_g) {
		if (settled(declared_g) < 36) return 0.1 * declared_g;
		return STEPS.find(([upTo_g]) => settled(declared_g) <= upTo_g)?.[1] ?? null;
	},
	mayBeTooShort: (packs) => (packs === LARGEST_SAMPLE ? 1 : 0),
	neverTimes: null,
	/** t(0.975, N − 1) · s / √N, the inspector's allowance for having weighed only a sample. */
	sampleLimit_g: (spread_g, packs) =>
		spread_g === null ? 0 : (studentT(CONFIDENCE, packs - 1) * spread_g) / Math.sqrt(packs),
	/** One pack says nothing of a mean: only its own shortness counts. */
	testsMean: (packs) => packs > 1,
	sampleSize(lotPacks) {
		if (lotPacks <= 11) return lotPacks;
		if (lotPacks <= 250) return 12;
		return lotPacks <= 3200 ? 24 : LARGEST_SAMPLE;
	}
};
