import { LONG } from './long.ts';
import { choose } from './controls.ts';
import { make, next, pasteRecipe, typeReading, writeDown } from './job.ts';
import { answered, fresh, newFormula, open, planAtBench, ready } from './making.ts';
import type { Page } from '@playwright/test';
import { expect, test } from './test.ts';

test.describe.configure({ timeout: 180_000 });

const station = 'Stations';

test(
	'fat cut in: the lines say the family, the powder and the lard; a batch is made and squares',
	LONG,
	async ({ page }) => {
		await writeDown(
			page,
			fresh('Cut-in tortilla'),
			['500 g all-purpose flour', '8 g salt', '10 g baking powder', '75 g lard', '260 g warm water'],
			{ one: 'tortilla', many: 'tortillas', ball: '50', pack: '8' }
		);
		await expect(page.getByLabel('Family', { exact: true })).toContainText('Wheat tortilla, fat cut in');
		await expect(page.getByLabel('Leavening', { exact: true })).toContainText('baking powder');
		await expect(page.getByLabel('Fat in the dough', { exact: true })).toContainText('lard');
		// 853 g of dough: 846 of it is divided into 16 of 52 g and 14 are left.
		await make(page, {
			lines: [500, 8, 10, 75, 260],
			dough_g: 850,
			balls: 16,
			ball_g: 52,
			leftover_g: 18,
			finished_g: 44,
			packs: 2
		});
		await expect(page.getByRole('navigation', { name: station })).toContainText(/[56] of 6 squares/);
	}
);

test('a sponge: it is a stage of its own, counts as flour, and has its time at the bench', async ({
	page
}) => {
	await writeDown(
		page,
		fresh('Sponge pita'),
		[
			'Sponge:',
			'200 g bread flour',
			'200 g water',
			'2 g dry yeast',
			'Dough:',
			'300 g bread flour',
			'110 g water',
			'9 g salt'
		],
		{ one: 'pita', many: 'pitas', ball: '80', pack: '5', ways: { 'Sponge or direct': 'sponge first' } }
	);
	// 310 ÷ 500 = 62 %, and 200 ÷ 500 = 40 % of the flour ferments ahead.
	await expect(page.getByTestId('hydration')).toContainText('62');
	await expect(page.getByTestId('prefermented')).toContainText('40');
	await make(
		page,
		{
			lines: [200, 200, 2, 300, 110, 9],
			dough_g: 818,
			balls: 10,
			ball_g: 80,
			leftover_g: 18,
			finished_g: 68,
			packs: 2
		},
		{
			mix: async () => {
				await page.getByRole('button', { name: /^Begin Mix the sponge/ }).click();
				await expect(page.getByTestId('timer')).toBeVisible();
				await page.getByRole('button', { name: /^End Mix the sponge/ }).click();
			}
		}
	);
});

test(
	'layered with brushing: what lies between and on top is set out, comes back, and is eaten',
	LONG,
	async ({ page }) => {
		await writeDown(
			page,
			fresh('Layered flatbread'),
			[
				'400 g all-purpose flour',
				'220 g water',
				'6 g salt',
				'60 g ghee between the layers',
				'20 g ghee to brush on top'
			],
			{ one: 'flatbread', many: 'flatbreads', ball: '100', pack: '3' }
		);
		await expect(page.getByLabel('Family', { exact: true })).toContainText('Layered flatbread');
		await make(
			page,
			{
				lines: [400, 220, 6],
				dough_g: 622,
				balls: 6,
				ball_g: 102,
				leftover_g: 10,
				surface: [
					[70, 10],
					[30, 6]
				],
				finished_g: 98,
				packs: 2
			},
			{
				surface: async () => {
					// 70 − 10 and 30 − 6, all of it eaten.
					await expect(page.getByTestId('consumed').first()).toContainText('60');
					await expect(page.getByTestId('consumed').last()).toContainText('24');
				}
			}
		);
	}
);

