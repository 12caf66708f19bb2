import { NUTRIENTS, type Composition, type Nutrient } from '../composition/nutrients.ts';
import type { RuleSet } from './ruleset.ts';

/** How complete a composition is: what is unknown, and which of it a panel waits for. */
export interface Completeness {
	/** Share of what the panel needs that is known, 0 to 1. */
	share: number;
	unknown: Nutrient[];
	/** Unknown values that a panel line waits for. */
	blocking: Nutrient[];
}

/** What is unknown of a composition, and what of it matters for what a rule set prints. */
export function completeness(composition: Composition, { needed }: Pick<RuleSet, 'needed'>): Completeness {
	const isUnknown = (nutrient: Nutrient) => composition[nutrient] === null;
	const blocking = needed.filter(isUnknown);
	return {
		share: (needed.length - blocking.length) / needed.length,
		unknown: NUTRIENTS.filter(isUnknown),
		blocking
	};
}
