import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Database } from '../src/lib/server/db/connection.ts';
import { countUsage } from '../src/lib/server/life/limits.ts';
import { today } from '../src/lib/server/kitchens.ts';
import { beginSession } from '../src/lib/server/people/sessions.ts';
import { answerTime_ms, inBenchPlace, percentile } from './lib/bench-place.ts';
import { startApplication, type Application } from './lib/application.ts';
import { pathsOf } from './lib/every-list.ts';
import { fillKitchens, idIn, type Filling } from './lib/many-kitchens.ts';
import { freePort } from './lib/ports.ts';
import { mostRead, queriesOf } from './lib/queries.ts';
import { oneSale } from './lib/one-sale.ts';

/** All of them sell: they are those of lowest numbers, which sell where there are many. */
const FEW: Filling = { dormant: 0, active: 0, market: 9 };
const MANY: Filling = { dormant: 9000, active: 900, market: 100 };
const ROUNDS = 40;
const WARM_ROUNDS = 3;
const STEADY = 1.3;
/** A page that takes a few milliseconds is steady where it takes two more. */
const NOTHING_MS = 3;
const LISTENERS = 1000;
const STALLS = 200;
const SALES_EACH = 20;
/** So few pages and changes the database has to put away at any time. */
const PUT_AWAY = 100;

/**
 * `npm run bench:kitchens`: one server with ten kitchens and with ten thousand, a tenth of them worked in and a hundred on a
 * market morning. Prints how long every address takes for one of them, what is read for it, what a listener takes, and
 * how many sales a second two hundred stalls make. `npm run bench:kitchens -- 1000` fills so many.
 */
export async function main([said]: string[] = []): Promise<void> {
	const share = Number(said ?? 10_000) / 10_000;
	const many = {
		dormant: Math.round(MANY.dormant * share),
		active: Math.round(MANY.active * share),
		market: Math.max(FEW.market, Math.round(MANY.market * share))
	};
	await inBenchPlace('kitchens', async ({ folder, ownerUrl, db, kitchen, serveHere, undo }) => {
		const running = await serveHere();
		// What is timed is a process of its own; what is read is seen in this one.
		const apart = await startApplication(join(folder, 'apart'), await freePort(), {
			DATABASE_URL: ownerUrl
		});
		undo.push(apart.stop);
		const at = { timed: apart.address, seen: running.address };
		const few = await measured(db, kitchen.id, at, FEW, 0);
		const all = await measured(db, kitchen.id, at, many, FEW.market);
		reportSteadiness(few, all);
		const listener_bytes = await listenersOf(apart, db, kitchen.id, many);
		const { perSecond, p95_ms, kept, twice, wanted } = await salesOf(
			apart,
			db,
			kitchen.id,
			many,
			today(kitchen)
		);
		console.log(
			`kitchens: a listener takes ${(listener_bytes / 1024).toFixed(1)} kB of the process (${LISTENERS} of ${all.kitchens} kitchens)`
		);
		console.log(
			`kitchens: ${STALLS} stalls at once sold ${perSecond.toFixed(0)} a second, 95 % answered within ${ms(p95_ms)}; of ${wanted} entries ${kept} are kept, ${twice} twice`
		);
	});
}

/** Prints every address with how it stands among few kitchens and among all. */
function reportSteadiness(few: Measured, all: Measured): void {
	let worst = 0;
	for (const [path, { p95_ms, read, most }] of all.pages) {
		const before = few.pages.get(path);
		if (!before) continue;
		const ratio = p95_ms / before.p95_ms;
		const isSteady = ratio <= STEADY || p95_ms - before.p95_ms <= NOTHING_MS;
		if (!isSteady) worst = Math.max(worst, ratio);
		console.log(
			`kitchens: ${path.replace(/[0-9A-Z]{26}/, 'ID').padEnd(44)} 95 % within ${ms(before.p95_ms)} of ${few.kitchens}, ${ms(p95_ms)} of ${all.kitchens}, ×${ratio.toFixed(2)}${isSteady ? '' : '  OVER'}; a query reads at most ${read} rows${read > all.rows ? `  MORE THAN THE KITCHEN HAS: ${most.slice(0, 200)}` : ''}`
		);
	}
	console.log(
		`kitchens: ${worst === 0 ? `every address is steady (×${STEADY} wanted)` : `the worst is ×${worst.toFixed(2)}`}; the kitchen asked has ${all.rows} rows`
	);
}

