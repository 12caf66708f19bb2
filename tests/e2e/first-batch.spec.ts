import {
	answered,
	declareNet,
	declineProposals,
	fresh,
	frontOfPack,
	measure,
	newFormula,
	open,
	planBatch,
	pressPart,
	record,
	save,
	sayFood,
	sharesNothing
} from './making.ts';
import { expect, test } from './test.ts';

test('a first batch: its pieces weighed are enough for a label, its packs are sold under it, and the trace says so', async ({
	page
}) => {
	const name = fresh('First roti');
	await newFormula(page, name);
	await planBatch(page);
	await sharesNothing(page);
	// Five pieces weighed, no pack closed yet.
	await measure(page, {
		'Packs closed': '',
		'Some finished pieces, cooled, grams with spaces between': '51.5 52 52 52 52.5'
	});
	await record(page);
	const batch = page.url();

	await test.step('the label is approved before a pack is closed', async () => {
		await open(page, '/labels');
		await page.getByRole('link', { name }).click();
		await pressPart(page, 'quantity');
		await expect(page.getByTestId('recommended')).toContainText('One batch says little');
		await declareNet(page);
		await frontOfPack(page);
		await sayFood(page);
		await save(page);
		await declineProposals(page);
		await answered(page, () => page.getByRole('button', { name: 'Approve as revision 1' }).click());
		await expect(page.getByText('label revision 1 approved')).toBeVisible();
	});

	await test.step('its packs are sold without a warning', async () => {
		await open(page, batch);
		await page.getByLabel('Packs closed').fill('4');
		await record(page);
		await open(page, `${batch}/pack`);
		await expect(page.getByRole('heading', { name: 'Pack weights' })).toBeVisible();
		await expect(page.getByTestId('held')).toHaveCount(0);
		await open(page, '/sales/stall');
		await page
			.getByRole('list', { name: 'Products' })
			.getByRole('button', { name: new RegExp(name) })
			.click();
		await expect(page.getByTestId('held')).toHaveCount(0);
		await answered(page, () => page.getByRole('button', { name: 'Cash' }).click());
	});

	await test.step('and traced, word for word', async () => {
		await open(page, `/trace/batch/${batch.split('/').at(-1)}`);
		await expect(page.getByText('Revision 1, as approved.')).toBeVisible();
		await expect(page.getByTestId('label-said')).toContainText('Contains: Wheat.');
	});
});

test('the salt nobody weighed: never squares, never a weighing, and its sodium is not in the facts', async ({
	page
}) => {
	await newFormula(page, fresh('Salt forgotten'));
	await planBatch(page);
	const salt = page.getByLabel('Salt on the scale');
	await measure(page, { 'Packs closed': '4' });
	await salt.fill('');
	await page.getByLabel('Sellable pieces, counted').fill('24');
	await page.getByLabel('Loose pieces').fill('0');
	await record(page);
	const mix = page.getByTestId('stage-mix');
	await expect(mix).toContainText('1 line not weighed');

	await answered(page, () => page.getByRole('button', { name: 'Close this batch' }).click());
	await expect(page.getByLabel('Why it is closed though it does not square')).toHaveAttribute(
		'aria-invalid',
		'true'
	);
	await page.getByLabel('Why it is closed though it does not square').fill('nobody weighed the salt');
	await answered(page, () => page.getByRole('button', { name: 'Close this batch' }).click());
	const closings = page.getByTestId('closings');
	// The flour of a piece holds 2 mg, its salt, 20 of 1620 g, would have held 290.
	await expect(closings.getByRole('row', { name: /^Sodium of a piece/ })).toContainText('piece2 mg');
	await expect(mix).toContainText('not weighed');
	await expect(mix).not.toContainText('squares');
	await open(page, page.url().replace('/batches/', '/trace/batch/'));
	await expect(page.getByRole('region', { name: 'Weighings' })).not.toContainText('Salt');
});
