import { randomGamma } from 'd3-random';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import type { Column } from './columns.ts';
import type { Sampler } from './sampler.ts';

/** Fills a column with draws, one for each coming round. */
export type Fill = (column: Column, count: number) => void;

type Generator = ReturnType<typeof xoroshiro128plus>;

/**
 * Draws of a distribution from a stream of its own: the same seed and name give the same numbers, whatever else is
 * drawn. So a question asked again with one spread less meets the same chances in all the others.
 */
export function fillOf(sampler: Sampler, seed: number, name: string): Fill {
	const generator = streamOf(seed, name);
	switch (sampler.kind) {
		case 'fixed':
			return (column, count) => void column.fill(sampler.value, 0, count);
		case 'lognormal': {
			const { value, cv } = sampler;
			return (column, count) => lognormals(generator, value, cv, column, count);
		}
		case 'pack': {
			const { low, high, cv } = sampler;
			return (column, count) => {
				lognormals(generator, 1, cv, column, count);
				for (let at = 0; at < count; at++)
					column[at] = (column[at] ?? 0) * (low + (high - low) * uniform(generator));
			};
		}
		case 'scale': {
			const { value, division, readings } = sampler;
			return (column, count) => {
				for (let at = 0; at < count; at++) {
					const off = uniform(generator) - 0.5 + (readings === 2 ? uniform(generator) - 0.5 : 0);
					column[at] = value + division * off;
				}
			};
		}
		case 'triangular':
			return triangular(sampler.low, sampler.mode, sampler.high, generator);
		case 'uniform': {
			const { low, high } = sampler;
			return (column, count) => {
				for (let at = 0; at < count; at++) column[at] = low + (high - low) * uniform(generator);
			};
		}
		case 'normal': {
			const { mean, sd } = sampler;
			return (column, count) => {
				normals(generator, column, count);
				for (let at = 0; at < count; at++) column[at] = mean + sd * (column[at] ?? 0);
			};
		}
		case 'student': {
			const { mean, scale, degrees } = sampler;
			// χ² of ν degrees is twice a gamma of ν/2.
			const half = randomGamma.source(() => uniform(generator))(degrees / 2);
			return (column, count) => {
				normals(generator, column, count);
				for (let at = 0; at < count; at++)
					column[at] = mean + (scale * (column[at] ?? 0)) / Math.sqrt((2 * half()) / degrees);
			};
		}
	}
}

const TWO_TO_31 = 2 ** 31;
const TWO_TO_32 = 2 ** 32;

/** From 0 up to 1. */
const uniform = (generator: Generator): number => (generator.next() >>> 0) / TWO_TO_32;

/** From −1 up to 1. */
const signed = (generator: Generator): number => generator.next() / TWO_TO_31;

/** Standard normals, two at a time, by Marsaglia's polar method. */
function normals(generator: Generator, column: Column, count: number): void {
	for (let at = 0; at < count; at += 2) {
		let x = signed(generator);
		let y = signed(generator);
		let square = x * x + y * y;
		while (square >= 1 || square === 0) {
			x = signed(generator);
			y = signed(generator);
			square = x * x + y * y;
		}
		const factor = Math.sqrt((-2 * Math.log(square)) / square);
		column[at] = x * factor;
		column[at + 1] = y * factor;
	}
}

/** Lognormals of this mean: mean · exp(σZ − σ²/2), σ² = ln(1 + cv²). */
function lognormals(generator: Generator, mean: number, cv: number, column: Column, count: number): void {
	if (cv === 0) {
		column.fill(mean, 0, count);
		return;
	}
	const variance = Math.log(1 + cv * cv);
	const sigma = Math.sqrt(variance);
	normals(generator, column, count);
	for (let at = 0; at < count; at++) column[at] = mean * Math.exp(sigma * (column[at] ?? 0) - variance / 2);
}

/** By the inverse of its distribution function. */
function triangular(low: number, mode: number, high: number, generator: Generator): Fill {
	const width = high - low;
	if (width === 0) return (column, count) => void column.fill(low, 0, count);
	const atMode = (mode - low) / width;
	return (column, count) => {
		for (let at = 0; at < count; at++) {
			const u = uniform(generator);
			column[at] =
				u < atMode
					? low + Math.sqrt(u * width * (mode - low))
					: high - Math.sqrt((1 - u) * width * (high - mode));
		}
	};
}

/** The stream of this seed and name. */
function streamOf(seed: number, name: string): Generator {
	const generator = xoroshiro128plus(hash(seed, name));
	// Streams of seeds that are near each other begin alike.
	for (let skip = 0; skip < WARM_UP; skip++) generator.next();
	return generator;
}

const WARM_UP = 32;

/** FNV-1a over the seed and the name. */
function hash(seed: number, name: string): number {
	let value = 0x811c9dc5 ^ seed;
	for (let at = 0; at < name.length; at++) value = Math.imul(value ^ name.charCodeAt(at), 0x01000193);
	return Math.imul(value ^ (value >>> 15), 0x2c1b3c6d) | 0;
}
