import { mean, roundTo } from '$core/measure/round.ts';
import type { MeasureForm } from './edge/ingredient.ts';
import { refuse } from './errors.ts';
import type { StoredMeasure } from '../shelf/ingredient.ts';

/** How often a maker weighs a measure before its mean stands for it. */
const LEAST_READINGS = 3;
const STEP_G = 0.001;

/**
 * A measure as it is stored: by the maker's own weighings, their mean with the least and the most of
 * them; or as typed. Refuses fewer than three weighings and a range that does not hold its middle.
 */
export function measureInput(form: MeasureForm): StoredMeasure {
	// Fields left empty are no weighings.
	const readings = form.readings.filter((grams) => grams !== null);
	if (readings.length > 0) {
		if (readings.length < LEAST_READINGS)
			refuse('readings', `weigh it ${LEAST_READINGS} times: one scoop is not like the next`);
		return {
			measure: form.measure,
			grams: roundTo(mean(readings) ?? 0, STEP_G),
			low: Math.min(...readings),
			high: Math.max(...readings),
			basis: 'weighed',
			readings
		};
	}
	if (form.grams === null) return refuse('grams', 'type what it weighs, or weigh it three times');
	const [low, high] = [form.low ?? form.grams, form.high ?? form.grams];
	if (low > form.grams) refuse('low', `more than the ${form.grams} g it weighs`);
	if (high < form.grams) refuse('high', `less than the ${form.grams} g it weighs`);
	return { measure: form.measure, grams: form.grams, low, high, basis: 'typed', readings: [] };
}
