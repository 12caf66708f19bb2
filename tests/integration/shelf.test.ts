import { dough } from '$core/testing/recipe.ts';
import { describe, expect, it } from 'vitest';
import { createBatch } from '$lib/server/batches/create.ts';
import { getBatch } from '$lib/server/batches/read.ts';
import { compositionHistory } from '$lib/server/compositions.ts';
import { Refused } from '$lib/server/errors.ts';
import { addFamily, allFamilies, ownFamilies, removeFamily } from '$lib/server/families.ts';
import { createFormula } from '$lib/server/formulas/keep.ts';
import { addIngredient, getIngredient } from '$lib/server/ingredients.ts';
import { measuresByIngredient, removeMeasure, setMeasure } from '$lib/server/measures.ts';
import { forgetName, rememberedNames, rememberName } from '$lib/server/names.ts';
import { shelveReference } from '$lib/server/reference/shelve.ts';
import { addPricePack, saveIngredient } from '$lib/server/shelf-keep.ts';
import { newId } from '$lib/server/rows.ts';
import { readCoreShelf } from '$lib/server/shelf.ts';
import { ingredientInput, useBench } from './kitchen.ts';

const bench = useBench();
const add = (name: string, more = {}) =>
	addIngredient(bench.db, bench.kitchen.id, ingredientInput(name, more));
const core = async (id: string) =>
	(await readCoreShelf(bench.db, bench.kitchen, '2026-06-01')).find((ingredient) => ingredient.id === id);

describe('a mix of the maker’s own', () => {
	it('follows from its lines: composition, allergens, parts and price', async () => {
		const flour = await add('Mix flour', {
			labelUs: 'wheat flour',
			allergens: ['wheat'],
			per100g: { protein_g: 12, water_g: 12 }
		});
		const milk = await add('Mix milk', {
			kind: 'dairy',
			labelUs: 'dry milk',
			allergens: ['milk'],
			per100g: { protein_g: 36, water_g: 4 }
		});
		for (const [id, amount] of [
			[flour, '1.00'],
			[milk, '9.00']
		] as const)
			await addPricePack(bench.db, bench.kitchen.id, id, {
				amount,
				grams: 1000,
				usable: 1,
				boughtOn: '2026-01-01',
				supplier: ''
			});
		const premix = await add('Premix', {
			kind: 'flour',
			source: 'mix',
			mix: [
				{ ingredient: flour, grams: 900 },
				{ ingredient: milk, grams: 100 }
			],
			portion_g: 250
		});
		expect(await getIngredient(bench.db, bench.kitchen.id, premix)).toMatchObject({
			portion_g: 250,
			mix: { length: 2 }
		});
		const made = await core(premix);
		expect(made?.per100g.protein_g).toBeCloseTo(14.4, 9); // (900·12 + 100·36) / 1000
		expect(made).toMatchObject({
			allergens: ['wheat', 'milk'],
			parts: [{ name: 'wheat flour' }, { name: 'dry milk' }]
		});
		expect(Number(made?.price?.amount)).toBeCloseTo(1.8, 9); // 0.90 + 0.90 for 1000 g

		// The milk turns out to be something else: whoever confirmed it has to look again, and so does the mix.
		const input = ingredientInput('Mix milk', {
			kind: 'dairy',
			confirmedOn: null,
			evidence: '',
			per100g: { protein_g: 30 }
		});
		await saveIngredient(bench.db, bench.kitchen.id, milk, 1, input);
		expect(await core(premix)).toMatchObject({ allergens: null });

		// A batch points at what the mix was made of on its day.
		const formulaId = newId();
		await createFormula(bench.db, bench.kitchen.id, formulaId, {
			name: 'Of a mix',
			mixGap: 'residue',
			lines: [dough(premix, 1000)],
			productId: null,
			product: {
				pieceOne: 'roti',
				pieceMany: 'roti',
				category: 'flatbread',
				ballWeight_g: 50,
				packPieces: 5,
				servingPieces: null,
				price: null,
				materials: []
			}
		});
		const product = (await bench.db('products').where('formula_id', formulaId).first('id')) as { id: string };
		const batchId = await createBatch(bench.db, bench.kitchen, newId(), {
			productId: product.id,
			madeOn: '2026-06-01',
			factor: 1
		});
		const protein = async () =>
			(await getBatch(bench.db, bench.kitchen, batchId)).recipe.ingredients[0]?.per100g.protein_g;
		expect(await protein()).toBeCloseTo(13.8, 6); // (900·12 + 100·30) / 1000
		await saveIngredient(bench.db, bench.kitchen.id, milk, 2, { ...input, per100g: { protein_g: 10 } });
		expect(await protein()).toBeCloseTo(13.8, 6);
		expect((await core(premix))?.per100g.protein_g).toBeCloseTo(11.8, 9);
		const [newest] = await compositionHistory(bench.db, bench.kitchen.id, premix);
		expect(newest).toMatchObject({ source: 'mix', batches: 1 });
	});

	it('cannot hold itself, and says by which path it would', async () => {
		const cumin = await add('Circle cumin');
		const spice = await add('Circle spice', { source: 'mix', mix: [{ ingredient: cumin, grams: 10 }] });
		const premix = await add('Circle premix', { source: 'mix', mix: [{ ingredient: spice, grams: 10 }] });
		const closing = saveIngredient(
			bench.db,
			bench.kitchen.id,
			spice,
			1,
			ingredientInput('Circle spice', { source: 'mix', mix: [{ ingredient: premix, grams: 1 }] })
		);
		await expect(closing).rejects.toThrow(Refused);
		await expect(closing).rejects.toThrow('Circle spice → Circle premix → Circle spice');
		expect((await getIngredient(bench.db, bench.kitchen.id, spice)).mix).toEqual([
			{ ingredient: cumin, grams: 10 }
		]);
	});
});

