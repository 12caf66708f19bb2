import { readFileSync } from 'node:fs';
import {
	answered,
	declareNet,
	fresh,
	frontOfPack,
	keep,
	measure,
	newFormula,
	nextLine,
	open,
	openLabel,
	planBatch,
	pressPart,
	record,
	save,
	sayFood,
	sharesNothing
} from './making.ts';
import { expect, test } from './test.ts';

test('ghee between the layers, left to the batch: the label waits for it, then says it, and the batch is held until then', async ({
	page
}) => {
	const name = fresh('Ghee roti');
	await newFormula(page, name);
	await nextLine(page);
	await page.getByLabel('Line 5 as said', { exact: true }).fill('some ghee between the layers');
	await expect(page.getByText('no amount: the batch weighs it')).toBeVisible();
	await keep(page);
	const formula = page.url();
	const toLabel = () => openLabel(page, name);
	const waits = page.getByTestId('waits');

	await toLabel();
	await expect(waits).toContainText('no grams are known of Ghee, for layering');
	await expect(page.getByRole('button', { name: 'Approve as revision 1' })).toBeDisabled();

	await open(page, formula);
	await planBatch(page);
	await sharesNothing(page);
	await measure(page, { Rejects: '0', 'Packs closed': '4' });
	await page.getByLabel(/^Ghee.*on the scale/).fill('180');
	await record(page);
	const batch = page.url();
	await open(page, `${batch}/pack`);
	await expect(page.getByTestId('held')).toContainText('no label was approved for it');

	await toLabel();
	await expect(page.getByTestId('taken')).toContainText('180 g, of 1 batch');
	await expect(waits).not.toContainText('no grams are known');
	await declareNet(page);
	await frontOfPack(page);
	await sayFood(page);
	await save(page);
	await pressPart(page, 'contact');
	const proposal = page.getByTestId('proposals').getByRole('listitem');
	await proposal.getByRole('textbox').fill('seed is on the bench');
	await answered(page, () => proposal.getByRole('button', { name: 'Say it on the label' }).click());
	await expect(page.getByRole('heading', { name: 'Nothing is missing' })).toBeVisible();
	await answered(page, () => page.getByRole('button', { name: 'Approve as revision 1' }).click());
	const drawing = page.waitForEvent('download');
	await page.getByRole('button', { name: 'SVG', exact: true }).click();
	const svg = readFileSync(await (await drawing).path(), 'utf8');
	expect(svg).toContain('Contains: Wheat, Milk.');

	await open(page, `${batch}/pack`);
	await expect(page.getByRole('heading', { name: 'Pack weights' })).toBeVisible();
	await expect(page.getByTestId('held')).toHaveCount(0);
});
