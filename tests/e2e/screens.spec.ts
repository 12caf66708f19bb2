import { LONG } from './long.ts';
import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { fresh, newFormula, open } from './making.ts';
import { expect, test } from './test.ts';

/** Wide and narrow lay the screens out differently; between them only the width of things can go wrong. */
const SIZES = [
	{ width: 1280, height: 800 },
	{ width: 768, height: 1024 },
	{ width: 390, height: 844 }
] as const;
/** Rules that the width of the screen can decide: the rest holds at every width or at none. */
const NARROW_RULES = ['scrollable-region-focusable', 'region', 'aria-hidden-focus', 'landmark-one-main'];

/** Says all that is wrong, not the first of it. */
const soft = expect.configure({ soft: true });

async function firstOf(page: Page, list: string): Promise<string> {
	await open(page, list);
	return (await page.locator('main table a, main ul a').first().getAttribute('href')) ?? list;
}

const PLACES = [
	'/',
	'/shelf',
	'/formulas',
	'/formulas/import',
	'/batches',
	'/batches/new',
	'/labels',
	'/sales',
	'/sales/stall',
	'/sales/summary',
	'/sales/profit',
	'/sales/profit?by=batch',
	'/sales/import',
	'/kitchen',
	'/kitchen/profile',
	'/kitchen/costs',
	'/kitchen/spreads',
	'/kitchen/data',
	'/kitchen/unreadable',
	'/nowhere'
];

/** A formula, a label and a batch: what people work at most. */
async function worked(page: Page): Promise<[formula: string, label: string, batch: string]> {
	await open(page, '/formulas');
	const formula = (await page.getByRole('link', { name: 'Toasted-oat pita' }).getAttribute('href')) ?? '';
	await open(page, '/batches');
	const batch = (await page.locator('main table a').first().getAttribute('href')) ?? '';
	return [formula, await firstOf(page, '/labels'), batch];
}

/** Of each kind one. */
async function records(page: Page): Promise<string[]> {
	const [formula, label, batch] = await worked(page);
	await open(page, '/shelf/lots');
	const lot = (await page.locator('main td a[href^="/shelf/lots/"]').first().getAttribute('href')) ?? '';
	return [
		'/shelf/new',
		'/shelf/blank',
		'/shelf/mix',
		'/shelf/import',
		'/shelf/sheet',
		await firstOf(page, '/shelf'),
		'/shelf/lots',
		'/shelf/lots/count',
		lot,
		lot.replace('/shelf/lots/', '/trace/lot/'),
		'/trace?code=26',
		formula,
		`${formula}/compare?from=1&to=1`,
		`${formula}/history`,
		`${formula}/cost`,
		`${formula}/reformulate`,
		'/practice',
		'/practice/sheet/salt?seed=12',
		label,
		await firstOf(page, '/batches'),
		batch,
		batch.replace('/batches/', '/trace/batch/')
	];
}

test('every place, a formula, a label and a batch: axe clean, and not wider than a screen or a phone', async ({
	page
}) => {
	test.setTimeout(600_000);
	await looksRight(page, [...PLACES, ...(await worked(page))], { narrow: false });
});

test('every place and record is axe clean on a phone too', LONG, async ({ page }) => {
	test.setTimeout(480_000);
	await looksRight(page, [...PLACES, ...(await records(page))]);
});

test('every station at every width: axe clean, nothing wider than the screen', LONG, async ({ page }) => {
	test.setTimeout(240_000);
	await open(page, '/batches');
	const onBench = page.getByRole('link', { name: /Toasted-oat pita.*balls weighed/ });
	const batch = ((await onBench.getAttribute('href')) ?? '').replace(/\/\w+$/, '');
	await looksRight(
		page,
		['weigh', 'mix', 'divide', 'surface', 'cook', 'pack'].map((station) => `${batch}/${station}`),
		// The same frame stands around all of them; a batch's own page is looked at narrow above.
		{ narrow: false }
	);
});

