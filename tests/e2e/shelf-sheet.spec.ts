import { AxeBuilder } from '@axe-core/playwright';
import { answered, fresh, newIngredient, open } from './making.ts';
import { expect, test } from './test.ts';

test('many are confirmed and priced on one sheet: by arrows, by a paste, and each problem at its cell', async ({
	page
}) => {
	const [first, second] = [fresh('Sheet one'), fresh('Sheet two')];
	await newIngredient(page, first);
	await newIngredient(page, second);
	await open(page, '/shelf/sheet');
	const cell = (column: string, name: string) => page.getByLabel(`${column}, ${name}`, { exact: true });
	const paid = (name: string) => page.getByLabel(new RegExp(`^Paid.*, ${name}$`));

	await cell('Allergens, as its pack says', first).fill('wheat, unicorn');
	await cell('Confirmed by', first).fill('the pack');
	await cell('Confirmed by', first).press('ArrowRight');
	await expect(paid(first)).toBeFocused();
	await page.keyboard.type('24');
	await page.keyboard.press('ArrowRight');
	await page.keyboard.type('bag');
	await page.keyboard.press('ArrowUp');
	await page.keyboard.press('ArrowDown');
	await expect(cell('For how much', first)).toBeFocused();
	// Three cells of another sheet, from here on.
	await cell('Allergens, as its pack says', second).evaluate((input) => {
		const data = new DataTransfer();
		data.setData('text/plain', 'milk, treenut:almond\tits specification\t3.10\tpound');
		input.dispatchEvent(
			new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true })
		);
	});
	await expect(cell('For how much', second)).toHaveValue('pound');
	const keep = page.getByRole('button', { name: /^Keep \d+ rows?$/ });
	await answered(page, () => keep.click());
	await expect(page.getByText('"unicorn" is no allergen known here')).toBeVisible();
	await cell('Allergens, as its pack says', first).fill('wheat');
	await answered(page, () => keep.click());
	await expect(page.getByText('say what the bag holds')).toBeVisible();
	expect((await new AxeBuilder({ page }).analyze()).violations.map(({ id }) => id)).toEqual([]);
	await cell('For how much', first).fill('bag of 25 kg');
	await answered(page, () => keep.click());
	await expect(cell('Confirmed by', first)).toHaveCount(0);

	await open(page, '/shelf');
	await expect(page.getByRole('row', { name: new RegExp(`^${first}`) })).toContainText('Wheat');
	await expect(page.getByRole('row', { name: new RegExp(`^${first}`) })).toContainText('0.96');
	await expect(page.getByRole('row', { name: new RegExp(`^${second}`) })).toContainText('Almond');
	// 3.10 for 453.59237 g is 6.834… a kilogram.
	await expect(page.getByRole('row', { name: new RegExp(`^${second}`) })).toContainText('6.83');
});
