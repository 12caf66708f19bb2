import type { TableKey } from './table.ts';

const GRAMS =
	'0 prints 0 g; to 0.5 g prints “<0.5 g”; below 10 g the nearest 0.1 g; from 10 g the nearest gram';
const SOURCE = 'Commission guidance on tolerances and rounding, December 2012';

const WORDS: Record<TableKey, string> = {
	energy: 'the nearest kJ and kcal',
	fat: GRAMS,
	saturates:
		'0 prints 0 g; to 0.1 g prints “<0.1 g”; below 10 g the nearest 0.1 g; from 10 g the nearest gram',
	carbohydrate: GRAMS,
	sugars: GRAMS,
	fibre: GRAMS,
	protein: GRAMS,
	salt: '0 prints 0 g; to 0.0125 g prints “<0.01 g”; below 1 g the nearest 0.01 g; from 1 g the nearest 0.1 g'
};

/** How a line of the table is rounded, in words, and where that is set out. */
export function tableRule(key: TableKey): { rule: string; source: string } {
	return { rule: WORDS[key], source: SOURCE };
}
