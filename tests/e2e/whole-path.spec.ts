import { choose, optionsOf } from './controls.ts';
import { readFileSync } from 'node:fs';
import { fresh, keep, measure, newFormula, open, planBatch, record, typeFormula } from './making.ts';
import { expect, test } from './test.ts';

test('from a formula to a sale record', async ({ page }) => {
	const name = fresh('Path roti');

	await test.step('the formula: figures move while typing', async () => {
		await typeFormula(page, name);
		const piece = page.getByRole('complementary', { name: 'One piece' });
		await expect(piece.getByTestId('makes')).toHaveText('27 roti, 4 packs'); // 1620 / 60
		const cost = await piece.getByTestId('cost-piece').innerText();
		await page.getByLabel('Grams of line 1').fill('1.5 kg');
		await expect(piece.getByTestId('makes')).toHaveText('35 roti, 5 packs'); // 2120 / 60
		await expect(piece.getByTestId('cost-piece')).not.toHaveText(cost);
		await expect(piece.getByTestId('statement')).toContainText('Enriched bread flour');
		await expect(piece.getByText('Wheat', { exact: true })).toBeVisible();
		await page.getByLabel('Grams of line 1').fill('1000');
		await expect(piece.getByTestId('cost-piece')).toHaveText(cost);
		await expect(page.getByRole('button', { name: 'Kept', exact: true })).toBeVisible();
	});

	await test.step('the batch: measured, derived, recorded', async () => {
		await planBatch(page);
		await measure(page);
		const facts = page.getByRole('complementary', { name: 'Facts of this batch' });
		await expect(facts.getByTestId('made')).toHaveText(
			/4 packs of 6, 0 loose, from 26 roti less 2 rejected|4 packs of 6, from 26 roti less 2 rejected/
		);
		await record(page);
		await expect(facts.getByText('1 roti (52g)')).toBeVisible();
		await expect(facts.getByText('6 servings per container')).toBeVisible();
		await expect(facts.getByTestId('contains')).toHaveText('Contains: Wheat.');
		await expect(facts.getByTestId('statement')).toHaveText(/^Enriched bread flour \(.*\), water, salt\.$/);
		await expect(facts.getByText('14.8%')).toBeVisible(); // 1 − 52 / 61
		await expect(
			page.getByRole('navigation', { name: 'Stations' }).getByText('squares', { exact: true })
		).toHaveCount(3);
	});

	await test.step('why a figure is what it is: every ingredient, the rule, the source; cost and weight too', async () => {
		await page.getByRole('button', { name: 'Why Sodium is what it is' }).click();
		const why = page.getByRole('dialog', { name: 'Why this number' });
		// 20 g of salt in 1600 g of dough weighed in as 1620: 20 · 60 / 1620 = 0.74 g a ball
		await expect(why.getByRole('row', { name: /^Salt 0\.74/ })).toContainText('a reference table');
		await expect(why.getByTestId('derivation')).toContainText('above 140 mg the nearest 10 mg');
		const page1 = page.waitForEvent('download');
		await why.getByRole('link', { name: 'One page for an inspector, PDF' }).click();
		expect((await page1).suggestedFilename()).toMatch(/^Sodium .*\.pdf$/);
		await choose(why.getByLabel('Figure'), { label: 'Cost of a pack' });
		await expect(why.getByTestId('derivation')).toContainText('24 roti that can be sold');
		await choose(why.getByLabel('Figure'), { label: 'Finished weight' });
		await expect(why.getByTestId('derivation')).toContainText('the mean of 2 weighed pieces');
		await page.keyboard.press('Escape');
		await expect(why).toHaveCount(0);
	});

	await test.step('the sale: never more than there are', async () => {
		await page.getByRole('link', { name: 'Record a sale' }).click();
		await expect(page).toHaveURL(/sales/);
		await expect(page.getByLabel('Price a pack')).toHaveValue('6.50');
		await page.getByLabel('Packs', { exact: true }).fill('3');
		await page.getByLabel('Where').fill('From the door');
		await expect(page.getByTestId('sale-total')).toHaveText('$19.50');
		await page.getByRole('button', { name: 'Record the sale' }).click();
		await expect(page.getByRole('row', { name: new RegExp(name) })).toContainText('$19.50');
	});

	await test.step('the ledger goes out as CSV', async () => {
		const download = page.waitForEvent('download');
		await page.getByRole('link', { name: 'Export as CSV' }).click();
		const csv = readFileSync(await (await download).path(), 'utf8');
		expect(csv.split('\r\n')[0]).toBe(
			'id,date,kind,channel,product,pieces_per_pack,batch,packs,price,total,currency,paid_by,customer,of,void,reason'
		);
		expect(csv).toContain(`From the door,${name},6,`);
	});

	await test.step('a mistaken sale is voided and its packs come back', async () => {
		await page
			.getByRole('row', { name: new RegExp(name) })
			.getByRole('button', { name: /^Take back/ })
			.click();
		await page.getByRole('button', { name: 'Void it' }).click();
		await expect(page.getByText('say why, for the record')).toBeVisible();
		await page.getByLabel('Why').fill('wrong pack');
		await page.getByRole('button', { name: 'Void it' }).click();
		await expect(page.getByText('void: wrong pack')).toBeVisible();
		const batches = await optionsOf(page.getByRole('combobox', { name: 'Packs of' }));
		expect(batches.find((each) => each.includes(name))).toMatch(/\(4 left\)/);
	});
});

