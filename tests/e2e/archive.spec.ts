import { LONG } from './long.ts';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { BrowserContext } from '@playwright/test';
import { AxeBuilder } from '@axe-core/playwright';
import { startApplication, type Application } from '../../scripts/lib/application.ts';
import { layDemo } from '../../scripts/lib/demo-data.ts';
import { freePort } from '../../scripts/lib/ports.ts';
import { comeIn } from '../../scripts/lib/come-in-browser.ts';
import { expect, test } from './test.ts';
import { ready } from './making.ts';

test.describe.configure({ timeout: 240_000 });
test.use({ actionTimeout: 30_000 });

let folder = '';
const running: Application[] = [];
test.beforeEach(() => {
	folder = mkdtempSync(join(tmpdir(), 'square-batch-archive-'));
});
test.afterEach(async () => {
	for (const application of running.splice(0)) await application.stop();
	rmSync(folder, { recursive: true, force: true });
});

/** A machine of its own, with the demo kitchen on it. */
async function machine(name: string, context: BrowserContext): Promise<string> {
	const application = await startApplication(join(folder, name), await freePort());
	running.push(application);
	await comeIn(context, application.address);
	return application.address;
}

const PLACES = [
	'/',
	'/shelf',
	'/shelf/lots',
	'/shelf/lots/count',
	'/formulas',
	'/batches',
	'/labels',
	'/sales',
	'/sales/stall',
	'/sales/summary',
	'/sales/profit',
	'/sales/profit?by=batch',
	'/trace',
	'/kitchen',
	'/kitchen/costs',
	'/kitchen/data'
];

test('a kitchen goes from one machine to an empty kitchen on another, whole', LONG, async ({ page }) => {
	const from = await machine('from', page.context());
	await page.goto(`${from}/kitchen`);
	await ready(page);
	await page.getByLabel('Name', { exact: true }).fill('Bracken Lane Breads');
	await page.getByRole('button', { name: 'Save', exact: true }).click();
	await expect(page.getByRole('navigation', { name: 'Places' })).toContainText('Bracken Lane Breads');

	const totals = async (address: string) => {
		await page.goto(`${address}/sales?from=`);
		const sales = await page.getByTestId('totals').innerText();
		await page.goto(`${address}/sales/profit`);
		return [sales, await page.getByTestId('profit-total').innerText()];
	};
	const before = await totals(from);
	await page.goto(`${from}/batches`);
	const row = page.getByRole('row').filter({ hasText: 'Beet and cumin roti' }).nth(3);
	const code = /\d{6}-\d/.exec(await row.innerText())?.[0] ?? '';
	await row.getByRole('link').click();
	const statement = await page.getByTestId('statement').innerText();

	await page.goto(`${from}/kitchen/data`);
	const archive = join(folder, 'archive.zip');
	const [download] = await Promise.all([
		page.waitForEvent('download', { timeout: 120_000 }),
		page.getByRole('link', { name: 'Download the archive', exact: true }).click()
	]);
	expect(download.suggestedFilename()).toMatch(/^bracken-lane-breads-\d{4}-\d\d-\d\d\.zip$/);
	await download.saveAs(archive);

	// Another kitchen than the one of the first machine, which loaded its own.
	layDemo(join(folder, 'to'));
	const to = await machine('to', page.context());
	await test.step('an empty kitchen is begun, and every place of it opens', async () => {
		await page.goto(`${to}/kitchen/data`);
		await ready(page);
		await page.getByText('Begin a kitchen of your own').click();
		await page.getByRole('button', { name: 'Begin it and open it' }).click();
		await expect(page.getByText('what is the kitchen called?')).toBeVisible();
		await page.getByLabel('Name', { exact: true }).fill('Empty bench');
		await page.getByRole('button', { name: 'Begin it and open it' }).click();
		await expect(page.getByRole('navigation', { name: 'Places' })).toContainText('Empty bench');
		await expect(page.getByText('Empty bench (nothing in it yet)')).toBeVisible();
		for (const place of PLACES) {
			const answer = await page.goto(`${to}${place}`);
			expect(answer?.status(), place).toBe(200);
			await expect(page.getByRole('heading', { level: 1 }), place).toBeVisible();
			await expect(page.getByText('Beet and cumin roti'), place).toHaveCount(0);
		}
		await page.goto(to);
		await expect(page.getByTestId('first-steps')).toContainText('Put what you buy on the shelf');
		await page.goto(`${to}/kitchen/data`);
		const { violations } = await new AxeBuilder({ page }).analyze();
		expect(violations.map(({ id }) => id)).toEqual([]);
	});

	await test.step('what is no archive is refused in words', async () => {
		await page.goto(`${to}/kitchen/data`);
		await ready(page);
		await page.getByRole('button', { name: 'Restore it' }).click();
		await expect(page.getByText('choose the archive first')).toBeVisible();
		const notes = join(folder, 'notes.zip');
		writeFileSync(notes, 'flour, water, salt');
		await page.getByLabel('The archive').setInputFiles(notes);
		await page.getByRole('button', { name: 'Restore it' }).click();
		await expect(page.getByText('this is not a zip file, or it is damaged')).toBeVisible();
	});

	await page.getByLabel('The archive').setInputFiles(archive);
	await page.getByRole('button', { name: 'Restore it' }).click();
	await expect(page.getByText('Restored and opened')).toBeVisible({ timeout: 60_000 });
	await expect(page.getByRole('navigation', { name: 'Places' })).toContainText('Bracken Lane Breads');
	expect(await totals(to)).toEqual(before);
	await page.goto(`${to}/batches`);
	await page.getByRole('row').filter({ hasText: code }).getByRole('link').click();
	expect(await page.getByTestId('statement').innerText()).toBe(statement);

	await test.step('a second time it is here already, and the empty kitchen can be opened again', async () => {
		await page.goto(`${to}/kitchen/data`);
		await ready(page);
		await page.getByLabel('The archive').setInputFiles(archive);
		await page.getByRole('button', { name: 'Restore it' }).click();
		await expect(page.getByText('Bracken Lane Breads is on this machine already')).toBeVisible();
		await page.getByRole('button', { name: 'Open Empty bench' }).click();
		await expect(page.getByRole('navigation', { name: 'Places' })).toContainText('Empty bench');
	});
});
