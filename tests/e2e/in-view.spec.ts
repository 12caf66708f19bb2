import { LONG } from './long.ts';
import type { Locator, Page } from '@playwright/test';
import { fresh, newFormula, open, planAtBench } from './making.ts';
import { expect, test } from './test.ts';

const SIZES = [
	{ width: 1280, height: 800 },
	{ width: 768, height: 1024 },
	{ width: 390, height: 844 }
];

const isShown = async (page: Page, what: Locator): Promise<boolean> => {
	const height = page.viewportSize()?.height ?? 0;
	for (const each of await what.all()) {
		const box = await each.boundingBox();
		if (box && box.y >= 0 && box.y + box.height <= height + 1) return true;
	}
	return false;
};

/** Words of the page that go on in a second row, but for those longer than any name is. */
const brokenWords = (page: Page): Promise<string[]> =>
	page.locator('main').evaluate((main) => {
		const broken: string[] = [];
		const walker = document.createTreeWalker(main, NodeFilter.SHOW_TEXT);
		for (let node = walker.nextNode(); node; node = walker.nextNode()) {
			const text = node.textContent ?? '';
			for (const found of text.matchAll(/\p{L}{2,24}/gu)) {
				const range = document.createRange();
				range.setStart(node, found.index);
				range.setEnd(node, found.index + found[0].length);
				const rows = new Set([...range.getClientRects()].map((rect) => Math.round(rect.top)));
				if (rows.size > 1) broken.push(found[0]);
			}
		}
		return broken;
	});

test(
	'at every station the number, what is weighed and the main button stay in view, and no name is broken',
	LONG,
	async ({ page }) => {
		await newFormula(page, fresh('Seen roti'));
		await planAtBench(page);
		const batch = new URL(page.url()).pathname.replace(/\/weigh$/, '');
		for (const size of SIZES) {
			await page.setViewportSize(size);
			for (const station of ['weigh', 'mix', 'divide', 'surface', 'cook', 'pack']) {
				await open(page, `${batch}/${station}`);
				const inShort = page.locator('#in-view');
				const number = page.getByTestId('on-scale').or(inShort.locator('.figure'));
				const line = page.getByTestId('scale-of').or(inShort.locator('span').first());
				const main =
					station === 'cook'
						? page.getByRole('button', { name: 'One done' }).or(inShort.getByText('1 done'))
						: page
								.getByRole('button', { name: 'Take reading' })
								.or(inShort.getByText('Take', { exact: true }));
				for (const to of ['top', 'middle', 'bottom']) {
					await page.evaluate((where) => {
						const height = document.documentElement.scrollHeight;
						scrollTo(0, where === 'top' ? 0 : where === 'middle' ? height / 2 - innerHeight / 2 : height);
					}, to);
					const where = `${station} at ${size.width}, ${to}`;
					for (const [what, each] of Object.entries({ number, line, main }))
						await expect.poll(() => isShown(page, each), `${what} of ${where}`).toBe(true);
					await expect
						.poll(() => isShown(page, page.getByRole('link', { name: /^Next: / })), `next of ${where}`)
						.toBe(true);
				}
				expect(await brokenWords(page), `${station} at ${size.width}`).toEqual([]);
			}
		}
	}
);

test('a main button that is cut by the end of the window stands at the top of it', async ({ page }) => {
	await newFormula(page, fresh('Cut roti'));
	await planAtBench(page);
	await page.setViewportSize({ width: 390, height: 844 });
	const take = page.getByRole('button', { name: 'Take reading' });
	await expect(take).toBeVisible();
	// As what runs above it in the kitchen pushes it down: ten pixels of it are out of the window.
	await take.evaluate((button) => {
		const main = document.querySelector('main');
		const below = innerHeight - button.getBoundingClientRect().bottom;
		if (main) main.style.paddingTop = `${parseFloat(getComputedStyle(main).paddingTop) + below + 10}px`;
	});
	await expect(page.locator('#in-view').getByText('Take', { exact: true })).toBeVisible();
});

test('a line stays above what says more of it, on a phone too', async ({ page }) => {
	await newFormula(page, fresh('Lain over roti'));
	await page.setViewportSize({ width: 390, height: 844 });
	await open(page, page.url());
	const grams = page.getByLabel('Grams of line 4', { exact: true });
	// As a finger does it: where it stands, low in the window.
	await grams.evaluate((cell) => cell.scrollIntoView({ block: 'end' }));
	await grams.click();
	const detail = page.getByRole('group', { name: 'More of line 4' });
	await expect(detail).toBeVisible();
	const ends = async () => {
		const [cell, over] = [await grams.boundingBox(), await detail.boundingBox()];
		return cell && over ? cell.y + cell.height <= over.y + 1 : false;
	};
	await expect.poll(ends).toBe(true);
});
