import { LONG } from './long.ts';
import { AxeBuilder } from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { make, writeDown } from './job.ts';
import { answered, fresh, keep, open, ready } from './making.ts';
import { readPdf } from './pdf.ts';
import { expect, test } from './test.ts';

test.describe.configure({ timeout: 180_000 });

const chanceOf = async (page: Page, name: string): Promise<number> => {
	const row = page.getByTestId('bands').getByRole('row').filter({ hasText: name });
	return Number(await row.locator('td').last().innerText());
};
/** Waits until all is drawn and it is worked out what helps. */
const drawn = (page: Page) =>
	expect(page.getByTestId('draws')).toContainText('100,000 draws, done', { timeout: 60_000 });

test('from a figure under 95 through its first act to the better figure', LONG, async ({ page }) => {
	const name = fresh('Spooned roti');
	await writeDown(page, name, ['600 g bread flour', '360 g water', '1 to 2 tsp salt'], {
		one: 'roti',
		many: 'roti',
		ball: '60',
		pack: '8'
	});
	const sheet = page.url();
	await make(page, { lines: [600, 360, 9], dough_g: 965, balls: 16, ball_g: 60, finished_g: 52, packs: 2 });

	await open(page, sheet);
	await page.getByRole('link', { name: 'How sure' }).click();
	await expect(page.getByRole('heading', { level: 1 })).toHaveText('How sure is each figure?');
	await expect(page.getByTestId('is-a-calculation')).toContainText('not a laboratory');
	await drawn(page);
	const before = await chanceOf(page, 'Sodium');
	expect(before).toBeLessThan(95);
	expect((await new AxeBuilder({ page }).analyze()).violations.map(({ id }) => id)).toEqual([]);
	await page.getByRole('button', { name: 'Sodium', exact: true }).click();
	await expect(page.getByTestId('doubt')).toContainText('grams of Salt');
	const act = page.getByTestId('acts').getByRole('link', { name: 'Weigh the Salt, not the spoon' });
	await expect(act).toContainText(`${before}`);
	await act.click();

	// Taken along: the line is marked, and its grams wait to be typed.
	await expect(page).toHaveURL(/\/formulas\/.*weigh=2/);
	await ready(page);
	await expect(page.getByLabel('Grams of line 3', { exact: true })).toBeFocused();
	await expect(page.getByText('weigh it', { exact: true })).toBeVisible();
	await page.getByLabel('Line 3 as said', { exact: true }).fill('9 g salt');
	await keep(page);
	await page.getByRole('link', { name: 'How sure' }).click();
	await drawn(page);
	expect(await chanceOf(page, 'Sodium')).toBeGreaterThan(before);

	await test.step('a laboratory’s report stands beside it', async () => {
		await page.getByText('Note a report', { exact: true }).click();
		await answered(page, () => page.getByRole('button', { name: 'Note this report' }).click());
		await expect(page.getByText('which laboratory?')).toBeVisible();
		await page.getByLabel('Laboratory', { exact: true }).fill('Bench analytics');
		await page.getByRole('group', { name: 'Of which day' }).first().waitFor();
		const day = page.getByRole('group', { name: 'Of which day', exact: true });
		for (const [part, digits] of [
			['year', '2026'],
			['month', '11'],
			['day', '20']
		] as const) {
			await day.locator(`[data-segment="${part}"]`).focus();
			await page.keyboard.type(digits);
		}
		await page.getByLabel('Sodium', { exact: true }).fill('2000');
		await page.getByLabel('± of sodium', { exact: true }).fill('60');
		await answered(page, () => page.getByRole('button', { name: 'Note this report' }).click());
		const report = page.getByTestId('report');
		await expect(report).toContainText('Bench analytics');
		await expect(report.getByRole('row').filter({ hasText: 'Sodium' })).toContainText(
			'apart by more than both are unsure'
		);
		await answered(page, () => report.getByRole('button', { name: 'Withdraw this report' }).click());
		await expect(report).toHaveCount(0);
	});
});

test('a spread that is changed moves the chance, and is listed with where it comes from', async ({
	page
}) => {
	await open(page, '/kitchen/spreads');
	const yours = page.getByLabel('Yours, of Vitamin D');
	await yours.fill('many');
	await answered(page, () => page.getByRole('button', { name: 'Save', exact: true }).click());
	await expect(yours).toHaveAttribute('aria-invalid', 'true');
	await yours.fill('35');
	await page.getByLabel('Where yours of Vitamin D comes from').fill('two analyses of our milk');
	await answered(page, () => page.getByRole('button', { name: 'Save', exact: true }).click());
	await open(page, '/kitchen/spreads');
	await expect(page.getByLabel('Yours, of Vitamin D')).toHaveValue('35');
	await expect(page.getByLabel('Where yours of Vitamin D comes from')).toHaveValue(
		'two analyses of our milk'
	);
	await page.getByLabel('Yours, of Vitamin D').fill('');
	await answered(page, () => page.getByRole('button', { name: 'Save', exact: true }).click());
	expect((await new AxeBuilder({ page }).analyze()).violations.map(({ id }) => id)).toEqual([]);
});

test(
	'labels and Today name what may not survive; a batch is asked about itself and about the next',
	LONG,
	async ({ page }) => {
		await open(page, '/labels');
		await expect(page.getByTestId('unsure').first()).toContainText('of 100 laboratories');
		await open(page, '/');
		await expect(page.getByTestId('attention')).toContainText('in 100 that a laboratory finds it as printed');
		// Of its history: the list shows the newest, whatever else is made here.
		await open(page, '/formulas');
		const formula = await page.getByRole('link', { name: 'Beet and cumin roti' }).getAttribute('href');
		await open(page, `${formula}/history`);
		await page.locator('main a[href^="/batches/"]').first().click();
		await ready(page);
		await page.getByRole('link', { name: 'How sure' }).click();
		await drawn(page);
		await expect(page.getByText('it is what lies in these bags')).toBeVisible();
		await page.getByRole('link', { name: 'The label', exact: true }).click();
		await expect(page.getByText('in packs of a coming batch')).toBeVisible();
		await drawn(page);
		await test.step('on paper it is one page, headed that it is a calculation', async () => {
			const pages = await readPdf(await page.pdf({ format: 'A4' }));
			expect(pages.count).toBe(1);
			expect(pages.text).toContain('A calculation from the spreads');
		});
		// Stopped, what was found stays.
		await open(page, page.url());
		await page.getByTestId('bands').waitFor();
		const stop = page.getByRole('button', { name: 'Stop', exact: true });
		if (await stop.isVisible()) await stop.click({ timeout: 2000 }).catch(() => undefined);
		await expect(page.getByTestId('bands')).toBeVisible();
	}
);
