import { settled } from '../measure/round.ts';
import type { Problem } from '../problem.ts';
import { ENERGY_CHECK_EXEMPT, SUM_CHECK_EXEMPT, type Kind } from './kinds.ts';
import {
	COMPOSITION_KEYS,
	mostPer100g,
	nutrientUnit,
	nutrientWord,
	type Composition,
	type CompositionKey,
	type SomeValues
} from './nutrients.ts';

/** A doubt about a composition: shown at its field, never blocking. */
export interface CompositionWarning {
	code: 'composition-sum' | 'fibre-sugars' | 'saturates-trans' | 'energy-factors';
	key: CompositionKey;
	message: string;
}

/**
 * Values that cannot be: negative, not finite, or more than 100 g can hold (computation, section 1).
 * One problem each, its path the key under `path`.
 */
export function compositionProblems(composition: SomeValues, path = ''): Problem[] {
	const problems: Problem[] = [];
	for (const key of COMPOSITION_KEYS) {
		const value = composition[key];
		if (value === null || value === undefined) continue;
		const message = refusal(key, value);
		if (message) problems.push({ path: path ? `${path}.${key}` : key, message });
	}
	return problems;
}

function refusal(key: CompositionKey, value: number): string | null {
	const word = nutrientWord(key);
	if (!Number.isFinite(value)) return `${word} must be a number`;
	if (value < 0) return `${word} cannot be negative (${value})`;
	const most = mostPer100g(key);
	if (value > most) return `${word} cannot be more than ${most} ${nutrientUnit(key)} in 100 g (${value})`;
	return null;
}

/**
 * The doubts of computation section 1: the parts add up to 98–102 g, fibre and sugars fit in the
 * carbohydrate, saturates and trans fit in the fat, and the energy is within 15 % of 4-9-4-2.
 * A check is left out while a value it needs is unknown.
 */
export function compositionWarnings(composition: Composition, kind: Kind): CompositionWarning[] {
	const warnings: CompositionWarning[] = [];
	const v = (key: CompositionKey) => composition[key];
	const [water, protein, fat, ash, carbohydrate] = [
		v('water_g'),
		v('protein_g'),
		v('fat_g'),
		v('ash_g'),
		v('carbohydrate_g')
	];
	const [fibre, sugars, saturates, trans, energy] = [
		v('fibre_g'),
		v('sugars_g'),
		v('saturates_g'),
		v('transFat_g'),
		v('energy_kcal')
	];
	// What is left of such an ingredient as ash is less than it was: it gives off gas.
	const isWhole = !SUM_CHECK_EXEMPT.includes(kind);
	if (
		isWhole &&
		water !== null &&
		protein !== null &&
		fat !== null &&
		ash !== null &&
		carbohydrate !== null
	) {
		const sum = settled(water + protein + fat + ash + carbohydrate);
		if (sum < 98 || sum > 102)
			warnings.push({
				code: 'composition-sum',
				key: 'water_g',
				message: `water, protein, fat, ash and carbohydrate add up to ${short(sum)} g in 100 g; 98 to 102 is expected`
			});
	}
	if (fibre !== null && sugars !== null && carbohydrate !== null && settled(fibre + sugars) > carbohydrate)
		warnings.push({
			code: 'fibre-sugars',
			key: 'carbohydrate_g',
			message: `fibre and sugars (${short(fibre + sugars)} g) are more than the carbohydrate (${short(carbohydrate)} g)`
		});
	if (saturates !== null && trans !== null && fat !== null && settled(saturates + trans) > fat)
		warnings.push({
			code: 'saturates-trans',
			key: 'fat_g',
			message: `saturated and trans fat (${short(saturates + trans)} g) are more than the fat (${short(fat)} g)`
		});
	if (
		!ENERGY_CHECK_EXEMPT.includes(kind) &&
		energy !== null &&
		protein !== null &&
		fat !== null &&
		carbohydrate !== null &&
		fibre !== null
	) {
		const expected = settled(4 * protein + 9 * fat + 4 * (carbohydrate - fibre) + 2 * fibre);
		if (settled(Math.abs(energy - expected)) > settled(0.15 * expected))
			warnings.push({
				code: 'energy-factors',
				key: 'energy_kcal',
				message: `energy is ${short(energy)} kcal, but protein, fat and carbohydrate give about ${Math.round(expected)}`
			});
	}
	return warnings;
}

function short(value: number): string {
	return String(Math.round(value * 100) / 100);
}
