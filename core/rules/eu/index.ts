import { factorEnergy } from '../../nutrition/energy.ts';
import { declaredAllergens } from '../allergens.ts';
import type { Declarations, RuleInput, RuleSet } from '../ruleset.ts';
import { EU_ANNEX_II } from './allergens.ts';
import { euStatement } from './statement.ts';
import { euTable } from './table.ts';

/** The European Union and, assimilated, the United Kingdom: Regulation 1169/2011. */
export const eu: RuleSet = {
	name: 'eu',
	declare(input: RuleInput): Declarations {
		const weighed = input.finishedWeight_g !== null && input.per100g !== null;
		return {
			serving: null,
			panel: null,
			table:
				weighed && input.per100g
					? {
							per100g: euTable(input.per100g, factorEnergy(input.per100g)),
							perPiece: euTable(input.perPiece, input.energy)
						}
					: null,
			statement:
				input.finishedWeight_g === null
					? null
					: euStatement(input.entries, input.finishedWeight_g, input.formulaName),
			contains: declaredAllergens(input.entries, input.contactAllergens, EU_ANNEX_II),
			containsText: null,
			notices: [],
			problems: []
		};
	}
};
