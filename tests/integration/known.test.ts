import { describe, expect, it } from 'vitest';
import { tablesOfKitchens } from '$lib/server/db/counted.ts';
import { known, whileUnchanged } from '$lib/server/db/known.ts';
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
async function readings(of: readonly string[] | 'all', between: () => Promise<unknown>): Promise<number> {
	let times = 0;
	const ask = () =>
		asRequest(() => known(bench.db, bench.kitchen.id, of, `test of ${String(of)}`, async () => (times += 1)));
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
		// Nothing that is known goes by who came in, what they did and what devices were told: these are read each time.
		const READ_EACH_TIME = [
			'creations',
			'deeds',
			'feed',
			'feed_heads',
			'job_parts',
			'jobs',
			'kitchen_usage',
			'pairings',
			'sessions'
		];
		const wanted = (await tablesOfKitchens(bench.db))
			.filter((table) => !READ_EACH_TIME.includes(table))
			.flatMap((table) => ['DELETE', 'INSERT', 'UPDATE'].map((event) => `${table} ${event}`));
		expect(counted).toEqual(wanted.sort());
	});

	it('is read again after a change of its tables, also of one made past the application', async () => {
		const { flour } = await makeRoti(bench, 'Known');
		const touch = () => bench.db('ingredients').where({ id: flour }).update({ name: 'Known flour, other' });
		expect(await readings(['ingredients'], touch)).toBe(2);
		await bench.db('ingredients').where({ id: flour }).update({ name: 'Known flour' });
		expect(await readings('all', touch)).toBe(2);
		await bench.db('ingredients').where({ id: flour }).update({ name: 'Known flour' });
		expect(await readings(['sales'], touch)).toBe(1);
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
