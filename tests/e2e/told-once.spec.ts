import { optionsOf } from './controls.ts';
import { answered, fresh, measure, newFormula, open, planBatch, record } from './making.ts';
import { expect, test } from './test.ts';

test('at the desk a line nobody weighed stays so: shown empty, open once the batch is noted, and weighed by no other tap', async ({
	page
}) => {
	await newFormula(page, fresh('Unweighed roti'));
	await planBatch(page);
	const salt = page.getByLabel('Salt on the scale');
	await expect(salt).toHaveValue('');
	await expect(page.getByRole('row', { name: /^Salt Dry 20/ })).toBeVisible();
	// 26 balls of 60 g and 40 g left make 1600 g; 25 are noted, and the salt is forgotten.
	await measure(page, { 'Balls made': '25', 'Packs closed': '4' });
	await salt.fill('');
	await page.getByLabel('Sellable pieces, counted').fill('24');
	await page.getByLabel('Loose pieces').fill('0');
	await record(page);
	await expect(page.getByTestId('stage-mix')).toContainText('not weighed');

	await test.step('one tap records what it names, and nothing else', async () => {
		await answered(page, () =>
			page
				.getByTestId('stage-divide')
				.getByRole('button', { name: 'Record that one ball was not counted: 26, not 25' })
				.click()
		);
		await expect(page.getByLabel('Balls made')).toHaveValue('26');
		await expect(salt).toHaveValue('');
		await page.reload();
		await expect(salt).toHaveValue('');
		await expect(page.getByTestId('stage-mix')).toContainText('not weighed');
	});

	await test.step('a count that is cleared takes its packs back', async () => {
		await page.locator('html[data-ready]').waitFor({ state: 'attached' });
		await page.getByLabel('Packs closed').fill('');
		await answered(page, () =>
			page.getByRole('button', { name: /Record this batch|Save what was measured/ }).click()
		);
		await page.goto('/sales');
		const batches = await optionsOf(page.getByRole('combobox', { name: 'Packs of' }));
		expect(batches.filter((each) => each.startsWith('Unweighed roti'))).toEqual([]);
	});
});

test('a page is kept until something changes, and comes compressed', async ({ page }) => {
	const { request } = page;
	const name = fresh('Kept roti');
	await newFormula(page, name);
	await open(page, '/formulas');
	await expect(page.getByRole('link', { name: new RegExp(name) })).toBeVisible();
	const ask = () => request.get('/formulas', { headers: { 'accept-encoding': 'br' } });
	// Others work in the same kitchen: between two readings something may change.
	await expect(async () => {
		const [one, other] = [await ask(), await ask()];
		expect(one.headers()['content-encoding']).toBe('br');
		expect(await other.text()).toBe(await one.text());
		expect(await one.text()).toContain(name);
	}).toPass();
	const later = fresh('Later roti');
	await newFormula(page, later);
	expect(await (await ask()).text()).toContain(later);
	// Who takes nothing compressed gets it plain.
	const plain = await request.get('/formulas', { headers: { 'accept-encoding': 'identity' } });
	expect(plain.headers()['content-encoding']).toBeUndefined();
	expect(await plain.text()).toContain(later);
});
