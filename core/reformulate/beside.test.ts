import loadHighs from 'highs';
import { beforeAll, describe, expect, it } from 'vitest';
import type { Recipe } from '../formula/types.ts';
import { USUAL_ASSUMPTIONS } from '../sure/assumptions.ts';
import { sure } from '../sure/sure.ts';
import { dough, flour, ingredient, per100g, recipe } from '../testing/recipe.ts';
import { choicesBeside } from './choices.ts';
import { GaveUp, solverBy, type Solver } from './program.ts';
import { reformulate } from './reformulate.ts';
import { reformulateToSurvive } from './surviving.ts';
import { swapped } from './swap.ts';
import type { Wish } from './wish.ts';

const price = (amount: string) => ({ amount, grams: 1000 });
const salt = ingredient('salt', {
	kind: 'salt',
	per100g: per100g({ sodium_mg: 38758 }),
	price: price('1.00')
});
const butter = ingredient('butter', {
	name: 'Butter',
	kind: 'fat',
	per100g: per100g({ fat_g: 80, water_g: 16, sodium_mg: 600 }),
	allergens: ['milk'],
	price: price('10.00')
});
const oil = ingredient('oil', {
	name: 'Oil',
	kind: 'fat',
	per100g: per100g({ fat_g: 100 }),
	price: price('4.00')
});
const milk = ingredient('milk', {
	name: 'Milk',
	per100g: per100g({ water_g: 88, fat_g: 4 }),
	allergens: ['milk']
});
const tap = ingredient('water', { kind: 'water', per100g: per100g({ water_g: 100 }), price: price('0.00') });
const ROTI: Recipe = recipe({
	ingredients: [flour, tap, salt, butter, oil],
	formula: {
		name: 'Roti',
		lines: [
			dough('flour', 1000),
			dough('water', 600),
			dough('salt', 20),
			dough('butter', 60),
			dough('oil', 40)
		]
	}
});
const [SALT, BUTTER, OIL] = [2, 3, 4];

let solve: Solver;
beforeAll(async () => {
	const highs = await loadHighs();
	solve = solverBy((text, options) => highs.solve(text, options));
});
const free = (...lines: number[]) => lines.map((line) => ({ line, low_g: 0, high_g: null }));
const wish = (more: Partial<Wish>): Wish => ({
	free: [],
	together: [],
	targets: [],
	ballWeight_g: null,
	step_g: 1,
	windows: null,
	...more
});
function granted(asked: Wish) {
	const outcome = reformulate(ROTI, asked, solve);
	if (!outcome.ok || outcome.value.status !== 'met') throw new Error(JSON.stringify(outcome));
	return outcome.value;
}

describe('beside the nearest', () => {
	it('is one that touches fewer lines', () => {
		// 3.5 g of fat a piece are less than now; taken off both fats it is nearest where the dearer gram per change is.
		const asked = wish({
			free: free(SALT, BUTTER, OIL),
			targets: [
				{ figure: 'sodium_mg', per: 'piece', atMost: 200, atLeast: null, as: 'exact' },
				{ figure: 'fat_g', per: 'piece', atMost: 2.2, atLeast: null, as: 'exact' }
			]
		});
		const nearest = granted(asked);
		const others = choicesBeside(ROTI, asked, nearest, solve);
		for (const other of others) {
			expect(other.change).toBeGreaterThanOrEqual(nearest.change);
			expect(other.facts.perPiece.fat_g).toBeLessThanOrEqual(2.2);
			expect(other.facts.perPiece.sodium_mg).toBeLessThanOrEqual(200);
			if (other.best === 'cheapest')
				expect(Number(other.facts.cost.batch)).toBeLessThan(Number(nearest.facts.cost.batch));
		}
		expect(others.map(({ best }) => best)).toContain('cheapest');
	});
});