test(
	'two ingredients by feel: the batch weighs what went in, and the sheet knows it from then on',
	LONG,
	async ({ page }) => {
		const name = fresh('Two-ingredient flatbread');
		await writeDown(
			page,
			name,
			['300 g bread flour', 'plain yogurt, as needed'],
			{ one: 'flatbread', many: 'flatbreads', ball: '60', pack: '4' },
			async () => expect(page.getByText('no amount: the batch weighs it').first()).toBeVisible()
		);
		const sheet = page.url();
		await make(page, {
			lines: [300, 250],
			dough_g: 546,
			balls: 8,
			ball_g: 66,
			leftover_g: 18,
			finished_g: 54,
			packs: 2
		});
		await open(page, sheet);
		await expect(page.getByText(/250(\.0)? g/).first()).toBeVisible();
	}
);

test(
	'a rolled stack with soaked balls: oil is set out and goes back, the stack is peeled hot',
	LONG,
	async ({ page }) => {
		await writeDown(
			page,
			fresh('Stacked sheets'),
			['400 g all-purpose flour', '220 g water', '6 g salt', '40 g olive oil for soaking the balls'],
			{
				one: 'sheet',
				many: 'sheets',
				ball: '50',
				pack: '6',
				ways: { 'Balls rest': 'soaked in oil', Opened: 'rolled in a stack, peeled apart' }
			},
			async () => {
				await page.getByLabel('Grams of line 4', { exact: true }).click();
				await page.getByLabel('Set out, of line 4').fill('200');
				await page.getByLabel('Goes back, of line 4').fill('164');
				// 200 set out less 164 that go back are 36 used up.
				await expect(page.getByLabel('Grams of line 4', { exact: true })).toHaveValue('36');
			}
		);
		await make(
			page,
			{
				lines: [400, 220, 6],
				dough_g: 622,
				balls: 12,
				ball_g: 51,
				leftover_g: 10,
				surface: [[200, 170]],
				finished_g: 44,
				packs: 2
			},
			{
				surface: async () => {
					await expect(page.getByTestId('consumed')).toContainText('30');
					// Of soaking oil it is asked what dripped off: 6 g, so 24 stay.
					await expect(page.getByTestId('scale-of')).toContainText('swept or wiped away');
					await typeReading(page, 6);
					await expect(page.getByTestId('consumed')).toContainText(/24(\.0)? g stay on/);
				},
				cook: async () => {
					await expect(page.getByText(/A stack from the griddle holds steam/).first()).toBeVisible();
					await page.getByRole('button', { name: 'One more at once' }).click();
					await page.getByRole('button', { name: 'One more at once' }).click();
					await page.getByRole('button', { name: '3 on', exact: true }).click();
					await page.getByRole('button', { name: '3 done', exact: true }).click();
					await expect(page.getByTestId('pieces')).toContainText('Done 3');
				}
			}
		);
	}
);

test(
	'a premix in jars: dated, counted, seen through by the sheet, and sold by the jar',
	LONG,
	async ({ page }) => {
		await open(page, '/shelf/mix');
		const mix = fresh('Camp premix');
		await page.getByLabel('Name, as you call it').fill(mix);
		for (const [nth, [ingredient, grams]] of [
			['Bread flour, enriched', '900'],
			['Salt', '20'],
			['Baking powder', '30']
		].entries()) {
			await page.getByRole('button', { name: 'Add a line' }).click(); // The last stays blank.
			await choose(page.getByLabel(`Ingredient of line ${nth + 1}`), { label: ingredient ?? '' });
			await page.getByLabel(`Grams of line ${nth + 1}`).fill(grams ?? '');
		}
		await page.getByLabel('Into one jar').fill('475');
		await page.getByRole('button', { name: 'Put it on the shelf' }).click();
		await expect(page.getByRole('heading', { level: 1, name: mix })).toBeVisible();
		await ready(page);
		const shelfPage = page.url();
		await page.getByLabel('Jars filled').fill('4');
		await answered(page, () => page.getByRole('button', { name: 'Note the jars' }).click());
		await expect(page.getByTestId('jars-left')).toContainText('4 full jars of 475 g left');

		// Two jars and 540 g of water: the flour in them is 900 g, and the water 60 % of it.
		await writeDown(page, fresh('Camp flatbread'), [`2 jars ${mix}`, '540 g water'], {
			one: 'flatbread',
			many: 'flatbreads',
			ball: '70',
			pack: '6'
		});
		await expect(page.getByTestId('hydration')).toContainText('60');
		await make(page, {
			lines: [950, 540],
			dough_g: 1484,
			balls: 18,
			ball_g: 80,
			leftover_g: 44,
			finished_g: 68,
			packs: 3
		});
		await open(page, shelfPage);
		await expect(page.getByTestId('jars-left')).toContainText('2 full jars');

		await page.getByRole('button', { name: /^Sell it by the jar/ }).click();
		await expect(page).toHaveURL(/\/formulas\/[0-9A-Z]{26}$/);
		await ready(page);
		await expect(page.getByLabel('One piece is a')).toHaveValue('jar');
		await page.getByRole('tab', { name: 'Process' }).click();
		await expect(page.getByLabel('Cooked on')).toContainText('not cooked: a dry mix in jars');
		await expect(page.getByText(/A jar of dry mix holds raw flour/).first()).toBeVisible();
		// A jar goes the same way as a bag: weighed, counted, for sale.
		await make(
			page,
			{ lines: [900, 20, 30], dough_g: 950, balls: 2, ball_g: 475, finished_g: 475, packs: 2 },
			{
				cook: async () =>
					expect(page.getByText('Nothing of it is cooked: weigh the filled jars.')).toBeVisible()
			}
		);
	}
);

