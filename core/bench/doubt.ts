import { settled } from '../measure/round.ts';

/** A target may be missed by so much before a figure is more likely of something else. */
const TIMES_OVER = 3;
const TIMES_UNDER = 4;
/** Nothing is doubted where both are so light that a hand's slip is many times the target. */
const LIGHT_G = 20;
/** No plate that bread is cooked on is hotter, and a cold one cooks nothing. */
const HOTTEST_C = 450;
const COLDEST_C = 40;

/**
 * A question where a weight cannot be meant for what is weighed now: many times its target, or a small part of it; null
 * where it can. What is there already counts; a part of it may come in several readings, so only too much is asked then.
 */
export function weightDoubt(
	grams: number,
	target_g: number,
	{ inParts = false, already_g = 0 }: { inParts?: boolean; already_g?: number } = {}
): string | null {
	const total_g = settled(grams + already_g);
	if (!(target_g > 0) || Math.max(total_g, target_g) < LIGHT_G) return null;
	const times = settled(total_g / target_g);
	if (times > TIMES_OVER)
		return `that is ${saidTimes(times)} times what is wanted here: was it something else?`;
	if (!inParts && settled(target_g / total_g) > TIMES_UNDER)
		return 'that is less than a quarter of what is wanted here: was it something else?';
	return null;
}

const saidTimes = (times: number): string =>
	times < 10 ? times.toFixed(1).replace(/\.0$/, '') : String(Math.round(times));

/** A question where a temperature cannot be that of a plate or an oven, °C; null where it can. */
export function temperatureDoubt(temperature_c: number): string | null {
	if (temperature_c > HOTTEST_C)
		return `${Math.round(temperature_c)} °C is hotter than any plate for bread: was it °F, or a slip?`;
	if (temperature_c < COLDEST_C) return `${Math.round(temperature_c)} °C cooks nothing: was it a slip?`;
	return null;
}
