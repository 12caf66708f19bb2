import { describe, expect, it } from 'vitest';
import type { Kind } from '../composition/kinds.ts';
import { pieceOfFamily, proposedOf, withProposed } from './propose.ts';
import type { Ingredient, Line, Use } from './types.ts';

const SHELF: Record<string, [name: string, kind: Kind]> = {
	flour: ['Bread flour', 'flour'],
	powder: ['Baking powder', 'leavening'],
	soda: ['Baking soda', 'leavening'],
	tartar: ['Cream of tartar', 'leavening'],
	yeast: ['Instant yeast', 'yeast'],
	lard: ['Lard', 'fat'],
	oil: ['Olive oil', 'fat'],
	shortening: ['Shortening, no hydrogenated oil', 'fat'],
	ghee: ['Ghee', 'fat'],
	yogurt: ['Yogurt', 'dairy']
};
const ingredientOf = (id: string) => {
	const [name, kind] = SHELF[id] ?? ['', 'other'];
	return { id, name, kind } as Ingredient;
};
const line = (ingredient: string, used_g = 10, use: Use = 'dough'): Line => ({
	ingredient,
	use,
	stage: null,
	used_g,
	uptake_g: null
});
const proposed = (...lines: Line[]) => proposedOf([line('flour', 500), ...lines], ingredientOf);

describe('what the lines propose', () => {
	it.each<[string[], string | undefined]>([
		[['powder', 'soda'], 'baking powder'],
		[['soda'], 'baking soda'],
		[['soda', 'tartar'], 'baking soda'],
		[['yeast', 'powder'], 'yeast'],
		[['tartar'], undefined],
		[[], undefined]
	])('of %j is raised by %s', (ids, leavening) => {
		expect(proposed(...ids.map((id) => line(id))).choices.leavening).toBe(leavening);
	});

	it('is the fat there is most of, in the dough', () => {
		expect(proposed(line('lard', 60), line('oil', 20)).choices.fat).toBe('lard');
		expect(proposed(line('shortening')).choices.fat).toBe('shortening');
		expect(proposed(line('ghee')).choices.fat).toBe('butter');
		expect(proposed(line('ghee', 50, 'layering')).choices.fat).toBeUndefined();
	});

	it.each<[Line[], string | null]>([
		[[], 'roti'],
		[[line('lard'), line('powder')], 'tortilla-cut-in'],
		[[line('yeast')], 'pita'],
		[[line('yeast'), line('yogurt')], 'enriched'],
		[[line('ghee', 50, 'layering')], 'layered'],
		[[line('oil')], null]
	])('and a family, where they tell', (lines, family) => {
		expect(proposed(...lines).family).toBe(family);
	});

	it('tells nothing without flour', () => {
		expect(proposedOf([line('lard')], ingredientOf).family).toBeNull();
	});
});

it.each([
	['tortilla-hot-water', 'tortilla', 'tortilla'],
	['roti', 'roti', 'flatbread'],
	['pita', 'pita', 'flatbread'],
	['layered', 'flatbread', 'flatbread']
])('a piece of %s is a %s, by the amount of a %s', (family, one, category) => {
	expect(pieceOfFamily(family)).toMatchObject({ one, category });
});

describe('what a person chose', () => {
	const lines = proposed(line('powder'), line('lard'));
	it('stands beside what is proposed', () => {
		expect(withProposed({ fat: 'butter', water: 'boiling' }, lines)).toEqual({
			leavening: 'baking powder',
			fat: 'butter',
			water: 'boiling'
		});
	});
	it('is never neither, and never none, where it is in', () => {
		expect(withProposed({ leavening: 'neither', fat: 'none' }, lines)).toEqual({
			leavening: 'baking powder',
			fat: 'lard'
		});
	});
});
