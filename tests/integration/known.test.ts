import { ulid } from 'ulid';
import { describe, expect, it } from 'vitest';
import { tablesOfKitchens } from '$lib/server/db/counted.ts';
import { known, whileUnchanged } from '$lib/server/db/known.ts';
import { NEVER_CHANGED, NOT_COUNTED, tablesIn } from '$lib/server/db/reads.ts';
import { TABLES } from '$lib/server/db/tables.ts';
import { inTransaction } from '$lib/server/db/transaction.ts';
import { getIngredient, listIngredients } from '$lib/server/ingredients.ts';
import { saveIngredient } from '$lib/server/shelf-keep.ts';
import { kitchenNow, theKitchen } from '$lib/server/kitchens.ts';
import type { Row } from '$lib/server/rows.ts';
import { ingredientInput, makeRoti, useBench } from './kitchen.ts';

const bench = useBench();

/** Does something as a request does that only reads, with the counts as they are now. */
async function asRequest<T>(act: () => Promise<T>): Promise<T> {
	const { kitchen, changes } = await kitchenNow(bench.db, (await theKitchen(bench.db)).id);
	return whileUnchanged(kitchen.id, changes, act);
}
/** How often something is read while `between` happens between two requests. */
async function readings(
	of: readonly string[],
	between: () => Promise<unknown>,
	read: () => Promise<unknown> = async () => undefined
): Promise<number> {
	let times = 0;
	const once = async () => {
		await read();
		return (times += 1);
	};
	// Each has a name of its own: what is kept is kept for all of them.
	const name = `test ${ulid()}`;
	const ask = () => asRequest(() => known(bench.db, bench.kitchen.id, of, name, once));
	await ask();
	await ask();
	expect(times).toBe(1);
	await between();
	await ask();
	return times;
}

