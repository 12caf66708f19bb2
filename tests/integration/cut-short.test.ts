import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { databaseNamed, openDatabase, urlOf, type Database } from '$lib/server/db/connection.ts';
import { dropEverything } from '$lib/server/db/empty.ts';
import { migrate, migrateTo, toRun } from '$lib/server/db/migrate.ts';
import { MIGRATIONS } from '$lib/server/db/migrations/index.ts';
import { onlyOne } from '$lib/server/db/upgrade/lock.ts';
import { oneConnection } from '$lib/server/db/upgrade/one-connection.ts';
import { useBench } from './kitchen.ts';

/**
 * An upgrade that is cut short goes on. Here every statement of every step is cut, before it, after it and after it was
 * noted; `npm run crash:upgrade` kills the processes themselves.
 */
const bench = useBench();
let beside: string;
const opened: Database[] = [];
const open = () => {
	const db = openDatabase(urlOf(bench.db, beside));
	opened.push(db);
	return db;
};
beforeAll(async () => {
	beside = `${databaseNamed(bench.db)}_restore`;
	await bench.db.raw('DROP DATABASE IF EXISTS ??', [beside]);
	await bench.db.raw('CREATE DATABASE ?? CHARACTER SET utf8mb4', [beside]);
});
afterAll(async () => {
	for (const db of opened) await db.destroy();
	await bench.db.raw('DROP DATABASE IF EXISTS ??', [beside]);
});

/** Everything of a database's form, to compare. */
async function formOf(db: Database): Promise<string[]> {
	const [tables] = (await db.raw('SHOW TABLES')) as [Record<string, string>[]];
	const names = tables.flatMap((row) => Object.values(row)).filter((name) => !name.startsWith('knex_'));
	const created: string[] = [];
	for (const name of names.sort()) {
		const [[row]] = (await db.raw('SHOW CREATE TABLE ??', [name])) as [Record<string, string>[]];
		created.push(row?.['Create Table'] ?? '');
	}
	const [triggers] = (await db.raw(
		`SELECT CONCAT_WS(' ', trigger_name, action_timing, event_manipulation, event_object_table, action_statement) AS made
		FROM information_schema.triggers WHERE trigger_schema = DATABASE() ORDER BY trigger_name`
	)) as [{ made: string }[]];
	return [...created, ...triggers.map(({ made }) => made)];
}

describe('an upgrade that is cut short', () => {
	it('goes on at the statement it was cut at, whichever that was, and ends in the same form', async () => {
		const db = open();
		await dropEverything(db);
		const cuts = new Set<string>();
		let ended = false;
		for (let nth = 0; !ended && nth < 5000; nth++)
			try {
				await migrate(db, {
					at: (step, statement, when) => {
						const place = `${step} ${statement} ${when}`;
						if (cuts.has(place)) return;
						cuts.add(place);
						throw new Error('cut');
					}
				});
				ended = true;
			} catch (error) {
				expect((error as Error).message).toMatch(/\bcut$/);
			}
		expect(ended).toBe(true);
		expect(cuts.size).toBeGreaterThan(MIGRATIONS.length * 3);
		expect(await toRun(db)).toEqual({ names: [], isNew: false, isHalfWay: false });
		expect(await formOf(db)).toEqual(await formOf(bench.db));
	}, 600_000);

	it('goes on where an older version was cut, its lock left set or taken away by hand', async () => {
		const db = open();
		await dropEverything(db);
		const last = MIGRATIONS.findIndex(([name]) => name === '0078_sold_out');
		await migrateTo(db, MIGRATIONS[last - 1]?.[0] ?? '');
		// As it was left: no statement noted, half of the next step done, a lock that nobody holds.
		await db.raw('DROP TABLE knex_migrations_statements');
		await db.raw('CREATE TABLE knex_migrations_lock (`index` INT PRIMARY KEY, is_locked INT)');
		await db.raw('INSERT INTO knex_migrations_lock VALUES (1, 1)');
		let nth = 0;
		const [, step] = MIGRATIONS[last] ?? [];
		const half = new Proxy(db, {
			get: (of, name) => {
				if (name === 'schema' || name === 'raw') nth++;
				if (nth > 1) throw new Error('cut');
				return Reflect.get(of, name) as unknown;
			}
		});
		await expect(async () => step?.up(half)).rejects.toThrow('cut');
		// It is cut short again, and again, by this version too.
		for (const cut of [1, 3, 4])
			await expect(
				migrate(db, {
					at: (_, statement, when) => {
						if (statement === cut && when === 'done') throw new Error('cut');
					}
				})
			).rejects.toThrow(/\bcut$/);
		expect(await migrate(db)).toHaveLength(MIGRATIONS.length - last);
		expect(await formOf(db)).toEqual(await formOf(bench.db));
	}, 120_000);

	it('ends after the step it is at where it is asked to, and goes on with the next', async () => {
		const db = open();
		await dropEverything(db);
		const ending = new AbortController();
		const said: string[] = [];
		await expect(
			migrate(db, {
				signal: ending.signal,
				say: (words) => {
					said.push(words);
					if (said.length === 3) ending.abort(new Error('enough'));
				}
			})
		).rejects.toThrow('enough');
		expect(await db('knex_migrations').orderBy('id').pluck('name')).toEqual(
			MIGRATIONS.slice(0, 3).map(([name]) => name)
		);
		expect(said).toEqual(
			MIGRATIONS.slice(0, 3).map(([name], nth) => `Step ${nth + 1} of ${MIGRATIONS.length}: ${name}`)
		);
		expect((await toRun(db)).isHalfWay).toBe(true);
	});

	it('is waited for with a word, and not for a moment longer than its connection lives', async () => {
		const holder = oneConnection(open());
		await onlyOne(holder, () => undefined);
		const said: string[] = [];
		const waiter = open();
		const waiting = migrate(waiter, { say: (words) => said.push(words) });
		await expect.poll(() => said, { timeout: 10_000 }).not.toEqual([]);
		expect(said[0]).toMatch(
			/^Another start is bringing the database up to date \(connection \d+ of it\): waiting/
		);
		// Its process dies: nothing it held stays.
		const [[row]] = (await holder.raw('SELECT CONNECTION_ID() AS id')) as [{ id: number }[]];
		await bench.db.raw('KILL ?', [row?.id ?? 0]);
		expect((await waiting).length).toBe(MIGRATIONS.length - 3);
		// And whoever lost the lock can do nothing more.
		await expect(holder.raw('SELECT 1')).rejects.toThrow();
		await holder.destroy();
	}, 120_000);
});
