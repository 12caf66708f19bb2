import { join } from 'node:path';
import { readArchive } from '../src/lib/server/archive/read.ts';
import { restoreKitchen } from '../src/lib/server/archive/restore.ts';
import type { Database } from '../src/lib/server/db/connection.ts';
import { today } from '../src/lib/server/kitchens.ts';
import type { Cells } from '../src/lib/server/rows.ts';
import { answerTime_ms, emptyDatabase, inBenchPlace, percentile } from './lib/bench-place.ts';
import { mainPagesOf, pageSpeeds, reportPages } from './lib/pages.ts';
import { fillTenYears, TEN_YEARS } from './lib/ten-years.ts';
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
	await inBenchPlace('years', async ({ folder, db, kitchen, serveHere, undo }) => {
		await fillTenYears(db, kitchen.id, today(kitchen), TEN_YEARS);
		await db.raw('ANALYZE TABLE batches, batch_lines, weighings, sales, lots, lot_moves, batch_closings');
		for (const table of ['batches', 'weighings', 'sales', 'lots'])
			console.log(
				`years: ${String(((await db(table).count('* as count').first()) as Cells).count)} ${table}`
			);
		const running = await serveHere();
		const all = await pathsOf(db, kitchen.id);
		const paths = only.length > 0 ? all.filter((path) => only.includes(path)) : all;
		const asked: string[] = [];
		// A server that has run for a minute is what people meet.
		for (let round = 0; round < WARM_ROUNDS; round++)
			for (const path of paths) await answerTime_ms(running.address, path);
		for (const path of paths) {
			const queries = await queriesOf(() => answerTime_ms(running.address, path));
			const scans = await fullScans(db, queries);
			const times: number[] = [];
			for (let round = 0; round < ROUNDS; round++) times.push(await answerTime_ms(running.address, path));
			const p95 = percentile(times, 0.95);
			asked.push(path);
			console.log(
				`years: ${path.replace(/[0-9A-Z]{26}/, 'ID').padEnd(42)} median ${ms(percentile(times, 0.5))}, 95 % within ${ms(p95)}${p95 > WANTED_MS ? '  OVER' : ''}${scans.length > 0 ? `  full scan: ${scans.join(', ')}` : ''}`
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
	});
}

const ms = (value = 0) => `${value.toFixed(0).padStart(4)} ms`;

/** How long the archive takes to come into an empty database. */
async function restoreElsewhere(folder: string, archive: Uint8Array, undo: (() => unknown)[]): Promise<void> {
	const { db } = await emptyDatabase(folder, undo);
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
