import { LONG } from './long.ts';
import { choose, slideTo } from './controls.ts';
import type { Locator, Page } from '@playwright/test';
import { answered, fresh, measure, newFormula, open, planBatch, record } from './making.ts';
import { expect, test } from './test.ts';

/** Cents of the first amount of money in a text. */
const cents = (text: string): number => {
	const match = /([-−])?\$([\d,]+)\.(\d\d)/.exec(text);
	if (!match) throw new Error(`no money in "${text}"`);
	return (match[1] ? -1 : 1) * Number(`${match[2]?.replace(/,/g, '')}${match[3]}`);
};
const centsOf = async (locator: Locator) => cents(await locator.innerText());
/** Ten-thousandths: what a piece costs. */
const fine = (text: string) => Number(/\$(\d+\.\d{4})/.exec(text)?.[1] ?? NaN);

async function bakedBatch(page: Page, name: string): Promise<{ formula: string; batch: string }> {
	await newFormula(page, name);
	const formula = page.url();
	await planBatch(page);
	await measure(page, { 'Balls made': '26', 'Dough left over': '40', Rejects: '2' }); // 24 to sell, four packs of six
	await record(page);
	return { formula, batch: page.url() };
}

test('what a batch cost, each part apart, and what it brought', async ({ page }) => {
	const { batch } = await bakedBatch(page, fresh('Costed roti'));
	const table = page.getByTestId('whole-cost');
	await page.getByLabel('Hands on it for').fill('half an hour');
	await answered(page, () => page.getByRole('button', { name: 'Note the minutes' }).click());
	await expect(page.getByText('"half an hour" is not a number')).toBeVisible();
	await expect(page.getByLabel('Hands on it for')).toHaveValue('half an hour');
	await page.getByLabel('Hands on it for').fill('30');
	await answered(page, () => page.getByRole('button', { name: 'Note the minutes' }).click());
	// 30 min at 15.00 an hour; 7.50 / 24 × 6 = 1.875
	const labour = table.getByRole('row', { name: /^Labour/ });
	await expect(labour).toContainText('$7.50');
	await expect(labour).toContainText('$1.88');
	const rows = table.locator('tbody tr');
	for (const column of [1, 3]) {
		let sum = 0;
		for (const row of await rows.all()) sum += await centsOf(row.locator('td').nth(column));
		expect(await centsOf(table.locator('tfoot td').nth(column))).toBe(sum);
	}

	await test.step('a stall’s fee, a sale, and what is left of it', async () => {
		const place = fresh('Hill stall');
		await open(page, '/kitchen/costs');
		await page.getByLabel('Place', { exact: true }).fill(place);
		await page.getByLabel('A day', { exact: true }).fill('five');
		await answered(page, () => page.getByRole('button', { name: 'Give this fee' }).click());
		await expect(page.getByText('"five" is not an amount of money')).toBeVisible();
		await page.getByLabel('A day', { exact: true }).fill('5');
		await answered(page, () => page.getByRole('button', { name: 'Give this fee' }).click());
		await expect(page.getByRole('row', { name: new RegExp(place) })).toContainText('$5.00');

		await open(page, `/sales?batch=${batch.split('/').at(-1)}`);
		await page.getByLabel('Where').fill(place);
		await page.getByLabel('Packs', { exact: true }).fill('2');
		await answered(page, () => page.getByRole('button', { name: 'Record' }).click());
		await open(page, '/sales/profit');
		const day = page.getByTestId('profit-days').getByRole('row', { name: new RegExp(place) });
		await expect(day).toContainText('$13.00');
		const amounts = (await day.innerText()).match(/-?\$[\d.]+/g) ?? [];
		const [taken = 0, ...rest] = amounts.map(cents);
		const left = rest.pop();
		expect(rest).toContain(500);
		expect(left).toBe(taken - rest.reduce((sum, each) => sum + each, 0));

		await open(page, batch);
		const profit = page.getByTestId('batch-profit');
		await expect(profit).toContainText('Brought by 2 packs');
		const said = ((await profit.innerText()).match(/\$[\d.]+/g) ?? []).map(cents);
		// 13.00 − 5.00 − all it cost
		expect(said.slice(0, 2)).toEqual([1300, 500]);
		expect(said[3]).toBe(Math.abs(1300 - 500 - (said[2] ?? 0)));
		await page.goto('/sales/profit?by=batch');
		await expect(page.getByTestId('profit-batches')).toContainText('Costed roti');
	});
});

