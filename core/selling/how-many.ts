import { Decimal } from 'decimal.js';
import { settled } from '../measure/round.ts';
import { wantedPacks, weightsOf, type SoldDay, type Wanted } from './demand.ts';

/** What is known of a product for a selling day. */
export interface DayAhead {
	/** Newest first. */
	days: readonly SoldDay[];
	/** Of a pack, decimal strings: what it brings, what it costs to make, and what one left over is still worth. */
	price: string;
	cost: string;
	leftover: string;
	/** Packs that were ordered: certain, and apart from who walks up. */
	ordered: number;
}

/** How many to make, and what comes of it. */
export interface HowMany {
	make: number;
	walkUp: number;
	ordered: number;
	/** The chance that more is wanted than there is for who walks up. */
	chanceOfSellingOut: number;
	expectedLeft: number;
	distribution: Wanted[];
	/** Too few days were seen to go by how they differ. */
	littleKnown: boolean;
}

/** With fewer days the median of what was sold is made. */
const ENOUGH_DAYS = 4;

/**
 * How many packs to make for a selling day (section 16): for who walks up the smallest number whose cumulative
 * probability is at least (price − cost) ÷ (price − leftover), and what is ordered on top. A price that is not above
 * the cost makes only what is ordered.
 */
export function howMany({ days, price, cost, leftover, ordered }: DayAhead): HowMany {
	const distribution = wantedPacks(days);
	const littleKnown = days.length < ENOUGH_DAYS;
	const walkUp = new Decimal(price).lte(cost)
		? 0
		: littleKnown
			? medianSold(days)
			: smallestBy(distribution, criticalRatio(price, cost, leftover));
	return {
		make: walkUp + ordered,
		walkUp,
		ordered,
		chanceOfSellingOut: chanceOfMore(distribution, walkUp),
		expectedLeft: sumBy(distribution, ({ packs, probability }) => probability * Math.max(0, walkUp - packs)),
		distribution,
		littleKnown
	};
}

/** The chance that more is wanted than so many packs. */
export const chanceOfMore = (distribution: readonly Wanted[], walkUp: number): number =>
	sumBy(distribution, ({ packs, probability }) => (packs > walkUp ? probability : 0));

/** What the takings of a day are expected to come to with so many packs for who walks up, costs taken off. */
export function expectedGain(
	{ price, cost, leftover }: Pick<DayAhead, 'price' | 'cost' | 'leftover'>,
	distribution: readonly Wanted[],
	walkUp: number
): number {
	const sold = sumBy(distribution, ({ packs, probability }) => probability * Math.min(walkUp, packs));
	return Number(price) * sold + Number(leftover) * (walkUp - sold) - Number(cost) * walkUp;
}

function criticalRatio(price: string, cost: string, leftover: string): number {
	const atStake = new Decimal(price).minus(leftover);
	// What is left over is worth as much as what is sold: there cannot be too many.
	if (atStake.lte(0)) return 1;
	return Math.min(1, new Decimal(price).minus(cost).div(atStake).toNumber());
}

/** The smallest amount whose cumulative probability is at least `ratio`; 0 of nothing. */
function smallestBy(distribution: readonly Wanted[], ratio: number): number {
	let cumulative = 0;
	for (const { packs, probability } of distribution) {
		cumulative += probability;
		if (settled(cumulative) >= settled(ratio)) return packs;
	}
	return distribution.at(-1)?.packs ?? 0;
}

/** The smallest amount with half the weight of the days at or below it. */
function medianSold(days: readonly SoldDay[]): number {
	const weights = weightsOf(days);
	const half = sumBy(weights, (weight) => weight) / 2;
	const amounts = [...new Set(days.map(({ sold }) => sold))].sort((a, b) => a - b);
	return (
		amounts.find(
			(amount) =>
				settled(sumBy(days, ({ sold }, at) => (sold <= amount ? (weights[at] ?? 0) : 0))) >= settled(half)
		) ?? 0
	);
}

const sumBy = <T>(items: readonly T[], amount: (item: T, at: number) => number): number =>
	items.reduce((sum, item, at) => sum + amount(item, at), 0);
