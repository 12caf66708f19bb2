import { fixed } from '$lib/format.ts';
import type { Trend } from '$lib/batch/trend.ts';

interface TrendUnit {
	/** The value as it is drawn. */
	drawn: (value: number) => number;
	said: (value: number) => string;
}

/** How the values of a trend are drawn and said. */
export const TREND_UNITS: Record<Trend['unit'], TrendUnit> = {
	share: { drawn: (value) => 100 * value, said: (value) => `${fixed(100 * value, 1)} %` },
	min: { drawn: (value) => value, said: (value) => `${fixed(value, 0)} min` }
};
