import { describe, expect, it } from 'vitest';
import type { Recipe } from '../formula/types.ts';
import { PANEL_LINES, panelNutrient } from '../rules/us/panel.ts';
import {
	dough,
	factsOf,
	flour,
	type Given,
	ingredient,
	per100g,
	recipe,
	surface,
	water
} from '../testing/recipe.ts';
import { whyCost } from './cost.ts';
import { figuresOf } from './figures.ts';
import { whyNutrient } from './nutrient.ts';
import { recordDrawing, recordFigure } from './record.ts';

const ghee = ingredient('ghee', {
	kind: 'fat',
	per100g: per100g({ fat_g: 100, saturates_g: 60, energy_kcal: 900 }),
	price: { amount: '10.00', grams: 1000 }
});

/** 1000 g flour and 600 g water in 32 balls of 50 g, 64 g of ghee brushed on, finished at 42 g. */
const brushed = (more: Given = {}): Recipe =>
	recipe({
		ingredients: [flour, water, ghee],
		formula: {
			name: 'x',
			lines: [
				dough('flour', 1000),
				dough('water', 600),
				surface('ghee', 'brushing', 64),
				surface('flour', 'dusting', 64, 32)
			]
		},
		pack: { pieces: 6, materials: [{ name: 'bag', cost: '0.11' }] },
		...more
	});

const why = (given: Recipe, key: Parameters<typeof whyNutrient>[2]) => {
	const found = whyNutrient(given, factsOf(given), key);
	if (!found) throw new Error('nothing to explain');
	return found;
};

describe('why a nutrient is what it is', () => {
	it('names what each ingredient gives a piece, most first, dough and uptake apart', () => {
		// Flour: 1000 · 50 / 1600 = 31.25 g of dough, 32 / 32 = 1 g of dust, 2 % fat; ghee 64 / 32 = 2 g, all fat
		const { contributions, perPiece } = why(brushed(), 'totalFat');
		expect(contributions.map((each) => each.ingredient)).toEqual(['ghee', 'flour', 'water']);
		expect(contributions[0]).toMatchObject({ dough_g: 0, surface_g: 2, per100g: 100, amount: 2 });
		expect(contributions[1]).toMatchObject({ dough_g: 31.25, surface_g: 1 });
		expect(contributions[1]?.amount).toBeCloseTo(0.645, 12); // 32.25 g of 2 %
		expect(perPiece).toBeCloseTo(2.645, 12);
		expect(contributions[0]?.share).toBeCloseTo(2 / 2.645, 12);
	});

	it('comes to what the panel is rounded from, and to what it prints', () => {
		const given = brushed();
		const facts = factsOf(given);
		for (const key of PANEL_LINES) {
			const found = why(given, key);
			expect(found.perPiece).toBeCloseTo(facts.perPiece[panelNutrient(key)] ?? NaN, 10);
			expect(found.columns[0]).toMatchObject({
				heading: 'per serving',
				printed: facts.panel?.[key].amount,
				dv: facts.panel?.[key].dv
			});
		}
		const calories = why(given, 'calories');
		expect(calories.perPiece).toBeCloseTo(facts.energy.us_kcal ?? NaN, 10);
		expect(calories.columns[0]?.printed).toBe(facts.panel?.calories);
		expect(calories.figure.formula).toBe('4 · protein + 4 · carbohydrate + 9 · fat');
	});

	it('multiplies by the pieces of a serving, and shows every column', () => {
		// 118 g: half a piece a serving, and a column per piece
		const naan = brushed({
			piece: { one: 'naan', many: 'naans', category: 'flatbread', ballWeight_g: 140 },
			batch: { finishedWeights_g: [118] }
		});
		const { columns, perPiece } = why(naan, 'protein');
		expect(columns.map(({ heading, times }) => [heading, times])).toEqual([
			['per serving', 0.5],
			['per naan', 1]
		]);
		expect(columns[0]?.amount).toBeCloseTo((perPiece ?? NaN) / 2, 12);
		// 2 of 52 g: 208 % of 50 g in the container
		const two = brushed({ batch: { finishedWeights_g: [52] }, pack: { pieces: 2, materials: [] } });
		expect(
			why({ ...two, product: { ...two.product, ballWeight_g: 60 } }, 'iron').columns.at(-1)
		).toMatchObject({
			heading: 'per container',
			times: 2
		});
	});

	it('puts an unknown value first, and leaves the total unknown', () => {
		const bran = ingredient('bran', { kind: 'flour', per100g: { ...flour.per100g, iron_mg: null } });
		const given = brushed({
			ingredients: [flour, water, bran],
			formula: { name: 'x', lines: [dough('flour', 900), dough('bran', 100), dough('water', 600)] }
		});
		const { contributions, perPiece, columns } = why(given, 'iron');
		expect(contributions[0]).toMatchObject({ ingredient: 'bran', per100g: null, amount: null, share: null });
		expect(perPiece).toBeNull();
		expect(columns[0]).toMatchObject({ amount: null, printed: null });
	});

	it('is of a rule set’s own figures, and of nothing while no piece was weighed', () => {
		expect(figuresOf('eu').map((each) => each.key)[0]).toBe('energy');
		const given = brushed();
		expect(() => whyNutrient(given, factsOf(given), 'salt')).toThrow(RangeError);
		const unweighed = brushed({ batch: {} });
		expect(whyNutrient(unweighed, factsOf(unweighed), 'iron')).toBeNull();
	});

	it('EU: carbohydrate without its fibre, salt of sodium, energy with fibre apart; per 100 g and per piece', () => {
		const given = brushed({ rules: 'eu' });
		const facts = factsOf(given);
		// 32.25 g flour: (72 − 3) % = 22.2525 g
		expect(why(given, 'carbohydrate').perPiece).toBeCloseTo(22.2525, 10);
		expect(why(given, 'energy').perPiece).toBeCloseTo(facts.energy.eu_kcal ?? NaN, 10);
		const { columns } = why(given, 'fat');
		expect(columns.map((column) => column.printed)).toEqual([
			facts.table?.per100g.fat,
			facts.table?.perPiece.fat
		]);
		expect(columns[0]?.times).toBeCloseTo(100 / 42, 12);
	});
});

