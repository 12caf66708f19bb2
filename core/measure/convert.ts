import type { Amount } from './amount.ts';
import { settled } from './round.ts';
import { GRAMS_PER, millilitresOf, type MeasureSet, type Unit } from './units.ts';

/** Grams of one measure of an ingredient, with the range honest hands reach. */
export interface MeasureWeight {
	grams: number;
	low: number;
	high: number;
}

/** Grams by measure, such as `cup`, `tsp`, `packet`, `each`. */
export type Measures = Record<string, MeasureWeight>;

/** Volumes a weight can be carried over from, the surest first: a large measure is filled more evenly. */
const VOLUMES = ['cup', 'ml', 'tbsp', 'tsp'] as const;

/** A measure's weight times a factor. */
const times = (weight: MeasureWeight, factor: number): MeasureWeight => ({
	grams: weight.grams * factor,
	low: weight.low * factor,
	high: weight.high * factor
});

/**
 * Grams of one `unit` of an ingredient: its own measure, or by volume from another of its measures (16
 * tablespoons and 48 teaspoons to the cup; computation, section 2). Null when its measures do not tell.
 */
export function weightOf(unit: Unit, measures: Measures, set: MeasureSet): MeasureWeight | null {
	if (unit.kind === 'mass') {
		const grams = GRAMS_PER[unit.name as keyof typeof GRAMS_PER];
		return { grams, low: grams, high: grams };
	}
	// A package of something that comes in packets is a packet.
	const own = measures[unit.name] ?? (unit.name === 'package' ? measures.packet : undefined);
	if (own) return own;
	const wanted_ml = millilitresOf(unit.name, set);
	if (unit.kind !== 'volume' || wanted_ml === null) return null;
	const near = nearestVolume(unit.name, measures);
	const near_ml = near && millilitresOf(near, set);
	const weight = near && measures[near];
	return weight && near_ml ? times(weight, wanted_ml / near_ml) : null;
}

/** A spoon follows the other spoon where there is one, everything else the largest measure. */
function nearestVolume(unit: string, measures: Measures): string | undefined {
	if (unit === 'pinch' && measures.tsp) return 'tsp';
	if (unit === 'tsp' || unit === 'pinch') return ['tbsp', 'cup', 'ml'].find((each) => measures[each]);
	if (unit === 'tbsp') return ['tsp', 'cup', 'ml'].find((each) => measures[each]);
	return VOLUMES.find((each) => measures[each]);
}

/** Grams of an amount of a unit, with the range of the amount and of the measure together. */
export function gramsOf(
	amount: Amount,
	unit: Unit,
	measures: Measures,
	set: MeasureSet
): MeasureWeight | null {
	const weight = weightOf(unit, measures, set);
	if (!weight) return null;
	return {
		grams: settled(amount.value * weight.grams),
		low: settled(amount.low * weight.low),
		high: settled(amount.high * weight.high)
	};
}

/** Measures weighed with one set of cups and spoons, as another set's hold: by volume. */
export function measuresInSet(measures: Measures, from: MeasureSet, to: MeasureSet): Measures {
	if (from === to) return measures;
	return Object.fromEntries(
		Object.entries(measures).map(([name, weight]) => {
			const [a, b] = [millilitresOf(name, from), millilitresOf(name, to)];
			return [name, a && b ? times(weight, b / a) : weight];
		})
	);
}

/** Measures as the reference rows write them: `cup:125:118-145;tbsp:8:7-9`; without a range it is none. */
export function readMeasures(text: string): Measures {
	return Object.fromEntries(
		text
			.split(';')
			.filter(Boolean)
			.map((entry) => {
				const [name = '', grams = '', range = ''] = entry.split(':');
				const [low = grams, high = grams] = range === '' ? [] : range.split('-');
				return [name.trim(), { grams: Number(grams), low: Number(low), high: Number(high) }];
			})
	);
}

/** As `readMeasures` reads them. */
export function measuresText(measures: Measures): string {
	return Object.entries(measures)
		.map(([name, weight]) => `${name}:${weight.grams}:${weight.low}-${weight.high}`)
		.join(';');
}
