import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ulid } from 'ulid';
import { startApplication, type Application } from '../../scripts/lib/application.ts';
import { comeIn } from '../../scripts/lib/come-in.ts';
import { layDemo } from '../../scripts/lib/demo-data.ts';
import { startMariaDb, type OwnMariaDb } from '../../scripts/lib/mariadb.ts';
import { freePort } from '../../scripts/lib/ports.ts';
import { expect, test } from '@playwright/test';

/** Two processes on one database: what one is told the other tells, and where one ends the other goes on. */
test.describe.configure({ mode: 'serial' });

let folder: string;
let mariadb: OwnMariaDb;
let left: Application;
let right: Application;
let cookie: string;
let metricsPort = 0;
let batchId = '';
test.beforeAll(async () => {
	test.setTimeout(240_000);
	folder = mkdtempSync(join(tmpdir(), 'square-batch-two-'));
	layDemo(join(folder, 'database'));
	mariadb = await startMariaDb(join(folder, 'database'), { durable: false });
	metricsPort = await freePort();
	const start = async (name: string, more: NodeJS.ProcessEnv = {}) =>
		startApplication(join(folder, name), await freePort(), { DATABASE_URL: mariadb.ownerUrl, ...more });
	left = await start('left', { METRICS_PORT: String(metricsPort) });
	right = await start('right');
	cookie = await comeIn(left.address);
	const html = await (await ask(left, '/batches')).text();
	const onBench = /href="\/batches\/([0-9A-Z]{26})\/divide"/.exec(html)?.[1];
	batchId = onBench ?? /href="\/batches\/([0-9A-Z]{26})/.exec(html)?.[1] ?? '';
});
test.afterAll(async () => {
	await right?.stop();
	await left?.stop();
	await mariadb?.stop();
	if (folder) rmSync(folder, { recursive: true, force: true });
});

const portOf = ({ address }: Application) => new URL(address).port;
/** A browser's cookies bear the port it opened; behind a balancer that is one, here each process has its own. */
const cookieFor = (at: Application) => cookie.replaceAll(`-${portOf(left)}=`, `-${portOf(at)}=`);

const ask = (at: Application, path: string, init: RequestInit = {}) =>
	fetch(`${at.address}${path}`, {
		...init,
		headers: { cookie: cookieFor(at), origin: at.address, accept: 'text/html', ...init.headers }
	});

/** Enters a ball at one process; the entry's id. */
async function enter(at: Application): Promise<string> {
	const id = ulid();
	const entry = {
		kind: 'weighing',
		id,
		number: null,
		at: new Date().toISOString(),
		what: 'ball',
		lineId: null,
		grams: 61,
		corrects: null,
		by: 'typed',
		lotId: null
	};
	const answer = await ask(at, `/batches/${batchId}/entries.json`, {
		method: 'POST',
		headers: { 'content-type': 'application/json' },
		body: JSON.stringify({ entries: [entry] })
	});
	expect(await answer.json()).toMatchObject({ answers: [{ id, kept: true }] });
	return id;
}

/** Everything a process tells whoever listens, as it comes. */
async function listening(at: Application): Promise<{ heard: () => string; stop: () => void }> {
	const leaving = new AbortController();
	const answer = await ask(at, '/live', { headers: { accept: 'text/event-stream' }, signal: leaving.signal });
	let heard = '';
	void (async () => {
		const decoder = new TextDecoder();
		try {
			for await (const chunk of answer.body as unknown as AsyncIterable<Uint8Array>)
				heard += decoder.decode(chunk);
		} catch {
			// Left, or the process ended.
		}
	})();
	await expect.poll(() => heard).toContain('retry:');
	return { heard: () => heard, stop: () => leaving.abort() };
}

test('a session that came in at one is in at the other, and news go both ways', async () => {
	expect((await ask(right, '/')).status).toBe(200);
	const [atLeft, atRight] = [await listening(left), await listening(right)];
	const first = await enter(left);
	await expect.poll(atRight.heard).toContain(first);
	await expect.poll(atLeft.heard).toContain(first);
	const second = await enter(right);
	await expect.poll(atLeft.heard).toContain(second);
	// Each is told once.
	expect(atLeft.heard().split(second).length - 1).toBe(1);
	atLeft.stop();
	atRight.stop();
});

test('each says that it is there, that its database takes writes, and what it did', async () => {
	expect((await fetch(`${left.address}/alive`)).status).toBe(204);
	expect((await fetch(`${left.address}/ready`)).status).toBe(204);
	const metrics = await (await fetch(`http://127.0.0.1:${metricsPort}/metrics`)).text();
	expect(metrics).toMatch(
		/square_batch_request_seconds_count\{[^}]*route="\/batches\/\[id\]\/entries\.json"[^}]*\} [1-9]/
	);
	expect(metrics).toMatch(/square_batch_pool_connections\{state="free"\} \d/);
	expect(metrics).toContain('square_batch_listeners');
	// Nothing of a kitchen is among the labels.
	expect(metrics).not.toContain(batchId);
});

test('where one is killed the other goes on, with what was entered and who came in', async () => {
	const before = await enter(left);
	await left.kill();
	const answer = await ask(right, `/batches/${batchId}/entries.json`);
	expect(await answer.text()).toContain(before);
	await enter(right);
});
