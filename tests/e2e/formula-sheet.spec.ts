import { LONG } from './long.ts';
import { choose } from './controls.ts';
import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { answered, draftKept, fresh, keep, newFormula, nextLine, open, startFormula } from './making.ts';
import { expect, test } from './test.ts';

const grams = (page: Page, line: number) => page.getByLabel(`Grams of line ${line}`, { exact: true });
const said = (page: Page, line: number) => page.getByLabel(`Line ${line} as said`, { exact: true });
const ingredient = (page: Page, line: number) =>
	page.getByLabel(`Ingredient of line ${line}`, { exact: true });
const chosen = async (page: Page, line: number) => (await ingredient(page, line).innerText()).trim();

test('a formula built from the keyboard alone', async ({ page }) => {
	const name = fresh('Keyboard roti');
	await open(page, '/formulas');
	await page.getByRole('button', { name: 'New formula' }).focus();
	await page.keyboard.press('Enter');
	await expect(page).toHaveURL(/\/formulas\/[0-9A-Z]{26}$/);
	const keys = page.keyboard;
	await page.getByLabel('Name', { exact: true }).focus();
	await keys.press('Control+a');
	await keys.type(name);

	await said(page, 1).focus();
	await keys.type('2 ¼ cups bread flour');
	await expect(grams(page, 1)).toHaveValue('292.5');
	await keys.press('Enter'); // on the last line: a new one
	await expect(said(page, 2)).toBeFocused();
	await keys.type('3/4 cup (180 ml) warm water');
	await keys.press('Enter');
	await keys.type('1 tsp salt');
	await keys.press('ArrowRight'); // at the end of the text: to the next cell
	await expect(ingredient(page, 3)).toBeFocused();
	await keys.press('ArrowRight');
	await expect(grams(page, 3)).toBeFocused();
	await keys.press('Control+a');
	await keys.type('5.8');
	await expect(page.getByText('set to 5.8 by hand')).toBeVisible();
	await keys.press('ArrowUp');
	await expect(grams(page, 2)).toBeFocused();
	await keys.press('Alt+ArrowDown');
	await expect(grams(page, 3)).toBeFocused();
	await expect(grams(page, 3)).toHaveValue('180');
	await keys.press('Alt+ArrowUp');
	await keys.press('ArrowDown');
	await keys.press('Enter');
	await expect(said(page, 4)).toBeFocused();
	await keys.type('handful of bread flour to dust');
	await expect(page.getByText('a handful is no fixed amount: weigh it once')).toBeVisible();
	await keys.press('ArrowRight');
	await keys.press('ArrowRight');
	await keys.type('20');
	await keys.press('Alt+Enter'); // more of the line
	await expect(page.getByLabel('Use of line 4')).toBeFocused();
	await expect(page.getByLabel('Use of line 4')).toHaveAttribute('data-value', 'dusting');
	// Past its stage and what is set out; what goes back waits for that.
	for (let nth = 0; nth < 3; nth += 1) await keys.press('Tab');
	await expect(page.getByLabel('Stays on, of line 4')).toBeFocused();
	await keys.type('9');
	await keys.press('Escape');
	await expect(said(page, 4)).toBeFocused();
	await page.getByLabel('Ball weight').focus();
	await keys.type('60');
	await keys.press('Tab');
	await expect(page.getByLabel('Divide into')).toBeFocused();
	await keys.press('Tab');
	await keys.type('4');
	await keys.press('Tab');
	await keys.type('roti');
	await keys.press('Tab');
	await keys.type('roti');
	await answered(page, () => keys.press('Control+s'));
	await expect(page.getByText('version 1', { exact: true })).toBeVisible();

	await open(page, page.url());
	expect([await chosen(page, 1), await chosen(page, 2), await chosen(page, 3)]).toEqual([
		'Bread flour, enriched',
		'Water',
		'Salt'
	]);
	await expect(page.getByTestId('hydration')).toHaveText('61.5%'); // 180 / 292.5
	await expect(page.getByText('9 stays on')).toBeVisible();
});

