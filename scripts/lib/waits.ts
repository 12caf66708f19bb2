import { Worker } from 'node:worker_threads';
import { ulid } from 'ulid';
import type { Database } from '../../src/lib/server/db/connection.ts';
import { anotherKitchen } from './another-kitchen.ts';
import { madeArchive, restoredBy } from './long-work.ts';
import { HOSTILE_FILES, sendFile } from './hostile-files.ts';
import { ask, comeIn } from './come-in.ts';

/** Asks for something light again and again, from a thread of its own: what it waits is the server's doing. */
const PROBE = `
	const { parentPort, workerData } = require('node:worker_threads');
	let worst = 0;
	parentPort.on('message', () => { parentPort.postMessage(worst); worst = 0; });
	(async () => {
		for (;;) {
			const began = performance.now();
			await (await fetch(workerData)).arrayBuffer();
			worst = Math.max(worst, performance.now() - began);
			await new Promise((resolve) => setTimeout(resolve, 5));
		}
	})();`;

interface Probe {
	/** The longest wait since it was last asked, in milliseconds. */
	worst(): Promise<number>;
	end(): Promise<unknown>;
}

function probe(url: string): Probe {
	const worker = new Worker(PROBE, { eval: true, workerData: url });
	return {
		worst: () =>
			new Promise((resolve) => {
				worker.once('message', resolve);
				worker.postMessage('worst');
			}),
		end: () => worker.terminate()
	};
}

/** Long work, and the longest a light request waited while it ran. */
export interface Wait {
	what: string;
	took_ms: number;
	worst_ms: number;
}

/** Runs everything long that a server may be asked for, each alone, beside a light request that is asked again and again. */
export async function longestWaits(address: string, db: Database): Promise<Wait[]> {
	const light = probe(`${address}/alive`);
	const waits: Wait[] = [];
	try {
		for (const [what, run] of await longWork(address, db)) {
			// Once before, as a server that has been up for a while.
			await run();
			await new Promise((resolve) => setTimeout(resolve, 200));
			await light.worst();
			const began = performance.now();
			await run();
			const took_ms = performance.now() - began;
			waits.push({ what, took_ms, worst_ms: await light.worst() });
		}
	} finally {
		await light.end();
	}
	return waits;
}

type Work = [what: string, run: () => Promise<unknown>];

async function longWork(address: string, db: Database): Promise<Work[]> {
	const json = { origin: address, 'content-type': 'application/json' };
	const read = async (path: string) => new Uint8Array(await (await ask(address + path)).arrayBuffer());
	const post = async (path: string, body: unknown) =>
		(await ask(address + path, { method: 'POST', headers: json, body: JSON.stringify(body) })).text();
	const [batch] = await db('batches').whereNull('closed_at').orderBy('id').select('id');
	const [revision] = await db('label_revisions as r')
		.join('labels as l', 'l.id', 'r.label_id')
		.where('l.rules', 'us')
		.select<{ product_id: string; number: number }[]>('l.product_id', 'r.number');
	const weighings = () =>
		Array.from({ length: 1000 }, () => ({
			kind: 'weighing',
			id: ulid(),
			number: null,
			at: new Date().toISOString(),
			what: 'finished',
			lineId: null,
			grams: 52,
			corrects: null,
			by: 'typed',
			lotId: null
		}));
	const counts = () =>
		weighings().map(({ id, at }) => ({
			kind: 'event',
			id,
			number: null,
			at,
			happening: { name: 'counted', of: 'balls', count: 40 },
			voids: null
		}));
	const archive = await madeArchive(address);
	// A session of its own: what is restored is opened in it.
	const apart = await comeIn(address);
	return [
		[
			'1,000 labels as PDF',
			() =>
				read(
					`/labels/${revision?.product_id}/print?revision=${revision?.number}&batch=&copies=200&on=roll&as=pdf`
				)
		],
		['1,000 readings of a batch', () => post(`/batches/${batch?.id}/entries.json`, { entries: weighings() })],
		['1,000 counts of a batch', () => post(`/batches/${batch?.id}/entries.json`, { entries: counts() })],
		['an archive written', () => madeArchive(address)],
		[
			'an archive restored',
			async () => {
				const { job } = await restoredBy(address, anotherKitchen(archive), apart);
				if (job?.state !== 'done') throw new Error(job?.outcome?.problem ?? 'not restored');
			}
		],
		...HOSTILE_FILES.map((file): Work => [file.what, () => sendFile(address, file)])
	];
}
