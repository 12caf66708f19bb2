import type { MixGap } from '../formula/types.ts';
import { residueLimit_g } from '../massflow/massflow.ts';
import type { ClosingFigures } from './closings.ts';
import { inQuadrature } from './uncertainty.ts';

/** A figure of the batch that an explanation would put right. */
export type Correction =
	| { what: 'line'; line: string; grams: number }
	| { what: 'dough' | 'leftover'; grams: number }
	| { what: 'balls' | 'rejects' | 'sellable' | 'packs' | 'loose'; count: number };

/** What would account for a stage that is off. */
export interface Explanation {
	/** In words, as a sentence without its full stop. */
	words: string;
	/** The figures to put right, the fewest that do it. */
	corrections: Correction[];
	/** How likely it is beside the others, from 0 to 1. */
	likelihood: number;
}

/** What a gap is held against beyond the figures it closes on. */
export interface ExplainFigures extends ClosingFigures {
	lines: { id: string; name: string; recorded_g: number; planned_g: number }[];
	/** Stored empty weights of bowls and trays. */
	containers: { name: string; tare_g: number }[];
	/** What this formula's mixes have lost in other batches; null without any. */
	usualGap: { mean_g: number; sd_g: number } | null;
}

/** Explanations that are not within this many standard uncertainties explain nothing. */
const MOST_SIGMAS = 2.5;
/** Less likely than this share of the likeliest one, it is not worth a line. */
const LEAST_SHARE = 0.02;
const MOST_SHOWN = 4;

/** Something that may have gone wrong, and the gap that would then be left. */
export interface Suspect {
	words: string;
	corrections: Correction[];
	/** How often such a thing happens, beside the others. */
	prior: number;
	/** What the gap would be with the corrections. */
	left_g: number;
	/** Uncertainty that the correction itself brings. */
	own_g: number;
}

/** The mix gap to expect: this kitchen's own, or the middle of what is allowed. */
export function expectedMixGap(
	mixGap: MixGap,
	doughMass_g: number,
	usual: ExplainFigures['usualGap']
): { mean_g: number; sd_g: number } {
	if (usual) return usual;
	const limit_g = residueLimit_g(doughMass_g);
	return mixGap === 'residue'
		? { mean_g: limit_g / 2, sd_g: limit_g / 4 }
		: { mean_g: limit_g, sd_g: limit_g / 2 };
}

/** Suspects that fit, likeliest first; pairs are looked at only where no single one does. */
export function weighed(
	suspects: readonly Suspect[],
	expected: { mean_g: number; sd_g: number },
	tolerance_g: number,
	gap_g: number
): Explanation[] {
	const fit = (each: readonly Suspect[]) => {
		const scored = each.flatMap((suspect) => {
			const sigma_g = inQuadrature(expected.sd_g, tolerance_g / 2, suspect.own_g);
			const z = sigma_g === 0 ? Infinity : (suspect.left_g - expected.mean_g) / sigma_g;
			return Math.abs(z) <= MOST_SIGMAS
				? [{ suspect, weight: (suspect.prior * Math.exp((-z * z) / 2)) / Math.max(sigma_g, 1e-9) }]
				: [];
		});
		return ranked(scored.map(({ suspect, weight }) => ({ ...suspect, weight })));
	};
	const single = fit(suspects);
	return single.length > 0 ? single : fit(pairs(suspects, gap_g));
}

/** Ranks what fits and turns weights into shares. */
export function ranked(
	candidates: readonly { words: string; corrections: Correction[]; weight: number }[]
): Explanation[] {
	const total = candidates.reduce((sum, { weight }) => sum + weight, 0);
	const sorted = candidates
		.map(({ words, corrections, weight }) => ({ words, corrections, likelihood: weight / total }))
		.toSorted((a, b) => b.likelihood - a.likelihood);
	const best = sorted[0]?.likelihood ?? 0;
	return sorted.filter(({ likelihood }) => likelihood >= best * LEAST_SHARE).slice(0, MOST_SHOWN);
}

/** Two things at once happen rarely. */
const PAIR_PRIOR = 0.1;

function pairs(suspects: readonly Suspect[], gap_g: number): Suspect[] {
	return suspects.flatMap((one, index) =>
		suspects.slice(index + 1).flatMap((other) => {
			const touched = new Set(one.corrections.map(key));
			if (other.corrections.some((correction) => touched.has(key(correction)))) return [];
			return {
				words: `${one.words}; and ${other.words}`,
				corrections: [...one.corrections, ...other.corrections],
				prior: one.prior * other.prior * PAIR_PRIOR,
				// Each shifts the gap by so much, whatever the other does.
				left_g: one.left_g + other.left_g - gap_g,
				own_g: inQuadrature(one.own_g, other.own_g)
			};
		})
	);
}

const key = (correction: Correction): string =>
	correction.what === 'line' ? `line ${correction.line}` : correction.what;
