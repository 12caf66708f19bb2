import { choose, dayField } from './controls.ts';
import { answered, fresh, measure, newFormula, open, planBatch, record } from './making.ts';
import { expect, test } from './test.ts';

test('a miscounted ball is named, put right by one tap, and the batch closes; a correction stands beside it', async ({
	page
}) => {
	await newFormula(page, fresh('Squared roti'));
	await planBatch(page);
	// 26 balls of 60 g and 40 g left make 1600 g; 25 are noted. 24 sellable and two rejects are 26 pieces.
	await measure(page, { 'Balls made': '25' });
	await page.getByLabel('Sellable pieces, counted').fill('24');
	await page.getByLabel('Packs closed').fill('4');
	await page.getByLabel('Loose pieces').fill('0');
	await record(page);
	const divide = page.getByTestId('stage-divide');
	await expect(divide).toContainText('60 g of dough not among the balls');
	await expect(page.getByTestId('stage-count')).toContainText('one piece more than balls were made');

	await test.step('it is not closed without a reason', async () => {
		await answered(page, () => page.getByRole('button', { name: 'Close this batch' }).click());
		await expect(page.getByText('it does not square at every stage')).toBeVisible();
	});

	await test.step('one tap records what was it', async () => {
		await answered(page, () =>
			divide.getByRole('button', { name: 'Record that one ball was not counted: 26, not 25' }).click()
		);
		await expect(page.getByLabel('Balls made')).toHaveValue('26');
		await expect(divide).toContainText('squares');
		await expect(page.getByTestId('stage-count')).toContainText('squares');
		await answered(page, () => page.getByRole('button', { name: 'Close this batch' }).click());
		await expect(page.getByRole('heading', { name: /^Closed on/ })).toBeVisible();
	});

	await test.step('what is found later is a correction with its reason, and both stand', async () => {
		await page.reload();
		await page.locator('html[data-ready]').waitFor({ state: 'attached' });
		const button = page.getByRole('button', { name: 'Record a correction' });
		await expect(button).toBeDisabled();
		await expect(dayField(page, 'Begun at').getByRole('spinbutton').first()).toHaveAttribute(
			'aria-disabled',
			'true'
		);
		await page.getByLabel('Rejects').fill('1');
		await answered(page, () => button.click());
		await expect(page.getByText('say why it is corrected').first()).toBeVisible();
		await expect(page.getByTestId('stage-count')).toContainText('made and neither sellable nor rejected');
		await page
			.getByTestId('stage-count')
			.getByRole('button', { name: /Record that the sellable pieces were miscounted/ })
			.click();
		await expect(page.getByLabel('Why it is corrected')).toBeFocused();
		await expect(page.getByLabel('Why it is corrected')).toHaveValue(/sellable pieces were miscounted/);
		await page.getByRole('textbox', { name: 'Loose pieces' }).fill('1');
		await answered(page, () => button.click());
		const sellable = page.getByTestId('closings').getByRole('row', { name: /^Sellable/ });
		await expect(sellable).toContainText(/24\s*25/);
		await expect(page.getByText('Correction 1:')).toBeVisible();
	});

	await test.step('the list of batches still opens, with this one in it', async () => {
		await open(page, '/batches');
		await expect(page.getByRole('link', { name: /Squared roti/ }).first()).toBeVisible();
	});
});

test('a batch is planned by the packs that are wanted, on the steps of the scale', async ({ page }) => {
	await newFormula(page, fresh('Wanted roti'));
	await page.getByRole('link', { name: /^Make a batch/ }).click();
	await choose(page.getByLabel('How much'), 'packs');
	await page.getByLabel('Packs', { exact: true }).fill('5');
	// 5 packs of 6 balls of 60 g are 1800 g of dough, 1620 g the formula: no batch says yet what is lost.
	await expect(page.getByTestId('makes')).toContainText(
		'1,800g of dough, 30 sellable balls of 60 g, at most 5 packs'
	);
	await expect(page.getByText('no batch of it has squared yet')).toBeVisible();
	// 1000 · 1800 / 1620
	await expect(page.getByRole('cell', { name: '1,111.1', exact: true })).toBeVisible();
	await page.getByRole('button', { name: 'Plan this batch' }).click();
	await expect(page.getByTestId('to-add')).toContainText('1,111.1 g');
});
