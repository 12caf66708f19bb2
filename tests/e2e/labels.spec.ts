import { LONG } from './long.ts';
import { choose } from './controls.ts';
import { readFileSync } from 'node:fs';
import { NUTRIENTS, nutrientWord } from '../../core/composition/nutrients.ts';
import {
	answered,
	declareNet,
	declineProposals,
	fresh,
	frontOfPack,
	keep,
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

const FOOD = 'Which of the foods your profile allows';

test('from a blocked label through confirming an allergen to an approved revision and its PDF', async ({
	page
}) => {
	const seed = fresh('Loose seed');
	await open(page, '/shelf/blank');
	await page.getByLabel('Name, as you call it').fill(seed);
	for (const nutrient of NUTRIENTS.map(nutrientWord))
		await page.getByLabel(nutrient, { exact: true }).fill('0');
	await page.getByRole('button', { name: 'Put it on the shelf' }).click();
	await expect(page.getByRole('heading', { level: 1, name: seed })).toBeVisible();
	const ingredient = page.url();

	const name = fresh('Labelled roti');
	await newFormula(page, name);
	await page.getByRole('button', { name: /^Type the next line/ }).click();
	await choose(page.getByLabel('Ingredient of line 5'), { label: seed });
	await page.getByLabel('Grams of line 5').fill('10');
	await keep(page);
	await planBatch(page);
	await sharesNothing(page);
	await measure(page, {
		'Dough weight': '1610',
		'Dough left over': '50',
		'Some finished pieces, cooled, grams with spaces between': '51.5 52 52.5'
	});
	await record(page);

	await test.step('it waits, and takes the maker to what is missing', async () => {
		await open(page, '/labels');
		await page.getByRole('link', { name }).click();
		const waits = page.getByTestId('waits');
		await expect(waits).toContainText(`nobody has confirmed the allergens of ${seed}`);
		await expect(page.getByRole('button', { name: 'Approve as revision 1' })).toBeDisabled();
		await waits.getByRole('button', { name: 'declare the net quantity' }).click();
		await expect(page.getByLabel('Net quantity', { exact: true })).toBeFocused();
		await page.getByRole('button', { name: /^Declare \d+ g$/ }).click();
		await waits.getByRole('button', { name: 'say how large the front of the pack is' }).click();
		await expect(page.getByLabel('Front of the pack, wide')).toBeFocused();
		await frontOfPack(page);
		await waits
			.getByRole('button', { name: 'say which of the foods your local profile allows it is' })
			.click();
		await expect(page.getByLabel(FOOD)).toBeFocused();
		await choose(page.getByLabel(FOOD), 'flatbread without filling');
		await save(page);
		await waits.getByRole('link', { name: `nobody has confirmed the allergens of ${seed}` }).click();
		await expect(page).toHaveURL(ingredient);
		await page.getByLabel('I have confirmed this list').check();
		await page.getByLabel('By what').fill('pack');
		await save(page);
	});

	await test.step('approved, it is frozen and printed', async () => {
		await open(page, '/labels');
		await page.getByRole('link', { name }).click();
		await page
			.getByTestId('waits')
			.getByRole('button', { name: 'decide whether it may contain Sesame' })
			.click();
		const proposal = page.getByTestId('proposals').getByRole('listitem');
		await expect(proposal.getByRole('textbox')).toBeFocused();
		await answered(page, () => proposal.getByRole('button', { name: 'Say it on the label' }).click());
		await expect(page.getByText('say why: the reason is kept')).toBeVisible();
		await proposal.getByRole('textbox').fill('seed is on the bench');
		await answered(page, () => proposal.getByRole('button', { name: 'Say it on the label' }).click());
		await expect(page.getByText('The label says it may contain Sesame.')).toBeVisible();
		await expect(page.getByRole('heading', { name: 'Nothing is missing' })).toBeVisible();
		await answered(page, () => page.getByRole('button', { name: 'Approve as revision 1' }).click());
		await expect(page.getByText('label revision 1 approved')).toBeVisible();
		const download = page.waitForEvent('download');
		await page.getByRole('button', { name: 'PDF', exact: true }).click();
		const pdf = readFileSync(await (await download).path());
		expect(pdf.subarray(0, 5).toString()).toBe('%PDF-');
		expect(pdf.toString('latin1')).toContain('/FontFile2');
		const drawing = page.waitForEvent('download');
		await page.getByRole('button', { name: 'SVG', exact: true }).click();
		const svg = readFileSync(await (await drawing).path(), 'utf8');
		expect(svg).toContain('Nutrition Facts');
		expect(svg).toContain('Contains: Wheat.');
		expect(svg).toContain('May contain: Sesame.');
		expect(svg).toContain('Permit 24-0117.');
		const picture = page.waitForEvent('download');
		await page.getByRole('button', { name: 'PNG', exact: true }).click();
		const png = readFileSync(await (await picture).path());
		// 127 × 190.5 mm at 300 to the inch
		expect([png.readUInt32BE(16), png.readUInt32BE(20)]).toEqual([1500, 2250]);
	});

	await test.step('on the label printer, which runs out of paper in the middle', async () => {
		const load = async (labels: string) => {
			const roll = page.getByRole('form', { name: 'Roll of the label printer' });
			if (!(await roll.isVisible())) await page.getByText('Load a roll').click();
			await roll.getByLabel('Labels on it').fill(labels);
			await answered(page, () => roll.getByRole('button', { name: 'It is loaded' }).click());
			await expect(page.getByTestId('roll')).toContainText(`${labels} left`);
		};
		await load('3');
		await page.getByLabel('Copies').fill('5');
		await answered(page, () => page.getByRole('button', { name: 'Print 5 on the label printer' }).click());
		await expect(page.getByText('Out of paper: 3 of 5 came out.')).toBeVisible();
		await expect(page.getByTestId('roll')).toContainText('none left');
		await load('40');
		await answered(page, () => page.getByRole('button', { name: 'Print the other 2' }).click());
		await expect(page.getByTestId('roll')).toContainText('38 left');
		await expect(page.getByRole('row', { name: /5 of 5 labels/ })).toBeVisible();
	});
});

test(
	'a reformulation puts a revision out of date and shows what would change on the bag',
	LONG,
	async ({ page }) => {
		const name = fresh('Dated roti');
		await newFormula(page, name);
		const formula = page.url();
		await planBatch(page);
		await sharesNothing(page);
		await measure(page, { 'Some finished pieces, cooled, grams with spaces between': '51.5 52 52.5' });
		await record(page);
		await open(page, '/labels');
		await page.getByRole('link', { name }).click();
		await declareNet(page);
		await frontOfPack(page);
		await sayFood(page);
		await pressPart(page, 'date');
		await page.getByLabel('Best before, days from making').fill('5');
		await expect(page.getByTestId('waits')).toContainText(
			'a best-before day rests on your own shelf-life test'
		);
		// Noted day by day, a test gives the days.
		await page.getByLabel('How it is kept').fill('in its bag at 21 °C');
		await answered(page, () => page.getByRole('button', { name: 'Begin this test' }).click());
		const found = page.getByRole('form', { name: 'What was found' });
		for (const [day, was] of [
			['4', 'good'],
			['6', 'not good']
		] as const) {
			await found.getByLabel('Days after making').fill(day);
			await choose(found.getByLabel('It was'), was);
			if (was === 'not good') {
				await found.getByLabel('A picture of it').setInputFiles('docs/screenshots/divide.png');
				await expect(found.getByText('ready to be noted')).toBeVisible();
			}
			await answered(page, () => found.getByRole('button', { name: 'Note it' }).click());
		}
		await expect(page.getByTestId('waits')).toContainText('your tests bear out 4 days, and 5 are printed');
		const seen = page.getByRole('img', { name: 'Day 6: not good' });
		await seen.scrollIntoViewIfNeeded();
		// 1280 × 800 was sent.
		await expect.poll(() => seen.evaluate((image: HTMLImageElement) => image.naturalWidth)).toBe(1200);
		await page.getByRole('button', { name: 'Print 4 days' }).click();
		await expect(page.getByLabel('Best before, days from making')).toHaveValue('4');
		// A part of the drawn label is pressed to be changed.
		await page.getByRole('button', { name: 'Change: who makes it' }).press('Enter');
		await expect(page.getByLabel('Maker', { exact: true })).toBeFocused();
		await page.keyboard.press('Escape');
		await expect(page.getByTestId('card')).toHaveCount(0);
		await expect(page.getByRole('button', { name: 'Change: who makes it' })).toBeFocused();
		// Each printed figure says why it is what it is.
		await page.getByRole('button', { name: 'Why Sodium is what it is' }).click();
		await expect(page.getByTestId('why-line')).toContainText('Salt');
		await page.getByRole('button', { name: 'All of it, with sources' }).click();
		await expect(page.getByRole('dialog')).toContainText('Where the value is from');
		await page.keyboard.press('Escape');
		await save(page);
		await declineProposals(page);
		await answered(page, () => page.getByRole('button', { name: 'Approve as revision 1' }).click());
		await expect(page.getByText('label revision 1 approved')).toBeVisible();
		const label = page.url();

		await open(page, formula);
		await page.getByLabel('Grams of line 3').fill('30');
		await keep(page);
		await open(page, label);
		await expect(page.getByRole('heading', { name: 'Revision 1 is out of date' })).toBeVisible();
		await expect(page.getByRole('row', { name: /^sodium/i })).toBeVisible();
		await answered(page, () => page.getByRole('button', { name: 'Approve as revision 2' }).click());
		await expect(page.getByRole('heading', { name: 'Revision 1 is out of date' })).toHaveCount(0);
		await choose(page.getByLabel('Compare revision 2 with'), { label: 'revision 1' });
		await expect(page.getByRole('row', { name: /^sodium/i })).toBeVisible();
	}
);

test(
	'a wording that loses an allergen is refused at its field; what does not fit is said',
	LONG,
	async ({ page }) => {
		const name = fresh('Worded roti');
		await newFormula(page, name);
		await planBatch(page);
		await sharesNothing(page);
		await measure(page, { 'Some finished pieces, cooled, grams with spaces between': '51.5 52 52.5' });
		await record(page);
		await open(page, '/labels');
		await page.getByRole('link', { name }).click();
		await pressPart(page, 'list');
		const flour = page.getByLabel('Bread flour, enriched', { exact: true });
		await flour.fill('bread flour');
		await expect(flour).toHaveAttribute('aria-invalid', 'true');
		await expect(page.getByText('loses the word wheat').first()).toBeVisible();
		await answered(page, () => page.getByRole('button', { name: 'Save', exact: true }).click());
		await expect(page.getByText('Not saved. What you typed is still here.')).toBeVisible();
		await expect(flour).toHaveValue('bread flour');
		await flour.fill('strong wheat flour');
		await pressPart(page, 'pack');
		await choose(page.getByLabel('Size', { exact: true }), { label: 'another size' });
		await page.getByLabel('Height').fill('60');
		await expect(page.getByTestId('waits')).toContainText(/mm too high/);
	}
);

test('three hundred labels are drawn beside everything else, and taken once they are', async ({ page }) => {
	await open(page, '/labels');
	await page.getByRole('link', { name: 'Beet and cumin roti' }).first().click();
	await choose(page.getByLabel('For batch'), { label: 'no batch: code and date stay blank' });
	const copies = page.getByLabel('Copies');
	await copies.fill('201');
	await expect(page.getByText('more than 200 labels is drawn beside everything else')).toBeVisible();
	await copies.fill('300');
	const taken = page.waitForEvent('download');
	await page.getByRole('button', { name: 'PDF', exact: true }).click();
	await expect(
		page.getByRole('heading', { level: 1, name: /^Drawing 300 labels of Beet and cumin roti/ })
	).toBeVisible();
	await expect(page.getByRole('link', { name: 'Download it' })).toBeVisible({ timeout: 60_000 });
	expect((await taken).suggestedFilename()).toMatch(/^label Beet and cumin roti.* revision \d+\.pdf$/);
	await page.getByRole('link', { name: 'The label' }).click();
	await expect(page.getByRole('row', { name: /300 labels, as a file/ }).first()).toBeVisible();
});

test('packs on the scale: the verdict with its arithmetic, recorded; how heavy a ball has to be', async ({
	page
}) => {
	await open(page, '/labels');
	await page.getByRole('link', { name: 'Sesame layered flatbread' }).click();
	const check = page.getByRole('form', { name: 'Packs on the scale' });
	await check.getByLabel('They declare').fill('300');
	await check.getByLabel('Packs in the lot').fill('3');
	await check.getByLabel('Net weights').fill('298 299 300 301');
	// mean −0.5; t · s ÷ √4 = 3.182 · 1.291 / 2 = 2.05
	await expect(page.getByTestId('verdict')).toContainText('Passes the inspector’s test, but not yours');
	await expect(page.getByTestId('verdict')).toContainText('2.05 g');
	await expect(page.getByRole('img', { name: /^Packs of 298 g/ }).locator('svg')).toBeVisible();
	await check.getByRole('button', { name: 'Record this check' }).click();
	await expect(page.getByText('less than the 4 packs weighed').first()).toBeVisible();
	await check.getByLabel('Packs in the lot').fill('11');
	await check.getByLabel('Net weights').fill('285 320 320 heavy');
	await expect(check.getByLabel('Net weights')).toHaveAttribute('aria-invalid', 'true');
	await check.getByLabel('Net weights').fill('285 320 320');
	await expect(page.getByTestId('verdict')).toContainText('Fails the inspector’s test');
	await answered(page, () => check.getByRole('button', { name: 'Record this check' }).click());
	await expect(page.getByRole('row', { name: /3 of 11 300 ?g failed/ }).first()).toBeVisible();

	await page.getByLabel('Pack to declare').fill('500');
	await expect(page.getByTestId('ball-for-pack')).toContainText('too light for it');
});
