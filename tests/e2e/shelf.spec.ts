import { choose, typeDay } from './controls.ts';
import { readFileSync } from 'node:fs';
import { answered, fresh, open, save } from './making.ts';
import { expect, test } from './test.ts';

test('an ingredient from a reference row, found by another name and with a slip', async ({ page }) => {
	await open(page, '/shelf/new');
	for (const [typed, row] of [
		['maida', 'Wheat flour, white, all-purpose, unenriched'],
		['besn', 'Chickpea flour (besan)'],
		['masa', 'Corn flour, masa, enriched'],
		['gee', 'Ghee (anhydrous butter oil)']
	] as const) {
		await page.getByLabel(/^Search the/).fill(typed);
		await expect(page.getByRole('listitem').filter({ hasText: row }).first()).toBeVisible();
	}
	await page.getByLabel(/^Search the/).fill('jowar');
	await page.getByRole('button', { name: 'Start from Sorghum flour, whole-grain' }).click();
	await expect(page.getByRole('heading', { level: 1, name: 'Sorghum flour, whole-grain' })).toBeVisible();
	await expect(page.getByText('Not confirmed: every label that uses it waits.')).toBeVisible();
	await expect(page.getByTestId('completeness')).toContainText('everything the panel needs is known');
	await expect(page.getByRole('row', { name: /^cup/ })).toContainText('typical, from a table');
	await page.getByLabel('iron', { exact: true }).fill('');
	await expect(page.getByTestId('completeness')).toContainText('the panel waits for iron');
});

test('the maker’s own cup, weighed three times; a price and what is in force', async ({ page }) => {
	const name = fresh('Cup flour');
	await open(page, '/shelf/blank');
	await page.getByLabel('Name, as you call it').fill(name);
	await answered(page, () => page.getByRole('button', { name: 'Put it on the shelf' }).click());
	for (const [index, grams] of ['139', '141', '146'].entries())
		await page.getByLabel(`Weighing ${index + 1}`).fill(grams);
	await answered(page, () => page.getByRole('button', { name: 'Note it' }).click());
	await expect(page.getByRole('row', { name: /^cup/ })).toContainText('142g'); // (139 + 141 + 146) / 3
	await expect(page.getByRole('row', { name: /^cup/ })).toContainText('139–146');

	for (const [paid, day] of [
		['10', '2026-01-01'],
		['12', '2026-02-01']
	] as const) {
		await page.getByLabel('Paid, USD').fill(paid);
		await page.getByLabel('For how much').fill('10 kg');
		await typeDay(page, 'On', day);
		await answered(page, () => page.getByRole('button', { name: 'Add price' }).click());
	}
	await expect(page.getByRole('img', { name: /^Price of a usable kg/ })).toBeVisible();
	await typeDay(page, 'In force on', '2026-01-31');
	await expect(page.getByTestId('in-force')).toContainText('$1.00');
	await typeDay(page, 'In force on', '2026-02-01');
	await expect(page.getByTestId('in-force')).toContainText('$1.20');
	await typeDay(page, 'In force on', '2025-12-31');
	await expect(page.getByTestId('in-force')).toContainText('no price that early');
});

test('changed values are kept beside the new ones', async ({ page }) => {
	const name = fresh('History flour');
	await open(page, '/shelf/blank');
	await page.getByLabel('Name, as you call it').fill(name);
	await page.getByLabel('protein', { exact: true }).fill('10');
	await answered(page, () => page.getByRole('button', { name: 'Put it on the shelf' }).click());
	await page.getByLabel('protein', { exact: true }).fill('12.5');
	await choose(page.getByLabel('Where these values come from'), 'specification');
	await typeDay(page, 'Of which day', '2026-03-01');
	await save(page);
	const history = page.getByRole('region', { name: 'Values it has had' });
	await expect(history.getByRole('listitem').first()).toContainText('specification, of Sun, 1 Mar 2026');
	await expect(history.getByRole('listitem').nth(1)).toContainText('protein 10 → 12.5 g');
});

test('a mix of one’s own: jars, what follows from its lines, and no circle', async ({ page }) => {
	const [premix, spice] = [fresh('Premix'), fresh('Spice mix')];
	const lines = async (name: string, entries: [string, string][]) => {
		await open(page, '/shelf/mix');
		await page.getByLabel('Name, as you call it').fill(name);
		for (const [index, [ingredient, grams]] of entries.entries()) {
			if (index > 0) await page.getByRole('button', { name: 'Add a line' }).click();
			await choose(page.getByLabel(`Ingredient of line ${index + 1}`), { label: ingredient });
			await page.getByLabel(`Grams of line ${index + 1}`).fill(grams);
		}
	};
	await lines(spice, [['Cumin seed, loose', '100']]);
	await expect(page.getByTestId('mix-facts')).toContainText('wait: not confirmed for Cumin seed, loose');
	await answered(page, () => page.getByRole('button', { name: 'Put it on the shelf' }).click());
	await expect(page.getByRole('heading', { level: 1, name: spice })).toBeVisible();
	const spiceUrl = page.url();
	await lines(premix, [
		['Bread flour, enriched', '1000'],
		['Sesame seed', '200']
	]);
	await page.getByLabel('Into one jar').fill('500');
	await expect(page.getByTestId('jars')).toContainText('1,200g in all, 2 full jars');
	await expect(page.getByTestId('mix-facts')).toContainText('Wheat, Sesame');
	await page.getByRole('button', { name: 'Add a line' }).click();
	await choose(page.getByLabel('Ingredient of line 3'), { label: spice });
	await page.getByLabel('Grams of line 3').fill('10');
	await answered(page, () => page.getByRole('button', { name: 'Put it on the shelf' }).click());
	await expect(page.getByRole('heading', { level: 1, name: premix })).toBeVisible();

	await open(page, spiceUrl);
	await page.getByRole('button', { name: 'Add a line' }).click();
	await choose(page.getByLabel('Ingredient of line 2'), { label: premix });
	await page.getByLabel('Grams of line 2').fill('5');
	await save(page);
	await expect(
		page.getByText(`a mix cannot hold itself: ${spice} → ${premix} → ${spice}`).first()
	).toBeVisible();
	await expect(page.getByLabel('Grams of line 2')).toHaveValue('5');
});

