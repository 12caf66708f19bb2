import { describe, expect, it } from 'vitest';
import { readRecipe } from '$core/file/read.ts';
import { unkeepable } from './file-limits.ts';

const file = (more: {
	ball?: number;
	name?: string;
	amount?: string;
	grams?: number;
	stage?: string;
	one?: string;
	cost?: string;
}) =>
	JSON.stringify({
		squareBatch: 1,
		rules: 'us',
		currency: 'USD',
		ingredients: [
			{
				id: 'flour',
				name: more.name ?? 'Flour',
				kind: 'flour',
				per100g: {},
				allergens: ['wheat'],
				price: { amount: more.amount ?? '24.50', grams: 22680 }
			}
		],
		formula: {
			name: 'Roti',
			lines: [{ ingredient: 'flour', use: 'dough', grams: more.grams ?? 1000, stage: more.stage ?? 'Dry' }]
		},
		piece: { one: more.one ?? 'roti', many: 'roti', category: 'flatbread', ballWeight_g: more.ball ?? 60 },
		pack: { pieces: 6, materials: [{ name: 'bag', cost: more.cost ?? '0.11' }] }
	});
const found = (more: Parameters<typeof file>[0]) => {
	const read = readRecipe(file(more));
	if (!read.ok) throw new Error(JSON.stringify(read.problems));
	return unkeepable(read.value).map(({ path, message }) => `${path}: ${message}`);
};

describe('what of a file cannot be kept as it says it', () => {
	it('is nothing of a usual one', () => {
		expect(found({})).toEqual([]);
	});
	it.each([
		[{ ball: 0.0000001 }, 'piece.ballWeight_g: 1e-7 g is less than the thousandth of a gram that is kept'],
		[{ ball: 0.0004 }, 'piece.ballWeight_g: 0.0004 g is less than'],
		[{ grams: 0.0001 }, 'formula.lines[0].grams: 0.0001 g is less than'],
		[{ name: 'W'.repeat(151) }, 'ingredients[0].name: is longer than the 150 characters'],
		[{ stage: 'W'.repeat(61) }, 'formula.lines[0].stage: is longer than the 60'],
		[{ one: 'W'.repeat(41) }, 'piece.one: is longer than the 40'],
		[{ amount: '24.50001' }, 'ingredients[0].price.amount: 24.50001 has more digits than are kept of money'],
		[{ cost: '0.11111' }, 'pack.materials[0].cost: 0.11111 has more digits']
	])('%j is said at its place', (more, says) => {
		expect(found(more)).toHaveLength(1);
		expect(found(more)[0]).toContain(says);
	});
	it.each([
		{ ball: 0.0005 },
		{ name: 'W'.repeat(150) },
		{ stage: 'W'.repeat(60) },
		{ one: 'W'.repeat(40) },
		{ amount: '24.5000' },
		{ grams: 0 }
	])('%j is kept', (more) => {
		expect(found(more)).toEqual([]);
	});
});
