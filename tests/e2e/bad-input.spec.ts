import { LONG } from './long.ts';
import { choose, dayIn, typeDay } from './controls.ts';
import type { Page } from '@playwright/test';
import {
	answered,
	draftKept,
	fresh,
	keep,
	measure,
	newFormula,
	open,
	planBatch,
	record,
	startFormula
} from './making.ts';
import { expect, test } from './test.ts';

/** The field is marked, says why, and still holds what was typed. */
async function refuses(
	page: Page,
	label: string | RegExp,
	typed: string,
	why: string | RegExp
): Promise<void> {
	const field = page.getByLabel(label);
	await expect(field).toHaveAttribute('aria-invalid', 'true');
	if ((await field.getAttribute('role')) === 'combobox')
		await expect(field).toHaveAttribute('data-value', typed);
	else await expect(field).toHaveValue(typed);
	const message = await field.getAttribute('aria-describedby');
	await expect(page.locator(`#${message?.split(' ')[0]}`)).toContainText(why);
}

test('a formula: letters, negative, empty, ambiguous, and uptake above what was used', async ({ page }) => {
	await newFormula(page, fresh('Bad formula'));
	const name = fresh('kept');
	await page.getByLabel('Name', { exact: true }).fill(name);
	for (const [typed, why] of [
		['a lot', 'not a weight'],
		['-5', 'negative'],
		['1,130', 'two ways'],
		['3 cups', 'not a unit of weight']
	] as const) {
		await page.getByLabel('Grams of line 2').fill(typed);
		await refuses(page, 'Grams of line 2', typed, why); // said while typing
		await keep(page);
		await expect(page.getByText('Not saved. What you typed is still here.')).toBeVisible();
		await refuses(page, 'Grams of line 2', typed, why); // and by the server
	}
	await page.getByLabel('Grams of line 2').fill('');
	await keep(page);
	await refuses(page, 'Grams of line 2', '', 'empty');
	// What is typed is kept as a draft even while it is wrong.
	await page.getByLabel('Grams of line 2').fill('a pinch');
	await draftKept(page);
	await open(page, page.url());
	await expect(page.getByLabel('Grams of line 2')).toHaveValue('a pinch');

	await page.getByLabel('Grams of line 2').fill('600');
	await page.getByLabel('Grams of line 4').focus();
	await page.getByLabel('Stays on, of line 4').fill('61');
	await refuses(page, 'Stays on, of line 4', '61', 'more than');
	await keep(page);
	await expect(page.getByText('what stays on the pieces is more than what is used up').first()).toBeVisible();
	await page.getByLabel('Stays on, of line 4').fill('26');
	await page.getByLabel('Grams of line 2').focus();
	await page.getByLabel('At most, of line 2').fill('590');
	await refuses(page, 'At most, of line 2', '590', 'less than the 600 planned');
	await page.getByLabel('At most, of line 2').fill('640');

	await page.getByLabel('Ball weight').fill('0');
	await keep(page);
	await refuses(page, 'Ball weight', '0', 'more than 0');
	await page.getByLabel('Ball weight').fill('60');
	await page.getByLabel('Pieces in a pack').fill('2.5');
	await refuses(page, 'Pieces in a pack', '2.5', 'whole number');
	await page.getByLabel('Pieces in a pack').fill('6');
	await page.getByLabel('Name', { exact: true }).fill(' ');
	await keep(page);
	await refuses(page, /^Name$/, ' ', 'give the formula a name');
	await page.getByLabel('Name', { exact: true }).fill('Toasted-oat pita');
	await keep(page);
	await refuses(page, /^Name$/, 'Toasted-oat pita', 'there is already a formula called');
	await expect(page.getByLabel('Grams of line 2')).toHaveValue('600');
});

test('a formula with nothing in the dough, and a line without an ingredient', async ({ page }) => {
	await startFormula(page, fresh('Empty'));
	await page.getByLabel('Grams of line 1').fill('100');
	await keep(page);
	await refuses(page, 'Ingredient of line 1', '', 'choose an ingredient');
	await refuses(page, 'Ball weight', '', 'empty');
	await choose(page.getByLabel('Ingredient of line 1'), { label: 'Water' });
	await choose(page.getByLabel('Use of line 1'), 'dusting');
	await page.getByLabel('Ball weight').fill('60');
	await page.getByLabel('Pieces in a pack').fill('6');
	await page.getByLabel('One piece is a').fill('roti');
	await page.getByLabel('Several are').fill('roti');
	await keep(page);
	await expect(page.getByText('a formula needs at least one line in the dough').first()).toBeVisible();
});

