import { LONG } from './long.ts';
import { answered, draftKept, fresh, measure, newFormula, open, planBatch, record } from './making.ts';
import { expect, test } from './test.ts';

test('the second to type in a formula sees both and chooses', LONG, async ({ page, context }) => {
	await newFormula(page, fresh('Shared'));
	const other = await context.newPage();
	await open(other, page.url());
	await page.getByLabel('Grams of line 2').fill('620');
	await draftKept(page);

	await other.getByLabel('Grams of line 2').fill('640');
	const row = other.getByRole('row', { name: /^line 2/ });
	await expect(row).toContainText('640 g');
	await expect(row).toContainText('620 g');
	await expect(other.getByLabel('Grams of line 2')).toHaveValue('640');

	await other.getByRole('button', { name: 'Take theirs' }).click();
	await expect(other.getByLabel('Grams of line 2')).toHaveValue('620');
	// What was given up for it is not held for the next time either.
	await open(other, page.url());
	await expect(other.getByLabel('Grams of line 2')).toHaveValue('620');
	await draftKept(other);
	await expect(other.getByText('Somebody saved')).toHaveCount(0);

	await page.getByLabel('Grams of line 3').fill('22');
	await draftKept(page);
	await expect(page.getByText('Somebody saved')).toHaveCount(0);
	await other.getByLabel('Grams of line 3').fill('24');
	await other.getByRole('button', { name: 'Save mine over it' }).click();
	await draftKept(other);
	await open(page, page.url());
	await expect(page.getByLabel('Grams of line 3')).toHaveValue('24');
});

test('the second to record a batch sees both and chooses', async ({ page, context }) => {
	await newFormula(page, fresh('Shared batch'));
	await planBatch(page);
	const other = await context.newPage();
	await open(other, page.url());
	// Both type before either saves; what nobody types into would follow by itself.
	await measure(other, { Rejects: '3' });
	await measure(page);
	await record(page);
	await other.getByRole('button', { name: /Record this batch|Save what was measured/ }).click();
	const row = other.getByRole('row', { name: /^rejects/ });
	await expect(row).toContainText('3');
	await expect(row).toContainText('2');
	await answered(other, () => other.getByRole('button', { name: 'Save mine over it' }).click());
	await open(page, page.url());
	await expect(page.getByLabel('Rejects')).toHaveValue('3');
});

test('the last pack sold on two devices: the second is told', async ({ page, context }) => {
	await newFormula(page, fresh('Last pack'));
	await planBatch(page);
	await measure(page, { 'Balls made': '6', 'Dough left over': '1240', Rejects: '0' });
	await record(page);
	await page.getByRole('link', { name: 'Record a sale' }).click();
	await expect(page).toHaveURL(/sales/);
	await expect(page.getByLabel('Packs', { exact: true })).toHaveValue('1');
	const other = await context.newPage();
	await open(other, page.url());
	for (const each of [page, other]) await each.getByLabel('Where').fill('door');
	await page.getByRole('button', { name: 'Record the sale' }).click();
	await expect(page.getByText('Sale recorded')).toBeVisible();
	await other.getByRole('button', { name: 'Record the sale' }).click();
	await expect(other.getByText(/has 0 packs left, not 1/).first()).toBeVisible();
});
