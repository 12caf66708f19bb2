/** How one number may come out: its distribution. Grams, or whatever the number is of. */
export type Sampler =
	| { kind: 'fixed'; value: number }
	/** Keeps its mean: value · exp(σZ − σ²/2), σ² = ln(1 + cv²). */
	| { kind: 'lognormal'; value: number; cv: number }
	/** What a pack's printed figure leaves open, times a lognormal for how the material varies. */
	| { kind: 'pack'; low: number; high: number; cv: number }
	/** A reading of a scale that shows steps of `division`; `readings` is 2 where a tare was read before. */
	| { kind: 'scale'; value: number; division: number; readings: 1 | 2 }
	| { kind: 'triangular'; low: number; mode: number; high: number }
	| { kind: 'uniform'; low: number; high: number }
	| { kind: 'normal'; mean: number; sd: number }
	/** mean + scale · t. */
	| { kind: 'student'; mean: number; scale: number; degrees: number };

/** A number that is what it is. */
export const fixed = (value: number): Sampler => ({ kind: 'fixed', value });

/** The mean of a distribution. */
export function meanOf(sampler: Sampler): number {
	switch (sampler.kind) {
		case 'fixed':
		case 'lognormal':
		case 'scale':
			return sampler.value;
		case 'pack':
		case 'uniform':
			return (sampler.low + sampler.high) / 2;
		case 'triangular':
			return (sampler.low + sampler.mode + sampler.high) / 3;
		case 'normal':
		case 'student':
			return sampler.mean;
	}
}

const TWELVE = Math.sqrt(12);

/**
 * Its standard deviation. Student's with one or two degrees of freedom has none: there it is the scale, so that
 * the input still stands in its place among the others.
 */
export function sdOf(sampler: Sampler): number {
	switch (sampler.kind) {
		case 'fixed':
			return 0;
		case 'lognormal':
			return sampler.value * sampler.cv;
		case 'pack': {
			// Of a product of two independent factors, the second with mean 1.
			const middle = meanOf(sampler);
			const between = (sampler.high - sampler.low) / TWELVE;
			return Math.sqrt((between ** 2 + middle ** 2) * (1 + sampler.cv ** 2) - middle ** 2);
		}
		case 'scale':
			return (sampler.division / TWELVE) * Math.sqrt(sampler.readings);
		case 'triangular': {
			const { low, mode, high } = sampler;
			return Math.sqrt((low ** 2 + mode ** 2 + high ** 2 - low * mode - low * high - mode * high) / 18);
		}
		case 'uniform':
			return (sampler.high - sampler.low) / TWELVE;
		case 'normal':
			return sampler.sd;
		case 'student': {
			const { scale, degrees } = sampler;
			return degrees > 2 ? scale * Math.sqrt(degrees / (degrees - 2)) : scale;
		}
	}
}