test('a step: longest shorter than shortest, letters; a disc without a size', async ({ page }) => {
	await newFormula(page, fresh('Bad step'));
	await page.getByRole('tab', { name: 'Process' }).click();
	await page.getByRole('button', { name: 'Start from the usual steps' }).click();
	await page.getByLabel('Least minutes of step 3').fill('30');
	await page.getByLabel('Most minutes of step 3').fill('20');
	await keep(page);
	await refuses(page, 'Most minutes of step 3', '20', 'longest time is shorter');
	await page.getByLabel('Most minutes of step 3').fill('soon');
	await keep(page);
	await refuses(page, 'Most minutes of step 3', 'soon', 'not a number');
	await page.getByLabel('Most minutes of step 3').fill('40');
	await page.getByRole('tab', { name: 'Ball and disc' }).click();
	await page.getByRole('button', { name: 'Add a disc' }).click();
	await keep(page);
	await refuses(page, 'Across, disc 1, cm', '', 'empty');
	await page.getByRole('button', { name: 'Remove disc 1' }).click();
	await keep(page);
	await expect(page.getByRole('button', { name: 'Kept', exact: true })).toBeVisible();
});

test('a batch: impossible figures are refused at their field and nothing is lost', async ({ page }) => {
	await newFormula(page, fresh('Bad batch'));
	await planBatch(page);
	const finished = 'Some finished pieces, cooled, grams with spaces between';
	const save = page.getByRole('button', { name: /Record this batch|Save what was measured/ });

	await measure(page, { [finished]: '20 20', Rejects: '2' });
	// 61 g raw hold about 28 g of water; 41 g cannot cook off
	await refuses(page, finished, '20 20', 'a piece held only');
	await save.click();
	await expect(page.getByText('Not saved. What you typed is still here.')).toBeVisible();
	await refuses(page, finished, '20 20', 'a piece held only');
	await expect(page.getByLabel('Dough weight')).toHaveValue('1600');

	await page.getByLabel(finished).fill('52 warm');
	await refuses(page, finished, '52 warm', 'not a number');
	await page.getByLabel(finished).fill('52 52');
	await page.getByLabel('Rejects').fill('27');
	await refuses(page, 'Rejects', '27', 'more than the 26 pieces');
	await save.click();
	await refuses(page, 'Rejects', '27', 'more than the 26 pieces');
	await page.getByLabel('Rejects').fill('');
	await refuses(page, 'Rejects', '', 'empty');
	await page.getByLabel('Rejects').fill('2');
	await page.getByLabel('Balls made').fill('40');
	await refuses(page, 'Balls made', '40', 'more than the dough weight');
	await page.getByLabel('Balls made').fill('26');
	await page.getByLabel('Salt on the scale').fill('-1');
	await refuses(page, 'Salt on the scale', '-1', 'negative');
	await page.getByLabel('Salt on the scale').fill('20');
	await record(page);
});

test(
	'a sale: more than there are, letters, no price, no day, before the batch was made',
	LONG,
	async ({ page }) => {
		const name = fresh('Bad sale');
		await newFormula(page, name);
		await planBatch(page);
		await measure(page);
		await record(page);
		await page.getByRole('link', { name: 'Record a sale' }).click();
		await expect(page).toHaveURL(/sales/);
		await expect(page.getByLabel('Packs', { exact: true })).toHaveValue('1');
		const save = page.getByRole('button', { name: 'Record the sale' });
		await page.getByLabel('Packs', { exact: true }).fill('5');
		await refuses(page, /^Packs$/, '5', '4 packs left');
		await save.click();
		await expect(page.getByText(/has 4 packs left, not 5/).first()).toBeVisible();
		await refuses(page, /^Packs$/, '5', '4 packs left');
		await page.getByLabel('Packs', { exact: true }).fill('two');
		await refuses(page, /^Packs$/, 'two', 'not a number');
		await page.getByLabel('Packs', { exact: true }).fill('0');
		await save.click();
		await refuses(page, /^Packs$/, '0', 'from 1');
		await page.getByLabel('Packs', { exact: true }).fill('2');
		await page.getByLabel('Price a pack').fill('cheap');
		await refuses(page, 'Price a pack', 'cheap', 'not an amount of money');
		await page.getByLabel('Price a pack').fill('');
		await save.click();
		await refuses(page, 'Price a pack', '', 'empty');
		await page.getByLabel('Price a pack').fill('-6');
		await refuses(page, 'Price a pack', '-6', 'negative');
		await page.getByLabel('Price a pack').fill('6.50');
		await typeDay(page, 'Day', '2020-01-01');
		await save.click();
		await expect(page.getByText(/was made on/)).toHaveCount(2); // at the day, and above the form
		expect(await dayIn(page, 'Day')).toBe('2020-01-01');
		await typeDay(page, 'Day', '');
		await expect(page.getByText(/was made on/)).toHaveCount(0);
		await save.click();
		await expect(page.getByText('choose a day').first()).toBeVisible();
		await page.getByLabel('Where').fill('');
		await save.click();
		await refuses(page, 'Where', '', 'say where');
		await expect(page.getByRole('row', { name: new RegExp(name) })).toHaveCount(0);
	}
);

