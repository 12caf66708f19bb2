import { spawnSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { databaseTrouble } from '$lib/server/db/trouble.ts';
import { openDatabase, type Database } from '$lib/server/db/connection.ts';
import { migrate } from '$lib/server/db/migrate.ts';
import { createKitchen } from '$lib/server/kitchens.ts';
import { startMariaDb, type OwnMariaDb } from '../../scripts/lib/mariadb.ts';
import { KITCHEN } from './kitchen.ts';

const IS_ROOT = process.getuid?.() === 0;
/** Another user of the machine. */
const NOBODY = 65_534;

let folder = '';
let mariadb: OwnMariaDb;
const opened: Database[] = [];
const open = (url: string) => {
	const db = openDatabase(url);
	opened.push(db);
	return db;
};
const as = (user: string, password = '') => {
	const url = new URL(mariadb.url);
	[url.username, url.password] = [user, password];
	return open(url.href);
};

beforeAll(async () => {
	folder = mkdtempSync(join(tmpdir(), 'square-batch-accounts-'));
	// As installations were laid before: root without a password, by every way in.
	mkdirSync(join(folder, 'mariadb'));
	const { status, stderr } = spawnSync(
		'mariadb-install-db',
		[
			'--no-defaults',
			`--datadir=${join(folder, 'mariadb')}`,
			'--auth-root-authentication-method=normal',
			'--skip-test-db',
			...(IS_ROOT ? ['--user=root'] : [])
		],
		{ encoding: 'utf8' }
	);
	expect(status, stderr).toBe(0);
	mariadb = await startMariaDb(folder, { durable: false });
	const owner = open(mariadb.ownerUrl);
	await migrate(owner);
	await createKitchen(owner, KITCHEN);
});
afterAll(async () => {
	for (const db of opened) await db.destroy();
	await mariadb.stop();
	rmSync(folder, { recursive: true, force: true });
});

describe('the database of our own', () => {
	it('lets nobody in without a password, whoever they say they are', async () => {
		for (const user of ['root', '', 'mariadb.sys', 'squarebatch', 'squarebatch_app'])
			await expect(as(user).raw('SELECT 1'), user).rejects.toThrow(/Access denied/);
		await expect(as('squarebatch_app', 'guess').raw('SELECT 1')).rejects.toThrow(/Access denied/);
	});

	it('lets the application read and write rows, and change nothing of the schema', async () => {
		const app = open(mariadb.url);
		expect(await app('kitchens').first('name')).toEqual({ name: KITCHEN.name });
		await app('kitchens').update({ town: 'Oxlip Ferry' });
		for (const statement of [
			'ALTER TABLE kitchens ADD COLUMN x INT',
			'DROP TRIGGER weighings_never_change',
			'CREATE TRIGGER t BEFORE INSERT ON kitchens FOR EACH ROW SET NEW.town = ""',
			'DROP TABLE kitchens',
			'CREATE TABLE t (id INT)',
			'TRUNCATE kitchens',
			'CREATE USER x',
			'SELECT * FROM mysql.global_priv'
		])
			await expect(app.raw(statement), statement).rejects.toThrow(/denied/);
		// What is evidence is never changed, by whoever asks.
		await expect(app('weighings').insert({ id: 'x' })).rejects.toThrow();
	});

	it('reads and writes no files', async () => {
		const app = open(mariadb.url);
		const said = async (name: string) =>
			((await app.raw('SHOW VARIABLES LIKE ?', [name])) as { Value: string }[][])[0]?.[0]?.Value;
		expect(await said('local_infile')).toBe('OFF');
		expect(await said('secure_file_priv')).toBe(`${join(folder, 'no-files')}/`);
		await expect(app.raw("SELECT 1 INTO OUTFILE '/tmp/square-batch-out'")).rejects.toThrow(/denied/);
		await expect(app.raw("SELECT LOAD_FILE('/etc/passwd') AS text")).resolves.toMatchObject([
			[{ text: null }],
			expect.anything()
		]);
		expect(readdirSync(join(folder, 'no-files'))).toEqual([]);
	});

	it.runIf(IS_ROOT)('keeps its files and tables from every other user of the machine', () => {
		const other = (program: string, ...given: string[]) =>
			spawnSync(program, given, { uid: NOBODY, gid: NOBODY, encoding: 'utf8' });
		expect(other('ls', join(folder, 'mariadb')).status).not.toBe(0);
		expect(other('cat', join(folder, 'application-password')).status).not.toBe(0);
		const { port } = new URL(mariadb.url);
		for (const user of ['root', '']) {
			const { status, stderr } = other(
				'mariadb',
				'--no-defaults',
				'--protocol=tcp',
				'--host=127.0.0.1',
				`--port=${port}`,
				`--user=${user}`,
				'--execute=SELECT * FROM squarebatch.kitchens'
			);
			expect(status).not.toBe(0);
			expect(stderr).toMatch(/Access denied/);
		}
	});

	// What was kept before is proven where it waits for the disk: tests/e2e/start-and-stop.spec.ts.
	it('killed, is started again where it was', async () => {
		const app = open(mariadb.url);
		const was = mariadb.pid;
		process.kill(was, 'SIGKILL');
		const one = () =>
			app
				.raw('SELECT 1 AS one')
				.then(() => 'there')
				.catch((error: unknown) => databaseTrouble(error)?.message ?? String(error));
		// The old one may answer once more while it dies.
		await expect.poll(() => mariadb.pid, { timeout: 50_000 }).not.toBe(was);
		await expect.poll(one, { timeout: 50_000 }).toBe('there');
	});
});

describe('what a database that does not answer is told as', () => {
	it.each([
		[{ code: 'ECONNREFUSED' }, 503],
		[{ code: 'PROTOCOL_CONNECTION_LOST' }, 503],
		[new Error("Can't add new command when connection is in closed state"), 503],
		[{ code: 'ER_RECORD_FILE_FULL' }, 507],
		[{ code: 'ENOSPC' }, 507],
		[{ code: 'ER_DUP_ENTRY' }, undefined],
		[new Error('a slip of ours'), undefined],
		[null, undefined]
	])('%o', (error, status) => {
		expect(databaseTrouble(error)?.status).toBe(status);
	});
});
