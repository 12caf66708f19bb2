import type { Ingredient } from '../formula/types.ts';
import { declaredAllergens } from '../rules/allergens.ts';
import type { RuleSet } from '../rules/ruleset.ts';

const NONE: readonly string[] = [];

/**
 * An ingredient's allergen tags less what the rule set exempts in a highly refined oil (section 10); none while
 * nobody confirmed them.
 */
export function declaredTags(
	{ allergens, refined }: Pick<Ingredient, 'allergens' | 'refined'>,
	rules: Pick<RuleSet, 'exemptsRefined'>
): readonly string[] {
	if (!allergens || refined.length === 0) return allergens ?? NONE;
	return allergens.filter((tag) => !(refined.includes(tag) && rules.exemptsRefined(tag)));
}

/** Names a declaration prints for ingredients, whatever there is of each. */
export const declaredOf = (
	ingredients: readonly Pick<Ingredient, 'allergens' | 'refined'>[],
	rules: RuleSet
): string[] =>
	declaredAllergens(
		ingredients.map((ingredient) => ({ allergens: declaredTags(ingredient, rules) })),
		[],
		rules.allergenGroups
	);