test(
	'hot water and part-cooked: what steams off is evaporation, and the label asks how it is finished',
	LONG,
	async ({ page }) => {
		await writeDown(
			page,
			fresh('Scalded roti'),
			['500 g all-purpose flour', '330 g boiling water', '8 g salt', '40 g canola oil'],
			{
				one: 'roti',
				many: 'roti',
				ball: '60',
				pack: '6',
				ways: { 'Water goes in': 'boiling', Sold: 'part-cooked, the customer finishes' }
			}
		);
		await expect(page.getByLabel('Between bowl and dough, weight is')).toHaveAttribute(
			'data-value',
			'evaporation'
		);
		await make(
			page,
			{
				lines: [500, 330, 8, 40],
				dough_g: 852,
				balls: 12,
				ball_g: 70,
				leftover_g: 12,
				finished_g: 62,
				packs: 2
			},
			{
				mix: async () =>
					expect(page.getByText(/Boiling water and the dough made with it burn/).first()).toBeVisible(),
				cook: async () => expect(page.getByTestId('part-cooked')).toBeVisible()
			}
		);
		await page.getByRole('link', { name: /See what the label still wants/ }).click();
		await expect(page.getByText('it is sold part-cooked: say how to finish it').first()).toBeVisible();
	}
);

test(
	'dough held for days, and a batch of it in the oven in the place of the griddle',
	LONG,
	async ({ page }) => {
		const name = fresh('Held pita');
		await writeDown(page, name, ['500 g bread flour', '320 g water', '4 g dry yeast', '9 g salt'], {
			one: 'pita',
			many: 'pitas',
			ball: '80',
			pack: '5',
			ways: { 'Dough is baked': 'for days in the cold' }
		});
		await expect(page.getByText(/Held dough stays at 4 °C or colder/).first()).toBeVisible();
		await page.getByRole('link', { name: /^Make a batch/ }).click();
		await ready(page);
		await choose(page.getByLabel('Cooked on'), 'oven');
		await page.getByRole('button', { name: 'Plan this batch' }).click();
		await expect(page).toHaveURL(/weigh$/);
		await ready(page);
		for (const grams of [500, 320, 4, 9]) await typeReading(page, grams);
		await next(page, 'mix');
		await page.getByRole('button', { name: /^Begin Hold it covered and dated/ }).click();
		await expect(page.getByTestId('timer')).toBeVisible();
		await expect(page.getByRole('complementary', { name: 'Going on' })).toContainText('24 to 72 h');
		await page.getByRole('button', { name: /^End Hold it covered/ }).click();
		await page.getByRole('navigation', { name: station }).getByRole('link', { name: 'Cook' }).click();
		await ready(page);
		await expect(page.getByText('the formula says 250 °C')).toBeVisible();
		await expect(page.getByText(/The oven and stone burn/)).toBeVisible();
	}
);