test(
	'a list and a month are axe clean while they are open, and give the focus back',
	LONG,
	async ({ page }) => {
		for (const [path, opener] of [
			// A list so long that it scrolls, whatever others made here.
			['/kitchen/data', page.getByRole('combobox', { name: 'Time zone' })],
			['/batches/new', page.getByRole('combobox', { name: 'Product' })],
			['/batches/new', page.getByRole('button', { name: 'Made on: choose from a month' })]
		] as const) {
			await open(page, path);
			if (path === '/kitchen/data') await page.getByText('Begin a kitchen of your own').click();
			await opener.click();
			await expect(page.locator('.options, .month')).toBeVisible();
			// What pops up belongs to its control and to no landmark.
			const { violations } = await new AxeBuilder({ page }).disableRules(['region']).analyze();
			expect(violations.map(({ id, nodes }) => [id, nodes.map((node) => node.target)])).toEqual([]);
			await page.keyboard.press('Escape');
			await expect(page.locator('.options, .month')).toHaveCount(0);
			// What was opened by a press has the focus again.
			await expect(opener).toBeFocused();
		}
	}
);

test('the focus goes to what stands in the place of what went away', async ({ page }) => {
	await open(page, '/shelf/mix');
	for (let nth = 0; nth < 2; nth += 1) await page.getByRole('button', { name: 'Add a line' }).click();
	await page.getByRole('button', { name: 'Remove line 2' }).focus();
	await page.keyboard.press('Enter');
	// Its last line stands in its place.
	await expect(page.getByRole('button', { name: 'Remove line 2' })).toBeFocused();
	await page.keyboard.press('Enter');
	await expect.poll(() => page.evaluate(() => document.activeElement?.tagName)).not.toBe('BODY');
});

async function looksRight(page: Page, paths: string[], { narrow = true } = {}): Promise<void> {
	for (const path of paths) {
		await page.setViewportSize(SIZES[0]);
		await open(page, path);
		for (const size of SIZES) {
			await page.setViewportSize(size);
			// What is drawn to the width of the screen follows a moment after it.
			await soft
				.poll(
					() =>
						page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth),
					{ message: `${path} at ${size.width}`, timeout: 20_000 }
				)
				.toBeLessThanOrEqual(0);
			if (size.width === 768 || (size.width === 390 && !narrow)) continue;
			// A drawing is one picture to assistive technology; its hundreds of texts are not looked at one by one.
			// There are no frames: what legacy mode leaves out is opening another page to put theirs together.
			const axe = new AxeBuilder({ page }).exclude('svg[role="img"] *').setLegacyMode();
			// What is right need not be listed, which takes longer than to find it.
			axe.options({ resultTypes: ['violations'] });
			if (size.width === 390) axe.withRules(NARROW_RULES);
			const { violations } = await axe.analyze();
			expect
				.soft(
					violations.map((violation) => `${path} ${size.width}: ${violation.id} ${violation.nodes[0]?.html}`)
				)
				.toEqual([]);
		}
	}
}

test('dialogs are axe clean and close with Escape', async ({ page }) => {
	await open(page, '/sales');
	await page
		.getByRole('button', { name: /^Take back/ })
		.first()
		.click();
	await expect(page.getByRole('dialog')).toBeVisible();
	expect(
		(await new AxeBuilder({ page }).include('[role=dialog]').analyze()).violations.map(
			(violation) => violation.id
		)
	).toEqual([]);
	await page.keyboard.press('Escape');
	await expect(page.getByRole('dialog')).toHaveCount(0);

	await page.locator('h1').click();
	await page.keyboard.press('?');
	await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
	await page.keyboard.press('Escape');
});

