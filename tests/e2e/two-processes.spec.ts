import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ulid } from 'ulid';
import { startApplication, type Application } from '../../scripts/lib/application.ts';
import { secretKeyFile } from '../../scripts/lib/secret-key.ts';
import { comeIn } from '../../scripts/lib/come-in.ts';
import { layDemo } from '../../scripts/lib/demo-data.ts';
import { startMariaDb, type OwnMariaDb } from '../../scripts/lib/mariadb.ts';
import { freePort } from '../../scripts/lib/ports.ts';
import type { Job } from '../../src/lib/jobs/types.ts';
import { openDatabase } from '../../src/lib/server/db/connection.ts';
import { readArchive } from '../../src/lib/server/archive/read.ts';
import { another } from '../../scripts/lib/come-in-browser.ts';
import { open, ready } from './making.ts';
import { switching, type Switch } from './switching.ts';
import { expect, test } from '@playwright/test';

/** Two processes on one database: what one is told the other tells, and where one ends the other goes on. */
test.describe.configure({ mode: 'serial' });

let folder: string;
let mariadb: OwnMariaDb;
/** A process, and the address at which it alone answers. */
type Process = Application;
let left: Process;
let right: Process;
/** Under what address people open them, whichever is there. */
let balancer: Switch;
let cookie: string;
let metricsPort = 0;
let batchId = '';
test.beforeAll(async () => {
	test.setTimeout(240_000);
	folder = mkdtempSync(join(tmpdir(), 'square-batch-two-'));
	layDemo(join(folder, 'database'));
	mariadb = await startMariaDb(join(folder, 'database'), { durable: false });
	metricsPort = await freePort();
	const front = await freePort();
	balancer = await switching(front, () => [left, right].map(portOf));
	const start = async (name: string, more: NodeJS.ProcessEnv = {}): Promise<Process> => {
		const port = await freePort();
		const env = {
			DATABASE_URL: mariadb.ownerUrl,
			ORIGIN: balancer.address,
			SECRET_KEY_FILE: secretKeyFile(folder, {}),
			...more
		};
		const application = await startApplication(join(folder, name), port, env);
		return { ...application, address: `http://127.0.0.1:${port}` };
	};
	left = await start('left', { METRICS_PORT: String(metricsPort) });
	right = await start('right');
	cookie = await comeIn(balancer.address);
	const html = await (await ask(left, '/batches')).text();
	const onBench = /href="\/batches\/([0-9A-Z]{26})\/divide"/.exec(html)?.[1];
	batchId = onBench ?? /href="\/batches\/([0-9A-Z]{26})/.exec(html)?.[1] ?? '';
});
test.afterAll(async () => {
	await right?.stop();
	await left?.stop();
	await balancer?.stop();
	await mariadb?.stop();
	if (folder) rmSync(folder, { recursive: true, force: true });
});

const portOf = ({ address }: Process) => Number(new URL(address).port);

const ask = (at: Process, path: string, init: RequestInit = {}) =>
	fetch(`${at.address}${path}`, {
		...init,
		headers: { cookie, origin: balancer.address, accept: 'text/html', ...init.headers }
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

test('where one is killed the other goes on: what was entered, who came in, long work, and what is typed at the desk', async ({
	browser
}) => {
	test.setTimeout(120_000);
	// At the desk, through the balancer: a formula half typed, and a batch's figures not yet recorded.
	const context = await another(browser, balancer.address);
	const [sheet, desk] = [await context.newPage(), await context.newPage()];
	await open(sheet, '/formulas');
	await sheet.getByRole('button', { name: 'New formula' }).click();
	await expect(sheet).toHaveURL(/\/formulas\/[0-9A-Z]{26}$/);
	await ready(sheet);
	await sheet.getByLabel('Name', { exact: true }).fill('Typed before');
	await expect(sheet.getByText('Draft kept')).toBeVisible();
	await open(desk, '/shelf/blank');
	await desk.getByLabel('Name, as you call it').fill('Oats from the desk');

	const before = await enter(left);
	const db = openDatabase(mariadb.ownerUrl);
	const id = ulid();
	try {
		const body = new FormData();
		body.set('draft', JSON.stringify({ id, withCustomers: true }));
		const form = { accept: 'application/json', 'x-sveltekit-action': 'true' };
		await ask(left, '/kitchen/data?/archive', { method: 'POST', headers: form, body });
		const takenBy = async () => (await db('jobs').where('id', id).first('taken_by'))?.taken_by ?? '';
		await expect.poll(takenBy, { intervals: [20] }).toContain(` ${left.child.pid} `);
		await left.kill();
		// In the middle of it: nobody has ended it.
		expect((await db('jobs').where('id', id).first('state'))?.state).toBe('running');
	} finally {
		await db.destroy();
	}

	const answer = await ask(right, `/batches/${batchId}/entries.json`);
	expect(await answer.text()).toContain(before);
	await enter(right);

	await sheet.getByLabel('Name', { exact: true }).fill('Typed before and after');
	await expect(sheet.getByText('Draft kept')).toBeVisible({ timeout: 30_000 });
	await open(sheet, new URL(sheet.url()).pathname);
	await expect(sheet.getByLabel('Name', { exact: true })).toHaveValue('Typed before and after');
	await desk.getByRole('button', { name: 'Put it on the shelf' }).click();
	await expect(desk.getByRole('heading', { level: 1, name: 'Oats from the desk' })).toBeVisible({
		timeout: 30_000
	});
	await context.close();

	const job = async () => (await (await ask(right, `/jobs/${id}/state.json`)).json()) as Job;
	await expect.poll(async () => (await job()).state, { timeout: 60_000 }).toBe('done');
	const file = new Uint8Array(await (await ask(right, `/jobs/${id}/file`)).arrayBuffer());
	expect(file.length).toBe((await job()).outcome?.file?.bytes);
	expect((await readArchive(file)).manifest.tables.length).toBeGreaterThan(50);
});
