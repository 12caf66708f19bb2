import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import { median } from 'simple-statistics';
import { ulid } from 'ulid';
import { batchDraft } from '../../src/lib/batch/draft.ts';
import { getBatch } from '../../src/lib/server/batches/read.ts';
import { addressOfRunning } from './mariadb.ts';
import { openDatabase } from '../../src/lib/server/db/connection.ts';
import { theKitchen, today } from '../../src/lib/server/kitchens.ts';
import { startApplication } from './application.ts';
import { comeIn } from './come-in.ts';
import { layDemo } from './demo-data.ts';
import { oneSale } from './one-sale.ts';
import { mainPagesOf } from './pages.ts';
import { freePort } from './ports.ts';
import { subjects } from './sound-forms/subjects.ts';

/** A light day: so much each second, and so many pages that listen. */
const REQUESTS_A_SECOND = 20;
const ENTRIES_A_SECOND = 2;
const STREAMS = 10;
const LOOK_MS = 5000;
/** What a process may hold meanwhile: docs/operate.md. */
export const MOST_MB = 400;

/** What a light day comes to. */
export interface Soaked {
	/** Memory of the process, MB: at rest before, the most of it, and at the end. */
	rest_mb: number;
	most_mb: number;
	end_mb: number;
	/** Median answers, ms, of the first and of the last quarter. */
	first_ms: number;
	last_ms: number;
	answered: number;
	/** Answers of 500 and above, and none at all. */
	failed: number;
	entries: number;
	/** Entries that were acknowledged and are not there. */
	lost: number;
}

/** Memory a process holds, MB. */
function memory_mb(pid: number): number {
	const [, kilobytes = '0'] = /^VmRSS:\s+(\d+)/m.exec(readFileSync(`/proc/${pid}/status`, 'utf8')) ?? [];
	return Math.round(Number(kilobytes) / 1024);
}

/** Runs an application through so many minutes of a light day; `told` hears how it stands now and then. */
export async function soaked(
	folder: string,
	minutes: number,
	told: (words: string) => void = () => {}
): Promise<Soaked> {
	const dataDir = join(folder, 'data');
	layDemo(dataDir);
	const application = await startApplication(dataDir, await freePort());
	const db = openDatabase(addressOfRunning(dataDir));
	const ending = new AbortController();
	try {
		const kitchen = await theKitchen(db);
		const { plan, record } = subjects(db, kitchen);
		const [batchId, stockedId] = [await plan(), await plan()];
		await record(stockedId, { ...batchDraft(await getBatch(db, kitchen, stockedId)), packs: '100000' });
		// What is open at a bench and a stall, and what is looked at beside it.
		const paths = [
			...['/sales/stall', `/batches/${batchId}/weigh`, '/sales/stall', `/batches/${batchId}/divide`],
			...['/sales/stall', `/batches/${batchId}/weigh`, '/labels', `/batches/${batchId}/cook`],
			...(await mainPagesOf(db)).paths
		];
		const cookie = await comeIn(application.address);
		const headers = { cookie, origin: application.address };
		const pid = application.child.pid ?? 0;
		const rest_mb = memory_mb(pid);
		const until = Date.now() + minutes * 60_000;
		const took: number[] = [];
		const kept: string[] = [];
		let failed = 0;
		let most_mb = rest_mb;

		const streams = Array.from({ length: STREAMS }, async () => {
			const answer = await fetch(`${application.address}/live`, {
				headers: { ...headers, accept: 'text/event-stream' },
				signal: ending.signal
			});
			for await (const _ of answer.body ?? []) if (ending.signal.aborted) return;
		}).map((each) => each.catch(() => undefined));

		const asks = new Set<Promise<void>>();
		const every = async (a_second: number, act: (nth: number) => Promise<void>) => {
			for (let nth = 0; Date.now() < until; nth++) {
				const asked = act(nth).catch(() => {
					failed++;
				});
				asks.add(asked);
				void asked.finally(() => asks.delete(asked));
				await pause(1000 / a_second);
			}
		};
		const read = async (nth: number) => {
			const began = performance.now();
			const answer = await fetch(`${application.address}${paths[nth % paths.length] ?? '/'}`, {
				headers: { ...headers, accept: 'text/html' }
			});
			await answer.arrayBuffer();
			took.push(performance.now() - began);
			if (answer.status >= 500) failed++;
		};
		const enter = (path: string, entry: () => { id: string }) => async () => {
			const made = entry();
			const answer = await fetch(`${application.address}${path}`, {
				method: 'POST',
				headers: { ...headers, 'content-type': 'application/json' },
				body: JSON.stringify({ entries: [made] })
			});
			const { answers } = (await answer.json()) as { answers?: { kept: boolean }[] };
			if (answers?.[0]?.kept) kept.push(made.id);
			else failed++;
		};
		const day = today(kitchen);
		const looking = (async () => {
			while (Date.now() < until) {
				await pause(LOOK_MS);
				most_mb = Math.max(most_mb, memory_mb(pid));
				told(
					`${Math.round((until - Date.now()) / 1000)} s left: ${memory_mb(pid)} MB, ${took.length} answered`
				);
			}
		})();
		await Promise.all([
			looking,
			every(REQUESTS_A_SECOND, read),
			every(
				ENTRIES_A_SECOND,
				enter('/sales/entries.json', () => oneSale({ batchId: stockedId, soldOn: day }))
			),
			every(
				ENTRIES_A_SECOND,
				enter(`/batches/${batchId}/entries.json`, () => ({
					...{ kind: 'weighing', number: null, what: 'ball', lineId: null, grams: 60, by: 'scale' },
					...{ id: ulid(), at: new Date().toISOString(), corrects: null, lotId: null }
				}))
			)
		]);
		await Promise.all(asks);
		const end_mb = memory_mb(pid);
		ending.abort();
		await Promise.all(streams);
		const there = new Set([
			...(await db('sales').whereIn('id', kept).pluck<string[]>('id')),
			...(await db('weighings').whereIn('id', kept).pluck<string[]>('id'))
		]);
		const quarter = Math.ceil(took.length / 4);
		return {
			rest_mb,
			most_mb: Math.max(most_mb, end_mb),
			end_mb,
			first_ms: median(took.slice(0, quarter)),
			last_ms: median(took.slice(-quarter)),
			answered: took.length,
			failed,
			entries: kept.length,
			lost: kept.filter((id) => !there.has(id)).length
		};
	} finally {
		ending.abort();
		await db.destroy();
		await application.stop();
	}
}
