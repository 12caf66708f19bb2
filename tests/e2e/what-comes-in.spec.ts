import { AxeBuilder } from '@axe-core/playwright';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { startApplication, type Application } from '../../scripts/lib/application.ts';
import { layDemo } from '../../scripts/lib/demo-data.ts';
import { startMariaDb, type OwnMariaDb } from '../../scripts/lib/mariadb.ts';
import { freePort } from '../../scripts/lib/ports.ts';
import { openDatabase, type Database } from '../../src/lib/server/db/connection.ts';
import { newFormula, open, planAtBench, REST_STEP } from './making.ts';
import { expect, test } from './test.ts';
import { another } from '../../scripts/lib/come-in-browser.ts';

// A database of its own, to be spoilt and killed.
test.describe.configure({ mode: 'serial' });

let folder = '';
let mariadb: OwnMariaDb;
let application: Application;
let db: Database;
test.beforeAll(async () => {
	folder = mkdtempSync(join(tmpdir(), 'square-batch-comes-in-'));
	layDemo(join(folder, 'database'));
	mariadb = await startMariaDb(join(folder, 'database'));
	application = await startApplication(join(folder, 'data'), await freePort(), {
		DATABASE_URL: mariadb.ownerUrl
	});
	db = openDatabase(mariadb.ownerUrl);
});
test.afterAll(async () => {
	await db.destroy();
	await application.stop();
	await mariadb.stop();
	rmSync(folder, { recursive: true, force: true });
});

/** Seventy-nine letters, and a character of two units across the eightieth: as long as is kept of a cue. */
const CUE = `${'brown spots all over, '.repeat(4).slice(0, 79)}🫓 and on`;
const COOK = {
	...REST_STEP,
	kind: 'cook first side' as const,
	text: 'First side',
	low: '1',
	high: '2',
	cue: CUE
};

test('two like steps, a character cut in half, a reading the server fails on, and the database gone and back', async ({
	browser
}) => {
	const context = await another(browser, application.address);
	const page = await context.newPage();
	const failures: string[] = [];
	page.on('pageerror', (error) => failures.push(error.message));
	const stations = page.getByRole('navigation', { name: 'Stations' });
	const byHand = async (grams: string) => {
		await page.getByLabel('Or type it').fill(grams);
		await page.getByRole('button', { name: 'Take it' }).click();
	};
	try {
		await newFormula(page, 'Twice the same', {
			steps: [REST_STEP, { ...REST_STEP, key: 'again' }, COOK, { ...COOK, key: 'other side' }],
			origin: application.address
		});
		await planAtBench(page);
		const batchId = /batches\/([0-9A-Z]{26})/.exec(page.url())?.[1] ?? '';
		const entries = async () => {
			const weighings = await db('weighings').where('batch_id', batchId).orderBy('number').pluck('grams');
			return weighings.map(Number);
		};

		await test.step('two steps of one kind and cue are two, and the station is there', async () => {
			await stations.getByRole('link', { name: 'Mix and rest' }).click();
			// Each in the list of steps, and beside its timer.
			await expect(page.getByText('Cover and rest')).toHaveCount(4);
			await stations.getByRole('link', { name: 'Cook' }).click();
			await expect(page.getByRole('heading', { name: 'Heat and cues' })).toBeVisible();
			await expect(page.getByRole('button', { name: CUE })).toHaveCount(2);
		});

		await test.step('what is cut at a length ends in a whole character, and is kept', async () => {
			await page.getByRole('button', { name: CUE }).first().click();
			await expect(page.getByRole('listitem').filter({ hasText: CUE.slice(0, 60) })).toBeVisible();
			await expect.poll(async () => (await db('batch_events').where('batch_id', batchId)).length).toBe(1);
			const [event] = await db('batch_events').where('batch_id', batchId).select('data');
			// The half that would be left of it goes with it.
			expect((JSON.parse(event?.data ?? '{}') as { cue: string }).cue).toBe(CUE.slice(0, 79));
		});

		await test.step('a reading the server fails on waits, holds up no other, and goes once it can', async () => {
			await db.raw(
				"CREATE TRIGGER fails BEFORE INSERT ON weighings FOR EACH ROW IF NEW.grams = 66.6 THEN SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = 'broken'; END IF"
			);
			await stations.getByRole('link', { name: 'Divide' }).click();
			for (const grams of ['60.1', '66.6', '60.2']) await byHand(grams);
			await expect.poll(entries).toEqual([60.1, 60.2]);
			const failing = page.getByTestId('failing');
			await expect(failing).toContainText(
				'The server fails on 1 entry (something failed on the server). It is kept on this device and tried again by itself'
			);
			await byHand('60.3');
			await expect.poll(entries).toEqual([60.1, 60.2, 60.3]);
			await db.raw('DROP TRIGGER fails');
			await failing.getByRole('button', { name: 'Try now' }).click();
			await expect(failing).toHaveCount(0);
			// In the order in which the server kept them.
			await expect.poll(entries).toEqual([60.1, 60.2, 60.3, 66.6]);
		});

		await test.step('the database goes and comes back while the batch is worked', async () => {
			process.kill(mariadb.pid, 'SIGKILL');
			await byHand('60.4');
			await byHand('60.5');
			await expect(page.getByRole('button', { name: /^Ball 6, 60.5 g/ })).toBeVisible();
			// Asked of the database itself, which may not be there yet.
			const whenBack = () => entries().catch(() => []);
			await expect.poll(whenBack, { timeout: 60_000 }).toEqual([60.1, 60.2, 60.3, 66.6, 60.4, 60.5]);
			await expect(page.getByTestId('waiting')).toHaveCount(0);
		});
		expect(failures).toEqual([]);
	} finally {
		await context.close();
	}
});

test('a page that meets what it cannot read says which record it is, and offers the way out', async ({
	browser
}) => {
	const context = await another(browser, application.address);
	const page = await context.newPage();
	try {
		await newFormula(page, 'Spoilt roti', { origin: application.address });
		const id = page.url().split('/').at(-1) ?? '';
		await db('formulas').where({ id }).update({ draft: '{"lines":[null]}' });
		await page.reload();
		await expect(page.getByRole('heading', { level: 1 })).toHaveText(
			'This cannot be read: what was typed last in the sheet of Spoilt roti.'
		);
		await page.getByRole('link', { name: 'What it is, and what can be done' }).click();
		await expect(page.getByText('formulas.draft')).toBeVisible();
		const { violations } = await new AxeBuilder({ page }).analyze();
		expect(violations).toEqual([]);
		await page.getByRole('button', { name: /^Let go of what was typed last/ }).click();
		await expect(page.getByText('can be read. If a page fails')).toBeVisible();
		await open(page, `/formulas/${id}`);
		await expect(page.getByLabel('Grams of line 1', { exact: true })).toHaveValue('1000');
	} finally {
		await context.close();
	}
});
