import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import { ulid } from 'ulid';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { createBatch } from '$lib/server/batches/create.ts';
import { getBatch } from '$lib/server/batches/read.ts';
import { recordBatch } from '$lib/server/batches/record.ts';
import { openDatabase, type Database } from '$lib/server/db/connection.ts';
import { theKitchen, today } from '$lib/server/kitchens.ts';
import { newId } from '$lib/server/rows.ts';
import { untilTakesPart } from '../../scripts/lib/cluster/newest.ts';
import { startCluster, type Cluster } from '../../scripts/lib/cluster/cluster.ts';
import { comeIn } from '../../scripts/lib/come-in.ts';
import { freePort } from '../../scripts/lib/ports.ts';
import { makeRoti, measured } from '../integration/kitchen.ts';
import { oneSale } from '../../scripts/lib/one-sale.ts';

const STALLS = Number(process.env.CLUSTER_STALLS ?? 50);
const BENCHES = Number(process.env.CLUSTER_BENCHES ?? 10);
/** Each stall sells so often, and each bench weighs. */
const EVERY_MS = 1500;
const LONGEST_MS = 10_000;
/** Where one of them is away. */
const LONGEST_OF_ONE_MS = 5000;
const BATCHES = 12;

let folder: string;
let cluster: Cluster;
let batches: string[] = [];
beforeAll(async () => {
	folder = mkdtempSync(join(tmpdir(), 'square-batch-cluster-'));
	cluster = await startCluster(folder, await freePort());
	const db = openDatabase(cluster.nodes[0]?.ownerUrl ?? '');
	const kitchen = await theKitchen(db);
	const { productId } = await makeRoti({ db, kitchen }, 'Cluster roti');
	batches = await Promise.all(
		Array.from({ length: BATCHES }, async () => {
			const id = newId();
			await createBatch(db, kitchen, id, { productId, madeOn: today(kitchen), factor: 100 });
			const batch = await getBatch(db, kitchen, id);
			await recordBatch(db, kitchen, id, batch.version, {
				...measured(batch, { doughWeight_g: 160_000, leftover_g: 4000 }),
				ballCount: 2600,
				rejects: 0,
				sellable: 2600,
				packs: 433,
				loose: 2
			});
			return id;
		})
	);
	await db.destroy();
}, 600_000);
afterAll(async () => {
	await cluster?.stop();
	rmSync(folder, { recursive: true, force: true });
}, 120_000);

/** What came of asking until it was answered. */
interface Asked {
	id: string;
	tries: number;
	longest_ms: number;
	isKept: boolean;
}

/** Sends an entry, and again until it is known to be kept or refused, as a till does. */
async function untilKept(
	path: string,
	cookie: string,
	entry: { id: string },
	signal: AbortSignal
): Promise<Asked> {
	const asked: Asked = { id: entry.id, tries: 0, longest_ms: 0, isKept: false };
	while (!signal.aborted) {
		asked.tries += 1;
		const began = performance.now();
		try {
			const answer = await fetch(`${cluster.address}${path}`, {
				method: 'POST',
				headers: { cookie, origin: cluster.address, 'content-type': 'application/json' },
				body: JSON.stringify({ entries: [entry] }),
				signal: AbortSignal.timeout(30_000)
			});
			const said = (await answer.json().catch(() => null)) as {
				answers?: { kept: boolean; again?: boolean }[];
			} | null;
			asked.longest_ms = Math.max(asked.longest_ms, performance.now() - began);
			if (answer.ok && said?.answers?.[0]?.kept) return { ...asked, isKept: true };
		} catch {
			asked.longest_ms = Math.max(asked.longest_ms, performance.now() - began);
		}
		await pause(250);
	}
	return asked;
}

