import { RULES_NAMES, type RulesName } from '../formula/types.ts';
import { eu } from './eu/index.ts';
import type { RuleSet } from './ruleset.ts';
import { us } from './us/index.ts';

const RULE_SETS: Record<RulesName, RuleSet> = { us, eu };

/** The rule set of a name. */
export const rulesOf = (name: RulesName): RuleSet => RULE_SETS[name];

/** The rule sets a product's label may follow, beside the one of this name. */
export const otherRules = (name: RulesName): RulesName[] => RULES_NAMES.filter((each) => each !== name);
