import type { FactorEnergy } from '../nutrition/energy.ts';
import type { Notice, Problem } from '../problem.ts';
import type { EuTable } from './eu/table.ts';
import type { UsPanel } from './us/panel.ts';
import type { UsServing } from './us/serving.ts';

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

/** What of derived facts a panel or table is drawn and explained from. */
export interface PrintedFacts extends Pick<
	Declarations,
	'serving' | 'panel' | 'panelPiece' | 'panelPackage' | 'table'
> {
	energy: FactorEnergy;
	yield: { finishedWeight_g: number | null };
}

/** Pieces in a serving as a number: 2, or a third; one where nothing is said of servings. */
export function servingPiecesOf({ serving }: Pick<Declarations, 'serving'>): number {
	if (!serving) return 1;
	return serving.pieces ?? 1 / Number(serving.fraction?.split('/')[1] ?? 1);
}
