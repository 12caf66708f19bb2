import { describe, expect, it } from 'vitest';
import { ingredient, per100g } from '../testing/recipe.ts';
import { mixCycle, mixFacts, openedHydration, openedMixes } from './mix.ts';

const shelf = [
	ingredient('flour', {
		label: { us: 'enriched flour (wheat flour, niacin)' },
		per100g: per100g({ protein_g: 12, water_g: 12 }),
		allergens: ['wheat'],
		price: { amount: '24.00', grams: 24000 }
	}),
	ingredient('milk', {
		label: { us: 'nonfat dry milk' },
		per100g: per100g({ protein_g: 36, water_g: 3 }),
		allergens: ['milk'],
		price: { amount: '9.00', grams: 1000, usable: 0.9 }
	}),
	ingredient('powder', {
		label: { us: 'baking powder' },
		parts: [{ name: 'sodium bicarbonate' }, { name: 'cornstarch' }],
		per100g: { protein_g: 0, water_g: null },
		allergens: [],
		price: { amount: '1.00', grams: 100 }
	}),
	ingredient('loose', { allergens: null })
];
const ingredientOf = (id: string) => shelf.find((each) => each.id === id) ?? ingredient(id);
const mix = [
	{ ingredient: 'milk', grams: 100 },
	{ ingredient: 'flour', grams: 880 },
	{ ingredient: 'powder', grams: 20 }
];

describe('a mix of one’s own', () => {
	const facts = mixFacts(mix, ingredientOf, 'us');
	it('is the mass-weighted sum of its lines', () => {
		// (100·36 + 880·12 + 20·0) / 1000 = 14.16
		expect(facts.per100g.protein_g).toBeCloseTo(14.16, 12);
		expect(facts.grams).toBe(1000);
	});
	it('does not know what a part does not know', () => expect(facts.per100g.water_g).toBeNull());
	it('lists its parts heaviest first, compounds with theirs', () => {
		expect(facts.parts).toEqual([
			{ name: 'enriched flour (wheat flour, niacin)', parts: [] },
			{ name: 'nonfat dry milk', parts: [] },
			{
				name: 'baking powder',
				parts: [
					{ name: 'sodium bicarbonate', parts: [] },
					{ name: 'cornstarch', parts: [] }
				]
			}
		]);
	});
	it('carries every allergen, heaviest first, and none vouched for while one is not', () => {
		expect(facts.allergens).toEqual(['wheat', 'milk']);
		expect(mixFacts([...mix, { ingredient: 'loose', grams: 1 }], ingredientOf, 'us').allergens).toBeNull();
	});

	it('marks an allergen as highly refined only where every part of it is', () => {
		const oil = (id: string, refined: string[]) => ({ ...ingredient(id, { allergens: ['soy'] }), refined });
		const of = (...parts: ReturnType<typeof oil>[]) =>
			mixFacts(
				parts.map(({ id }) => ({ ingredient: id, grams: 10 })),
				(id) => parts.find((part) => part.id === id) ?? oil(id, []),
				'us'
			).refined;
		expect(of(oil('one', ['soy']), oil('other', ['soy']))).toEqual(['soy']);
		expect(of(oil('one', ['soy']), oil('lecithin', []))).toEqual([]);
	});
	it('leaves out a line without grams', () => {
		expect(mixFacts([...mix, { ingredient: 'loose', grams: 0 }], ingredientOf, 'us').allergens).toEqual([
			'wheat',
			'milk'
		]);
	});
});

describe('a mix that would hold itself', () => {
	const parts: Record<string, string[]> = {
		premix: ['flour', 'spice'],
		spice: ['cumin', 'blend'],
		blend: ['pepper']
	};
	const partsOf = (id: string) => parts[id] ?? [];
	it('is told by its path', () => {
		expect(mixCycle('blend', [{ ingredient: 'premix', grams: 1 }], partsOf)).toEqual([
			'blend',
			'premix',
			'spice',
			'blend'
		]);
		expect(mixCycle('premix', [{ ingredient: 'premix', grams: 1 }], partsOf)).toEqual(['premix', 'premix']);
	});
	it('is not seen where two mixes share a part', () => {
		expect(
			mixCycle(
				'new',
				[
					{ ingredient: 'premix', grams: 1 },
					{ ingredient: 'spice', grams: 1 }
				],
				partsOf
			)
		).toBeNull();
	});
});

describe('percentages see through a mix', () => {
	// Premix: 900 flour, 100 dry milk. 500 g of it is 450 flour and 50 milk; with 270 g of water that is 60 %.
	const premix = [
		{ ingredient: 'flour', grams: 900 },
		{ ingredient: 'milk', grams: 100 }
	];
	const mixes: Record<string, typeof premix> = {
		premix,
		nested: [
			{ ingredient: 'premix', grams: 1 },
			{ ingredient: 'salt', grams: 1 }
		]
	};
	const line = (ingredient: string, used_g: number, use: 'dough' | 'dusting' = 'dough') => ({
		ingredient,
		used_g,
		use
	});
	const opened = (lines: ReturnType<typeof line>[]) => openedMixes(lines, (id) => mixes[id]);
	it('opens a mix by the share of its parts', () => {
		expect(opened([line('premix', 500), line('water', 270)])).toEqual([
			line('flour', 450),
			line('milk', 50),
			line('water', 270)
		]);
	});
	it('opens a mix within a mix', () => {
		expect(opened([line('nested', 200)])).toEqual([line('flour', 90), line('milk', 10), line('salt', 100)]);
	});
	it('leaves what is dusted as it is, and a mix that holds nothing yet', () => {
		expect(opened([line('premix', 20, 'dusting')])).toEqual([line('premix', 20, 'dusting')]);
		expect(openedMixes([line('premix', 20)], () => [])).toEqual([line('premix', 20)]);
	});
	it('the hydration of a dough of premix and water is of the flour in the premix', () => {
		const kinds = { flour: 'flour', milk: 'dairy', water: 'water', premix: 'compound' } as const;
		const all = Object.entries(kinds).map(([id, kind]) => ingredient(id, { kind }));
		const dough_ = (name: string, used_g: number) => ({ ...line(name, used_g), stage: null, uptake_g: null });
		const lines = [dough_('premix', 500), dough_('water', 270)];
		// 270 g of water on 450 g of flour.
		expect(openedHydration(lines, all, { mixes, ingredients: [] })).toBeCloseTo(60, 9);
		expect(openedHydration([dough_('water', 1)], all, { mixes, ingredients: [] })).toBeNull();
		// An ingredient nobody knows may be flour.
		expect(openedHydration([...lines, dough_('secret', 9)], all, { mixes, ingredients: [] })).toBeNull();
	});
});
