import { beforeAll, describe, expect, it } from 'vitest';
import { addIngredient } from '../../src/lib/server/ingredients.ts';
import { sellByTheJar } from '../../src/lib/server/formulas/jar.ts';
import { getFormula } from '../../src/lib/server/formulas/read.ts';
import { makeJars } from '../../src/lib/server/lots/make-jars.ts';
import { lotsOnHand } from '../../src/lib/server/lots/read.ts';
import { receiveLot } from '../../src/lib/server/lots/receive.ts';
import { newId } from '../../src/lib/server/rows.ts';
import { ingredientInput, useBench } from './kitchen.ts';

const bench = useBench();
let flour: string;
let milk: string;
let mix: string;
const lotOf = async (id: string) =>
	(await lotsOnHand(bench.db, bench.kitchen.id)).find((lot) => lot.id === id);
const receive = async (ingredientId: string, received: number, bestBefore: string | null) => {
	const id = newId();
	await receiveLot(bench.db, bench.kitchen, id, {
		ingredientId,
		material: '',
		supplier: 'mill',
		supplierCode: '',
		receivedOn: '2026-03-01',
		received,
		amount: null,
		usable: 1,
		bestBefore,
		note: ''
	});
	return id;
};

beforeAll(async () => {
	const add = (name: string, more = {}) =>
		addIngredient(bench.db, bench.kitchen.id, ingredientInput(name, more));
	flour = await add('Jar flour');
	milk = await add('Jar milk', { kind: 'dairy', allergens: ['milk'] });
	mix = await add('Jar mix', {
		kind: 'compound',
		source: 'mix',
		mix: [
			{ ingredient: flour, grams: 900 },
			{ ingredient: milk, grams: 100 }
		],
		portion_g: 500
	});
});

describe('jars of a mix', () => {
	it('are a lot of their own, taken from the lots of its parts, and good no longer than they are', async () => {
		const [old, fresh] = [await receive(flour, 700, '2026-09-01'), await receive(flour, 5000, '2026-12-01')];
		const powder = await receive(milk, 1000, '2026-10-01');
		const jars = { id: newId(), madeOn: '2026-03-02', jars: 2, bestBefore: null };
		const code = await makeJars(bench.db, bench.kitchen, mix, jars);
		// Two jars of 500 g: 900 g of flour, 700 of the older lot and 200 of the newer, and 100 g of milk.
		expect(await lotOf(old)).toBeUndefined();
		expect((await lotOf(fresh))?.onHand).toBe(4800);
		expect((await lotOf(powder))?.onHand).toBe(900);
		expect(await lotOf(jars.id)).toMatchObject({
			code,
			onHand: 1000,
			bestBefore: '2026-09-01',
			ingredientId: mix
		});
		// Sent again nothing more is taken.
		expect(await makeJars(bench.db, bench.kitchen, mix, jars)).toBe(code);
		expect((await lotOf(powder))?.onHand).toBe(900);
	});

	it('are refused a date later than something in them, and nothing is taken', async () => {
		const late = { id: newId(), madeOn: '2026-03-03', jars: 1, bestBefore: '2027-01-01' };
		await expect(makeJars(bench.db, bench.kitchen, mix, late)).rejects.toMatchObject({
			problems: [{ path: 'bestBefore', message: expect.stringContaining('2026-10-01') }]
		});
		expect(await lotOf(late.id)).toBeUndefined();
	});

	it('are noted where no lots of the parts are kept, and not before a jar has its weight', async () => {
		const other = await addIngredient(bench.db, bench.kitchen.id, ingredientInput('Loose flour'));
		const lines = {
			kind: 'compound' as const,
			source: 'mix' as const,
			mix: [{ ingredient: other, grams: 10 }]
		};
		const whole = await addIngredient(
			bench.db,
			bench.kitchen.id,
			ingredientInput('Loose mix', { ...lines, portion_g: 250 })
		);
		const jars = { id: newId(), madeOn: '2026-03-02', jars: 3, bestBefore: '2026-04-01' };
		await makeJars(bench.db, bench.kitchen, whole, jars);
		expect(await lotOf(jars.id)).toMatchObject({ onHand: 750, bestBefore: '2026-04-01' });
		const unsaid = await addIngredient(bench.db, bench.kitchen.id, ingredientInput('Unsaid mix', lines));
		await expect(makeJars(bench.db, bench.kitchen, unsaid, { ...jars, id: newId() })).rejects.toMatchObject({
			problems: [{ path: 'jars' }]
		});
	});

	it('take no more of a lot than it holds where a part stands on two lines', async () => {
		const part = await addIngredient(bench.db, bench.kitchen.id, ingredientInput('Twice flour'));
		const twice = await addIngredient(
			bench.db,
			bench.kitchen.id,
			ingredientInput('Twice mix', {
				kind: 'compound',
				source: 'mix',
				mix: [
					{ ingredient: part, grams: 50 },
					{ ingredient: part, grams: 50 }
				],
				portion_g: 100
			})
		);
		const lot = await receive(part, 60, null);
		const jars = { id: newId(), madeOn: '2026-03-02', jars: 1, bestBefore: null };
		await makeJars(bench.db, bench.kitchen, twice, jars);
		// 100 g are wanted and 60 are there: none are below nothing.
		expect(await lotOf(lot)).toBeUndefined();
	});

	it('are sold by a formula of their own: its lines, one jar a pack, nothing cooked', async () => {
		const id = newId();
		expect(await sellByTheJar(bench.db, bench.kitchen, mix, id)).toBe(id);
		expect(await sellByTheJar(bench.db, bench.kitchen, mix, id)).toBe(id);
		const formula = await getFormula(bench.db, bench.kitchen.id, id);
		expect(formula.choices.cooking).toBe('not cooked: a dry mix in jars');
		expect(formula.lines.map((line) => [line.ingredient, line.used_g])).toEqual([
			[flour, 900],
			[milk, 100]
		]);
		expect(formula.products[0]).toMatchObject({ pieceOne: 'jar', packPieces: 1, ballWeight_g: 500 });
		expect(formula.steps.some((step) => step.kind.startsWith('cook'))).toBe(false);
	});
});
