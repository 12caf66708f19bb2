import { describe, expect, it } from 'vitest';
import { chances } from '../testing/random-recipe.ts';
import type { SoldDay } from './demand.ts';
import { howMany } from './how-many.ts';

const WEEKS = 52;
const SEEN = 6;
const PRICE = 6.5;
const COST = 1.4;

/** Whole packs wanted on a day: Poisson of a mean, by its product of uniforms. */
function wanted(mean: number, chance: () => number): number {
	const least = Math.exp(-mean);
	let packs = 0;
	for (let product = chance(); product > least; product *= chance()) packs++;
	return packs;
}

const median = (sold: readonly number[]): number => {
	const sorted = sold.toSorted((a, b) => a - b);
	const half = sorted.length / 2;
	return Math.ceil(((sorted[Math.ceil(half) - 1] ?? 0) + (sorted[Math.floor(half)] ?? 0)) / 2);
};

/** What a year of Saturdays earns where so many are made by what was seen. */
function year(seed: number, mean: number, make: (seen: readonly SoldDay[]) => number): number {
	const chance = chances(seed);
	const seen: SoldDay[] = Array.from({ length: SEEN }, () => ({
		sold: wanted(mean, chance),
		soldOutAt: null
	}));
	let earned = 0;
	for (let week = 0; week < WEEKS; week++) {
		const made = make(seen.slice(0, SEEN));
		const demand = wanted(mean, chance);
		const sold = Math.min(made, demand);
		earned += PRICE * sold - COST * made;
		// Customers come evenly: the last pack goes when as large a share of the hours has passed as of who wanted one.
		seen.unshift({ sold, soldOutAt: demand > made && sold > 0 ? Math.min(1, made / demand) : null });
	}
	return earned;
}

describe('a simulated year', () => {
	it('planned by the chances earns more than by the middle of what was sold', () => {
		const means = [4, 8, 12, 20];
		const years = 60;
		const by = (make: (seen: readonly SoldDay[]) => number) =>
			means.map((mean) => {
				let sum = 0;
				for (let seed = 0; seed < years; seed++) sum += year(seed, mean, make);
				return sum / years;
			});
		const chancesOf = by(
			(days) => howMany({ days, price: '6.50', cost: '1.40', leftover: '0', ordered: 0 }).make
		);
		const middles = by((days) => median(days.map(({ sold }) => sold)));
		for (const [at, mean] of means.entries())
			expect(chancesOf[at], `mean ${mean}: ${String(middles[at])}`).toBeGreaterThan(
				(middles[at] ?? 0) * 1.02
			);
	});
});
