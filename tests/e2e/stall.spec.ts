import { LONG } from './long.ts';
import { choose } from './controls.ts';
import { answered, fresh, measure, newFormula, open, planBatch, record } from './making.ts';
import type { Page } from '@playwright/test';
import { expect, test } from './test.ts';
import { another } from '../../scripts/lib/come-in-browser.ts';

/** Sells what is held all the same: asked once for each batch. */
const decide = (page: Page) => page.getByRole('button', { name: 'I have told them: sell it' }).click();

test('a stall day with the network cut in the middle: sold, undone and written off, and everything arrives once', async ({
	page,
	context
}) => {
	const name = fresh('Stall roti');
	await newFormula(page, name);
	await planBatch(page);
	await measure(page, { 'Balls made': '26', 'Dough left over': '40', Rejects: '2' }); // four packs of six
	await record(page);
	const batch = page.url();
	await open(page, '/sales/stall');
	await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
	const place = fresh('Stall');
	await page.getByLabel('Where').fill(place);
	const product = page
		.getByRole('list', { name: 'Products' })
		.getByRole('button', { name: new RegExp(name) });
	const takings = page.getByTestId('takings');
	await expect(product).toContainText('4 left');

	// Two packs, cash: 13.00, twenty given.
	await product.click();
	await product.click();
	// No label was approved for it: the maker is told, decides, and it is kept.
	await expect(page.getByTestId('held')).toContainText('no label was approved for it');
	await expect(page.getByRole('button', { name: 'Cash' })).toBeDisabled();
	await decide(page);
	await expect(page.getByTestId('basket-total')).toHaveText('$13.00');
	await answered(page, () => page.getByRole('button', { name: 'Cash' }).click());
	await page.getByRole('button', { name: '$20.00' }).click();
	await expect(page.getByTestId('change')).toContainText('$7.00');
	await expect(takings).toContainText('$13.00');
	await expect(product).toContainText('2 left');

	await context.setOffline(true);
	await product.click();
	await page.getByRole('button', { name: 'Card' }).click();
	await expect(takings).toContainText('$19.50');
	await expect(page.getByTestId('waiting')).toContainText('1 entry is kept on this device');
	// A slip of the thumb: the same again, taken back.
	await product.click();
	await expect(product).toBeDisabled();
	await page.getByRole('button', { name: 'Cash' }).click();
	await page.getByRole('button', { name: 'Undo this' }).click();
	await expect(product).toContainText('1 left');
	await expect(takings).toContainText('$19.50');
	// The battery died: the page comes up without the network, with all that was sold.
	await page.reload();
	await expect(takings).toContainText('$19.50');
	await expect(product).toContainText('1 left');
	// The last pack is owed: by somebody.
	await product.click();
	await decide(page);
	await page.getByRole('button', { name: 'Owed' }).click();
	await page.getByRole('button', { name: 'Owed' }).click();
	await expect(page.getByText('say who owes it')).toBeVisible();
	await page.getByLabel('Who owes it').fill(`${name} fan`);
	await page.getByRole('button', { name: 'Owed' }).click();
	await expect(takings).toContainText('$26.00');

	await context.setOffline(false);
	await expect(page.getByTestId('waiting')).toHaveCount(0);
	const at = `channel=${encodeURIComponent(place)}`;
	const kept = async () => {
		const answer = await page.request.get(`/sales.json?from=&sort=oldest&${at}`);
		const { sales } = (await answer.json()) as { sales: { kind: string; packs: number; paidBy: string }[] };
		return sales.map(({ kind, packs, paidBy }) => `${kind} ${packs} ${paidBy}`);
	};
	await expect
		.poll(kept)
		.toEqual(['sale 2 cash', 'sale 1 card', 'sale 1 cash', 'void -1 cash', 'sale 1 owed']);
	await open(page, `/sales?${at}`);
	// 13.00 + 6.50 + 6.50 for four packs; the slip and its void come to nothing
	await expect(page.getByTestId('totals')).toContainText('$26.00 for 4 packs');
	await expect(page.getByText('void: taken back at the stall')).toHaveCount(1);
	await open(page, batch);
	await expect(page.getByText('4 of 4 packs, 0 left')).toBeVisible();

	const owed = page
		.getByRole('region', { name: 'Owed to you' })
		.getByRole('listitem')
		.filter({ hasText: `${name} fan` });
	await open(page, '/sales');
	await expect(owed).toContainText('$6.50');
	await answered(page, () => owed.getByRole('button', { name: 'Paid, cash' }).click());
	await expect(owed).toHaveCount(0);
});

