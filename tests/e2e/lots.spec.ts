import { choose } from './controls.ts';
import { answered, fresh, newFormula, newIngredient, open, planAtBench, ready } from './making.ts';
import { expect, test } from './test.ts';

test('a lot is received, weighed from at the bench, traced to its packs, and counted', async ({ page }) => {
	const flour = fresh('Lot flour');
	const code = fresh('SL').replace(' ', '-');
	await newIngredient(page, flour);
	await newFormula(page, fresh('Lot roti'), { flour });
	const formula = page.url();

	await open(page, '/shelf/lots');
	const receive = page.getByRole('region', { name: 'Receive a lot' });
	await choose(receive.getByLabel('Of', { exact: true }), { label: flour });
	await receive.getByLabel('How much').fill('heaps');
	await receive.getByLabel('Lot code on it').fill(code);
	await answered(page, () => receive.getByRole('button', { name: 'Receive it' }).click());
	// What cannot be read is said at its place, and nothing that was typed is lost.
	await expect(receive.getByLabel('How much')).toHaveAttribute('aria-invalid', 'true');
	await expect(receive.getByLabel('Lot code on it')).toHaveValue(code);
	await receive.getByLabel('How much').fill('1.2 kg');
	await receive.getByLabel(/^Paid/).fill('2.40');
	await answered(page, () => receive.getByRole('button', { name: 'Receive it' }).click());
	const row = page.getByRole('row').filter({ hasText: flour });
	await expect(row).toContainText('1,200 g');
	const lot = (await row.getByRole('link', { name: /^L-/ }).first().textContent()) ?? '';
	// A second, so that there is something to choose.
	await choose(receive.getByLabel('Of', { exact: true }), { label: flour });
	await receive.getByLabel('How much').fill('5 kg');
	await answered(page, () => receive.getByRole('button', { name: 'Receive it' }).click());
	await expect(row).toContainText('6,200 g');
	const other = (await row.getByRole('link', { name: /^L-/ }).nth(1).textContent()) ?? '';

	await open(page, formula);
	await planAtBench(page);
	const type = async (grams: string) => {
		await page.getByLabel('Or type it').fill(grams);
		await page.getByRole('button', { name: 'Take it' }).click();
	};
	await expect(page.getByLabel('From lot')).toContainText(`the oldest: ${lot}`);
	await type('400');
	// The bag is empty: the rest comes from the other.
	await choose(page.getByLabel('From lot'), new RegExp(other));
	await type('600');
	await expect(page.getByTestId('line-now')).toHaveText('Water');
	// No lots are kept of water.
	await expect(page.getByLabel('From lot')).toHaveCount(0);
	await expect(page.getByTestId('waiting')).toHaveCount(0);
	await page.getByRole('navigation', { name: 'Stations' }).getByRole('link', { name: 'Square' }).click();
	await expect(page.getByRole('heading', { name: 'Does it square?' })).toBeVisible();
	const lots = page.getByRole('region', { name: 'The lots it came from' });
	await expect(lots).toContainText(`${lot} 400 g`);
	await expect(lots).toContainText(`${other} 600 g`);
	await expect(page.getByTestId('stage-stock')).toContainText('squares');

	await open(page, '/trace');
	await page.getByLabel(/^Batch code, lot code/).fill(code.toLowerCase());
	await page.getByRole('button', { name: 'Trace it' }).click();
	await expect(page.getByRole('heading', { name: new RegExp(`Recall sheet: ${flour}`) })).toBeVisible();
	await expect(page.getByTestId('recall-counts')).toContainText('went into 1 batch');
	await expect(page.getByTestId('recall-counts')).toContainText('800 g of the lot is left');
	const [sheet] = await Promise.all([
		page.waitForEvent('download'),
		page.getByRole('link', { name: 'CSV' }).click()
	]);
	expect(sheet.suggestedFilename()).toBe(`recall ${lot}.csv`);

	await open(page, '/shelf/lots/count');
	await page.getByLabel(`Counted of ${flour}, ${lot}`).fill('790');
	await expect(page.getByRole('row').filter({ hasText: flour }).filter({ hasText: lot })).toContainText(
		'−10'
	);
	await page.getByRole('button', { name: 'Keep the count of 1 lot' }).click();
	await expect(page.getByText('say why it is other than expected').first()).toBeVisible();
	await expect(page.getByLabel(`Counted of ${flour}, ${lot}`)).toHaveValue('790');
	await page.getByLabel(`Why ${flour}, ${lot} is other`).fill('spilled');
	await answered(page, () => page.getByRole('button', { name: 'Keep the count of 1 lot' }).click());
	await page.getByRole('link', { name: lot, exact: true }).click();
	await ready(page);
	await expect(page.getByTestId('on-hand')).toHaveText('790 g');
	await expect(page.getByRole('region', { name: 'What came and went' })).toContainText('spilled');
});
