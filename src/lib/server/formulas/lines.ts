import type { Use } from '$core/formula/types.ts';
import type { FormulaLine } from '../../formula/types.ts';
import { toNumber, type Row } from '../rows.ts';

/** A line of a formula from its columns: grams of dough and of what is used up are in columns of their own. */
export function lineFromRow(row: Row): FormulaLine {
	return {
		ingredient: String(row.ingredient_id),
		use: row.use_as as Use,
		stage: String(row.stage) || null,
		used_g: Number(row.grams ?? row.consumed_g),
		uptake_g: toNumber(row.uptake_g),
		said: String(row.said),
		note: String(row.note),
		low_g: toNumber(row.low_g),
		high_g: toNumber(row.high_g),
		most_g: toNumber(row.most_g),
		toWeigh: Number(row.to_weigh) === 1
	};
}
