import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { databaseNamed, openDatabase, urlOf, type Database } from '$lib/server/db/connection.ts';
import { ownGuards } from '$lib/server/db/triggers.ts';
import { APPLICATION } from '../../scripts/lib/mariadb.ts';
import { DUMP, ensureProgram } from '../../scripts/lib/packages.ts';
import { useBench } from './kitchen.ts';

const bench = useBench();
let beside: string;
let other: Database;
beforeAll(async () => {
	beside = `${databaseNamed(bench.db)}_restore`;
	await bench.db.raw('DROP DATABASE IF EXISTS ??', [beside]);
	await bench.db.raw('CREATE DATABASE ?? CHARACTER SET utf8mb4', [beside]);
	// The other account there is: it owns what it restores, and is no administrator.
	const url = new URL(urlOf(bench.db, beside));
	url.username = APPLICATION;
	url.password = readFileSync(
		join(process.env.TEST_FOLDER ?? '', 'integration', 'application-password'),
		'utf8'
	).trim();
	other = openDatabase(url.href);
});
afterAll(async () => {
	await other.destroy();
	await bench.db.raw('DROP DATABASE IF EXISTS ??', [beside]);
});

const clientOf = (db: Database): string[] => {
	const { hostname, port, username, password, pathname } = new URL(urlOf(db));
	return ['--no-defaults', '-h', hostname, '-P', port, '-u', username, `-p${password}`, pathname.slice(1)];
};
const guardsOf = async (db: Database) => {
	const [rows] = (await db.raw(
		`SELECT TRIGGER_NAME AS name, ACTION_STATEMENT AS statement, DEFINER AS definer FROM information_schema.TRIGGERS
		WHERE TRIGGER_SCHEMA = DATABASE() ORDER BY 1`
	)) as [{ name: string; statement: string; definer: string }[]];
	return rows;
};

describe('a dump', () => {
	it('is restored by another account with every guard, as docs/operate.md says, and the owner makes them its own', async () => {
		const dump = execFileSync(
			ensureProgram(DUMP),
			[...clientOf(bench.db).slice(0, -1), '--single-transaction', databaseNamed(bench.db)],
			{
				encoding: 'utf8',
				maxBuffer: 256 * 1024 ** 2
			}
		);
		const script = readFileSync(new URL('../../docs/operate.md', import.meta.url), 'utf8');
		expect(script).toContain("sed -E 's/DEFINER=`[^`]+`@`[^`]+`//g'");
		execFileSync('mariadb', clientOf(other), { input: dump.replaceAll(/DEFINER=`[^`]+`@`[^`]+`/g, '') });
		const [before, after] = [await guardsOf(bench.db), await guardsOf(other)];
		expect(before.length).toBeGreaterThan(50);
		expect(after.map(({ name, statement }) => [name, statement])).toEqual(
			before.map(({ name, statement }) => [name, statement])
		);
		expect(new Set(after.map(({ definer }) => definer))).toEqual(new Set([`${APPLICATION}@127.0.0.1`]));
		const owner = openDatabase(urlOf(bench.db, beside));
		expect(await ownGuards(owner)).toBe(before.length);
		expect(await ownGuards(owner)).toBe(0);
		expect(await guardsOf(owner)).toEqual(before);
		await owner.destroy();
	}, 120_000);
});
