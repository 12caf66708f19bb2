import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { readArchive } from '../src/lib/server/archive/read.ts';
import { restoreKitchen } from '../src/lib/server/archive/restore.ts';
import { openDatabase, type Database } from '../src/lib/server/db/connection.ts';
import { loadDemoOnce } from '../src/lib/server/db/demo/load.ts';
import { migrate } from '../src/lib/server/db/migrate.ts';
import { theKitchen, today } from '../src/lib/server/kitchens.ts';
import type { Cells } from '../src/lib/server/rows.ts';
import { ensureBuild } from './lib/build.ts';
import { startMariaDb } from './lib/mariadb.ts';
import { mainPagesOf, pageSpeeds, reportPages } from './lib/pages.ts';
import { freePort } from './lib/ports.ts';
import { reaching } from './lib/reach.ts';
import { serve } from './lib/serve.ts';
import { fillTenYears, TEN_YEARS } from './lib/ten-years.ts';
import { ask } from './lib/come-in.ts';
import { pathsOf } from './lib/every-list.ts';
import { queriesOf, type Query } from './lib/queries.ts';
import { madeArchive } from './lib/long-work.ts';

const ROUNDS = 25;
const WARM_ROUNDS = 3;
const WANTED_MS = 100;
/** A scan of fewer rows than this is of a small table, and the quickest way to read it. */
const SMALL_ROWS = 1000;

/**
 * `npm run bench:years`: how soon every list answers after ten years of a busy kitchen. Prints, asserts nothing.
 * With addresses only those are asked, and nothing is archived.
 */
export async function main(only: string[] = []): Promise<void> {
	const folder = mkdtempSync(join(tmpdir(), 'square-batch-years-'));
	const undo: (() => Promise<void> | void)[] = [() => rmSync(folder, { recursive: true, force: true })];
	try {
		await ensureBuild();
		const mariadb = await startMariaDb(folder, { durable: false });
		undo.push(mariadb.stop);
		const db = openDatabase(mariadb.ownerUrl);
		undo.push(() => db.destroy());
		await migrate(db);
		await loadDemoOnce(db);
		const kitchen = await theKitchen(db);
		await fillTenYears(db, kitchen.id, today(kitchen), TEN_YEARS);
		await db.raw('ANALYZE TABLE batches, batch_lines, weighings, sales, lots, lot_moves, batch_closings');
		for (const table of ['batches', 'weighings', 'sales', 'lots'])
			console.log(
				`years: ${String(((await db(table).count('* as count').first()) as Cells).count)} ${table}`
			);
		const port = await freePort();
		const running = await serve(port, mariadb.url, await reaching({ port, dataDir: folder, isLan: false }));
		undo.push(running.stop);
		const all = await pathsOf(db, kitchen.id);
		const paths = only.length > 0 ? all.filter((path) => only.includes(path)) : all;
		const asked: string[] = [];
		// A server that has run for a minute is what people meet.
		for (let round = 0; round < WARM_ROUNDS; round++)
			for (const path of paths) await answer(running.address, path);
		for (const path of paths) {
			const queries = await queriesOf(() => answer(running.address, path));
			const scans = await fullScans(db, queries);
			const times: number[] = [];
			for (let round = 0; round < ROUNDS; round++) times.push(await answer(running.address, path));
			times.sort((a, b) => a - b);
			const p95 = times[Math.floor(times.length * 0.95)] ?? 0;
			asked.push(path);
			console.log(
				`years: ${path.replace(/[0-9A-Z]{26}/, 'ID').padEnd(42)} median ${ms(times[Math.floor(times.length / 2)])}, 95 % within ${ms(p95)}${p95 > WANTED_MS ? '  OVER' : ''}${scans.length > 0 ? `  full scan: ${scans.join(', ')}` : ''}`
			);
		}
		if (only.length > 0) return;
		reportPages(await pageSpeeds(running.address, db, kitchen.id, (await mainPagesOf(db)).paths));
		const began = performance.now();
		const archive = await madeArchive(running.address);
		console.log(
			`years: the archive of it all, ${(archive.byteLength / 1024 ** 2).toFixed(1)} MB, in ${ms(performance.now() - began)}`
		);
		await restoreElsewhere(join(folder, 'elsewhere'), archive, undo);
		console.log(`years: ${asked.length} addresses asked, ${WANTED_MS} ms wanted at the 95th percentile`);
	} finally {
		for (const step of undo.reverse()) await step();
	}
}

const ms = (value = 0) => `${value.toFixed(0).padStart(4)} ms`;

async function answer(address: string, path: string): Promise<number> {
	const began = performance.now();
	const response = await ask(address + path);
	await response.text();
	if (!response.ok) throw new Error(`${path} answered ${response.status}`);
	return performance.now() - began;
}

/** How long the archive takes to come into an empty database. */
async function restoreElsewhere(
	folder: string,
	archive: Uint8Array,
	undo: (() => Promise<void> | void)[]
): Promise<void> {
	const mariadb = await startMariaDb(folder, { durable: false });
	undo.push(mariadb.stop);
	const db = openDatabase(mariadb.ownerUrl);
	undo.push(() => db.destroy());
	await migrate(db);
	const began = performance.now();
	const read = await readArchive(archive);
	await restoreKitchen(db, read);
	const rows = read.manifest.tables.reduce((sum, table) => sum + table.rows, 0);
	console.log(`years: its ${rows} rows restored elsewhere in ${ms(performance.now() - began)}`);
}

/** Tables that some queries read from end to end, though they are large. */
async function fullScans(db: Database, queries: readonly Query[]): Promise<string[]> {
	const found = new Set<string>();
	for (const { sql, values } of queries) {
		if (!/^\s*select/i.test(sql)) continue;
		const [plan] = (await db.raw(`EXPLAIN ${sql}`, values as never)) as [Cells[]];
		for (const step of plan)
			if (step.type === 'ALL' && Number(step.rows) > SMALL_ROWS && !String(step.table).startsWith('<'))
				found.add(`${String(step.table)} (${String(step.rows)} rows)`);
	}
	return [...found];
}
