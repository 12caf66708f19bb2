import type { NutrientAmounts } from './composition/nutrients.ts';
import type { Cost } from './cost/cost.ts';
import type { BakersFigures } from './formula/bakers.ts';
import type { FactorEnergy } from './nutrition/energy.ts';
import type { Incomplete } from './nutrition/perPiece.ts';
import type { Notice } from './problem.ts';
import type { Declarations } from './rules/declarations.ts';

/** Everything derived for a product or batch: the output of the Square Batch file's `derive`. */
export interface Facts {
	yield: {
		doughMass_g: number;
		doughWeight_g: number;
		pieces: number;
		ballWeight_g: number;
		leftoverDough_g: number;
		uptake_g: number;
		finishedWeight_g: number | null;
		cookLoss: number | null;
		finishedMoisture: number | null;
		sellable: number;
		packs: number | null;
		loose: number | null;
		overallYield: number | null;
	};
	formula: BakersFigures;
	perPiece: NutrientAmounts;
	per100g: NutrientAmounts | null;
	energy: FactorEnergy;
	incomplete: Incomplete[];
	serving: Declarations['serving'];
	panel: Declarations['panel'];
	panelPiece?: Declarations['panelPiece'];
	panelPackage?: Declarations['panelPackage'];
	table: Declarations['table'];
	statement: string | null;
	allergens: { contains: string[]; text: string | null; unconfirmed: string[] };
	cost: Cost;
	notices: Notice[];
}
