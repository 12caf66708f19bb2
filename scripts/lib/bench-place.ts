import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { openDatabase, type Database } from '../../src/lib/server/db/connection.ts';
import { loadDemoOnce } from '../../src/lib/server/db/demo/load.ts';
import { migrate } from '../../src/lib/server/db/migrate.ts';
import { theKitchen } from '../../src/lib/server/kitchens.ts';
import type { Kitchen } from '../../src/lib/kitchen/types.ts';
import { ensureBuild } from './build.ts';
import { ask } from './come-in.ts';
import { startMariaDb } from './mariadb.ts';
import { freePort } from './ports.ts';
import { reaching } from './reach.ts';
import { serve, type Running } from './serve.ts';

/** An installation of its own with the demo kitchen, to be filled and timed. */
export interface BenchPlace {
	folder: string;
	/** Of the database's owner, for a process beside this one. */
	ownerUrl: string;
	db: Database;
	kitchen: Kitchen;
	/** Serves the build in this process, from when it is called: what it asks the database is seen here. */
	serveHere(): Promise<Running>;
	/** What is to be stopped once the bench is over, the last first. */
	undo: (() => unknown)[];
}

/** Makes a place for a bench, and takes it away again whatever comes of it. */
export async function inBenchPlace(name: string, act: (place: BenchPlace) => Promise<void>): Promise<void> {
	const folder = mkdtempSync(join(tmpdir(), `square-batch-${name}-`));
	const undo: (() => unknown)[] = [() => rmSync(folder, { recursive: true, force: true })];
	try {
		await ensureBuild();
		const { db, mariadb } = await emptyDatabase(folder, undo);
		await loadDemoOnce(db);
		const serveHere = async () => {
			const port = await freePort();
			// A bench asks as many kitchens would together.
			process.env.KITCHEN_REQUESTS ??= String(Number.MAX_SAFE_INTEGER);
			const running = await serve(port, mariadb.url, await reaching({ port, dataDir: folder, isLan: false }));
			undo.push(running.stop);
			return running;
		};
		const kitchen = await theKitchen(db);
		await act({ folder, ownerUrl: mariadb.ownerUrl, db, kitchen, serveHere, undo });
	} finally {
		for (const step of undo.reverse()) await step();
	}
}

/** A database of its own in today's form, with nothing in it. */
export async function emptyDatabase(folder: string, undo: (() => unknown)[]) {
	const mariadb = await startMariaDb(folder, { durable: false });
	undo.push(mariadb.stop);
	const db = openDatabase(mariadb.ownerUrl);
	undo.push(() => db.destroy());
	await migrate(db);
	return { db, mariadb };
}

/** How long a page took to come whole. Throws where it was refused. */
export async function answerTime_ms(address: string, path: string): Promise<number> {
	const began = performance.now();
	const response = await ask(address + path);
	await response.text();
	if (!response.ok) throw new Error(`${path} answered ${response.status}`);
	return performance.now() - began;
}

/** The value so far up in what was timed: 0.95 for the 95th percentile. */
export const percentile = (times: readonly number[], share: number): number =>
	times.toSorted((a, b) => a - b)[Math.floor(times.length * share)] ?? 0;