describe('what is known of a kitchen', () => {
	it('is counted by the database for every table that has rows of one', async () => {
		const [triggers] = (await bench.db.raw(
			`SELECT event_object_table AS of_table, event_manipulation AS event FROM information_schema.triggers
			WHERE trigger_schema = DATABASE() AND action_timing = 'AFTER' AND action_statement LIKE '%INTO changes%'`
		)) as [Row[]];
		const counted = triggers.map((row) => `${String(row.of_table)} ${String(row.event)}`).sort();
		const wanted = (await tablesOfKitchens(bench.db))
			.filter((table) => ![...NOT_COUNTED, ...NEVER_CHANGED].includes(table))
			.flatMap((table) => ['DELETE', 'INSERT', 'UPDATE'].map((event) => `${table} ${event}`));
		expect(counted).toEqual(wanted.sort());
		// What is of no kitchen is not counted either, and whoever reads it is told so.
		const every = Object.keys(TABLES).filter((table) => ![...NOT_COUNTED, ...NEVER_CHANGED].includes(table));
		expect(every.sort()).toEqual([...new Set(counted.map((row) => row.split(' ')[0]))].sort());
	});

	it('is read again after a change of its tables, also of one made past the application', async () => {
		const { flour } = await makeRoti(bench, 'Known');
		const touch = () => bench.db('ingredients').where({ id: flour }).update({ name: 'Known flour, other' });
		expect(await readings(['ingredients'], touch)).toBe(2);
		await bench.db('ingredients').where({ id: flour }).update({ name: 'Known flour' });
		expect(await readings(['sales'], touch)).toBe(1);
	});

	it('goes by the tables it turned out to read, however deep, and by no other', async () => {
		const { flour } = await makeRoti(bench, 'Deep');
		const id = bench.kitchen.id;
		let turn = 0;
		const touch = () =>
			bench
				.db('ingredients')
				.where({ id: flour })
				.update({ name: `Deep flour ${(turn += 1)}` });
		const shelf = () => bench.db('ingredients').where({ kitchen_id: id }).select('name');
		const sales = () => bench.db('sales as s').where({ 's.kitchen_id': id }).select('s.id');
		const within = (of: readonly string[], read: () => Promise<unknown>) => () =>
			known(bench.db, id, of, `within ${ulid()}`, read);
		expect(await readings([], touch, shelf)).toBe(2);
		expect(await readings([], touch, sales)).toBe(1);
		// What is kept within it was read for somebody else before.
		const name = `kept ${ulid()}`;
		const kept = () => known(bench.db, id, [], name, async () => shelf());
		await asRequest(kept);
		expect(await readings([], touch, kept)).toBe(2);
		expect(await readings([], touch, within([], within([], shelf)))).toBe(2);
		// It was given what comes from there, and read nothing itself.
		expect(
			await readings(
				[],
				touch,
				within(['ingredients'], async () => undefined)
			)
		).toBe(2);
		// Nobody counts the changes of jobs: what reads them goes by every change.
		expect(await readings([], touch, () => bench.db('jobs').where({ kitchen_id: id }).select('id'))).toBe(2);
		// Deeds come with every change, and whoever tells of one goes by the row that points to it.
		expect(await readings([], touch, () => bench.db('deeds').where({ kitchen_id: id }).select('id'))).toBe(1);
	});

	it('stays where what it took of another reading is the same, read anew; never where it was given something else', async () => {
		const { flour } = await makeRoti(bench, 'Taken');
		const id = bench.kitchen.id;
		const rename = (name: string) => bench.db('ingredients').where({ id: flour }).update({ name });
		const nameOf = async () => (await bench.db('ingredients').where({ id: flour }).first('name'))?.name ?? '';
		const [length, given, outer, fromOuter] = [ulid(), ulid(), ulid(), ulid()];
		let times = 0;
		// How long the name is does not change with each name.
		const read = () =>
			known(bench.db, id, [], outer, async () => {
				times += 1;
				return known(bench.db, id, [], length, async () => (await nameOf()).length);
			});
		await rename('Flour A');
		expect(await asRequest(read)).toBe(7);
		await rename('Flour B');
		expect(await asRequest(read)).toBe(7);
		expect(times).toBe(1);
		await rename('Flour BB');
		expect(await asRequest(read)).toBe(8);
		expect(times).toBe(2);
		// What whoever asked had read before is not asked for again with what they had then.
		const withGiven = (name: string) =>
			known(bench.db, id, [], fromOuter, async () =>
				known(bench.db, id, ['ingredients'], given, async () => name.length)
			);
		expect(await asRequest(() => withGiven('Flour BB'))).toBe(8);
		await rename('Flour BBB');
		expect(await asRequest(() => withGiven('Flour BBB'))).toBe(9);
	});

	it('takes a table by its name in any statement, also within one', () => {
		expect(
			tablesIn('select `b`.`id` from `batches` as `b` where exists (select 1 from weighings w)')
		).toEqual(['batches', 'weighings']);
	});

	it('is not changed by what was undone', async () => {
		const { flour } = await makeRoti(bench, 'Undone');
		const undone = () =>
			inTransaction(bench.db, async (transaction) => {
				await transaction('ingredients').where({ id: flour }).update({ name: 'never' });
				throw new Error('undone');
			}).catch(() => undefined);
		expect(await readings(['ingredients', 'kitchens'], undone)).toBe(1);
	});

	it('never hides an allergen that was confirmed a moment ago', async () => {
		const { flour } = await makeRoti(bench, 'Sesame');
		const shelf = () => asRequest(() => listIngredients(bench.db, bench.kitchen.id));
		const tags = async () => (await shelf()).find(({ id }) => id === flour)?.allergens;
		expect(await tags()).toEqual(['wheat']);
		const { version } = await getIngredient(bench.db, bench.kitchen.id, flour);
		const input = ingredientInput('Sesame flour', { allergens: ['wheat', 'sesame'] });
		await saveIngredient(bench.db, bench.kitchen.id, flour, version, input);
		expect(await tags()).toEqual(['wheat', 'sesame']);
	});

	it('is the same for all who ask, so nobody can change it; where one may write, it is read', async () => {
		await makeRoti(bench, 'Frozen');
		const list = () => listIngredients(bench.db, bench.kitchen.id);
		const [one, other] = [await asRequest(list), await asRequest(list)];
		expect(other).toBe(one);
		expect(() => one.pop()).toThrow(TypeError);
		expect(await list()).not.toBe(one);
		const within = await asRequest(() =>
			inTransaction(bench.db, (db) => listIngredients(db, bench.kitchen.id))
		);
		expect(within).not.toBe(one);
		expect(within).toEqual(one);
	});
});