const ms = (value: number) => `${value.toFixed(1).padStart(6)} ms`;

interface Measured {
	kitchens: number;
	/** Of the kitchen that is asked. */
	rows: number;
	pages: Map<string, { p95_ms: number; read: number; most: string }>;
}

interface Addresses {
	timed: string;
	seen: string;
}

interface Sold {
	perSecond: number;
	p95_ms: number;
	kept: number;
	twice: number;
	wanted: number;
}

/** Fills so many more kitchens, those that sell first, and asks one of them that was there before. */
async function measured(
	db: Database,
	kitchenId: string,
	at: Addresses,
	filling: Filling,
	there: number
): Promise<Measured> {
	const began = performance.now();
	await fillKitchens(db, kitchenId, filling, there);
	const [count] = await db('kitchens').count<{ kitchens: number }[]>({ kitchens: '*' });
	const [[rows]] = (await db.raw(
		'SELECT SUM(table_rows) AS kept FROM information_schema.tables WHERE table_schema = DATABASE()'
	)) as [{ kept: string }[]];
	const kitchens = count?.kitchens ?? 0;
	console.log(
		`kitchens: ${kitchens} with about ${rows?.kept} rows, filled in ${((performance.now() - began) / 1000).toFixed(0)} s`
	);
	for (const table of ['batches', 'sales', 'weighings', 'ingredients', 'memberships', 'formulas'] as const)
		await db.raw('ANALYZE TABLE ??', [table]);
	await settled(db);
	const { rows: own } = await countUsage(db, kitchenId);
	return { kitchens, rows: own, pages: await pagesOf(at, db, kitchenId) };
}

/** Waits until the database has put away what was filled in: that work is the filling's, not a page's. */
async function settled(db: Database): Promise<void> {
	const LONGEST_S = 120;
	for (let second = 0; second < LONGEST_S; second++) {
		const [rows] = (await db.raw(
			"SHOW GLOBAL STATUS WHERE variable_name IN ('Innodb_buffer_pool_pages_dirty', 'Innodb_history_list_length')"
		)) as [{ Value: string }[]];
		if (rows.every(({ Value }) => Number(Value) < PUT_AWAY)) return;
		await new Promise((resolve) => setTimeout(resolve, 1000));
	}
}

/** Every address of one kitchen, each time as after something of it was changed. */
async function pagesOf(
	{ timed, seen }: Addresses,
	db: Database,
	kitchenId: string
): Promise<Measured['pages']> {
	const changed = () => db('changes').where('kitchen_id', kitchenId).increment('number', 1);
	const pages: Measured['pages'] = new Map();
	for (const path of await pathsOf(db, kitchenId)) {
		for (let round = 0; round < WARM_ROUNDS; round++)
			for (const address of [timed, seen]) await answerTime_ms(address, path);
		await changed();
		const queries = await queriesOf(() => answerTime_ms(seen, path));
		const { rows, sql } = await mostRead(db, queries);
		const times: number[] = [];
		for (let round = 0; round < ROUNDS; round++) {
			await changed();
			times.push(await answerTime_ms(timed, path));
		}
		pages.set(path.replace(/[0-9A-Z]{26}/, 'ID'), {
			p95_ms: percentile(times, 0.95),
			read: Math.round(rows),
			most: sql
		});
	}
	return pages;
}

