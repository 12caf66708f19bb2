import type { RulesName } from '../formula/types.ts';
import { NUTRIENTS, type Composition, type Nutrient } from './nutrients.ts';

/** What a panel or table needs of an ingredient. */
const NEEDED: Record<RulesName, readonly Nutrient[]> = {
	us: NUTRIENTS.filter((nutrient) => nutrient !== 'energy_kcal'),
	eu: ['water_g', 'protein_g', 'fat_g', 'saturates_g', 'carbohydrate_g', 'fibre_g', 'sugars_g', 'sodium_mg']
};

/** How complete a composition is: what is unknown, and which of it a panel waits for. */
export interface Completeness {
	/** Share of what the panel needs that is known, 0 to 1. */
	share: number;
	unknown: Nutrient[];
	/** Unknown values that a panel line waits for. */
	blocking: Nutrient[];
}

/** What is unknown of a composition, and what of it matters for the panel of a rule set. */
export function completeness(composition: Composition, rules: RulesName): Completeness {
	const isUnknown = (nutrient: Nutrient) => (composition[nutrient] ?? null) === null;
	const needed = NEEDED[rules];
	const blocking = needed.filter(isUnknown);
	return {
		share: (needed.length - blocking.length) / needed.length,
		unknown: NUTRIENTS.filter(isUnknown),
		blocking: [...blocking]
	};
}