test('undo and redo, a line removed and brought back', LONG, async ({ page }) => {
	await newFormula(page, fresh('Undone'));
	await grams(page, 2).fill('650');
	await draftKept(page);
	await grams(page, 3).focus();
	await page.keyboard.press('Control+Backspace');
	await expect(page.getByLabel('Grams of line 4')).toHaveCount(0);
	await page.keyboard.press('Control+z');
	await expect(grams(page, 3)).toHaveValue('20');
	await page.keyboard.press('Control+z');
	await expect(grams(page, 2)).toHaveValue('600');
	await page.keyboard.press('Control+y');
	await expect(grams(page, 2)).toHaveValue('650');
	await page.getByRole('button', { name: 'Undo' }).click();
	await expect(grams(page, 2)).toHaveValue('600');
});

test('a whole list is pasted, with headings, and columns of another sheet', async ({ page }) => {
	await startFormula(page, fresh('Pasted'));
	const paste = (text: string, line: number) =>
		said(page, line).evaluate((field, pasted) => {
			const data = new DataTransfer();
			data.setData('text/plain', pasted);
			field.dispatchEvent(
				new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true })
			);
		}, text);
	await paste(
		'For the dough:\n2 cups bread flour\n1/2 tsp salt\nsalt to taste\nOn top:\n2 tbsp sesame seeds on top\n3 tbsp dragon butter',
		1
	);
	await expect(page.getByRole('heading', { level: 3, name: 'Dough' })).toBeVisible();
	await expect(grams(page, 1)).toHaveValue('260');
	await expect(grams(page, 2)).toHaveValue('3');
	await expect(page.getByText('no amount: the batch weighs it')).toBeVisible();
	expect(await chosen(page, 4)).toBe('Sesame seed');
	await expect(page.getByText('“dragon butter” is not on the shelf: choose what is meant')).toBeVisible();
	await nextLine(page);
	await paste('Water\t310\nSalt\t6 g', 6);
	await expect(grams(page, 6)).toHaveValue('310');
	expect(await chosen(page, 7)).toBe('Salt');
});

test('a correction is remembered, and a known name comes onto the shelf', LONG, async ({ page }) => {
	const name = fresh('golden dust').replace(/\d/g, 'x');
	await startFormula(page, fresh('Corrected'));
	await said(page, 1).fill(`100 g ${name}`);
	await expect(page.getByText('is not on the shelf: choose what is meant')).toBeVisible();
	await answered(page, () => choose(ingredient(page, 1), { label: 'Sesame seed' }));
	await expect(page.getByText(/^Remembered:/)).toBeVisible();
	await nextLine(page);
	await said(page, 2).fill(`50 g ${name}`);
	await expect.poll(() => chosen(page, 2)).toBe('Sesame seed');

	await nextLine(page);
	await said(page, 3).fill('2 cups buckwheat flour');
	await page.getByRole('button', { name: 'Put Buckwheat flour, whole-groat on the shelf' }).click();
	await expect.poll(() => chosen(page, 3)).toBe('Buckwheat flour, whole-groat');
	await expect(grams(page, 3)).toHaveValue('240'); // two cups of 120 g
	await open(page, '/kitchen');
	await expect(page.getByRole('row', { name: new RegExp(name.split(' ')[2] ?? name) })).toContainText(
		'Sesame seed'
	);
});

