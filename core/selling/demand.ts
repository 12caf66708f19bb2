import { settled } from '../measure/round.ts';

/** What a selling day sold, and the share of its hours that had passed when nothing was left; null where some was. */
export interface SoldDay {
	sold: number;
	soldOutAt: number | null;
}

/** How likely so many packs are wanted. */
export interface Wanted {
	packs: number;
	probability: number;
}

/** A week back counts this much of the week after it. */
const WEEK_WEIGHT = 0.85;

/** What each day counts, newest first. */
export const weightsOf = (days: readonly SoldDay[]): number[] => days.map((_, back) => WEEK_WEIGHT ** back);

/**
 * How many packs walk-up customers want on a day, from what days sold, newest first (section 16): Kaplan–Meier with
 * weights. A day that sold out shows that at least so many were wanted. What is left above the largest amount, where
 * a day that sold out has it, goes to what such days would have sold in all their hours. Smallest amount first; empty
 * without days.
 */
export function wantedPacks(days: readonly SoldDay[]): Wanted[] {
	const weights = weightsOf(days);
	const weighed = days.map((day, at) => ({ ...day, weight: weights[at] ?? 0 }));
	const sum = (some: readonly { weight: number }[]) => some.reduce((total, { weight }) => total + weight, 0);
	const found = new Map<number, number>();
	const add = (packs: number, probability: number) => {
		if (probability > 0) found.set(packs, (found.get(packs) ?? 0) + probability);
	};
	let surviving = 1;
	let lastSeen = -Infinity;
	const amounts = [...new Set(days.map(({ sold }) => sold))].sort((a, b) => a - b);
	for (const packs of amounts) {
		// At equal amounts what was seen counts before what was censored: that is still at risk.
		const atRisk = sum(weighed.filter(({ sold }) => sold >= packs));
		const seen = sum(weighed.filter(({ sold, soldOutAt }) => sold === packs && soldOutAt === null));
		if (seen === 0) continue;
		lastSeen = packs;
		const isLast = seen === atRisk;
		const next = isLast ? 0 : surviving * (1 - seen / atRisk);
		add(packs, surviving - next);
		surviving = next;
	}
	const censored = weighed.filter(({ sold, soldOutAt }) => soldOutAt !== null && sold >= lastSeen);
	const total = sum(censored);
	for (const { sold, soldOutAt, weight } of censored)
		add(Math.ceil(settled(sold / (soldOutAt ?? 1))), (surviving * weight) / total);
	return [...found].map(([packs, probability]) => ({ packs, probability })).sort((a, b) => a.packs - b.packs);
}
