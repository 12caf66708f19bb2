import { describe, expect, it } from 'vitest';
import { dropEverything } from '$lib/server/db/empty.ts';
import { migrate } from '$lib/server/db/migrate.ts';
import { MIGRATIONS } from '$lib/server/db/migrations/index.ts';
import { newId, utcNow } from '$lib/server/rows.ts';
import { makeRoti, useBench } from './kitchen.ts';

const bench = useBench();

describe('migrations', () => {
	it('run on an emptied database, each once', async () => {
		await dropEverything(bench.db);
		const [tables] = (await bench.db.raw('SHOW TABLES')) as [Record<string, string>[]];
		expect(tables.flatMap((row) => Object.values(row)).filter((name) => !name.startsWith('knex_'))).toEqual(
			[]
		);
		expect(await migrate(bench.db)).toHaveLength(MIGRATIONS.length);
		expect(await migrate(bench.db)).toEqual([]);
	});

	it('go down and up again alone, newest first', async () => {
		for (const [name, { up, down }] of MIGRATIONS.toReversed())
			for (const step of [down, up, down])
				try {
					await step?.(bench.db);
				} catch (error) {
					throw new Error(`${name} ${step === up ? 'up again' : 'down'}`, { cause: error });
				}
		await bench.db.raw('DELETE FROM knex_migrations');
		expect(await migrate(bench.db)).toHaveLength(MIGRATIONS.length);
	});

	it('give every table but kitchens, and what is of persons, its kitchen', async () => {
		const [tables] = (await bench.db.raw(
			`SELECT t.table_name AS name, c.column_name AS kitchen FROM information_schema.tables t
			LEFT JOIN information_schema.columns c
				ON c.table_schema = t.table_schema AND c.table_name = t.table_name AND c.column_name = 'kitchen_id'
			WHERE t.table_schema = DATABASE() AND t.table_name NOT LIKE 'knex%' AND t.table_name <> 'kitchens'`
		)) as [{ name: string; kitchen: string | null }[]];
		expect(tables.length).toBeGreaterThan(8);
		// What is of persons, and that a kitchen went.
		const ofPersons = [
			'challenges',
			'deleted_kitchens',
			'passkeys',
			'persons',
			'rate_limits',
			'recovery_codes',
			'request_counts'
		];
		expect(
			tables
				.filter((table) => table.kitchen === null)
				.map((table) => table.name)
				.sort()
		).toEqual(ofPersons);
	});
});

describe('what a cluster asks of tables', () => {
	it('each has a primary key, is of the engine that spreads, and counts nothing up by itself', async () => {
		const [tables] = (await bench.db.raw(
			`SELECT t.table_name AS name, t.engine AS engine, t.auto_increment AS counts,
				(SELECT COUNT(*) FROM information_schema.table_constraints c
				WHERE c.table_schema = t.table_schema AND c.table_name = t.table_name AND c.constraint_type = 'PRIMARY KEY') AS keyed
			FROM information_schema.tables t WHERE t.table_schema = DATABASE() AND t.table_type = 'BASE TABLE'`
		)) as [{ name: string; engine: string; counts: number | null; keyed: number }[]];
		expect(tables.length).toBeGreaterThan(60);
		for (const { name, engine, keyed } of tables)
			expect({ name, engine, keyed: Number(keyed) }).toEqual({ name, engine: 'InnoDB', keyed: 1 });
		// Of the tool that runs migrations alone, from one process.
		const counted = tables.filter(({ counts }) => counts !== null).map(({ name }) => name);
		expect(counted.filter((name) => !name.startsWith('knex_'))).toEqual([]);
	});
});

describe('what must always hold, holds in the database', () => {
	const kitchenRow = () => ({
		id: newId(),
		name: 'x',
		town: '',
		time_zone: 'UTC',
		currency: 'USD',
		rules: 'us',
		created_at: utcNow()
	});

	it('a currency is three capital letters', async () => {
		await expect(bench.db('kitchens').insert({ ...kitchenRow(), currency: 'us1' })).rejects.toThrow(
			'kitchens_currency'
		);
	});

	it('a row refers only to its own kitchen', async () => {
		const [one, other] = [kitchenRow(), kitchenRow()];
		await bench.db('kitchens').insert([one, other]);
		const { flour } = await makeRoti({ ...bench, kitchen: { ...bench.kitchen, id: one.id } }, 'foreign');
		const pack = {
			id: newId(),
			ingredient_id: flour,
			amount: '1',
			grams: 1,
			bought_on: '2026-01-01',
			created_at: utcNow()
		};
		await expect(bench.db('price_packs').insert({ ...pack, kitchen_id: other.id })).rejects.toThrow(
			/foreign key/i
		);
		await bench.db('price_packs').insert({ ...pack, kitchen_id: one.id });
	});

	it('grams of a composition fit in 100 g, and no amount is negative', async () => {
		const kitchen = kitchenRow();
		await bench.db('kitchens').insert(kitchen);
		const { flour } = await makeRoti({ ...bench, kitchen: { ...bench.kitchen, id: kitchen.id } }, 'limits');
		const row = {
			id: newId(),
			kitchen_id: kitchen.id,
			ingredient_id: flour,
			source: 'pack',
			created_at: utcNow()
		};
		await expect(bench.db('ingredient_compositions').insert({ ...row, fat_g: 100.1 })).rejects.toThrow(
			'compositions_fat_g'
		);
		await expect(bench.db('ingredient_compositions').insert({ ...row, sodium_mg: -1 })).rejects.toThrow(
			'compositions_sodium_mg'
		);
		await bench.db('ingredient_compositions').insert({ ...row, fat_g: 100, sodium_mg: 38758 });
	});
});