test(
	'a guess is asked, half a word sticks to nothing, several lines are several, and undo forgets',
	LONG,
	async ({ page }) => {
		const name = fresh('stall dust').replace(/\d/g, 'y');
		await startFormula(page, fresh('As said'));
		await page.keyboard.press('Tab');
		await said(page, 1).pressSequentially('100 g sesame see');
		await expect.poll(() => chosen(page, 1)).toBe('choose…');
		await page.keyboard.type('d');
		await expect.poll(() => chosen(page, 1)).toBe('Sesame seed');
		// A letter less, and nothing of it is left; all of it gone, and the grams are gone too.
		await page.keyboard.press('Backspace');
		await page.keyboard.press('Backspace');
		await expect.poll(() => chosen(page, 1)).toBe('choose…');
		await said(page, 1).fill('100 g sesam');
		await expect(page.getByText('is not said exactly: which is it?')).toBeVisible();
		expect(await chosen(page, 1)).toBe('choose…');
		await expect(page.getByRole('button', { name: 'Sesame seed', exact: true })).toBeVisible();
		await said(page, 1).fill('');
		await expect(grams(page, 1)).toHaveValue('');

		await said(page, 1).fill(`100 g ${name}`);
		await answered(page, () => choose(ingredient(page, 1), { label: 'Sesame seed' }));
		await expect(page.getByText(/^Remembered:/)).toBeVisible();
		await expect(page.getByText('Draft kept')).toBeVisible();
		// A draft is listed by the name that was typed.
		const drafts = await page.context().newPage();
		await open(drafts, '/formulas');
		await expect(drafts.getByRole('link', { name: /^As said / }).first()).toBeVisible();
		await drafts.close();
		await page.getByRole('button', { name: 'Undo' }).click();
		await expect(page.getByText(/^Forgotten again:/)).toBeVisible();
		await nextLine(page);
		await said(page, 2).fill(`50 g ${name}`);
		await expect(page.getByText('is not on the shelf: choose what is meant').first()).toBeVisible();

		await said(page, 2).fill('2 tbsp sesame seed plus a tablespoon extra to sprinkle');
		await said(page, 2).press('Enter');
		await expect(said(page, 2)).toHaveValue('2 tbsp sesame seed');
		await expect(said(page, 3)).toHaveValue('a tablespoon extra to sprinkle');
		expect(await chosen(page, 3)).toBe('Sesame seed');
		await expect(page.locator('[data-line="2"]')).toContainText('on top');
	}
);

test(
	'the dough is divided into so many, or two ways side by side, and the ball weight says how many',
	LONG,
	async ({ page }) => {
		await newFormula(page, fresh('Divided'));
		const divide = page.getByLabel('Divide into');
		const ball = page.getByLabel('Ball weight');
		// (1000 + 600 + 20) ÷ 60 = 27
		await expect(divide).toHaveValue('27');
		// Nothing of it was weighed: its panel is a preview, and says so.
		await expect(page.getByText('A preview: no piece of it was weighed yet.')).toBeVisible();
		await expect(page.getByText('Nutrition Facts').first()).toBeAttached();
		await divide.fill('24');
		await expect(ball).toHaveValue('67.5');
		await divide.fill('20 or 30');
		await expect(page.getByRole('button', { name: '20 of 81 g' })).toBeVisible();
		await page.getByRole('button', { name: '30 of 54 g' }).click();
		await expect(ball).toHaveValue('54');
		await expect(divide).toHaveValue('30');
		await ball.fill('81');
		await expect(divide).toHaveValue('20');
		// 1620 ÷ 28 is 57.857…: of 57.9 there were only 27.
		await divide.fill('28');
		await expect(ball).toHaveValue('57.8');
		await expect(page.getByTestId('makes')).toContainText('28');
	}
);

test('a measure of one’s own counts in a line', async ({ page }) => {
	const name = `${fresh('mug').replace(/[\d ]/g, 'z')}`;
	await open(page, '/kitchen');
	await page.getByLabel('My measure').fill(name);
	await choose(page.getByLabel('Measures', { exact: true }), 'flour');
	await page.getByLabel('It weighs, full').fill('150');
	await answered(page, () => page.getByRole('button', { name: 'Keep the measure' }).click());
	await expect(page.getByRole('row', { name: new RegExp(`^${name} flour`) })).toContainText('150');
	await startFormula(page, fresh('By the mug'));
	await said(page, 1).fill(`2 ${name}s of bread flour`);
	await expect(grams(page, 1)).toHaveValue('300');
	expect(await chosen(page, 1)).toBe('Bread flour, enriched');
	await open(page, '/kitchen');
	await answered(page, () => page.getByRole('button', { name: `Remove ${name} of flour` }).click());
	await expect(page.getByRole('row', { name: new RegExp(`^${name} flour`) })).toHaveCount(0);
});