test('the network goes while the page is being read again: what is in the basket stays', async ({ page }) => {
	const name = fresh('Cut off roti');
	await newFormula(page, name);
	await planBatch(page);
	await measure(page, { 'Balls made': '26', 'Dough left over': '40', Rejects: '2' });
	await record(page);
	await open(page, '/sales/stall');
	await page.getByLabel('Where').fill(fresh('Cut off'));
	const product = page
		.getByRole('list', { name: 'Products' })
		.getByRole('button', { name: new RegExp(name) });
	await product.click();
	await decide(page);
	// The server was still there when it was asked, and is gone when the page's data are.
	let lost = 0;
	await page.route('**/__data.json*', (route) => {
		lost += 1;
		return route.abort('internetdisconnected');
	});
	await page.getByRole('button', { name: 'Card' }).click();
	await expect(page.getByTestId('takings')).toContainText('$6.50');
	await expect.poll(() => lost).toBeGreaterThan(0);
	await product.click();
	await expect(page.getByRole('button', { name: 'Cash' })).toBeEnabled();
	await expect(page.getByTestId('basket-total')).toHaveText('$6.50');
	await page.unroute('**/__data.json*');
	// Once it is there again it is read: what was sold is the server's.
	await page.evaluate(() => window.dispatchEvent(new Event('online')));
	await expect(page.getByText('Not recorded')).toHaveCount(0);
	await expect(page.getByTestId('takings')).toContainText('$6.50');
	await expect(product).toContainText('2 left');
	await expect(page.getByTestId('basket-total')).toHaveText('$6.50');
});

test(
	'the last pack sold at two stalls at once: the second says which batch it was; unsold packs are written off',
	LONG,
	async ({ page, browser }) => {
		const name = fresh('Two stalls');
		await newFormula(page, name);
		const formula = page.url();
		const bake = async () => {
			await open(page, formula);
			await planBatch(page);
			await measure(page, { 'Balls made': '6', 'Dough left over': '1240', Rejects: '0' });
			await record(page);
		};
		await bake();
		await open(page, '/sales/stall');
		const other = await (await another(browser)).newPage();
		await open(other, `${new URL(page.url()).origin}/sales/stall`);
		const productAt = (at: typeof page) =>
			at.getByRole('list', { name: 'Products' }).getByRole('button', { name: new RegExp(name) });
		// Places of their own: the one used last, anywhere in the kitchen, is what a stall begins with.
		for (const at of [page, other]) await at.getByLabel('Where').fill(fresh('Two places'));
		await other.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
		await other.context().setOffline(true);
		await productAt(other).click();
		await decide(other);
		await other.getByRole('button', { name: 'Card' }).click();
		await expect(other.getByTestId('waiting')).toContainText('1 entry is kept on this device');
		await productAt(page).click();
		await decide(page);
		await answered(page, () => page.getByRole('button', { name: 'Cash' }).click());
		await bake();
		// It may have heard of that though it could not read it: it stays open, with what waits.
		await expect(other.getByTestId('waiting')).toContainText('1 entry is kept on this device');
		await other.context().setOffline(false);
		const refused = other.getByRole('alert').filter({ hasText: 'has 0 packs left, not 1' });
		await expect(refused).toBeVisible();
		await other.reload();
		const it = refused.getByLabel('The batch it was');
		await answered(other, () => choose(it, new RegExp(name)));
		await expect(refused).toHaveCount(0);
		await other.context().close();

		await bake();
		await open(page, '/sales/stall');
		await page.getByText('Close the day').click();
		const left = page.getByLabel(new RegExp(`^Packs written off of ${name}`));
		await left.fill('2');
		await expect(page.getByText('there are 1')).toBeVisible();
		await left.fill('1');
		await answered(page, () => page.getByRole('button', { name: 'Write off 1 pack' }).click());
		await expect(productAt(page)).toHaveCount(0);
	}
);

