import AxeBuilder from '@axe-core/playwright';
import type { Browser, Page } from '@playwright/test';
import { comeIn } from '../../scripts/lib/come-in-browser.ts';
import { choose } from './controls.ts';
import { answered, open, ready } from './making.ts';
import { readPdf } from './pdf.ts';
import { expect, test } from './test.ts';
import { LONG } from './long.ts';

/** A browser of its own: who practises is in another kitchen, wherever they go. */
async function alone(
	browser: Browser,
	baseURL: string,
	size?: { width: number; height: number }
): Promise<Page> {
	const context = await browser.newContext({
		baseURL,
		locale: 'en-US',
		reducedMotion: 'reduce',
		viewport: size ?? { width: 1280, height: 800 }
	});
	await comeIn(context, baseURL);
	return context.newPage();
}

/** Begins an exercise by its name, with a seed, so that what is hidden is known here. */
async function begin(page: Page, name: string, seed: string): Promise<void> {
	await open(page, '/practice');
	await page.getByLabel('Seed of a class').fill(seed);
	await page.getByRole('button', { name: `Begin ${name}`, exact: true }).click();
	await expect(page).toHaveURL(/\/batches\/[0-9A-Z]{26}$/);
	await ready(page);
	await expect(page.getByTestId('practice')).toContainText('Practice: nothing here is real.');
	await expect(page.getByTestId('practice')).toContainText(name);
}

/** A move of the hands; what is seen after it. */
async function hand(page: Page, words: string): Promise<void> {
	await answered(page, () =>
		page.getByTestId('practice').getByRole('button', { name: words, exact: true }).click()
	);
}

const told = (page: Page) => page.getByTestId('told');

async function say(page: Page, what: string, about?: string): Promise<void> {
	await choose(page.getByLabel('It was'), { label: what });
	if (about !== undefined) await choose(page.getByLabel('About what'), { label: about });
	await page.getByRole('button', { name: 'Say it', exact: true }).click();
}

async function finish(page: Page): Promise<void> {
	await page.getByRole('button', { name: 'Finish and see' }).click();
	await expect(page).toHaveURL(/\/practice\/debrief\/[0-9A-Z]{26}$/);
	await ready(page);
}

/** Takes what lies on the scale, once it stands still. */
async function take(page: Page): Promise<void> {
	await expect(page.getByTestId('on-scale')).toHaveAttribute('data-steady', 'yes');
	await answered(page, () => page.getByRole('button', { name: 'Take reading' }).click());
}

test('the line nobody remembers: weighed, looked at, closed with what happened, and said', async ({
	browser,
	baseURL
}) => {
	const page = await alone(browser, baseURL ?? '');
	await begin(page, 'The line nobody remembers', '12');
	await page
		.getByRole('link', { name: /^Mix and rest/ })
		.first()
		.click();
	await hand(page, 'Lay the dough on');
	await expect(page.getByTestId('on-scale')).not.toHaveText(/^\s*0\.0/);
	await take(page);
	await hand(page, 'Look at the counter');
	await expect(told(page)).toContainText(/dish|stands open|in the sink/);
	const seen = (await told(page).innerText()).toLowerCase();
	const line = ['Butter', 'Water', 'Salt'].find((name) => seen.includes(name.toLowerCase())) ?? '';
	const what = seen.includes('untouched')
		? 'Was written down and never went in'
		: seen.includes('sink')
			? 'Went in twice and was written down once'
			: 'Went in and was not written down';
	expect((await new AxeBuilder({ page }).analyze()).violations.map(({ id }) => id)).toEqual([]);
	await page
		.getByRole('link', { name: /of 5 squares/ })
		.first()
		.click();
	await page.getByLabel('Why it is closed though it does not square').fill(`${line}: ${what}`);
	await answered(page, () => page.getByRole('button', { name: 'Close this batch' }).click());
	await page.getByTestId('practice').getByRole('link', { name: 'Finish' }).click();
	await say(page, what, line);
	await finish(page);
	await expect(page.getByTestId('grade')).toContainText('passed');
	await expect(page.getByTestId('hidden')).toContainText(line);
	await expect(page.getByText('dashed: what was')).toBeVisible();
	expect((await new AxeBuilder({ page }).analyze()).violations.map(({ id }) => id)).toEqual([]);

	// Nothing is printed or sold in it, and out of it all is as it was.
	const nav = page.getByRole('navigation', { name: 'Places' });
	await expect(nav).not.toContainText('Sales');
	await page.getByRole('button', { name: 'Leave practice' }).click();
	await expect(nav).toContainText('Sales');
	await expect(page.getByTestId('practice')).toHaveCount(0);
	await expect(page.getByTestId('exercise').filter({ hasText: 'The line nobody remembers' })).toContainText(
		'passed, best'
	);
	await open(page, '/batches');
	await expect(page.getByText('Griddle tortilla')).toHaveCount(0);
	await page.context().close();
});