test('a line is dragged into another stage', async ({ page }) => {
	await newFormula(page, fresh('Dragged'));
	await grams(page, 4).focus();
	await page.getByLabel('Stage of line 4').fill('On the board');
	await expect(page.getByRole('heading', { level: 3, name: 'On the board' })).toBeVisible();
	// A page without a turn for a while misses a drag, as a hand notices: it is dragged once more.
	await expect(async () => {
		const from = await page.getByLabel('Drag line 3').boundingBox();
		const to = await grams(page, 4).boundingBox();
		if (!from || !to) throw new Error('no boxes');
		await page.mouse.move(from.x + 5, from.y + 10);
		await page.mouse.down();
		await page.mouse.move(from.x + 8, from.y + 30, { steps: 5 });
		await page.mouse.move(from.x + 8, to.y + 20, { steps: 15 });
		await page.waitForTimeout(300);
		await page.mouse.up();
		const moved = page.locator('ol').nth(1).locator('[data-line]');
		await expect(moved).toHaveCount(2, { timeout: 3000 });
	}).toPass({ timeout: 60_000 });
});

test(
	'what is kept back widens the hydration; family and choices change windows, steps and cautions',
	LONG,
	async ({ page }) => {
		await newFormula(page, fresh('Process'));
		await said(page, 2).fill('600 g water, keep 60 g back');
		await expect(grams(page, 2)).toHaveValue('540');
		await expect(page.getByText(/up to 60\.0 with what is kept back/)).toBeVisible();
		await page.getByRole('tab', { name: 'Process' }).click();
		await choose(page.getByLabel('Family'), { label: 'Yeasted pita' });
		await expect(page.getByText('usual 58–70: little water: no pocket')).toBeVisible();
		await page.getByRole('button', { name: 'Start from the usual steps' }).click();
		await expect(page.getByLabel('What is done in step 1', { exact: true })).toHaveValue(
			'Mix dry and fat, then the warm water'
		);
		await choose(page.getByLabel('Water goes in'), 'boiling');
		await expect(page.getByText('Boiling water and the dough made with it burn').first()).toBeVisible();
		await expect(page.getByLabel('What is done in step 1', { exact: true })).toHaveValue(/boiling water/);
		await expect(page.getByLabel('Between bowl and dough, weight is')).toHaveAttribute(
			'data-value',
			'evaporation'
		);
		await page.getByLabel('What is done in step 1', { exact: true }).fill('Our own way');
		await choose(page.getByLabel('Water goes in'), 'cold');
		await expect(page.getByLabel('What is done in step 1', { exact: true })).toHaveValue('Our own way'); // changed by hand: kept
		await keep(page);
		await open(page, page.url());
		await page.getByRole('tab', { name: 'Process' }).click();
		await expect(page.getByLabel('What is done in step 1', { exact: true })).toHaveValue('Our own way');
	}
);

test('scaled beside the original, put into the sheet, and undone', LONG, async ({ page }) => {
	await newFormula(page, fresh('Scaled'));
	await page.getByRole('tab', { name: 'Scale' }).click();
	await page.getByLabel('How many').fill('9'); // 9 × 6 × 60 = 3240 g of dough, twice 1620
	await expect(page.getByTestId('scaled')).toContainText('Times 2: 3,240');
	await choose(page.getByLabel('Make enough for'), { label: 'all there is of an ingredient' });
	await choose(page.getByLabel('Of which'), { label: 'Salt' });
	await page.getByLabel('How much').fill('50');
	await expect(page.getByTestId('scaled')).toContainText('Times 2.5');
	await expect(page.getByRole('link', { name: 'Make a batch of this' })).toHaveAttribute(
		'href',
		/factor=2\.5$/
	);
	await page.getByRole('button', { name: 'Put these grams into the sheet' }).click();
	await expect(grams(page, 1)).toHaveValue('2500');
	await draftKept(page);
	await page.keyboard.press('Control+z');
	await expect(grams(page, 1)).toHaveValue('1000');
});