test('a label is changed part by part at every width, axe clean', LONG, async ({ page }) => {
	await page.setViewportSize(SIZES[0]);
	const label = await firstOf(page, '/labels');
	const wide = { size: SIZES[0], parts: ['quantity', 'sentence', 'contact'] };
	for (const { size, parts } of [wide, { size: SIZES[2], parts: ['list', 'pack', 'panel'] }]) {
		await page.setViewportSize(size);
		await open(page, label);
		for (const part of parts) {
			await page.locator(`[data-part="${part}"]:visible`).first().click();
			const card = page.getByTestId('card');
			await expect(card).toBeVisible();
			const { violations } = await new AxeBuilder({ page }).include('[data-testid=card]').analyze();
			soft(
				violations.map(({ id }) => id),
				`${part} at ${size.width}`
			).toEqual([]);
			soft(
				await page.evaluate(() => document.documentElement.scrollWidth),
				`${part} at ${size.width}`
			).toBeLessThanOrEqual(size.width);
			await page.keyboard.press('Escape');
			await expect(card).toHaveCount(0);
		}
	}
});

test('Ctrl K finds a formula and goes there', async ({ page }) => {
	await open(page, '/shelf');
	await page.keyboard.press('Control+k');
	await page.getByLabel('Find', { exact: true }).fill('half-and');
	await expect(page.getByRole('option', { name: 'Half-and-half tortilla', exact: true })).toBeVisible();
	expect(
		(await new AxeBuilder({ page }).include('[role=dialog]').analyze()).violations.map(
			(violation) => violation.id
		)
	).toEqual([]);
	await page.keyboard.press('Enter');
	await expect(page.getByRole('heading', { level: 1, name: 'Half-and-half tortilla' })).toBeVisible();
});

test('skip link and places are reached by Tab', async ({ page }) => {
	await open(page, '/shelf');
	await page.keyboard.press('Tab');
	await expect(page.getByRole('link', { name: 'Skip to the page' })).toBeFocused();
	// The mark, Today, Plan, Shelf.
	for (let tabs = 0; tabs < 4; tabs++) await page.keyboard.press('Tab');
	await expect(page.getByRole('link', { name: 'Shelf', exact: true })).toBeFocused();
	await expect(page.getByRole('link', { name: 'Shelf', exact: true })).toHaveAttribute(
		'aria-current',
		'page'
	);
});

test('long names wrap and do not push the page wide', async ({ page }) => {
	const name = fresh('Extraordinarily-long-unbroken-name-of-a-flatbread-that-somebody-pasted-from-somewhere');
	await newFormula(page, name);
	const formula = new URL(page.url()).pathname;
	// Wherever products and formulas are named.
	const named = [
		'/',
		'/formulas',
		'/batches/new',
		'/labels',
		'/plan',
		'/sales/stall',
		'/sales/orders',
		'/sales'
	];
	for (const size of SIZES) {
		await page.setViewportSize(size);
		for (const path of [formula, `${formula}/history`, `${formula}/reformulate`, ...named]) {
			await open(page, path);
			const overflow = await page.evaluate(
				() => document.documentElement.scrollWidth - document.documentElement.clientWidth
			);
			expect.soft(overflow, `${path} at ${size.width}`).toBeLessThanOrEqual(0);
		}
	}
});

test('what a page of another site sends is turned away, whatever it says it is', async ({
	request,
	baseURL
}) => {
	for (const path of ['/kitchen/data/restore', '/sales/entries.json', '/sales?/sell']) {
		const response = await request.post(`${baseURL}${path}`, {
			headers: { origin: 'http://elsewhere.example' },
			data: Buffer.from('x')
		});
		expect(response.status(), path).toBe(403);
	}
});

test('more than a form holds is turned away before it is read', async ({ page: { request }, baseURL }) => {
	const large = Buffer.alloc(5 * 1024 ** 2);
	const headers = { origin: baseURL ?? '' };
	expect((await request.post(`${baseURL}/sales/entries.json`, { headers, data: large })).status()).toBe(413);
	// An archive may be large: it is read, and is none.
	const answer = await request.post(`${baseURL}/kitchen/data/restore`, { headers, data: large });
	const { job } = (await answer.json()) as { job: string };
	const came = async () => (await request.get(`${baseURL}/jobs/${job}/state.json`)).text();
	await expect.poll(came).toContain('not a zip file');
});

test('a request under another site’s name is turned away', async ({ request, baseURL }) => {
	const response = await request.get(`${baseURL}/shelf`, { headers: { host: 'elsewhere.example' } });
	expect(response.status()).toBe(421);
});
