import { spawn } from 'node:child_process';
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { setTimeout } from 'node:timers/promises';
import { randomOf } from '../../core/testing/simulate.ts';
import { insertAll } from '../../src/lib/server/archive/insert.ts';
import { readArchive } from '../../src/lib/server/archive/read.ts';
import { openDatabase } from '../../src/lib/server/db/connection.ts';
import { migrate, migrateTo, toRun } from '../../src/lib/server/db/migrate.ts';
import { freePort } from './ports.ts';
import { startMariaDb } from './mariadb.ts';
import { root } from './root.ts';

/** How an upgrade is cut: its process is killed, its database is, or it is asked to end as Ctrl-C does. */
export const WAYS = ['server', 'database', 'Ctrl-C'] as const;
export type Way = (typeof WAYS)[number];

/** Lays a data folder as an installation of an older version left it: a kitchen of its form in it. */
export async function layOlder(dataDir: string, archiveFile: string): Promise<void> {
	const mariadb = await startMariaDb(dataDir, { durable: false });
	const database = openDatabase(mariadb.ownerUrl);
	try {
		const archive = await readArchive(archiveFile);
		await migrateTo(database, archive.manifest.migration);
		await database.transaction(async (db) => {
			await db.raw('SET SESSION foreign_key_checks = 0');
			await insertAll(db, archive);
		});
		archive.close?.();
	} finally {
		await database.destroy();
		await mariadb.stop();
	}
}

/** What a start says once there is no step left to cut. */
const DONE = /Migrated the database|Square Batch is at/;
const STEP = /^Step \d+ of \d+: (\w+)$/m;

/** Starts on the folder, and cuts it `after_ms` into the first step it comes to, which it gives; null where none was left. */
export async function cutAtNext(dataDir: string, way: Way, after_ms: number): Promise<string | null> {
	const { DATABASE_URL: _none, ...env } = process.env;
	const child = spawn(process.execPath, [join(root, 'scripts', 'run.mjs'), 'start'], {
		cwd: root,
		stdio: ['ignore', 'pipe', 'pipe'],
		env: { ...env, DATA_DIR: dataDir, PORT: String(await freePort()) }
	});
	let said = '';
	let step: string | null = null;
	const take = (chunk: Buffer) => {
		said += chunk.toString();
		const found = STEP.exec(said)?.[1];
		if (found !== undefined && step === null) {
			step = found;
			void setTimeout(after_ms).then(() => cut(dataDir, way, child.pid ?? 0));
		} else if (step === null && DONE.test(said)) child.kill('SIGINT');
	};
	child.stdout.on('data', take);
	child.stderr.on('data', take);
	const code = await new Promise<number | null>((resolve) => child.once('exit', resolve));
	if (step === null && !DONE.test(said)) throw new Error(`it ended with code ${code}:\n${said}`);
	return step;
}

function cut(dataDir: string, way: Way, pid: number): void {
	const file = join(dataDir, 'mariadb', 'server.pid');
	try {
		if (way === 'server') process.kill(pid, 'SIGKILL');
		else if (way === 'Ctrl-C') process.kill(pid, 'SIGINT');
		else if (existsSync(file)) process.kill(Number(readFileSync(file, 'utf8')), 'SIGKILL');
	} catch {
		// It has gone already.
	}
}

/** What came of an upgrade that was cut again and again. */
export interface CutUpgrade {
	/** The steps it was cut at. */
	cuts: string[];
	/** Whether a start since brought it to today's form. */
	isDone: boolean;
}

/** Cuts an upgrade at each step it comes to, at most `times`, `seed` saying how far into them, and lets it run through. */
export async function upgradeCut(
	dataDir: string,
	way: Way,
	seed: number,
	times = Infinity
): Promise<CutUpgrade> {
	const random = randomOf(seed);
	const cuts: string[] = [];
	while (cuts.length < times) {
		// Within its first statements, so that few steps are done before they can be cut.
		const step = await cutAtNext(dataDir, way, random() * 120);
		if (step === null) break;
		cuts.push(step);
	}
	const mariadb = await startMariaDb(dataDir, { durable: false });
	const database = openDatabase(mariadb.ownerUrl);
	try {
		await migrate(database);
		const { names, isHalfWay } = await toRun(database);
		return { cuts, isDone: names.length === 0 && !isHalfWay };
	} finally {
		await database.destroy();
		await mariadb.stop();
	}
}
