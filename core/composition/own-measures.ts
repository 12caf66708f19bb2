import { weightOf, type Measures, type MeasureWeight } from '../measure/convert.ts';
import { folded, unitNamed, type MeasureSet } from '../measure/units.ts';
import type { Kind } from './kinds.ts';

/** A maker's own spoon, glass, handful or scoop: what it holds, or what it weighs full of a kind of ingredient. */
export interface OwnMeasure {
	name: string;
	/** The kind of ingredient it was weighed with; null where it is given by what it holds. */
	kind: Kind | null;
	millilitres: number | null;
	grams: number | null;
}

/** The one name a measure has in lines: a `teaspoonful` is a `tsp`, and what is no unit here is called as it is. */
export const ownName = (name: string): string =>
	unitNamed(name)?.name ?? folded(name.trim()).replace(/\s+/g, ' ');

const exactly = (grams: number): MeasureWeight => ({ grams, low: grams, high: grams });

/**
 * An ingredient's measures with the maker's own: as weighed with its kind, or else by what it holds where the ingredient
 * has a volume to go by. What the ingredient itself says of a measure comes first.
 */
export function withOwnMeasures(
	measures: Measures,
	kind: Kind,
	own: readonly OwnMeasure[],
	set: MeasureSet
): Measures {
	const found: Measures = {};
	const ml = weightOf({ name: 'ml', kind: 'volume' }, measures, set);
	for (const each of own) {
		const name = ownName(each.name);
		if (each.kind === kind && each.grams !== null) found[name] = exactly(each.grams);
		else if (each.kind === null && each.millilitres !== null && ml && !found[name])
			found[name] = {
				grams: each.millilitres * ml.grams,
				low: each.millilitres * ml.low,
				high: each.millilitres * ml.high
			};
	}
	return { ...found, ...measures };
}
