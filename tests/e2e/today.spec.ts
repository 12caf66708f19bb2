import { dayIn } from './controls.ts';
import type { Page } from '@playwright/test';
import { ulid } from 'ulid';
import { answered, fresh, measure, newFormula, open, planBatch, record, post } from './making.ts';
import { expect, test } from './test.ts';

/** The day it is in the kitchen, and one some weeks before. */
async function daysBefore(page: Page, weeks: readonly number[]): Promise<string[]> {
	await open(page, '/batches/new');
	const today = await dayIn(page, 'Made on');
	return weeks.map((week) =>
		new Date(Date.parse(`${today}T00:00:00Z`) - week * 7 * 86_400_000).toISOString().slice(0, 10)
	);
}

test('what such a day usually sells is to be made; what is planned counts, and stands on the bench', async ({
	page
}) => {
	const bread = fresh('Weekly bread');
	// Places of a day stand by name, and the first two are open.
	const place = fresh('AA corner');
	await newFormula(page, bread);
	const [lastWeek, before] = await daysBefore(page, [1, 2]);
	await open(page, '/sales/import');
	await page
		.getByLabel('Or its rows')
		.fill(
			`day,place,bread,packs,price\n${before},${place},${bread},5,6.00\n${lastWeek},${place},${bread},2,6.00`
		);
	await answered(page, () => page.getByRole('button', { name: 'Look at it' }).click());
	await answered(page, () => page.getByRole('button', { name: 'Bring in the ticked rows' }).click());

	await open(page, '/');
	const day = page.getByTestId('day-to-make').filter({ hasText: place });
	// Two days are few: the middle by weight, and the newest of two weighs more.
	await expect(day).toContainText('2 packs to make');
	await expect(day).toContainText('sold 2, 5');
	await expect(page.getByTestId('attention')).toContainText(`Label of ${bread}`);

	await day.getByRole('link', { name: `Plan 2 packs of ${bread}` }).click();
	await expect(page.getByLabel('Product')).toContainText(bread);
	await expect(page.getByLabel('Packs', { exact: true })).toHaveValue('2');
	await page.getByRole('button', { name: 'Plan this batch' }).click();
	await expect(page).toHaveURL(/\/weigh$/);

	await open(page, '/');
	await expect(day).toContainText('enough is there or planned');
	const onBench = page.getByTestId('on-bench').filter({ hasText: bread });
	await expect(onBench).toContainText('nothing weighed yet');
	await onBench.getByRole('link', { name: /^Weigh in/ }).click();
	await expect(page).toHaveURL(/\/weigh$/);
	await expect(page.getByRole('heading', { level: 1 })).toContainText(bread);
});

test('the places begin with Today, and the mark leads there', async ({ page }) => {
	await open(page, '/sales');
	await page.getByRole('navigation', { name: 'Places' }).getByRole('link', { name: 'Today' }).click();
	await expect(page.getByRole('heading', { level: 1, name: 'Today' })).toBeVisible();
	await expect(page.getByRole('link', { name: 'Today' })).toHaveAttribute('aria-current', 'page');
	// The demo kitchen has a label out of date.
	const attention = page.getByTestId('attention');
	await expect(attention).toContainText('Before anything is sold');
	await attention.getByRole('link', { name: /^Label of Toasted-oat pita/ }).click();
	await expect(page.getByRole('heading', { level: 1 })).toContainText('Toasted-oat pita');
});

test('packs past their best-before are named before anything is sold, and written off from there', async ({
	page
}) => {
	const bread = fresh('Stale bread');
	await newFormula(page, bread);
	await planBatch(page);
	await measure(page, { 'Balls made': '26', 'Dough left over': '40', Rejects: '2' });
	await record(page);
	const batch = page.url();
	await post(page, `${batch}/entries.json`, {
		entries: [
			{
				kind: 'event',
				id: ulid(),
				at: new Date().toISOString(),
				happening: { name: 'best before', day: '2020-01-01' },
				voids: null
			}
		]
	});
	await open(page, '/');
	const past = page
		.getByTestId('attention')
		.getByRole('link', { name: new RegExp(`of ${bread}`) })
		.filter({ hasText: 'best-before' });
	await expect(past).toContainText('past their best-before of Wed, 1 Jan 2020');
	await past.click();
	await expect(page.getByLabel('They were')).toHaveAttribute('data-value', 'written off');
	await expect(page.getByLabel('Why')).toHaveValue('past its best-before');
	await page.getByLabel('Where').fill(fresh('Bin'));
	await answered(page, () => page.getByRole('button', { name: 'Write them off' }).click());
	await open(page, '/');
	await expect(past).toHaveCount(0);
});

test('a day comes to all of its entries, where only some of them are shown', async ({ page }) => {
	const place = fresh('Long day');
	await open(page, '/sales/import');
	await page
		.getByLabel('Or its rows')
		.fill(`day,place,bread,packs,price\n2025-03-14,${place},Loaf,1,6.00\n2025-03-14,${place},Loaf,2,5.25`);
	await answered(page, () => page.getByRole('button', { name: 'Look at it' }).click());
	await answered(page, () => page.getByRole('button', { name: 'Bring in the ticked rows' }).click());
	await open(page, `/sales?from=&channel=${encodeURIComponent(place)}&shown=1`);
	const day = page.getByRole('region', { name: 'Fri, 14 Mar 2025' });
	await expect(day.getByRole('button', { name: /Take back/ })).toHaveCount(1);
	// 6.00 + 2 · 5.25
	await expect(day.getByRole('heading')).toContainText('$16.50');
});
