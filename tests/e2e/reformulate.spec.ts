import { LONG } from './long.ts';
import { AxeBuilder } from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { choose } from './controls.ts';
import { answered, open, ready } from './making.ts';
import { expect, test } from './test.ts';

/** A copy of a formula of the demo, so that what is tried with it is its own; its reformulating is open. */
async function openCopy(page: Page, name: string): Promise<string> {
	await open(page, '/formulas');
	await page.getByRole('link', { name, exact: true }).first().click();
	await ready(page);
	await page.getByRole('tab', { name: 'Versions and files' }).click();
	await page.getByRole('button', { name: 'Duplicate' }).click();
	await expect(page.locator('#formula-name')).toHaveValue(new RegExp(`^${name} copy`));
	const copy = new URL(page.url()).pathname;
	await page.getByRole('link', { name: 'Reformulate' }).click();
	await expect(page.getByRole('heading', { level: 1 })).toContainText(`Reformulate ${name} copy`);
	await ready(page);
	return copy;
}
async function say(page: Page, words: string): Promise<void> {
	await page.getByLabel('Say a wish').fill(words);
	await page.keyboard.press('Enter');
}
const line = (page: Page, name: string) => page.getByTestId('line').filter({ hasText: name }).first();
const becomes = async (page: Page, name: string) =>
	Number((await line(page, name).getByTestId('becomes').innerText()).replace(',', ''));

test('less sodium, from a wish in words to a trial batch whose outcome stands beside the promise', async ({
	page
}) => {
	await openCopy(page, 'Half-and-half tortilla');
	await expect(page.getByText('the nearest formula that grants it stands here')).toBeVisible();
	await say(page, 'nicer');
	await expect(page.getByText('names no figure')).toBeVisible();
	await say(page, 'less sodium');
	const answer = page.getByTestId('answer');
	await expect(answer).toContainText('The nearest formula changes its lines by');
	await expect(answer).toContainText('What holds it back: sodium at most');
	await expect.poll(() => becomes(page, 'Salt')).toBeLessThan(28);
	await expect(page.getByTestId('panels').locator('figure')).toHaveCount(2);
	expect((await new AxeBuilder({ page }).analyze()).violations.map(({ id }) => id)).toEqual([]);

	// Undone and said again by hand: the wish is a row of fields.
	await page.getByRole('button', { name: 'Undo', exact: true }).click();
	await expect(page.getByTestId('wish')).toHaveCount(0);
	await say(page, 'sodium at most 200 mg');
	await page.getByTestId('wish').getByLabel('How much').fill('2oo');
	await expect(page.getByTestId('wish')).toContainText('is not a number');
	await page.getByTestId('wish').getByLabel('How much').fill('210');
	// What is typed in one field is one step to undo, however many keys it took.
	await page.getByTestId('wish').getByLabel('How much').pressSequentially('00');
	await page.getByRole('button', { name: 'Undo', exact: true }).click();
	await expect(page.getByTestId('wish').getByLabel('How much')).toHaveValue('200');
	await page.getByTestId('wish').getByLabel('How much').fill('210');
	await expect.poll(() => becomes(page, 'Salt')).toBeLessThan(28);
	const salt_g = await becomes(page, 'Salt');

	// The arrows move it, and a line of today’s panel becomes a wish.
	await page.getByTestId('wish').getByLabel('How much').press('ArrowDown');
	await expect(page.getByTestId('wish').getByLabel('How much')).toHaveValue('200');
	await page.getByTestId('wish').getByLabel('How much').press('ArrowUp');
	await page
		.getByTestId('panels')
		.getByRole('button', { name: 'Wish for another Total Carbohydrate' })
		.click();
	await expect(page.getByTestId('wish')).toHaveCount(2);
	await page.getByRole('button', { name: 'Undo', exact: true }).click();
	await expect(page.getByTestId('wish')).toHaveCount(1);

	await page.getByLabel('Pieces of the trial').fill('8');
	await page.getByRole('button', { name: 'Plan a trial batch' }).click();
	await expect(page).toHaveURL(/\/batches\/[0-9A-Z]{26}$/);
	const trial = page.getByTestId('trial');
	await expect(trial).toContainText('A trial: sodium at most 210 mg a serving, as it prints');
	await expect(trial).toContainText('Weigh some balls and some cooled pieces');
	await expect(trial.getByTestId('outcome')).toHaveText('not weighed yet');
	// Eight of 98 pieces: the same share of the salt.
	await expect(page.getByLabel(/^Salt/).first()).toBeVisible();
	expect(salt_g).toBeGreaterThan(20);
	await page.goto(`${page.url()}/divide`);
	await ready(page);
	await expect(page.getByTestId('trial')).toContainText('Its packs fit no label');
});

test('what cannot hold together is named with what each would have to give, and one of it is asked for', async ({
	page
}) => {
	await openCopy(page, 'Half-and-half tortilla');
	await say(page, 'sodium at most 100 mg');
	await say(page, 'salt at least 1.2 %');
	const conflict = page.getByTestId('conflict');
	await expect(conflict.filter({ hasText: 'sodium at most 100 mg' })).toContainText(
		'it would have to give to'
	);
	await expect(conflict.filter({ hasText: 'salt, of the flour at least 1.2 %' })).toBeVisible();
	await conflict.filter({ hasText: 'sodium at most' }).getByRole('button', { name: 'Ask for that' }).click();
	await expect(page.getByTestId('answer')).toContainText('The nearest formula changes');
	await page.getByLabel('Why').fill('salt, for the taste');
	await answered(page, () => page.getByRole('button', { name: /^Keep as version/ }).click());
	await expect(page.getByText('version 2', { exact: true })).toBeVisible();
	await page.getByRole('link', { name: /Half-and-half tortilla copy/ }).click();
	await page.getByRole('tab', { name: 'Versions and files' }).click();
	await expect(page.getByText('salt, for the taste')).toBeVisible();
});

test(
	'an ingredient is swapped: what it gains of allergens is said first, and “no milk” takes it out again',
	LONG,
	async ({ page }) => {
		await openCopy(page, 'Half-and-half tortilla');
		await say(page, 'no milk');
		await expect(page.getByText('no line is said to hold milk')).toBeVisible();
		await line(page, 'Avocado oil').getByRole('button', { name: 'Swap' }).click();
		await choose(page.getByLabel('Ingredient of your shelf'), /^Ghee/);
		await page.getByRole('radio', { name: 'as much fat' }).click();
		await expect(page.getByTestId('swap')).toContainText('It gains Milk');
		expect((await new AxeBuilder({ page }).analyze()).violations.map(({ id }) => id)).toEqual([]);
		await page.getByRole('button', { name: 'Swap', exact: true }).last().click();
		await expect(page.getByTestId('contains')).toContainText('Milk');
		await expect(page.getByText('every label of it has to say so')).toBeVisible();
		await page.getByRole('button', { name: 'Undo', exact: true }).click();
		await expect(page.getByText('every label of it has to say so')).toHaveCount(0);

		// The other way round: what it loses is said, and what equipment brings along is not forgotten.
		await openCopy(page, 'Sesame layered flatbread');
		await line(page, 'Ghee').getByRole('button', { name: 'Swap' }).click();
		await choose(page.getByLabel('Ingredient of your shelf'), /^Olive oil/);
		await expect(page.getByTestId('swap')).toContainText('Milk is no longer declared');
		await page.getByRole('button', { name: 'Swap', exact: true }).last().click();
		await expect(page.getByTestId('contains')).toContainText(
			'Milk no longer. What shared equipment brings along'
		);
	}
);