test(
	'an ingredient: what 100 g cannot hold, letters, and doubts that do not block',
	LONG,
	async ({ page }) => {
		const name = fresh('Odd flour');
		await open(page, '/shelf/blank');
		await page.getByLabel('Name, as you call it').fill(name);
		await page.getByLabel('fat', { exact: true }).fill('101');
		await page.getByLabel('protein', { exact: true }).fill('some');
		await refuses(page, /^protein$/, 'some', 'not a number');
		await page.getByRole('button', { name: 'Put it on the shelf' }).click();
		await refuses(page, /^fat$/, '101', 'from 0 to 100');
		await page.getByLabel('fat', { exact: true }).fill('10');
		await page.getByLabel('protein', { exact: true }).fill('-1');
		await page.getByRole('button', { name: 'Put it on the shelf' }).click();
		await refuses(page, /^protein$/, '-1', 'negative');
		await page.getByLabel('protein', { exact: true }).fill('10');
		for (const [label, value] of [
			['saturated fat', '8'],
			['trans fat', '3'],
			['carbohydrate', '60'],
			['fibre', '10'],
			['energy', '100']
		] as const)
			await page.getByLabel(label, { exact: true }).fill(value);
		await expect(page.getByText('saturated and trans fat (11 g) are more than the fat (10 g)')).toBeVisible();
		await expect(
			page.getByText('energy is 100 kcal, but protein, fat and carbohydrate give about 350')
		).toBeVisible();
		await page.getByRole('button', { name: 'Put it on the shelf' }).click();
		await expect(page.getByRole('heading', { level: 1, name })).toBeVisible();

		await page.getByLabel('Paid, USD').fill('free');
		await page.getByLabel('For how much').fill('0');
		await page.getByLabel('Usable share').fill('0');
		await page.getByRole('button', { name: 'Add price' }).click();
		await refuses(page, 'Paid, USD', 'free', 'not an amount of money');
		await refuses(page, 'For how much', '0', 'more than 0');
		await refuses(page, 'Usable share', '0', 'from 1 to 100');

		await page.getByLabel('Weighing 1').fill('130');
		await page.getByRole('button', { name: 'Note it' }).click();
		await refuses(page, 'Weighing 1', '130', 'weigh it 3 times');
		// To what was sent, though the price above is wrong still.
		await expect(page.getByLabel('Weighing 1')).toBeFocused();
		await page.getByLabel('Weighing 2').fill('about 130');
		await page.getByRole('button', { name: 'Note it' }).click();
		await refuses(page, 'Weighing 2', 'about 130', 'not a number');
	}
);

test('a pack label: no serving, letters, and a figure no panel prints', async ({ page }) => {
	const name = fresh('Label flour');
	await open(page, '/shelf/blank');
	await page.getByLabel('Name, as you call it').fill(name);
	await choose(page.getByLabel('The label gives them'), 'us');
	await page.getByLabel('fat, as printed', { exact: true }).fill('none');
	await refuses(page, /^fat, as printed$/, 'none', 'as printed');
	await page.getByLabel('fat, as printed', { exact: true }).fill('0.3');
	await page.getByRole('button', { name: 'Put it on the shelf' }).click();
	await refuses(page, 'Serving', '', 'empty');
	await page.getByLabel('Serving').fill('14');
	await expect(page.getByText('a US panel does not print 0.3: look at the pack again')).toBeVisible();
	await page.getByLabel('fat, as printed', { exact: true }).fill('0');
	await expect(page.getByText('0 in 100 g, 0 to 3.57')).toBeVisible(); // below 0.5 g per 14 g
	await answered(page, () => page.getByRole('button', { name: 'Put it on the shelf' }).click());
	await expect(page.getByRole('heading', { level: 1, name })).toBeVisible();
	await expect(page.getByLabel('fat, as printed', { exact: true })).toHaveValue('0');
});

test('a plan: times nothing, times letters', async ({ page }) => {
	await open(page, '/batches/new');
	await page.getByLabel('Times the formula').fill('twice');
	await refuses(page, 'Times the formula', 'twice', 'not a number');
	await page.getByLabel('Times the formula').fill('0');
	await page.getByRole('button', { name: 'Plan this batch' }).click();
	await refuses(page, 'Times the formula', '0', 'from 0.01');
});

test('what is not there says so', async ({ page }) => {
	for (const path of ['/formulas/01ARZ3NDEKTSV4RRFFQ69G5FAV', '/batches/x', '/shelf/x', '/nowhere']) {
		const response = await page.goto(path);
		expect(response?.status()).toBe(404);
		await expect(page.getByRole('heading', { level: 1 })).toContainText(
			/not here|not on the shelf|no such page/
		);
	}
});
