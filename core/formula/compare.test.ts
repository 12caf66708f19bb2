import { describe, expect, it } from 'vitest';
import { dough, surface } from '../testing/recipe.ts';
import { compareLines, isChanged } from './compare.ts';

describe('two versions side by side', () => {
	it('pairs lines by ingredient, use and stage, and shows what only one has', () => {
		const rows = compareLines(
			[dough('flour', 1000, 'Dry'), dough('salt', 40, 'Dry'), dough('sugar', 10)],
			[dough('salt', 31, 'Dry'), dough('flour', 1000, 'Mix'), surface('ghee', 'brushing', 90)]
		);
		expect(rows.map((row) => [row.ingredient, row.before_g, row.after_g, isChanged(row)])).toEqual([
			['flour', 1000, 1000, false],
			['salt', 40, 31, true],
			['sugar', 10, null, true],
			['ghee', null, 90, true]
		]);
	});
	it('the same ingredient twice pairs in order', () => {
		const rows = compareLines(
			[dough('flour', 100), dough('flour', 900)],
			[dough('flour', 200), dough('flour', 800)]
		);
		expect(rows.map((row) => [row.before_g, row.after_g])).toEqual([
			[100, 200],
			[900, 800]
		]);
	});
});