test('a bag that says more: read, and the shelf says it too', async ({ browser, baseURL }) => {
	const page = await alone(browser, baseURL ?? '');
	await begin(page, 'A bag that says more', '7');
	await hand(page, 'Read the bag: Spice mix');
	await expect(told(page)).toContainText('Contains');
	const word = /Contains (\w+)\./.exec(await told(page).innerText())?.[1] ?? '';
	await page.getByRole('navigation').getByRole('link', { name: 'Shelf' }).click();
	await page.getByRole('link', { name: 'Spice mix' }).first().click();
	await ready(page);
	await page.getByRole('checkbox', { name: word, exact: true }).first().click();
	await answered(page, () => page.getByRole('button', { name: 'Save', exact: true }).click());
	await page.getByTestId('practice').getByRole('link', { name: 'Finish' }).click();
	await say(page, 'Holds an allergen that the shelf does not say', 'Spice mix');
	await finish(page);
	await expect(page.getByTestId('grade')).toContainText('100');
	const printed = await page.request.get('/labels/printed/00000000000000000000000000');
	expect(printed.status()).toBe(403);
	await page.context().close();
});

test('on a phone: a missing ball, found too late, with a hint', async ({ browser, baseURL }) => {
	const page = await alone(browser, baseURL ?? '', { width: 390, height: 844 });
	await begin(page, 'The helper’s missing ball', '3');
	await page
		.getByRole('link', { name: /^Divide/ })
		.first()
		.click();
	await ready(page);
	await page.getByRole('button', { name: 'A hint, for 4 points' }).click();
	await expect(page.getByTestId('practice')).toContainText('Hint 1:');
	await hand(page, 'Lay on ball 1');
	await take(page);
	await hand(page, 'Lay on ball 2');
	await expect(told(page)).toContainText('ball 2');
	expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
	expect((await new AxeBuilder({ page }).analyze()).violations.map(({ id }) => id)).toEqual([]);
	await page.getByTestId('practice').getByRole('link', { name: 'Finish' }).click();
	await page.getByRole('button', { name: 'Say it', exact: true }).click();
	await expect(page.getByText('choose what it was')).toBeVisible();
	await say(page, 'Nothing was wrong');
	await finish(page);
	await expect(page.getByTestId('grade')).toContainText('not passed');
	await expect(page.getByTestId('point').filter({ hasText: 'The record says what was' })).toContainText(
		'lay on the board'
	);
	await expect(page.getByText('less 4 for hints')).toBeVisible();
	expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
	await page.context().close();
});

test(
	'a sheet for a class has its key on a page of its own, and a batch that was off is offered to be practised on',
	LONG,
	async ({ browser, baseURL }) => {
		const page = await alone(browser, baseURL ?? '');
		await open(page, '/practice/sheet/salt?seed=12');
		const paper = await readPdf(await page.pdf({ format: 'Letter' }));
		expect(paper.count).toBe(2);
		expect(paper.text).toMatch(/seed\s+12/);
		expect(paper.text).not.toContain('Key:');
		await expect(page.getByTestId('key')).toContainText('Marks');
		// The demo has one: salt that went in and was not written down.
		const off = await page.evaluate(async () => {
			const found = (await (await fetch('/find.json')).json()) as { text: string; href: string }[];
			return found.filter(({ text }) => text.startsWith('Batch ')).map(({ href }) => href);
		});
		for (const href of off) {
			const html = await (await page.request.get(href)).text();
			if (!html.includes('Practise on it')) continue;
			await open(page, href);
			break;
		}
		await page.getByRole('link', { name: /^Practise on it/ }).click();
		await answered(page, () => page.getByRole('button', { name: 'Practise on this batch' }).click());
		await expect(page.getByTestId('practice')).toContainText('Your batch');
		await page.context().close();
	}
);
