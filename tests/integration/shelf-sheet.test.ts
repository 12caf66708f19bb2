import { describe, expect, it } from 'vitest';
import { readLine } from '$core/formula/said/read-line.ts';
import { shelfContext } from '$lib/formula/line-context.ts';
import { Refused } from '$lib/server/errors.ts';
import { getIngredient, listIngredients } from '$lib/server/ingredients.ts';
import { toMeasures } from '$lib/server/measures.ts';
import { forgetSaid, rememberedNames, rememberName } from '$lib/server/names.ts';
import { ownMeasures, removeOwnMeasure, setOwnMeasure } from '$lib/server/own-measures.ts';
import { pricePacks } from '$lib/server/prices.ts';
import { shelveReference } from '$lib/server/reference/shelve.ts';
import { newId } from '$lib/server/rows.ts';
import { saveShelfSheet, shelfSheet } from '$lib/server/shelf-sheet.ts';
import { useBench } from './kitchen.ts';

const bench = useBench();
const shelve = (reference: string) => shelveReference(bench.db, bench.kitchen, reference);
/** A row as it is sent, changed as said. */
const row = async (id: string, more: object = {}) => {
	const { version, allergens } = await getIngredient(bench.db, bench.kitchen.id, id);
	return { id, version, allergens, evidence: '', amount: null, grams: '', key: newId(), ...more };
};
const save = (rows: Parameters<typeof saveShelfSheet>[2]) => saveShelfSheet(bench.db, bench.kitchen, rows);
const problemsOf = async (saving: Promise<void>) => {
	const error: unknown = await saving.catch((reason: unknown) => reason);
	return error instanceof Refused ? error.problems : error;
};

describe('the sheet where many are confirmed and priced', () => {
	it('keeps lists with what confirmed them, and prices by the pack as they are said', async () => {
		const [oil, flour] = [await shelve('oil-olive'), await shelve('flour-spelt')];
		await save([
			await row(oil, { evidence: 'the pack', amount: '9.00', grams: 'bottle of 1 l' }),
			await row(flour, { evidence: 'its specification', allergens: ['wheat', 'sesame'] })
		]);
		expect(await getIngredient(bench.db, bench.kitchen.id, flour)).toMatchObject({
			allergens: ['wheat', 'sesame'],
			evidence: 'its specification',
			confirmedOn: expect.any(String) as string
		});
		const [price] = await pricePacks(bench.db, bench.kitchen.id, oil);
		// 1000 mL · 216 g ÷ 236.588 mL
		expect(price?.grams).toBeCloseTo((1000 * 216) / 236.588, 2);
		expect(await pricePacks(bench.db, bench.kitchen.id, flour)).toEqual([]);
	});

	it('takes all of it or nothing, each problem at its cell', async () => {
		const [rye, salt] = [await shelve('flour-barley'), await shelve('salt')];
		const stale = await row(rye, { evidence: 'the pack' });
		const rows = [
			{ ...stale, version: stale.version + 7 },
			await row(salt, { evidence: 'the pack', amount: '1', grams: 'box' }),
			await row(salt, { grams: '1 kg' })
		];
		expect(await problemsOf(save(rows))).toEqual([
			{ path: 'rows[0].allergens', message: expect.stringContaining('somebody changed') as string },
			{ path: 'rows[1].grams', message: expect.stringContaining('say what the box holds') as string },
			{ path: 'rows[2].amount', message: expect.stringContaining('what was paid') as string }
		]);
		expect((await getIngredient(bench.db, bench.kitchen.id, salt)).confirmedOn).toBeNull();
		expect(await pricePacks(bench.db, bench.kitchen.id, salt)).toEqual([]);
	});

	it('keeps what is sent twice once', async () => {
		const lard = await shelve('lard');
		const sent = await row(lard, { evidence: 'the pack', amount: '3.10', grams: 'pound' });
		await save([sent]);
		await save([sent]);
		expect(await pricePacks(bench.db, bench.kitchen.id, lard)).toHaveLength(1);
	});

	it('lets go of a list nobody vouches for any more', async () => {
		const honey = await shelve('honey');
		await save([await row(honey, { evidence: 'the pack' })]);
		await save([await row(honey)]);
		expect((await getIngredient(bench.db, bench.kitchen.id, honey)).confirmedOn).toBeNull();
	});

	it('has nothing to ask of water', async () => {
		const water = await shelve('water');
		const shown = (await shelfSheet(bench.db, bench.kitchen)).find(({ id }) => id === water);
		expect(shown).toMatchObject({ allergens: 'none', price: '0.00 for 1000 g' });
		expect(shown?.evidence).not.toBe('');
	});
});

describe('a measure of one’s own', () => {
	it('is kept, counts in lines against the shelf, and is put away', async () => {
		const { db, kitchen } = bench;
		await shelve('flour-atta');
		const own = { name: 'Bowls', kind: 'flour', millilitres: null, grams: 110 } as const;
		await setOwnMeasure(db, kitchen.id, own);
		await setOwnMeasure(db, kitchen.id, { ...own, grams: 120 });
		const read = async (text: string) =>
			readLine(
				text,
				shelfContext(
					(await listIngredients(db, kitchen.id)).map((each) => ({
						...each,
						measures: toMeasures(each.measures)
					})),
					[],
					kitchen.measureSet,
					await ownMeasures(db, kitchen.id)
				)
			);
		// 2 · 120 g
		expect(await read('2 katori atta')).toMatchObject({ unit: 'bowl', grams: 240, doubts: [] });
		await removeOwnMeasure(db, kitchen.id, 'bowl', 'flour');
		expect(await read('2 katori atta')).toMatchObject({ grams: null, doubts: ['vague-unit'] });
	});
});

it('what was learnt of a name is forgotten as it was said', async () => {
	const { db, kitchen } = bench;
	await rememberName(db, kitchen.id, 'Grey salts', await shelve('salt'));
	expect([...(await rememberedNames(db, kitchen.id)).keys()]).toContain('grey salt');
	await forgetSaid(db, kitchen.id, 'Grey salts');
	expect([...(await rememberedNames(db, kitchen.id)).keys()]).not.toContain('grey salt');
});