describe('where the solver cannot tell in time', () => {
	it('what else would grant it is left out, and what grants it stands', () => {
		const asked = wish({
			free: free(SALT, BUTTER, OIL),
			targets: [{ figure: 'fat_g', per: 'piece', atMost: 2.2, atLeast: null, as: 'exact' }]
		});
		const slow: Solver = (program) => {
			if (program.columns.some(({ isWhole }) => isWhole)) throw new GaveUp('no time');
			return solve(program);
		};
		const outcome = reformulate(ROTI, asked, slow);
		if (!outcome.ok || outcome.value.status !== 'met') throw new Error(JSON.stringify(outcome));
		expect(outcome.value.facts.perPiece.fat_g).toBeLessThanOrEqual(2.2);
		// The fewest lines cannot be told without whole numbers; the cheapest is rounded.
		const others = choicesBeside(ROTI, asked, outcome.value, slow);
		expect(others.map(({ best }) => best)).not.toContain('fewest lines');
	});
});

describe('one ingredient in the place of another', () => {
	it('at equal mass, equal fat or equal water; what is gained and lost of allergens', () => {
		const of = (keep: 'mass' | 'fat' | 'water', by = oil) => swapped(ROTI, BUTTER, by, keep, 0.1);
		const mass = of('mass');
		expect(mass.ok && [mass.value.grams, mass.value.gained, mass.value.lost]).toEqual([60, [], ['Milk']]);
		// 60 g of butter hold 48 g of fat, as do 48 g of oil; and 9.6 g of water, as do 10.9 g of milk.
		const fat = of('fat');
		expect(fat.ok && fat.value.grams).toBe(48);
		const [most] = [of('water', milk)];
		expect(most.ok && most.value.grams).toBe(10.9);
		expect(of('water')).toEqual({ ok: false, problems: [{ path: '', message: 'Oil holds no water' }] });
	});

	it('an allergen that comes in is named', () => {
		const back = swapped(ROTI, OIL, { ...milk, id: 'cream', allergens: ['milk', 'soy'] }, 'mass', 1);
		expect(back.ok && back.value.gained).toEqual(['Soy']);
		const unsaid = swapped(ROTI, OIL, { ...milk, id: 'cream', allergens: null }, 'mass', 1);
		expect(unsaid.ok && unsaid.value.isUnconfirmed).toBe(true);
	});
});

describe('so that it survives', () => {
	it('the bound is drawn in by the spread of what is found', () => {
		const targets: Wish['targets'] = [
			{ figure: 'sodium_mg', per: 'serving', atMost: 140, atLeast: null, as: 'printed' }
		];
		const asked = wish({ free: free(SALT), step_g: 0.1, targets });
		// A quarter either way of what the table says of salt: 1 in 20 batches would hold more than 120 % of 140 mg.
		const given = {
			...USUAL_ASSUMPTIONS,
			values: [{ ingredient: 'salt', nutrient: 'sodium_mg' as const, cv: 0.25, range: null }]
		};
		const plain = granted(asked);
		const outcome = reformulateToSurvive(ROTI, asked, solve, { given, chance: 0.95 });
		if (!outcome.ok || outcome.value.status !== 'met') throw new Error(JSON.stringify(outcome));
		expect(outcome.value.grams[SALT]).toBeLessThan(plain.grams[SALT] ?? 0);
		// 168 mg may be found of 140: the share of the draws below it.
		const below = (of: Recipe) => {
			const drawn = sure(of, given, 20_000);
			const sodium = drawn.ok ? drawn.value.figures.find(({ figure }) => figure === 'sodium') : undefined;
			if (!sodium || sodium.printed === null) throw new Error('sodium prints');
			return (168 - sodium.found.mean) / sodium.found.sd;
		};
		// 95 in 100 are 1.645 spreads.
		expect(below(outcome.value.recipe)).toBeGreaterThan(1.6);
		expect(below(plain.recipe)).toBeLessThan(1.6);
	});
});