test('a sale comes back: its money is given back, its pack is not sold again', async ({ page }) => {
	const name = fresh('Back roti');
	await newFormula(page, name);
	await planBatch(page);
	await measure(page, { 'Balls made': '26', 'Dough left over': '40', Rejects: '2' });
	await record(page);
	await page.getByRole('link', { name: 'Record a sale' }).click();
	await expect(page.getByLabel('Price a pack')).toHaveValue('6.50');
	const place = fresh('Back');
	await page.getByLabel('Where').fill(place);
	await page.getByLabel('Packs', { exact: true }).fill('3');
	await answered(page, () => page.getByRole('button', { name: 'Record the sale' }).click());
	await open(page, `/sales?channel=${encodeURIComponent(place)}`);
	await page.getByRole('button', { name: /^Take back 3 packs/ }).click();
	await page.getByLabel('Packs came back and the money was given back').check();
	await page.getByLabel('Packs that came back').fill('4');
	await page.getByLabel('Why').fill('the bag was torn');
	await page.getByRole('button', { name: 'Record the return' }).click();
	await expect(page.getByText('3 packs of this sale can come back, not 4')).toBeVisible();
	await expect(page.getByLabel('Why')).toHaveValue('the bag was torn');
	await page.getByLabel('Packs that came back').fill('1');
	await answered(page, () => page.getByRole('button', { name: 'Record the return' }).click());
	// 3 · 6.50 − 6.50
	await expect(page.getByTestId('totals')).toContainText('$13.00 for 2 packs, 1 given or written off');
	// Another of it, without the page being read anew: it is a return of its own.
	await page.getByRole('button', { name: /^Take back 3 packs/ }).click();
	await page.getByLabel('Packs came back and the money was given back').check();
	await page.getByLabel('Why').fill('so was this one');
	await answered(page, () => page.getByRole('button', { name: 'Record the return' }).click());
	await expect(page.getByTestId('totals')).toContainText('$6.50 for 1 packs, 2 given or written off');
	await page.goto('/sales/summary');
	await expect(page.getByRole('region', { name: 'By place' })).toContainText(place);
});

test(
	'a delivery of several breads to one customer is owed as one, all of it or none',
	LONG,
	async ({ page }) => {
		const [one, other] = [fresh('Choir roti'), fresh('Choir pita')];
		for (const name of [one, other]) {
			await newFormula(page, name);
			await planBatch(page);
			await measure(page, { 'Balls made': '26', 'Dough left over': '40', Rejects: '2' });
			await record(page);
		}
		await open(page, '/sales');
		await choose(page.getByLabel('Packs of', { exact: true }), new RegExp(one));
		await page.getByLabel('Packs', { exact: true }).fill('3');
		await page.getByRole('button', { name: 'Another bread for the same customer' }).click();
		await choose(page.getByLabel('Packs of, line 2'), new RegExp(other));
		await page.getByLabel('Packs, line 2').fill('5');
		await expect(page.getByText('has 4 packs left')).toBeVisible();
		const customer = fresh('The choir');
		await choose(page.getByLabel('Paid').first(), 'owed');
		await page.getByLabel('Where').fill(fresh('Delivery'));
		await page.getByLabel('Who owes it').fill(customer);
		await answered(page, () => page.getByRole('button', { name: 'Record the sale' }).click());
		// Nothing of the first line was kept either.
		await expect(page.getByText(/has 4 packs left, not 5/)).toBeVisible();
		await expect(page.getByLabel('Packs of', { exact: true })).toHaveText(/\(4 left\)/);
		await page.getByLabel('Packs, line 2').fill('2');
		// 3 · 6.50 + 2 · 6.50
		await expect(page.getByTestId('sale-total')).toHaveText('$32.50');
		await answered(page, () => page.getByRole('button', { name: 'Record the sale' }).click());
		const owed = page
			.getByRole('region', { name: 'Owed to you' })
			.getByRole('listitem')
			.filter({ hasText: customer });
		await expect(owed).toContainText('$32.50');
		await expect(owed).toContainText('5 packs');
		await answered(page, () => owed.getByRole('button', { name: 'Paid, cash' }).click());
		await expect(owed).toHaveCount(0);
	}
);

test('a stall that stays open past midnight sells on the new day', LONG, async ({ browser }) => {
	// In a browser of its own: a clock that is moved is moved for all of its pages.
	const apart = await another(browser);
	const page = await apart.newPage();
	const name = fresh('Midnight roti');
	await newFormula(page, name);
	await planBatch(page);
	await measure(page, { 'Balls made': '26', 'Dough left over': '40', Rejects: '2' });
	await record(page);
	await open(page, '/sales/stall');
	const place = fresh('Night');
	await page.getByLabel('Where').fill(place);
	const product = page
		.getByRole('list', { name: 'Products' })
		.getByRole('button', { name: new RegExp(name) });
	await product.click();
	await decide(page);
	await answered(page, () => page.getByRole('button', { name: 'Cash' }).click());
	await expect(page.getByTestId('takings')).toContainText('$6.50');
	const DAY_MS = 24 * 3600 * 1000;
	const tomorrow = new Date(Date.now() + DAY_MS);
	await page.clock.setFixedTime(tomorrow);
	// What was taken was taken yesterday.
	await expect(page.getByTestId('takings')).toContainText('$0.00');
	await product.click();
	await answered(page, () => page.getByRole('button', { name: 'Cash' }).click());
	const csv = await (await page.request.get(`/sales.csv?channel=${encodeURIComponent(place)}`)).text();
	const days = csv
		.trim()
		.split('\r\n')
		.slice(1)
		.map((row) => row.split(',')[1]);
	expect(new Set(days).size).toBe(2);
	await apart.close();
});
