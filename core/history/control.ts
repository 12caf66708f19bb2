import { mean } from '../measure/round.ts';

/** Of a moving range of two: three standard deviations are 3 / 1.128 of its mean. */
const LIMIT_PER_RANGE = 3 / 1.128;
/** So many on one side of the mean do not come by chance. */
const RUN = 8;
/** Fewer than this say nothing of what is usual. */
const LEAST = 6;

/** What is usual of a figure from one batch to the next. */
export interface ControlLimits {
	mean: number;
	low: number;
	high: number;
}

/** Why a batch stands out. */
export type Signal = 'outside' | 'run';

/** A figure over batches with what is usual of it; null limits while there are too few. */
export interface ControlChart {
	limits: ControlLimits | null;
	/** For each value, why it stands out; null where it does not. */
	signals: (Signal | null)[];
}

/**
 * An individuals chart (Shewhart; moving ranges of two): the mean and the limits three standard deviations
 * away, estimated from how much one batch differs from the next, so that a slow shift does not widen them.
 * `outside` is beyond a limit, `run` the eighth or later in a row on one side of the mean. Values come
 * oldest first.
 */
export function controlChart(values: readonly number[]): ControlChart {
	const middle = mean(values);
	const range = mean(values.slice(1).map((value, index) => Math.abs(value - (values[index] ?? value))));
	if (values.length < LEAST || middle === null || range === null)
		return { limits: null, signals: values.map(() => null) };
	const limits = {
		mean: middle,
		low: middle - LIMIT_PER_RANGE * range,
		high: middle + LIMIT_PER_RANGE * range
	};
	let [side, length] = [0, 0];
	const signals = values.map((value): Signal | null => {
		const now = Math.sign(value - middle);
		length = now !== 0 && now === side ? length + 1 : now === 0 ? 0 : 1;
		side = now;
		if (value < limits.low || value > limits.high) return 'outside';
		return length >= RUN ? 'run' : null;
	});
	return { limits, signals };
}