test('a reformulation after a batch is a new version, and the batch keeps the old one', async ({ page }) => {
	const name = fresh('Versioned roti');
	await newFormula(page, name);
	const formula = page.url();
	await planBatch(page);
	const batch = page.url();
	await open(page, formula);
	await page.getByLabel('Grams of line 3').fill('18');
	await expect(page.getByText('draft of version 2')).toBeVisible();
	await expect(page.getByRole('link', { name: 'Make a batch of version 1' })).toBeVisible();
	await keep(page);
	await expect(page.getByText('version 2', { exact: true })).toBeVisible();
	await page.getByRole('tab', { name: 'Versions and files' }).click();
	await page.getByRole('link', { name: 'compare with 2' }).click();
	await expect(page.getByText('Labels printed from version 1 would be untrue')).toHaveCount(0); // not made: no panel yet
	await expect(page.getByRole('row', { name: /^Salt Dry 20 18 changed/ })).toBeVisible();
	await open(page, batch);
	await expect(page.getByText(/version 1$/)).toBeVisible();
	await expect(page.getByRole('row', { name: /^Salt Dry 20/ })).toBeVisible();
	// Planned is not weighed.
	await expect(page.getByLabel('Salt on the scale')).toHaveValue('');
});

test('an ingredient from nothing: added, confirmed, priced, and used', async ({ page }) => {
	const name = fresh('Almond meal');
	await open(page, '/shelf/blank');
	await page.getByLabel('Name, as you call it').fill(name);
	await page.getByLabel('Which', { exact: true }).fill('almond');
	await page.getByRole('button', { name: 'Add it' }).click();
	await page.getByLabel('water', { exact: true }).fill('5');
	await page.getByRole('button', { name: 'Put it on the shelf' }).click();
	await expect(page.getByRole('heading', { level: 1, name })).toBeVisible();
	await expect(page.getByText('Not confirmed: every label that uses it waits.')).toBeVisible();

	await page.getByLabel('I have confirmed this list').check();
	await page.getByRole('button', { name: 'Save', exact: true }).click();
	await expect(page.getByText('say what confirmed them: the pack, a specification').first()).toBeVisible();
	await page.getByLabel('By what').fill('pack');
	await page.getByRole('button', { name: 'Save', exact: true }).click();
	await expect(page.getByText(/^Confirmed on/)).toBeVisible();

	await page.getByLabel('Paid, USD').fill('9,50');
	await page.getByLabel('For how much').fill('2 lb');
	await page.getByRole('button', { name: 'Add price' }).click();
	await expect(page.getByRole('cell', { name: '$10.47' })).toBeVisible(); // 9.50 / 0.90718 kg
	await open(page, '/shelf');
	await expect(page.getByRole('row', { name: new RegExp(name) })).toContainText('Almond');
});