test('the till is counted at the close of the day, and stays when the last pack is sold', async ({
	page
}) => {
	await open(page, '/sales/stall');
	const place = fresh('Bridge stall');
	await page.getByLabel('Where').fill(place);
	await page.getByRole('list', { name: 'Products' }).getByRole('button').first().click();
	const total = (await page.getByTestId('basket-total').innerText()).trim();
	const decide = page.getByRole('button', { name: 'I have told them: sell it' });
	if (await decide.isVisible()) await decide.click();
	await answered(page, () => page.getByRole('button', { name: 'Cash' }).click());
	await page.getByText('Close the day').click();
	await expect(page.getByTestId('till-sold')).toContainText(`${total} in cash`);
	await page.getByLabel('Change brought').fill('40');
	const sold = Number(total.replace(/[^\d.]/g, ''));
	await page.getByLabel('Cash in the till').fill((40 + sold - 0.5).toFixed(2));
	await expect(page.getByTestId('till-off')).toContainText('$0.50 less than was sold');
	await answered(page, () => page.getByRole('button', { name: 'Keep the count' }).click());
	await expect(page.getByTestId('till-count')).toContainText('$0.50 less than was sold');
});

test(
	'loose pieces are made up into a short pack, and sold at the stall for their share',
	LONG,
	async ({ page }) => {
		const name = fresh('Short roti');
		await newFormula(page, name);
		await planAtBench(page);
		await open(page, page.url().replace(/weigh$/, 'pack'));
		await page.getByLabel('Sellable pieces').fill('22');
		await page.getByLabel('Packs closed').fill('3');
		await page.getByLabel('Loose pieces').fill('4');
		await page.getByRole('button', { name: 'Record the counts' }).click();
		await page.getByRole('button', { name: 'Make the 4 loose pieces up into a short pack' }).click();
		await expect(page.getByTestId('short-packs')).toContainText('Made up: a short pack of 4');
		await page.getByRole('button', { name: 'Undo the last' }).click();
		await expect(page.getByTestId('short-packs')).not.toContainText('Made up');
		// A stall that is open already learns of it too.
		const stall = await page.context().newPage();
		await open(stall, '/sales/stall');
		const tileOn = (where: Page) => where.getByRole('button', { name: new RegExp(`${name}.*short pack`) });
		await expect(stall.getByRole('button', { name: new RegExp(`${name}.*3 left`) })).toBeVisible();
		await page.getByRole('button', { name: 'Make the 4 loose pieces up into a short pack' }).click();
		// 6.50 · 4 ÷ 6 = 4.333…
		await expect(tileOn(stall)).toContainText('$4.33');
		await stall.close();

		await open(page, '/sales/stall');
		const tile = tileOn(page);
		await expect(tile).toContainText('$4.33');
		await tile.click();
		await expect(tile).toBeDisabled();
		await expect(page.getByTestId('basket-total')).toHaveText('$4.33');
		const decide = page.getByRole('button', { name: 'I have told them: sell it' });
		if (await decide.isVisible()) await decide.click();
		await answered(page, () => page.getByRole('button', { name: 'Cash' }).click());
		await expect(tile).toHaveCount(0);
		await expect(page.getByRole('button', { name: new RegExp(`${name}.*3 left`) })).toBeVisible();

		// Taken back it is there again, and what is not sold any more is written off like any other.
		await answered(page, () => page.getByRole('button', { name: 'Undo this' }).click());
		await expect(tile).toBeVisible();
		await page.getByText('Close the day').click();
		await page.getByLabel(new RegExp(`^Short packs of 4 written off of ${name}`)).fill('1');
		await answered(page, () => page.getByRole('button', { name: 'Write off 1 pack' }).click());
		await expect(tile).toHaveCount(0);
	}
);

test('a recipe is pasted with words for oven and inches', async ({ page }) => {
	await open(page, '/formulas');
	await page.getByRole('button', { name: 'New formula' }).click();
	await ready(page);
	await pasteRecipe(page, ['500 g bread flour', '300 g water']);
	await page.getByRole('tab', { name: 'Process' }).click();
	await page.getByRole('button', { name: 'Start from the usual steps' }).click();
	await page.getByLabel(/^Temperature of step 1,/).fill('hot oven');
	await expect(page.getByText('about 220 °C')).toBeVisible();
	await page.getByLabel(/^Temperature of step 1,/).fill('446 F');
	await expect(page.getByText('230 °C')).toBeVisible();
});
