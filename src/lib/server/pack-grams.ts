import { readPack } from '$core/measure/pack.ts';
import type { Read } from '$core/measure/reading.ts';
import { roundTo } from '$core/measure/round.ts';
import type { Kitchen } from '../kitchen/types.ts';
import type { ShelfIngredient } from '../shelf/ingredient.ts';
import { toMeasures } from './measures.ts';

/** What the database keeps of a weight. */
const STEP_G = 0.001;
const MOST_GRAMS = 1_000_000;

/** Grams of what a price was paid for, as it is said of this ingredient: `bag of 25 kg`, `1 l`. */
export function packGrams(
	said: string,
	{ measures }: Pick<ShelfIngredient, 'measures'>,
	{ measureSet }: Pick<Kitchen, 'measureSet'>
): Read<number> {
	const pack = readPack(said, toMeasures(measures), measureSet);
	if (!pack.ok) return pack;
	const value = roundTo(pack.value, STEP_G);
	if (value <= 0) return { ok: false, message: 'must be more than 0 g' };
	if (value > MOST_GRAMS)
		return { ok: false, message: 'is more than a tonne: check the figure and its unit' };
	return { ok: true, value };
}