describe('measures', () => {
	it('are set, set again in place, and forgotten', async () => {
		const id = await add('Measured flour');
		const cup = { measure: 'cup', grams: 130, low: 120, high: 150, basis: 'typed' as const, readings: [] };
		await setMeasure(bench.db, bench.kitchen.id, id, cup);
		await setMeasure(bench.db, bench.kitchen.id, id, {
			...cup,
			grams: 141,
			basis: 'weighed',
			readings: [139, 141, 143]
		});
		expect((await measuresByIngredient(bench.db, bench.kitchen.id, id)).get(id)).toEqual([
			{ ...cup, grams: 141, basis: 'weighed', readings: [139, 141, 143] }
		]);
		await removeMeasure(bench.db, bench.kitchen.id, id, 'cup');
		expect((await getIngredient(bench.db, bench.kitchen.id, id)).measures).toEqual([]);
	});
	it('cannot weigh less than nothing or more than their most', async () => {
		const id = await add('Odd measure');
		const cup = { measure: 'cup', grams: 130, low: 131, high: 150, basis: 'typed' as const, readings: [] };
		await expect(setMeasure(bench.db, bench.kitchen.id, id, cup)).rejects.toThrow('measures_grams');
	});
});

describe('a reference row', () => {
	it('comes onto the shelf once, with its measures, and nobody vouching for its allergens', async () => {
		const id = await shelveReference(bench.db, bench.kitchen, 'flour-chickpea');
		expect(await shelveReference(bench.db, bench.kitchen, 'flour-chickpea')).toBe(id);
		const besan = await getIngredient(bench.db, bench.kitchen.id, id);
		expect(besan).toMatchObject({
			referenceId: 'flour-chickpea',
			confirmedOn: null,
			composition: { source: 'reference' }
		});
		expect(besan.measures).toMatchObject([{ measure: 'cup', grams: 92, basis: 'reference' }]);
	});
	it('keeps what is highly refined as a mark beside the tag, which each rule set reads', async () => {
		const id = await shelveReference(bench.db, bench.kitchen, 'oil-soybean');
		const oil = await getIngredient(bench.db, bench.kitchen.id, id);
		expect(oil).toMatchObject({ allergens: ['soy'], refined: ['soy'] });
		// A mark without its tag says nothing.
		const flour = await addIngredient(
			bench.db,
			bench.kitchen.id,
			ingredientInput('Marked flour', { allergens: ['wheat'], refined: ['wheat', 'soy'] })
		);
		expect((await getIngredient(bench.db, bench.kitchen.id, flour)).refined).toEqual(['wheat']);
	});

	it('is measured in the kitchen’s own cups', async () => {
		const id = await shelveReference(bench.db, { ...bench.kitchen, measureSet: 'metric' }, 'flour-rice');
		// 158 g in 236.588 mL is 166.957 g in 250 mL
		expect((await getIngredient(bench.db, bench.kitchen.id, id)).measures[0]?.grams).toBeCloseTo(166.957, 3);
	});
});

describe('what a kitchen remembers', () => {
	it('a name means what was said last, whatever its letters', async () => {
		const [one, two] = [await add('Named one'), await add('Named two')];
		await rememberName(bench.db, bench.kitchen.id, 'The good Flours', one);
		await rememberName(bench.db, bench.kitchen.id, 'the GOOD flour', two);
		expect((await rememberedNames(bench.db, bench.kitchen.id)).get('the good flour')).toBe(two);
		await forgetName(bench.db, bench.kitchen.id, 'the good flour');
		expect((await rememberedNames(bench.db, bench.kitchen.id)).size).toBe(0);
	});
	it('families of its own, beside the usual ones', async () => {
		const windows = { hydration: { low: 60, high: 65, below: 'dry', above: 'wet' } };
		const id = await addFamily(bench.db, bench.kitchen.id, { name: 'Grandmother’s', windows });
		expect(await ownFamilies(bench.db, bench.kitchen.id)).toEqual([{ id, name: 'Grandmother’s', windows }]);
		expect((await allFamilies(bench.db, bench.kitchen.id)).length).toBe(8);
		await expect(addFamily(bench.db, bench.kitchen.id, { name: 'grandmother’s', windows })).rejects.toThrow(
			Refused
		);
		await expect(addFamily(bench.db, bench.kitchen.id, { name: 'Yeasted pita', windows })).rejects.toThrow(
			Refused
		);
		await removeFamily(bench.db, bench.kitchen.id, id);
		expect(await ownFamilies(bench.db, bench.kitchen.id)).toEqual([]);
	});
});