it('loses and doubles nothing that was acknowledged while nodes and processes are killed and frozen, the majority is lost and the power is cut', async () => {
	const stopping = new AbortController();
	const all: { kind: 'sale' | 'ball'; asked: Asked }[] = [];
	const cookies = await Promise.all(Array.from({ length: 6 }, () => comeIn(cluster.address)));
	const worker = async (nth: number, kind: 'sale' | 'ball') => {
		const cookie = cookies[nth % cookies.length] ?? '';
		await pause(Math.random() * EVERY_MS);
		while (!stopping.signal.aborted) {
			const id = ulid();
			const batchId = batches[nth % batches.length] ?? '';
			const entry =
				kind === 'sale'
					? oneSale({ id, batchId, soldOn: new Date().toISOString().slice(0, 10) })
					: {
							kind: 'weighing',
							id,
							number: null,
							at: new Date().toISOString(),
							what: 'ball',
							lineId: null,
							grams: 60,
							corrects: null,
							by: 'typed',
							lotId: null
						};
			const path = kind === 'sale' ? '/sales/entries.json' : `/batches/${batchId}/entries.json`;
			all.push({
				kind,
				asked: await untilKept(
					path,
					cookie,
					entry,
					AbortSignal.any([stopping.signal, AbortSignal.timeout(60_000)])
				)
			});
			await pause(EVERY_MS * (0.5 + Math.random()));
		}
	};
	const longest = new Map<string, number>();
	const working = [
		...Array.from({ length: STALLS }, (_, nth) => worker(nth, 'sale')),
		...Array.from({ length: BENCHES }, (_, nth) => worker(nth, 'ball'))
	];
	const [first, second, third] = cluster.nodes;
	const [left] = cluster.applications;
	if (!first || !second || !third || !left) throw new Error('three nodes and two processes');
	/** What is done to the cluster, and for how long it goes on so; the longest answer meanwhile. */
	const phase = async (what: string, act: () => Promise<void>, after_ms: number) => {
		// One that is to be looked at alone is named, beside `nothing`.
		if (process.env.CLUSTER_PHASES && !['nothing', ...process.env.CLUSTER_PHASES.split(',')].includes(what))
			return;
		const from = all.length;
		await act();
		await pause(after_ms);
		const during = all.slice(from);
		const longest_ms = Math.round(Math.max(0, ...during.map(({ asked }) => asked.longest_ms)));
		console.log(
			`${what}: ${during.filter(({ asked }) => asked.isKept).length} acknowledged, the longest answer ${longest_ms} ms`
		);
		longest.set(what, longest_ms);
	};
	const FROZEN_MS = Number(process.env.CLUSTER_FROZEN_MS ?? 15_000);
	await phase('nothing', () => Promise.resolve(), 15_000);
	await phase('a node killed', () => first.end('SIGKILL'), 15_000);
	await phase('a node copied to', () => first.start(), 10_000);
	const killed = async () => void left.child.kill('SIGKILL');
	await phase('a process killed', killed, 12_000);
	await phase('a process started', () => cluster.startApplication(0), 5000);
	const [, right] = cluster.applications;
	const freeze = async () => {
		right?.child.kill('SIGSTOP');
		await pause(FROZEN_MS);
		right?.child.kill('SIGCONT');
	};
	await phase('a process frozen', freeze, 5000);
	const cutOff = async () => {
		third.pause(true);
		await pause(FROZEN_MS);
		third.pause(false);
	};
	await phase('a node frozen', cutOff, 15_000);
	await phase(
		'the majority lost',
		async () => {
			await Promise.all([second.end('SIGKILL'), third.end('SIGKILL')]);
			await pause(8000);
			const said = await fetch(cluster.address, { headers: { accept: 'text/html' } });
			const logged = cluster.applications.map((each) => each.printed().slice(-1500)).join('\n');
			expect([said.status, await said.text()], logged).toEqual([
				503,
				expect.stringMatching(/The database (has lost its other nodes|does not answer)/)
			]);
			await Promise.all([second.start(), third.start()]);
			await Promise.all(cluster.nodes.map(untilTakesPart));
		},
		15_000
	);
	await phase(
		'the power cut',
		async () => {
			await Promise.all(cluster.nodes.map((node) => node.end('SIGKILL')));
			await Promise.all(cluster.nodes.map((node) => node.start()));
			await Promise.all(cluster.nodes.map(untilTakesPart));
		},
		15_000
	);
	stopping.abort();
	await Promise.all(working);

	const kept = all.filter(({ asked }) => asked.isKept);
	const longest_ms = Math.max(...all.map(({ asked }) => asked.longest_ms));
	const again = all.filter(({ asked }) => asked.tries > 1).length;
	console.log(
		`${kept.length} entries acknowledged (${kept.filter(({ kind }) => kind === 'sale').length} sales), ${all.length - kept.length} not; ${again} were sent more than once; the longest answer took ${Math.round(longest_ms)} ms`
	);
	expect(kept.length).toBeGreaterThan(STALLS * 10);
	expect(longest_ms).toBeLessThan(LONGEST_MS);
	for (const what of process.env.CLUSTER_PHASES
		? []
		: ['a node killed', 'a process killed', 'a process frozen', 'a node frozen'])
		expect([what, longest.get(what)]).toEqual([
			what,
			expect.toSatisfy((ms: number) => ms < LONGEST_OF_ONE_MS)
		]);
	// On every node there is every one of them, once.
	for (const node of cluster.nodes) {
		const db = openDatabase(node.ownerUrl);
		const count = await counted(db, kept);
		expect(count, node.name).toEqual({ missing: 0, doubled: 0 });
		await db.destroy();
	}
}, 900_000);

/** Of what was acknowledged: how many are not there, and how many more than once. */
async function counted(db: Database, kept: readonly { kind: 'sale' | 'ball'; asked: Asked }[]) {
	await db.raw('SET STATEMENT wsrep_sync_wait = 1 FOR SELECT 1');
	let [missing, doubled] = [0, 0];
	for (const kind of ['sale', 'ball'] as const) {
		const ids = kept.filter((each) => each.kind === kind).map(({ asked }) => asked.id);
		const found = await db(kind === 'sale' ? 'sales' : 'weighings')
			.whereIn('id', ids)
			.pluck<string[]>('id');
		missing += ids.length - new Set(found).size;
		doubled += found.length - new Set(found).size;
	}
	// What was sold of each batch is the sum of its sales: none was counted twice.
	const rows = (await db('batches as b')
		.leftJoin('sales as s', 's.batch_id', 'b.id')
		.whereIn('b.id', batches)
		.groupBy('b.id', 'b.packs_sold')
		.select('b.packs_sold', db.raw('COALESCE(SUM(s.packs), 0) AS sum'))) as unknown as {
		packs_sold: number;
		sum: string;
	}[];
	for (const row of rows) expect(row.packs_sold).toBe(Number(row.sum));
	return { missing, doubled };
}