test('ball and disc: either side is solved for, by the maker’s own discs', LONG, async ({ page }) => {
	await newFormula(page, fresh('Shaped'));
	await page.getByRole('tab', { name: 'Ball and disc' }).click();
	await page.getByLabel('Opened to, across').fill('20');
	await page.getByLabel('Thick', { exact: true }).fill('2');
	const shape = page.getByTestId('shape');
	await expect(shape).toContainText('takes a ball of 70.4g');
	await expect(shape).toContainText('opens to 18.5cm'); // √(4 · 60 / (1.12 · π · 0.2))
	await page.getByRole('button', { name: 'Add a disc' }).click();
	await page.getByLabel('Across, disc 1, cm').fill('20');
	await page.getByLabel('Thick, disc 1, mm').fill('2');
	await page.getByLabel('Weight, disc 1, g').fill('66');
	await expect(shape).toContainText('Density 1.050 g/mL, by 1 of your own discs');
	await page.getByRole('button', { name: 'Make it the ball weight' }).click();
	await page.getByRole('tab', { name: 'Sold as' }).click();
	await expect(page.getByLabel('Ball weight')).toHaveValue('66');
});

test('a recipe from a web page becomes a draft, a Square Batch file goes out and comes in', async ({
	page
}) => {
	await open(page, '/formulas/import');
	const name = fresh('Web roti');
	await page.getByLabel('Or its text').fill('{"@type":"Person"}');
	await answered(page, () => page.getByRole('button', { name: 'Bring it in' }).click());
	await expect(page.getByRole('alert')).toContainText('no schema.org Recipe is in it');
	await expect(page.getByLabel('Or its text')).toHaveValue('{"@type":"Person"}');
	await page.getByLabel('Or its text').fill(
		JSON.stringify({
			'@type': 'Recipe',
			name,
			recipeIngredient: ['2 cups bread flour', '150 g water'],
			recipeInstructions: 'Mix.'
		})
	);
	await page.getByRole('button', { name: 'Bring it in' }).click();
	await expect(page.getByRole('heading', { level: 1, name })).toBeAttached();
	await expect(grams(page, 1)).toHaveValue('260');
	await expect(page.getByText('a draft, no version kept yet')).toBeVisible();

	const kept = fresh('Out');
	await newFormula(page, kept);
	await page.getByRole('tab', { name: 'Versions and files' }).click();
	const download = page.waitForEvent('download');
	await page.getByRole('link', { name: 'Square Batch file' }).click();
	const file = readFileSync(await (await download).path(), 'utf8');
	expect(JSON.parse(file)).toMatchObject({ squareBatch: 1, formula: { name: kept } });
	await open(page, '/formulas/import');
	await page.getByLabel('Or its text').fill(file.replace('"squareBatch": 1', '"squareBatch": 2'));
	await answered(page, () => page.getByRole('button', { name: 'Bring it in' }).click());
	await expect(page.getByRole('alert')).toContainText('reads version 1 of the file');
	await page.getByLabel('Or its text').fill(file);
	await page.getByRole('button', { name: 'Bring it in' }).click();
	await expect(page.getByRole('heading', { level: 1, name: `${kept} 2` })).toBeAttached();
	await expect(grams(page, 1)).toHaveValue('1000');
});

test('the server gone while typing: the draft waits in the browser and arrives', async ({
	page,
	context
}) => {
	await newFormula(page, fresh('Offline'));
	await context.setOffline(true);
	await grams(page, 2).fill('630');
	await expect(page.getByText('Not kept yet')).toBeVisible();
	await context.setOffline(false);
	await draftKept(page);
	await open(page, page.url());
	await expect(grams(page, 2)).toHaveValue('630');
});

