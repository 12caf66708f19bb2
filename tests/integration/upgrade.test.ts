import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { databaseNamed, openDatabase, urlOf, type Database } from '$lib/server/db/connection.ts';
import { migrate, migrateTo } from '$lib/server/db/migrate.ts';
import { MIGRATIONS } from '$lib/server/db/migrations/index.ts';
import { createKitchen } from '$lib/server/kitchens.ts';
import { newId, utcNow } from '$lib/server/rows.ts';
import { makeRoti, KITCHEN, useBench } from './kitchen.ts';

/**
 * An upgrade without a pause: the migrations of a new version run once, from one process, while the version before serves
 * on. What they do is expand: nothing the version before reads or writes goes away under it.
 */
const bench = useBench();
/** The form of the version before the first that serves beside another. */
const BEFORE = '0081_trials';

let beside: string;
const opened: Database[] = [];
const open = () => {
	const db = openDatabase(urlOf(bench.db, beside));
	opened.push(db);
	return db;
};
async function empty(): Promise<Database> {
	await bench.db.raw('DROP DATABASE IF EXISTS ??', [beside]);
	await bench.db.raw('CREATE DATABASE ?? CHARACTER SET utf8mb4', [beside]);
	return open();
}
beforeAll(() => {
	// What the account of the tests may make beside its own.
	beside = `${databaseNamed(bench.db)}_restore`;
});
afterAll(async () => {
	for (const db of opened) await db.destroy();
	await bench.db.raw('DROP DATABASE IF EXISTS ??', [beside]);
});

interface Column {
	of_table: string;
	name: string;
	type: string;
	nullable: 'YES' | 'NO';
	usual: string | null;
	made: string;
}
const columnsOf = async (db: Database): Promise<Column[]> => {
	const [rows] = (await db.raw(
		`SELECT table_name AS of_table, column_name AS name, column_type AS type, is_nullable AS nullable,
			column_default AS usual, is_generated AS made
		FROM information_schema.columns WHERE table_schema = DATABASE() AND table_name NOT LIKE 'knex%'`
	)) as [Column[]];
	return rows;
};

describe('the form a new version brings', () => {
	it('has every table and column the version before knows, as it knows them, and asks for nothing it does not give', async () => {
		const db = await empty();
		await migrateTo(db, BEFORE);
		const before = await columnsOf(db);
		expect(await migrate(db)).toHaveLength(
			MIGRATIONS.length - MIGRATIONS.findIndex(([name]) => name === BEFORE) - 1
		);
		const after = new Map(
			(await columnsOf(db)).map((column) => [`${column.of_table}.${column.name}`, column])
		);
		for (const column of before)
			expect([column.of_table, column.name, after.get(`${column.of_table}.${column.name}`)?.type]).toEqual([
				column.of_table,
				column.name,
				column.type
			]);
		const tables = new Set(before.map((column) => column.of_table));
		const known = new Set(before.map((column) => `${column.of_table}.${column.name}`));
		const added = [...after].filter(([key, column]) => tables.has(column.of_table) && !known.has(key));
		expect(added.length).toBeGreaterThan(2);
		// A row the version before writes says nothing of what was added.
		for (const [key, { nullable, usual, made }] of added)
			expect([key, nullable === 'YES' || usual !== null || made === 'ALWAYS']).toEqual([key, true]);
	}, 60_000);

	it('takes rows as the version before writes them, while it is being made, and each once', async () => {
		const db = await empty();
		await migrateTo(db, BEFORE);
		const kitchen = {
			id: newId(),
			name: 'Serving on',
			town: '',
			time_zone: 'UTC',
			currency: 'USD',
			rules: 'us'
		};
		await db('kitchens').insert({ ...kitchen, created_at: utcNow() });
		const writer = open();
		const written: string[] = [];
		let goOn = true;
		const writing = (async () => {
			while (goOn) {
				const id = newId();
				await writer.transaction(async (transaction) => {
					await transaction('kitchens')
						.where('id', kitchen.id)
						.update({ name: `Serving on ${written.length}` });
					await transaction('ingredients').insert({
						id,
						kitchen_id: kitchen.id,
						name: id,
						kind: 'flour',
						allergens: '[]',
						allergens_evidence: '',
						created_at: utcNow(),
						updated_at: utcNow()
					} as never);
				});
				written.push(id);
			}
		})();
		await expect.poll(() => written.length).toBeGreaterThan(5);
		const during = written.length;
		await migrate(db);
		await expect.poll(() => written.length).toBeGreaterThan(during + 5);
		goOn = false;
		await writing;
		expect(await db('ingredients').where('kitchen_id', kitchen.id).orderBy('id').pluck('id')).toEqual(
			written.toSorted()
		);
	}, 60_000);
});

describe('migrations', () => {
	it('run once where several processes of a new version start at the same moment', async () => {
		await empty();
		const ran = await Promise.all([open(), open(), open()].map((db) => migrate(db)));
		expect(ran.map((names) => names.length).sort((a, b) => a - b)).toEqual([0, 0, MIGRATIONS.length]);
		const names = await open()('knex_migrations').pluck<string[]>('name');
		expect(names).toHaveLength(MIGRATIONS.length);
		expect(new Set(names).size).toBe(names.length);
	}, 60_000);

	it('of a newer version are let be by a process of this one, which starts and serves', async () => {
		const db = await empty();
		await migrate(db);
		await db('knex_migrations').insert({
			name: '9999_of_tomorrow',
			batch: 99,
			migration_time: utcNow()
		} as never);
		expect(await migrate(open())).toEqual([]);
		const id = await createKitchen(db, { ...KITCHEN, name: 'Still here' });
		const made = await makeRoti({ db, kitchen: { ...bench.kitchen, id } }, 'roti');
		expect(made.flour).toMatch(/^[0-9A-Z]{26}$/);
	}, 60_000);
});