/** The cookie of whoever owns the nth kitchen, who came in a moment ago. */
async function cookieOf(at: Application, db: Database, template: string, n: number): Promise<string> {
	const kitchenId = idIn(n, template);
	const owner = await db('memberships').where({ kitchen_id: kitchenId, role: 'owner' }).first('person_id');
	const token = await beginSession(db, {
		personId: owner?.person_id ?? '',
		cameBy: 'password',
		kitchenId,
		deviceId: null
	});
	return `square-batch-session-${new URL(at.address).port}=${token}`;
}

const residentBytes = (pid: number) =>
	1024 * Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1] ?? 0);

/** What a device that listens takes of the process, from many of them in every kitchen that sells. */
async function listenersOf(
	at: Application,
	db: Database,
	template: string,
	{ market }: Filling
): Promise<number> {
	const cookies = await Promise.all(Array.from({ length: market }, (_, n) => cookieOf(at, db, template, n)));
	const leaving = new AbortController();
	const listen = async (nth: number) => {
		const response = await fetch(`${at.address}/live`, {
			headers: { cookie: cookies[nth % market] ?? '', accept: 'text/event-stream' },
			signal: leaving.signal
		});
		if (!response.ok) throw new Error(`/live answered ${response.status}`);
		// Its first words have come; the rest is let be.
		void response.body
			?.getReader()
			.read()
			.catch(() => undefined);
	};
	for (const nth of cookies.keys()) await listen(nth);
	const before = residentBytes(at.child.pid ?? 0);
	const AT_ONCE = 50;
	for (let from = 0; from < LISTENERS; from += AT_ONCE)
		await Promise.all(Array.from({ length: AT_ONCE }, (_, nth) => listen(from + nth)));
	await new Promise((resolve) => setTimeout(resolve, 2000));
	const taken = (residentBytes(at.child.pid ?? 0) - before) / LISTENERS;
	leaving.abort();
	return taken;
}

/** Stalls of all the kitchens that sell, at the same time, each one sale after the other. */
async function salesOf(
	at: Application,
	db: Database,
	template: string,
	{ market }: Filling,
	day: string
): Promise<Sold> {
	const [batch] = await db('batches')
		.where('kitchen_id', template)
		.where('made_on', '<=', day)
		.orderBy('made_on', 'desc')
		.limit(1)
		.select('id');
	const stalls = await Promise.all(
		Array.from({ length: STALLS }, async (_, nth) => ({
			cookie: await cookieOf(at, db, template, nth % market),
			batchId: idIn(nth % market, batch?.id ?? '')
		}))
	);
	const ids: string[] = [];
	const times: number[] = [];
	const began = performance.now();
	await Promise.all(
		stalls.map(async ({ cookie, batchId }) => {
			for (let sale = 0; sale < SALES_EACH; sale++) {
				const entry = oneSale({ batchId, soldOn: day, channel: 'Market' });
				const asked = performance.now();
				const response = await fetch(`${at.address}/sales/entries.json`, {
					method: 'POST',
					headers: { cookie, origin: at.address, 'content-type': 'application/json' },
					body: JSON.stringify({ entries: [entry] })
				});
				const said = (await response.json()) as { answers?: { kept: boolean; message?: string }[] };
				times.push(performance.now() - asked);
				if (!said.answers?.[0]?.kept)
					throw new Error(`a sale was refused: ${JSON.stringify(said).slice(0, 300)}`);
				ids.push(entry.id);
			}
		})
	);
	const took_s = (performance.now() - began) / 1000;
	const kept = await db('sales').whereIn('id', ids).pluck<string[]>('id');
	const [sold] = await db('sales_months')
		.where('channel', 'Market')
		.sum<{ packs: string }[]>({ packs: 'packs' });
	return {
		perSecond: ids.length / took_s,
		p95_ms: percentile(times, 0.95),
		kept: new Set(kept).size,
		// Counted apart, by the month: what is kept twice is more than was sold.
		twice: Number(sold?.packs ?? 0) - new Set(kept).size,
		wanted: STALLS * SALES_EACH
	};
}