test('what arrived though its answer was lost is undone there too', async ({ page }) => {
	await newFormula(page, fresh('Answer lost'));
	await page.route(/draft$/, async (route) => {
		await route.fetch();
		await route.abort();
	});
	await grams(page, 2).fill('640');
	await expect(page.getByText('Not kept yet')).toBeVisible();
	await page.getByRole('button', { name: 'Undo', exact: true }).click();
	await expect(grams(page, 2)).toHaveValue('600');
	await page.unrouteAll({ behavior: 'wait' });
	await draftKept(page);
	await expect(page.getByText('Somebody saved this')).toHaveCount(0);
	await open(page, page.url());
	await expect(grams(page, 2)).toHaveValue('600');
	await draftKept(page);
});

test('duplicated, put away and brought back; a draft dropped', async ({ page }) => {
	const name = fresh('Filed');
	await newFormula(page, name);
	await grams(page, 2).fill('700');
	await draftKept(page);
	await page.getByRole('tab', { name: 'Versions and files' }).click();
	await page.getByRole('button', { name: 'Drop the draft' }).click();
	await page.getByRole('button', { name: 'Drop it' }).click();
	await expect(grams(page, 2)).toHaveValue('600');
	await page.getByRole('button', { name: 'Duplicate' }).click();
	await expect(page.getByRole('heading', { level: 1, name: `${name} copy` })).toBeAttached();
	await page.getByRole('tab', { name: 'Versions and files' }).click();
	await page.getByRole('button', { name: 'Put away' }).click();
	await expect(page).toHaveURL(/\/formulas$/);
	await expect(page.getByRole('link', { name: `${name} copy` })).toHaveCount(0);
	await page.getByRole('link', { name: /put away$/ }).click();
	await expect(page.getByRole('link', { name: `${name} copy` })).toBeVisible();
});

test('leaving at once keeps what was typed; typing while a version is kept loses nothing', async ({
	page
}) => {
	await newFormula(page, fresh('Left'));
	const sheet = page.url();
	await grams(page, 2).fill('615');
	await page.getByRole('link', { name: 'Shelf', exact: true }).click();
	await expect(page.getByRole('heading', { level: 1, name: 'Shelf' })).toBeVisible();
	await open(page, sheet);
	await expect(grams(page, 2)).toHaveValue('615');

	// The same where the write is held back until the sheet was read again: what was typed is what it shows.
	let letGo = () => {};
	const held = new Promise<void>((resolve) => (letGo = resolve));
	await page.route(/draft$/, async (route) => {
		await held;
		await route.continue();
	});
	await grams(page, 2).fill('625');
	await page.getByRole('link', { name: 'Shelf', exact: true }).click();
	await expect(page.getByRole('heading', { level: 1, name: 'Shelf' })).toBeVisible();
	await page.goBack();
	await expect(grams(page, 2)).toHaveValue('625');
	// Gone on with before the first arrived: it is no other person's.
	await grams(page, 2).fill('635');
	letGo();
	await draftKept(page);
	await expect(page.getByText('Somebody saved this')).toHaveCount(0);
	await open(page, sheet);
	await expect(grams(page, 2)).toHaveValue('635');

	await page.route(/keep$/, async (route) => {
		await new Promise((resolve) => setTimeout(resolve, 600));
		await route.continue();
	});
	const [asked, answer] = [page.waitForRequest(/keep$/), page.waitForResponse(/keep$/)];
	await page.getByRole('button', { name: /^Keep as version/ }).click();
	await asked;
	await grams(page, 3).fill('21');
	await answer;
	await draftKept(page);
	await expect(grams(page, 3)).toHaveValue('21');
	await open(page, sheet);
	await expect(grams(page, 3)).toHaveValue('21');
	await expect(page.getByText('draft of version 3')).toBeVisible();
});
