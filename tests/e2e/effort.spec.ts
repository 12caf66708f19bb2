import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Locator, Page } from '@playwright/test';
import { startApplication, type Application } from '../../scripts/lib/application.ts';
import { layDemo } from '../../scripts/lib/demo-data.ts';
import { freePort } from '../../scripts/lib/ports.ts';
import { answered, draftKept, ready, settled } from './making.ts';
import { comeIn } from '../../scripts/lib/come-in-browser.ts';
import { expect, test } from './test.ts';
import { addressOfRunning } from '../../scripts/lib/mariadb.ts';
import { madeToday } from '../../scripts/lib/made-today.ts';
import { openDatabase } from '../../src/lib/server/db/connection.ts';
import { theKitchen, today } from '../../src/lib/server/kitchens.ts';

test.describe.configure({ timeout: 240_000 });
test.use({ actionTimeout: 30_000 });

let folder = '';
let application: Application | null = null;
test.beforeEach(() => {
	folder = mkdtempSync(join(tmpdir(), 'square-batch-effort-'));
});
test.afterEach(async () => {
	await application?.stop();
	application = null;
	rmSync(folder, { recursive: true, force: true });
});

/** A person whose presses and fields are counted. */
class Person {
	count = 0;
	constructor(readonly page: Page) {}

	async press(name: string | RegExp, role: 'button' | 'link' = 'button'): Promise<void> {
		this.count++;
		await this.page.getByRole(role, { name }).first().click();
	}

	async fill(field: Locator, text: string): Promise<void> {
		this.count++;
		await field.fill(text);
	}

	/** What is pasted into a cell is one field, however much it is. */
	async paste(field: Locator, text: string): Promise<void> {
		this.count++;
		await field.evaluate((cell, said) => {
			const data = new DataTransfer();
			data.setData('text/plain', said);
			cell.dispatchEvent(
				new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true })
			);
		}, text);
	}
}

const RECIPE = [
	'3 cups all-purpose flour',
	'1 tsp salt',
	'1 tsp baking powder',
	'⅓ cup lard',
	'1 cup warm water'
].join('\n');

const PRICES: [name: string, paid: string, forHowMuch: string][] = [
	['Wheat flour, white, all-purpose, enriched', '24.00', 'bag of 25 kg'],
	['Salt, table', '0.90', '26 oz'],
	['Baking powder, double-acting, sodium aluminum sulfate', '2.40', '8.1 oz'],
	['Lard', '3.10', 'pound']
];

test('a sale at the stall takes three presses at most', async ({ page }) => {
	layDemo(join(folder, 'data'));
	application = await startApplication(join(folder, 'data'), await freePort());
	await comeIn(page.context(), application.address);
	const db = openDatabase(addressOfRunning(join(folder, 'data')));
	const kitchen = await theKitchen(db);
	await madeToday(db, today(kitchen), kitchen.id);
	await db.destroy();
	const person = new Person(page);
	await page.goto(application.address);
	await ready(page);
	await page.goto(`${application.address}/sales/stall`);
	await ready(page);
	await person.press(/[1-9]\d* left/);
	await answered(page, () => person.press('Cash'));
	await expect(page.getByTestId('takings')).toContainText(/[1-9]/);
	expect(person.count).toBeLessThanOrEqual(3);
});

test('from an empty kitchen to a planned batch of a five-line tortilla in at most 25 presses and fields', async ({
	page
}) => {
	layDemo(join(folder, 'data'));
	application = await startApplication(join(folder, 'data'), await freePort());
	await comeIn(page.context(), application.address);
	await page.goto(`${application.address}/kitchen/data`);
	await ready(page);
	await page.getByText('Begin a kitchen of your own').click();
	await page.getByLabel('Name', { exact: true }).fill('Empty bench');
	await page.getByRole('button', { name: 'Begin it and open it' }).click();
	await expect(page.getByRole('navigation', { name: 'Places' })).toContainText('Empty bench');
	await settled(page);

	const person = new Person(page);
	const label = (name: string) => page.getByLabel(name, { exact: true });
	await person.press('Formulas', 'link');
	await person.press('New formula');
	await expect(page).toHaveURL(/\/formulas\/[0-9A-Z]{26}$/);
	await person.fill(label('Name'), 'Weekday tortilla');
	await person.paste(label('Line 1 as said'), RECIPE);
	await answered(page, () => person.press('Put all 5 on the shelf'));
	await expect(page.getByText('Allergens nobody has confirmed, or no price:')).toBeVisible();
	// Cups and spoons of the rows as shipped: 3 · 125, 6, 4.6, 205 ÷ 3, 236.6.
	await expect(label('Grams of line 1')).toHaveValue('375');
	await expect(label('Grams of line 4')).toHaveValue('68.3');
	await draftKept(page);

	await person.press('Confirm and price all 4', 'link');
	await person.press('I read the 4 packs: each list is right');
	for (const [name, paid, forHowMuch] of PRICES) {
		await person.fill(label(`Paid, ${name}`), paid);
		await person.fill(label(`For how much, ${name}`), forHowMuch);
	}
	await answered(page, () => person.press('Keep 4 rows'));
	await expect(page.getByText('Everything on the shelf is confirmed and has a price.')).toBeVisible();
	await person.press('Back to the formula', 'link');

	// The lines say what it is: nobody has to.
	await expect(label('One piece is a')).toHaveValue('tortilla');
	await person.fill(label('Divide into'), '12');
	// (375 + 6 + 4.6 + 68.3 + 236.6) ÷ 12 = 57.54…
	await expect(label('Ball weight')).toHaveValue('57.5');
	await person.fill(label('Pieces in a pack'), '6');
	await answered(page, () => person.press(/^Keep as version 1/));
	await person.press('Make a batch', 'link');
	await person.press('Plan this batch');
	await expect(page).toHaveURL(/\/batches\/[0-9A-Z]{26}/);
	expect(person.count).toBeLessThanOrEqual(25);
});