describe('the record for an inspector', () => {
	const heading = {
		subject: 'Plain roti, batch 261124-1',
		kitchen: 'Tansy Row Flatbreads',
		day: 'Tue, 24 Nov 2026',
		weights: 'A ball of 50.0 g cooks to 42.0 g.',
		nameOf: (id: string) => id,
		sourceOf: () => 'the pack’s own label; printed on the pack, so rounded'
	};
	const textOf = (drawing: ReturnType<typeof recordDrawing>) =>
		drawing.shapes.flatMap((shape) => (shape.kind === 'text' ? shape.text : [])).join(' ');

	it('names every ingredient, the sum, the rule and what prints', () => {
		const text = textOf(recordDrawing(why(brushed(), 'totalFat'), heading));
		for (const said of [
			'Total Fat: where',
			'ghee',
			'flour',
			'water',
			'75.6 %',
			'2.645 × 1 = 2.645 g, prints 2.5g',
			'21 CFR'
		])
			expect(text).toContain(said);
	});

	it('is one page, and a longer one rather than a cut one', () => {
		const short = recordDrawing(why(brushed(), 'iron'), heading);
		expect((short.height_pt * 25.4) / 72).toBeCloseTo(279.4, 6);
		const many = Array.from({ length: 60 }, (_, index) => ingredient(`spice ${index}`));
		const long = brushed({
			ingredients: [flour, water, ...many],
			formula: {
				name: 'x',
				lines: [dough('flour', 1000), dough('water', 600), ...many.map((each) => dough(each.id, 1))]
			}
		});
		const drawing = recordDrawing(why(long, 'iron'), heading);
		expect(drawing.height_pt).toBeGreaterThan(short.height_pt);
		const lowest = Math.max(
			...drawing.shapes.map((shape) => (shape.kind === 'text' ? shape.baseline_pt : 0))
		);
		expect(lowest).toBeLessThan(drawing.height_pt);
	});

	it('states figures with four digits, and what is unknown', () => {
		expect([recordFigure(38758.4), recordFigure(0.123456), recordFigure(0), recordFigure(null)]).toEqual([
			'38760',
			'0.1235',
			'0',
			'unknown'
		]);
	});
});

describe('why a pack costs what it costs', () => {
	it('each ingredient by what it used up, dearest first', () => {
		// Flour 1064 g at 0.001 = 1.064; ghee 64 g at 0.01 = 0.64; 32 pieces: 1.704 / 32 = 0.05325
		const given = brushed();
		const found = whyCost(given, factsOf(given));
		expect(found).toMatchObject({
			batch: '1.7040',
			sellable: 32,
			perPiece: '0.0533',
			pieces: 6,
			perPack: '0.43', // 6 · 0.05325 + 0.11 = 0.4295
			materials: [{ name: 'bag', cost: '0.11' }]
		});
		expect(found.contributions.slice(0, 1)).toEqual([
			{ ingredient: 'water', consumed_g: 600, cost: null, share: null }
		]);
		expect(found.contributions[1]).toMatchObject({ ingredient: 'flour', consumed_g: 1064, cost: '1.0640' });
		expect(found.contributions[1]?.share).toBeCloseTo(1.064 / 1.704, 10);
	});
});
