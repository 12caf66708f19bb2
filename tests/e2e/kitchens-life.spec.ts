import { writeFileSync } from 'node:fs';
import { AxeBuilder } from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { another } from '../../scripts/lib/come-in-browser.ts';
import { anotherKitchen } from '../../scripts/lib/another-kitchen.ts';
import { answered, fresh, open, post, ready } from './making.ts';
import { expect, test } from './test.ts';
import { LONG } from './long.ts';

/** A kitchen's life as its owner sees it: begun, taken along as an archive, brought in, closed, opened, deleted. */

const clean = async (page: Page) =>
	expect((await new AxeBuilder({ page }).analyze()).violations.map(({ id }) => id)).toEqual([]);

/** The archive of the open kitchen, as the page makes and gives it. */
async function archived(page: Page): Promise<{ name: string; path: string }> {
	await open(page, '/kitchen/data');
	const coming = page.waitForEvent('download', { timeout: 120_000 });
	await page.getByRole('button', { name: 'Make the archive' }).click();
	await expect(page).toHaveURL(/\/jobs\/[0-9A-Z]{26}$/);
	// It is taken at once by whoever waits for it, and can be taken again.
	const download = await coming;
	await expect(page.getByText('is ready')).toBeVisible();
	return { name: download.suggestedFilename(), path: await download.path() };
}

test(
	'a kitchen is begun, worked in, moved by its archive, closed, opened again and deleted, with the proof',
	LONG,
	async ({ browser }, info) => {
		const context = await another(browser);
		const page = await context.newPage();
		const name = fresh('Short life');
		await open(page, '/kitchen/data');
		await page.getByText('Begin a kitchen of your own').click();
		await page.getByLabel('Name', { exact: true }).fill(name);
		await page.getByRole('button', { name: 'Begin it and open it' }).click();
		const places = page.getByRole('navigation', { name: 'Places' });
		await expect(places).toContainText(name);
		await open(page, '/shelf/blank');
		await page.getByLabel('Name, as you call it').fill('Oat flour');
		await page.getByRole('button', { name: 'Put it on the shelf' }).click();
		await expect(page.getByRole('heading', { level: 1, name: 'Oat flour' })).toBeVisible();

		const archive = await archived(page);
		expect(archive.name).toMatch(/^short-life-.*\.zip$/);
		await clean(page);
		await page.getByRole('link', { name: 'Data in and out' }).click();
		await expect(page.getByRole('list', { name: 'Asked for lately' })).toContainText(/Archive of .*ready/);

		await test.step('what is no archive is refused in words', async () => {
			await ready(page);
			await page.getByRole('button', { name: 'Restore it' }).click();
			await expect(page.getByText('choose the archive first')).toBeVisible();
			const notes = info.outputPath('notes.zip');
			writeFileSync(notes, 'flour, water, salt');
			await page.getByLabel('The archive').setInputFiles(notes);
			await page.getByRole('button', { name: 'Restore it' }).click();
			await expect(page.getByText('this is not a zip file, or it is damaged')).toBeVisible();
			await page.getByRole('link', { name: 'Back to data in and out' }).click();
		});

		await test.step('its archive comes in under another number, as on another installation', async () => {
			const { readFileSync } = await import('node:fs');
			const other = info.outputPath('other.zip');
			writeFileSync(other, anotherKitchen(new Uint8Array(readFileSync(archive.path))));
			await ready(page);
			await page.getByLabel('The archive').setInputFiles(other);
			await page.getByRole('button', { name: 'Restore it' }).click();
			await expect(page.getByText('Restored: every row is here')).toBeVisible({ timeout: 60_000 });
			await page.getByRole('button', { name: 'Open it' }).click();
			await expect(page).toHaveURL(/\/$/);
			await open(page, '/shelf');
			await expect(page.getByRole('link', { name: 'Oat flour' })).toBeVisible();
		});

		await test.step('closed, it is read and nothing in it is changed', async () => {
			await open(page, '/kitchen/data');
			await expect(page.getByRole('button', { name: 'Delete it for good' })).toHaveCount(0);
			await answered(page, () => page.getByRole('button', { name: 'Close the kitchen' }).click());
			await expect(page.getByText('This kitchen is closed.')).toBeVisible();
			await clean(page);
			await open(page, '/shelf');
			await expect(page.getByRole('link', { name: 'Oat flour' })).toBeVisible();
			const refused = await post(page, '/sales/entries.json', { entries: [] });
			expect([refused.status(), await refused.text()]).toEqual([409, expect.stringContaining('is closed')]);
			await open(page, '/shelf/blank');
			await page.getByLabel('Name, as you call it').fill('Too late');
			await page.getByRole('button', { name: 'Put it on the shelf' }).click();
			await expect(page.getByText(/it is read, and nothing in it is changed/).first()).toBeVisible();
			await open(page, '/kitchen/data');
			await answered(page, () => page.getByRole('button', { name: 'Open it again' }).click());
			await expect(page.getByText('This kitchen is closed.')).toHaveCount(0);
			await answered(page, () => page.getByRole('button', { name: 'Close the kitchen' }).click());
		});

		await test.step('deleted by its name alone, with all of it, and the proof stays', async () => {
			await page.getByText('Delete it with all of it').click();
			await page.getByLabel(/^Type its name/).fill('short life');
			await page.getByRole('button', { name: 'Delete it for good' }).click();
			await expect(page.getByText(`type its name as it is: ${name}`)).toBeVisible();
			await page.getByLabel(/^Type its name/).fill(name);
			await page.getByRole('button', { name: 'Delete it for good' }).click();
			await expect(page.getByRole('heading', { name: `${name} is deleted` })).toBeVisible({
				timeout: 60_000
			});
			await expect(page.getByText('looked for again afterwards, none was left')).toBeVisible();
			await expect(page.getByRole('row', { name: /^ingredients 1 0$/ })).toBeVisible();
			await clean(page);
			await page.setViewportSize({ width: 390, height: 844 });
			const wider = await page.evaluate(
				() => document.documentElement.scrollWidth - document.documentElement.clientWidth
			);
			expect(wider).toBeLessThanOrEqual(0);
			await page.setViewportSize({ width: 1280, height: 800 });
			// In no kitchen now: their own page has the others, and what was deleted.
			await open(page, '/me');
			await expect(page.getByText(`You deleted ${name}`)).toBeVisible();
			await page.getByRole('link', { name: 'what went with it' }).first().click();
			await expect(page.getByRole('heading', { name: `${name} is deleted` })).toBeVisible();
		});
		await context.close();
	}
);
