import type { NutrientAmounts } from '../composition/nutrients.ts';
import type { Ingredient, Pack, Piece, RulesName } from '../formula/types.ts';
import type { Notice, Problem } from '../problem.ts';
import type { FactorEnergy } from '../nutrition/energy.ts';
import type { StatementEntry } from '../statement/entries.ts';
import type { UsPanel } from './us/panel.ts';
import type { UsServing } from './us/serving.ts';
import type { EuTable } from './eu/table.ts';

/** What a rule set is given of a product or batch. */
export interface RuleInput {
	formulaName: string;
	piece: Piece;
	pack: Pack | undefined;
	/** Mean finished weight; null while none was weighed. */
	finishedWeight_g: number | null;
	perPiece: NutrientAmounts;
	per100g: NutrientAmounts | null;
	energy: FactorEnergy;
	/** Heaviest first. */
	entries: StatementEntry[];
	/** Tags of surface materials that touched the pieces though none is said to stay on them. */
	contactAllergens: string[];
	servingPieces: number | undefined;
	ingredientOf: (id: string) => Ingredient;
}

/** What a label must say by one rule set; what the other set asks is null. */
export interface Declarations {
	serving: UsServing | null;
	panel: UsPanel | null;
	panelPiece?: UsPanel;
	panelPackage?: UsPanel;
	table: { per100g: EuTable; perPiece: EuTable } | null;
	statement: string | null;
	contains: string[];
	containsText: string | null;
	notices: Notice[];
	problems: Problem[];
}

/** What differs between jurisdictions. */
export interface RuleSet {
	name: RulesName;
	declare(input: RuleInput): Declarations;
}
