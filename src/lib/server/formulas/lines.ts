import type { Use } from '$core/formula/types.ts';
import type { FormulaLine } from '../../formula/types.ts';
import type { RowOf } from '../db/tables.ts';
import { toNumber } from '../rows.ts';

/** A line of a formula from its columns: grams of dough and of what is used up are in columns of their own. */
export function lineFromRow(row: RowOf<'formula_lines'>): FormulaLine {
	return {
		ingredient: row.ingredient_id,
		use: row.use_as as Use,
		stage: row.stage || null,
		used_g: Number(row.grams ?? row.consumed_g),
		uptake_g: toNumber(row.uptake_g),
		said: row.said,
		note: row.note,
		low_g: toNumber(row.low_g),
		high_g: toNumber(row.high_g),
		most_g: toNumber(row.most_g),
		toWeigh: row.to_weigh === 1
	};
}
