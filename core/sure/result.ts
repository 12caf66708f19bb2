import { mean, quantileSorted, sampleStandardDeviation } from 'simple-statistics';
import type { Bounds } from '../rules/tolerance.ts';
import type { Share } from './first-order.ts';

/** What would be found of a figure, in its unit. */
export interface Found {
	p5: number;
	p50: number;
	p95: number;
	mean: number;
	sd: number;
}

/** How likely a figure survives, and how sure the draws are of that. */
export interface Survival {
	survives: number;
	standardError: number;
}

/** A figure that prints, and how sure it is; one that is unknown has no more than its name. */
export type SureFigure =
	| { figure: string; printed: null }
	| ({
			figure: string;
			printed: string;
			unit: string;
			found: Found;
			firstOrderSd: number;
			/** Add up to 1, largest first; empty where nothing is uncertain. */
			shares: Share[];
	  } & Bounds &
			Survival);

/** The figures that print. */
export type PrintedSure = Extract<SureFigure, { printed: string }>;

/** Percentiles, mean and standard deviation of what was drawn. */
export function foundOf(draws: Float64Array): Found {
	// A typed array sorts by number, and several times as fast.
	const sorted = Array.from(draws.slice().sort());
	const at = (share: number) => quantileSorted(sorted, share);
	return {
		p5: at(0.05),
		p50: at(0.5),
		p95: at(0.95),
		mean: mean(sorted),
		sd: sorted.length > 1 ? sampleStandardDeviation(sorted) : 0
	};
}

/** The share of the draws within the bounds. What the arithmetic of a draw leaves behind is no reason to fail. */
export function survivalOf(draws: Float64Array, { low, high }: Bounds): Survival {
	const least = low === null ? -Infinity : low - NOISE * Math.abs(low);
	const most = high === null ? Infinity : high + NOISE * Math.abs(high);
	let within = 0;
	for (const found of draws) if (found >= least && found <= most) within++;
	const survives = draws.length === 0 ? 0 : within / draws.length;
	return { survives, standardError: Math.sqrt((survives * (1 - survives)) / Math.max(1, draws.length)) };
}

const NOISE = 1e-12;
