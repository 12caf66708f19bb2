import type { RulesName } from '../formula/types.ts';
import type { Figure } from '../rules/figure.ts';
import { rulesOf } from '../rules/index.ts';

/** The figures of a rule set's panel or table that can be asked about, in the order they print. */
export const figuresOf = (rules: RulesName): readonly Figure[] => rulesOf(rules).figures;
