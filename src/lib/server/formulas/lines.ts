import type { Line, Use } from '$core/formula/types.ts';
import { toNumber, type Row } from '../rows.ts';
import type { FormulaLine } from './types.ts';

/** A line as the core takes it, from its columns. */
export function coreLineFromRow(row: Row): Line {
	const ingredient = String(row.ingredient_id);
	const stage = String(row.stage);
	const use = row.use_as as Use;
	if (use === 'dough') return { ingredient, use, ...(stage ? { stage } : {}), grams: Number(row.grams) };
	const uptake_g = toNumber(row.uptake_g);
	return {
		ingredient,
		use,
		...(stage ? { stage } : {}),
		consumed_g: Number(row.consumed_g),
		...(uptake_g === null ? {} : { uptake_g })
	};
}

/** A line without its words, as the core and the file take it. */
export function coreLine(line: Line): Line {
	const { ingredient, stage } = line;
	const common = { ingredient, ...(stage ? { stage } : {}) };
	if (line.use === 'dough') return { ...common, use: 'dough', grams: line.grams };
	return {
		...common,
		use: line.use,
		consumed_g: line.consumed_g,
		...(line.uptake_g === undefined ? {} : { uptake_g: line.uptake_g })
	};
}

export function lineFromRow(row: Row): FormulaLine {
	return {
		...coreLineFromRow(row),
		said: String(row.said),
		note: String(row.note),
		low_g: toNumber(row.low_g),
		high_g: toNumber(row.high_g),
		most_g: toNumber(row.most_g),
		toWeigh: Number(row.to_weigh) === 1
	};
}