test(
	'what if: sliders answer at once, the price a margin needs, the packs a day needs',
	LONG,
	async ({ page }) => {
		const { formula } = await bakedBatch(page, fresh('Supposed roti'));
		await page.goto(`${formula}/cost`);
		await page.getByTestId('if-piece').waitFor();
		const list = await page.getByTestId('where-it-goes').innerText();
		const parts = (list.match(/-?\$[\d.]+/g) ?? []).map(cents);
		// The stretches of the strip are the whole price.
		expect(parts.reduce((sum, each) => sum + each, 0)).toBe(650);

		const piece = page.getByTestId('if-piece');
		const pack = page.getByTestId('if-pack');
		const before = { piece: fine(await piece.innerText()), pack: await centsOf(pack) };
		const rejects = page.getByRole('slider', { name: 'Rejects' });
		await rejects.focus();
		for (let press = 0; press < 4; press++) await page.keyboard.press('ArrowRight');
		await expect(rejects).toHaveAttribute('aria-valuetext', '6 pieces');
		// 20 to sell in place of 24: a piece costs 24 / 20 of what it did.
		await expect(page.getByTestId('what-if')).toContainText('3 packs of 6, 2 loose');
		expect(fine(await piece.innerText())).toBeCloseTo((before.piece * 24) / 20, 3);
		await page.getByRole('button', { name: 'Rejects: as it was' }).click();
		expect(fine(await piece.innerText())).toBe(before.piece);

		await slideTo(page.getByRole('slider', { name: /^Price of Bread flour/ }), 100);
		expect(fine(await piece.innerText())).toBeGreaterThan(before.piece * 1.2);
		await slideTo(page.getByRole('slider', { name: 'Ball weight' }), 80);
		await expect(page.getByTestId('what-if')).toContainText('from 20 balls');
		await slideTo(page.getByRole('slider', { name: 'Pieces in a pack' }), 4);
		await expect(page.getByTestId('what-if')).toContainText('packs of 4');
		await page.getByRole('button', { name: 'Everything as it was' }).click();
		expect(await centsOf(pack)).toBe(before.pack);

		await page.getByLabel('Margin wanted').fill('50');
		await choose(page.getByLabel('Sold at'), 'From the door');
		await expect(page.getByTestId('price-needed')).toContainText(`$${((before.pack * 2) / 100).toFixed(2)}`);
		await page.getByLabel('Margin wanted').fill('100');
		await expect(page.getByText('from 0 to less than 100 %')).toBeVisible();
		await page.getByLabel('Other that day').fill('20');
		await expect(page.getByTestId('break-even')).toContainText(
			`${Math.ceil(2000 / (650 - before.pack))} packs pay for a day`
		);
		await page.getByLabel('Price of a pack').fill('0.10');
		await expect(page.getByTestId('break-even')).toContainText('does not pay for itself');
	}
);

test('past sales: looked at first, then brought in, and counted once', async ({ page }) => {
	const bread = fresh('Notebook bread');
	const place = fresh('Green');
	await open(page, '/sales/import');
	await page.getByRole('button', { name: 'Look at it' }).click();
	await expect(page.getByText('choose a file or paste its rows')).toBeVisible();
	await page
		.getByLabel('Or its rows')
		.fill(
			`day,bread,packs,price\n2025-03-14,${bread},3,6.00\n2025-03-15,${bread},two,6.00\n2025-03-16,${bread},1,5.50`
		);
	await page.getByLabel('Where, for rows that do not say').fill(place);
	await answered(page, () => page.getByRole('button', { name: 'Look at it' }).click());
	await expect(page.getByTestId('preview')).toContainText('2 of 3 rows are ticked, $23.50, 1 cannot be read');
	await expect(page.getByText('packs: "two" is not a number').filter({ visible: true })).toHaveCount(1);
	// What was typed is there again, to be mended.
	await page.getByRole('button', { name: 'Change the rows' }).click();
	await expect(page.getByLabel('Or its rows')).toHaveValue(/,two,6.00/);
	await answered(page, () => page.getByRole('button', { name: 'Look at it' }).click());
	await page.getByLabel('Take line 4').uncheck();
	await expect(page.getByTestId('preview')).toContainText('$18.00');
	await page.getByLabel('Take line 4').check();
	await answered(page, () => page.getByRole('button', { name: 'Bring in the ticked rows' }).click());
	await expect(page.getByText('2 sales brought in, 4 packs.')).toBeVisible();

	await open(page, `/sales?from=&channel=${encodeURIComponent(place)}`);
	await expect(page.getByTestId('totals')).toContainText('$23.50 for 4 packs');
	await expect(page.getByText('no batch known', { exact: true }).first()).toBeVisible();
	const exported = await page.request.get(`/sales.csv?channel=${encodeURIComponent(place)}`);
	await open(page, '/sales/import');
	await page.getByLabel('Or its rows').fill(await exported.text());
	await answered(page, () => page.getByRole('button', { name: 'Look at it' }).click());
	await expect(page.getByText('here already').filter({ visible: true })).toHaveCount(2);
	await expect(page.getByRole('button', { name: 'Bring in the ticked rows' })).toBeDisabled();
});