test('a CSV with bad rows: each said with its line and reason, the good ones brought in', async ({
	page
}) => {
	const [good, second] = [fresh('CSV flour'), fresh('CSV salt')];
	const csv = [
		'name,kind,protein_g,water_g,allergens,allergens_confirmed_on,allergens_evidence,measures,price_amount,price_grams',
		`${good},flour,12,13,wheat,2026-01-01,pack,cup:125:118-145,24.50,22680`,
		`Bad protein,flour,120,13,wheat,,,,,`,
		`Bad kind,flower,12,13,,,,,,`,
		`Bad tag,flour,12,13,gluten,,,,free,100`,
		`${second},salt,0,0,,,,tsp:6:5.5-6.3,,`,
		`${good},flour,11,13,,,,,,`
	].join('\r\n');
	await open(page, '/shelf/import');
	await page.getByLabel('Or its rows').fill(csv.replace('protein_g', 'protien'));
	await answered(page, () => page.getByRole('button', { name: 'Look at it' }).click());
	await expect(page.getByRole('alert')).toContainText('no such column: protien');

	await page.getByLabel('Or its rows').fill(csv);
	await answered(page, () => page.getByRole('button', { name: 'Look at it' }).click());
	await expect(
		page.getByText('Nothing is written yet: 2 of 6 rows can be brought in, 4 cannot.')
	).toBeVisible();
	const row = (line: number) =>
		page.getByRole('row').filter({ has: page.getByRole('cell', { name: String(line), exact: true }) });
	await expect(row(3)).toContainText('protein_g: must be from 0 to 100');
	await expect(row(4)).toContainText('kind: choose a kind');
	await expect(row(5)).toContainText('allergens: "gluten" needs the name of the kind');
	await expect(row(5)).toContainText('price_amount: "free" is not an amount of money');
	await expect(row(7)).toContainText('name: the same name stands on line 2 already');
	await answered(page, () => page.getByRole('button', { name: 'Bring in the ticked rows' }).click());
	await expect(page.getByText('2 ingredients added, 0 changed.')).toBeVisible();
	await open(page, '/shelf');
	await expect(page.getByRole('row', { name: new RegExp(good) })).toContainText('Wheat');
	await expect(page.getByRole('row', { name: new RegExp(good) })).toContainText('$1.08'); // 24.50 / 22.68 kg

	const download = page.waitForEvent('download');
	await page.getByRole('link', { name: 'CSV', exact: true }).click();
	const exported = readFileSync(await (await download).path(), 'utf8');
	await open(page, '/shelf/import');
	await page.getByLabel('Or its rows').fill(exported);
	await answered(page, () => page.getByRole('button', { name: 'Look at it' }).click());
	await expect(page.getByText(/^Nothing is written yet: 0 of \d+ rows/)).toBeVisible(); // it is all there already
});

test('one food of the public database', async ({ page }) => {
	const name = fresh('Database flour');
	await open(page, '/shelf/import');
	await page.getByLabel('Or its rows').fill(
		JSON.stringify({
			fdcId: 1,
			description: name,
			dataType: 'SR Legacy',
			foodNutrients: [{ nutrient: { number: '203', unitName: 'g' }, amount: 10.3 }],
			foodPortions: [{ amount: 1, gramWeight: 125, modifier: 'cup' }]
		})
	);
	await choose(page.getByLabel('Kind, for one food'), 'flour');
	await page.getByRole('button', { name: 'Look at it' }).click();
	await expect(page.getByRole('heading', { level: 1, name })).toBeVisible();
	await expect(page.getByLabel('protein', { exact: true })).toHaveValue('10.3');
	await expect(page.getByRole('row', { name: /^cup/ })).toContainText('125');
});

test('a kitchen’s own family, begun from a usual one', async ({ page }) => {
	const name = fresh('Our flatbread');
	await open(page, '/kitchen');
	await page.getByText('Add a family').click();
	await page.getByLabel('Name of the family').fill(name);
	await choose(page.getByLabel('Begin from'), { label: 'Yeasted pita' });
	await page.getByLabel('Hydration to', { exact: true }).fill('50');
	await answered(page, () => page.getByRole('button', { name: 'Add the family' }).click());
	await expect(page.getByText('less than the 58 it begins at').first()).toBeVisible();
	await page.getByLabel('Hydration to', { exact: true }).fill('66');
	await answered(page, () => page.getByRole('button', { name: 'Add the family' }).click());
	await expect(page.getByRole('row', { name: new RegExp(name) })).toContainText('Hydration 58–66');
});
