import { describe, expect, it } from 'vitest';
import { NotFound, Refused, Stale } from '$lib/server/errors.ts';
import { addIngredient, getIngredient, listIngredients } from '$lib/server/ingredients.ts';
import { priceOn, pricePacks } from '$lib/server/prices.ts';
import { addPricePack, saveIngredient } from '$lib/server/shelf-keep.ts';
import { newId } from '$lib/server/rows.ts';
import { readCoreShelf } from '$lib/server/shelf.ts';
import { ingredientInput, useBench } from './kitchen.ts';

const bench = useBench();
const add = (name: string, more = {}) =>
	addIngredient(bench.db, bench.kitchen.id, ingredientInput(name, more));

describe('ingredients', () => {
	it('come back as they were entered; unknown stays unknown', async () => {
		const id = await add('Rye', {
			labelUs: 'rye flour',
			parts: [{ name: 'rye', parts: [{ name: 'bran' }] }],
			allergens: ['rye'],
			per100g: { water_g: 11.123456, fat_g: 0 }
		});
		const rye = await getIngredient(bench.db, bench.kitchen.id, id);
		expect(rye).toMatchObject({
			name: 'Rye',
			labelUs: 'rye flour',
			allergens: ['rye'],
			parts: [{ name: 'rye', parts: [{ name: 'bran' }] }],
			version: 1
		});
		expect(rye.composition.per100g).toMatchObject({ water_g: 11.123456, fat_g: 0, sugars_g: null });
	});

	it('have names of their own, whatever the letters', async () => {
		await add('Oats');
		await expect(add('OATS')).rejects.toThrow(Refused);
	});

	it('keep older compositions beside the new one, and make none when nothing changed', async () => {
		const id = await add('Barley');
		const count = async () =>
			(await bench.db('ingredient_compositions').where('ingredient_id', id).pluck('id')).length;
		await saveIngredient(bench.db, bench.kitchen.id, id, 1, ingredientInput('Barley flour'));
		expect(await count()).toBe(1);
		await saveIngredient(
			bench.db,
			bench.kitchen.id,
			id,
			2,
			ingredientInput('Barley flour', { per100g: { water_g: 10 } })
		);
		expect(await count()).toBe(2);
		expect((await getIngredient(bench.db, bench.kitchen.id, id)).composition.per100g).toMatchObject({
			water_g: 10,
			protein_g: null
		});
	});

	it('a stale save is refused with what is there now', async () => {
		const id = await add('Spelt');
		await saveIngredient(bench.db, bench.kitchen.id, id, 1, ingredientInput('Spelt, white'));
		const late = saveIngredient(bench.db, bench.kitchen.id, id, 1, ingredientInput('Spelt, brown'));
		await expect(late).rejects.toThrow(Stale);
		await late.catch((stale: Stale<{ name: string }>) => expect(stale.current.name).toBe('Spelt, white'));
		expect((await getIngredient(bench.db, bench.kitchen.id, id)).name).toBe('Spelt, white');
	});

	it('one that is not there is not found', async () => {
		await expect(getIngredient(bench.db, bench.kitchen.id, newId())).rejects.toThrow(NotFound);
		await expect(
			getIngredient(bench.db, newId(), (await listIngredients(bench.db, bench.kitchen.id))[0]?.id ?? '')
		).rejects.toThrow(NotFound);
	});

	it('unconfirmed allergens reach the core as unknown, noted or not', async () => {
		const id = await add('Bin cumin', { allergens: ['mustard'], confirmedOn: null, evidence: '' });
		const shelf = await readCoreShelf(bench.db, bench.kitchen, '2026-02-01');
		expect(shelf.find((ingredient) => ingredient.id === id)?.allergens).toBeNull();
	});
});

describe('prices', () => {
	it('the pack bought last up to a day is in force on it', async () => {
		const id = await add('Millet');
		for (const [boughtOn, amount] of [
			['2026-03-01', '10'],
			['2026-01-01', '8.5'],
			['2026-02-01', '9.1234']
		] as const)
			await addPricePack(bench.db, bench.kitchen.id, id, {
				amount,
				grams: 1000,
				usable: 0.9,
				boughtOn,
				supplier: ''
			});
		const packs = await pricePacks(bench.db, bench.kitchen.id, id);
		const amountOn = (day: string) => priceOn(packs, id, day)?.amount;
		expect(packs.map((pack) => pack.amount)).toEqual(['10.00', '9.1234', '8.50']);
		expect([
			amountOn('2025-12-31'),
			amountOn('2026-01-01'),
			amountOn('2026-02-28'),
			amountOn('2026-03-01')
		]).toEqual([undefined, '8.50', '9.1234', '10.00']);
	});
});
