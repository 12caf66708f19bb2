import type { Kind } from '$core/composition/kinds.ts';
import { Matcher } from '$core/composition/match.ts';
import { REFERENCE_NAMES } from '$core/composition/names/index.ts';
import { ownName, withOwnMeasures, type OwnMeasure } from '$core/composition/own-measures.ts';
import type { Measures } from '$core/measure/convert.ts';
import type { LineContext } from '$core/formula/said/read-line.ts';
import type { MeasureSet } from '$core/measure/units.ts';

let reference: Matcher | undefined;
/** What any shipped row is called, whether a shelf has it or not. */
export function referenceMatcher(): Matcher {
	reference ??= new Matcher(Object.entries(REFERENCE_NAMES).map(([id, other]) => ({ id, name: id, other })));
	return reference;
}

/** What reading lines needs to know of an ingredient. */
export interface NamedIngredient {
	id: string;
	name: string;
	kind: Kind;
	/** The shipped row it began as, whose other names it then has. */
	referenceId: string | null;
	measures: Measures;
}

/** Lines read against a kitchen's own shelf, with what its people have corrected before. */
export function shelfContext(
	ingredients: readonly NamedIngredient[],
	remembered: Iterable<[name: string, ingredient: string]>,
	set: MeasureSet,
	own: readonly OwnMeasure[]
): LineContext {
	const measures = new Map(
		ingredients.map((each) => [each.id, withOwnMeasures(each.measures, each.kind, own, set)])
	);
	const matcher = new Matcher(
		ingredients.map(({ id, name, referenceId }) => ({
			id,
			name,
			other: (referenceId === null ? undefined : REFERENCE_NAMES[referenceId]) ?? { names: [] }
		})),
		{ closed: true, remembered: new Map(remembered) }
	);
	return {
		matcher,
		isName: (name, detail) =>
			matcher.match(name, detail).state !== 'none' || referenceMatcher().match(name, detail).state !== 'none',
		measuresOf: (id) => measures.get(id) ?? {},
		ownUnits: [...new Set(own.map(({ name }) => ownName(name)))],
		set
	};
}
