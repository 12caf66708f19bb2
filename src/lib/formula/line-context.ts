import { Matcher } from '$core/composition/match.ts';
import { REFERENCE_NAMES } from '$core/composition/names/index.ts';
import type { Measures } from '$core/measure/convert.ts';
import type { LineContext } from '$core/formula/said/read-line.ts';
import type { MeasureSet } from '$core/measure/units.ts';

/** What reading lines needs to know of an ingredient. */
export interface NamedIngredient {
	id: string;
	name: string;
	/** The shipped row it began as, whose other names it then has. */
	referenceId: string | null;
	measures: Measures;
}

/** Lines read against a kitchen's own shelf, with what its people have corrected before. */
export function shelfContext(
	ingredients: readonly NamedIngredient[],
	remembered: Iterable<[name: string, ingredient: string]>,
	set: MeasureSet
): LineContext {
	const byId = new Map(ingredients.map((ingredient) => [ingredient.id, ingredient]));
	return {
		matcher: new Matcher(
			ingredients.map(({ id, name, referenceId }) => ({
				id,
				name,
				other: (referenceId === null ? undefined : REFERENCE_NAMES[referenceId]) ?? { names: [] }
			})),
			{ closed: true, remembered: new Map(remembered) }
		),
		measuresOf: (id) => byId.get(id)?.measures ?? {},
		set
	};
}
