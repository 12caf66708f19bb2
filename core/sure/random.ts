import { randomGamma, randomNormal } from 'd3-random';
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import type { Sampler } from './sampler.ts';

/** Fills a column with draws, one for each coming round. */
export type Fill = (column: Float64Array, count: number) => void;

/**
 * Draws of a distribution from a stream of its own: the same seed and name give the same numbers, whatever else is
 * drawn. So a question asked again with one spread less meets the same chances in all the others.
 */
export function fillOf(sampler: Sampler, seed: number, name: string): Fill {
	const uniform = streamOf(seed, name);
	switch (sampler.kind) {
		case 'fixed':
			return each(() => sampler.value);
		case 'lognormal': {
			const { value, cv } = sampler;
			const factor = lognormalFactor(cv, uniform);
			return each(() => value * factor());
		}
		case 'pack': {
			const { low, high, cv } = sampler;
			const factor = lognormalFactor(cv, uniform);
			return each(() => (low + (high - low) * uniform()) * factor());
		}
		case 'scale': {
			const { value, division, readings } = sampler;
			if (readings === 1) return each(() => value + division * (uniform() - 0.5));
			return each(() => value + division * (uniform() + uniform() - 1));
		}
		case 'triangular':
			return each(triangular(sampler.low, sampler.mode, sampler.high, uniform));
		case 'uniform': {
			const { low, high } = sampler;
			return each(() => low + (high - low) * uniform());
		}
		case 'normal': {
			const { mean, sd } = sampler;
			const z = randomNormal.source(uniform)();
			return each(() => mean + sd * z());
		}
		case 'student': {
			const { mean, scale, degrees } = sampler;
			const z = randomNormal.source(uniform)();
			// χ² of ν degrees is twice a gamma of ν/2.
			const half = randomGamma.source(uniform)(degrees / 2);
			return each(() => mean + (scale * z()) / Math.sqrt((2 * half()) / degrees));
		}
	}
}

const each =
	(next: () => number): Fill =>
	(column, count) => {
		for (let at = 0; at < count; at++) column[at] = next();
	};

function lognormalFactor(cv: number, uniform: () => number): () => number {
	if (cv === 0) return () => 1;
	const variance = Math.log(1 + cv * cv);
	const sigma = Math.sqrt(variance);
	const z = randomNormal.source(uniform)();
	return () => Math.exp(sigma * z() - variance / 2);
}

/** By the inverse of its distribution function. */
function triangular(low: number, mode: number, high: number, uniform: () => number): () => number {
	const width = high - low;
	if (width === 0) return () => low;
	const atMode = (mode - low) / width;
	return () => {
		const u = uniform();
		return u < atMode
			? low + Math.sqrt(u * width * (mode - low))
			: high - Math.sqrt((1 - u) * width * (high - mode));
	};
}

/** Numbers from 0 up to 1 of a stream of this seed and name. */
function streamOf(seed: number, name: string): () => number {
	const generator = xoroshiro128plus(hash(seed, name));
	// Streams of seeds that are near each other begin alike.
	for (let skip = 0; skip < WARM_UP; skip++) generator.next();
	return () => uniformFloat64(generator);
}

const WARM_UP = 32;

/** FNV-1a over the seed and the name. */
function hash(seed: number, name: string): number {
	let value = 0x811c9dc5 ^ seed;
	for (let at = 0; at < name.length; at++) value = Math.imul(value ^ name.charCodeAt(at), 0x01000193);
	return Math.imul(value ^ (value >>> 15), 0x2c1b3c6d) | 0;
}
