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
async function readings(read: () => Promise<unknown>, between: () => Promise<unknown>): Promise<number> {
	let times = 0;
	// Each has a name of its own: what is kept is kept for all of them.
	const name = `test ${ulid()}`;
	const ask = () =>
		asRequest(() =>
			known(bench.db, bench.kitchen.id, name, async () => {
				await read();
				return (times += 1);
			})
		);
	await ask();
	await ask();
	expect(times).toBe(1);
	await between();
	await ask();
	return times;
}

const rowsOf = (table: 'deeds' | 'jobs' | 'sales') => () =>
	bench.db(`${table} as t`).where({ 't.kitchen_id': bench.kitchen.id }).select('t.id');
const names = () => bench.db('ingredients').where({ kitchen_id: bench.kitchen.id }).select('name');
/** Another reading, which is kept under a name of its own. */
const kept =
	(read: () => Promise<unknown>, name = `kept ${ulid()}`) =>
	() =>
		known(bench.db, bench.kitchen.id, name, read);

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

	it('is read again after a change of what it read, also of one made past the application', async () => {
		const { flour } = await makeRoti(bench, 'Known');
		let turn = 0;
		const touch = () =>
			bench
				.db('ingredients')
				.where({ id: flour })
				.update({ name: `Flour ${(turn += 1)}` });
		expect(await readings(names, touch)).toBe(2);
		expect(await readings(rowsOf('sales'), touch)).toBe(1);
		// However deep, and also where it was read for somebody else before.
		expect(await readings(kept(kept(names)), touch)).toBe(2);
		const before = kept(names);
		await asRequest(before);
		expect(await readings(before, touch)).toBe(2);
		// Nobody counts the changes of jobs: what reads them goes by every change.
		expect(await readings(rowsOf('jobs'), touch)).toBe(2);
		// Deeds come with every change, and whoever tells of one goes by the row that points to it.
		expect(await readings(rowsOf('deeds'), touch)).toBe(1);
		// Of the kitchen's own row everything that was read for it.
		const rename = () => bench.db('kitchens').where({ id: bench.kitchen.id }).update({ town: 'Elder Ford' });
		expect(await readings(kept(rowsOf('sales')), rename)).toBe(2);
	});

	it('goes by what it read also where many wait for a connection', async () => {
		const { flour } = await makeRoti(bench, 'Many');
		const times = new Map<string, number>();
		const all = Array.from({ length: 40 }, (_, nth) => ({
			name: `many ${ulid()}`,
			read: nth % 2 === 0 ? names : rowsOf('sales')
		}));
		const ask = () =>
			asRequest(() =>
				Promise.all(
					all.map(({ name, read }) =>
						known(bench.db, bench.kitchen.id, name, async () => {
							await read();
							times.set(name, (times.get(name) ?? 0) + 1);
						})
					)
				)
			);
		await ask();
		await bench.db('ingredients').where({ id: flour }).update({ name: 'Many, renamed' });
		await ask();
		expect(all.map(({ name }) => times.get(name))).toEqual(all.map(({ read }) => (read === names ? 2 : 1)));
	});

	it('stays where what it took of another reading was read anew and is the same', async () => {
		const { flour } = await makeRoti(bench, 'Taken');
		const rename = (name: string) => bench.db('ingredients').where({ id: flour }).update({ name });
		let times = 0;
		const length = kept(
			async () => (await bench.db('ingredients').where({ id: flour }).first('name'))?.name.length
		);
		const outer = kept(async () => {
			times += 1;
			return length();
		});
		await rename('Flour A');
		expect(await asRequest(outer)).toBe(7);
		await rename('Flour B');
		expect(await asRequest(outer)).toBe(7);
		expect(times).toBe(1);
		await rename('Flour BB');
		expect(await asRequest(outer)).toBe(8);
		expect(times).toBe(2);
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
		expect(await readings(names, undone)).toBe(1);
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
