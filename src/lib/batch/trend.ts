import type { ControlChart } from '$core/history/control.ts';

/** A figure of a formula's batches, oldest first. */
export interface Trend {
	key: 'cookLoss' | 'residue' | 'yield' | 'hydration' | 'time';
	/** What its values are: shares from 0 to 1, or minutes. */
	unit: 'share' | 'min';
	points: TrendPoint[];
	chart: ControlChart;
}

export interface TrendPoint {
	id: string;
	code: string;
	madeOn: string;
	value: number;
	/** What was otherwise than in the batch before, in words. */
	changed: string[];
}
