import { chromium, type Page } from '@playwright/test';
import { mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { startApplication } from './lib/application.ts';
import { ensureBuild } from './lib/build.ts';
import { CHROMIUM_ARGS, CHROMIUM_PATH } from './lib/chromium.ts';
import { CHROMIUM, ensureProgram } from './lib/packages.ts';
import { freePort } from './lib/ports.ts';
import { root } from './lib/root.ts';

/** A picture of a main view: where to go, and what to do there before it is taken. */
interface Shot {
	name: string;
	path: (page: Page) => Promise<string> | string;
	width?: number;
	height?: number;
	/** What is done on the page before the picture is taken. */
	before?: (page: Page) => Promise<void>;
}

/** Address of the first link in a list whose words match. */
const linked = (list: string, words: RegExp) => async (page: Page) => {
	await page.goto(list);
	const link = page.locator('main').getByRole('link', { name: words }).first();
	return (await link.getAttribute('href')) ?? list;
};

/** The batch of the demo kitchen in which a ball was miscounted: the second newest of its product. */
const squaredOff = async (page: Page) => {
	await page.goto('/batches');
	const link = page
		.locator('main')
		.getByRole('link', { name: /Sesame layered/ })
		.nth(1);
	return (await link.getAttribute('href')) ?? '/batches';
};

const SHOTS: Shot[] = [
	{ name: 'shelf', path: () => '/shelf' },
	{ name: 'ingredient', path: linked('/shelf', /Cumin/) },
	{ name: 'add-ingredient', path: () => '/shelf/new' },
	{ name: 'formulas', path: () => '/formulas' },
	{ name: 'formula', path: linked('/formulas', /Half-and-half/) },
	{
		name: 'compare',
		path: async (page) => `${await linked('/formulas', /Beet and cumin/)(page)}/compare?from=1&to=2`
	},
	{ name: 'batches', path: () => '/batches' },
	{ name: 'batch', path: linked('/batches', /Toasted-oat/), height: 810 },
	{
		name: 'square',
		path: squaredOff,
		before: (page) =>
			page.getByRole('heading', { name: 'Does it square?' }).evaluate((heading) => heading.scrollIntoView())
	},
	{
		name: 'history',
		path: async (page) => `${await linked('/formulas', /Toasted-oat/)(page)}/history`
	},
	{ name: 'labels', path: () => '/labels' },
	{ name: 'label', path: linked('/labels', /Toasted-oat/) },
	{
		name: 'packs',
		path: linked('/labels', /Sesame/),
		before: async (page) => {
			await page.getByLabel('Packs in the lot').fill('8');
			await page.getByLabel('Net weights').fill('358 361 359 359.5 357 362 357.5 360');
			await page
				.getByRole('heading', { name: 'Packs on the scale' })
				.evaluate((heading) => heading.scrollIntoView());
		}
	},
	{
		name: 'why',
		path: linked('/formulas', /Beet and cumin/),
		before: (page) => page.getByRole('button', { name: 'Why Sodium is what it is' }).click()
	},
	{
		name: 'contact',
		path: linked('/batches', /Toasted-oat/),
		before: (page) =>
			page
				.getByRole('heading', { name: 'What may have come along' })
				.evaluate((heading) => heading.scrollIntoView())
	},
	{ name: 'profile', path: () => '/kitchen/profile' },
	{ name: 'sales', path: () => '/sales' },
	{ name: 'kitchen', path: () => '/kitchen' },
	{ name: 'formula-phone', path: linked('/formulas', /Beet and cumin/), width: 390, height: 844 }
];

/** Streams stay open on a batch's pages, so the network is never idle there. */
const SETTLE_MS = 700;

/** `npm run screenshots`: one current picture of each main view of the demo kitchen in docs/screenshots. */
export async function main(args: string[]): Promise<void> {
	ensureProgram(CHROMIUM);
	await ensureBuild();
	const folder = mkdtempSync(join(tmpdir(), 'square-batch-screenshots-'));
	const out = join(root, 'docs', 'screenshots');
	mkdirSync(out, { recursive: true });
	try {
		const application = await startApplication(join(folder, 'data'), await freePort());
		const browser = await chromium.launch({ executablePath: CHROMIUM_PATH, args: CHROMIUM_ARGS });
		try {
			for (const shot of SHOTS.filter((each) => args.length === 0 || args.includes(each.name))) {
				const page = await browser.newPage({
					baseURL: application.address,
					locale: 'en-US',
					viewport: { width: shot.width ?? 1280, height: shot.height ?? 800 }
				});
				await page.goto(await shot.path(page));
				await page.locator('html[data-ready]').waitFor({ state: 'attached' });
				await shot.before?.(page);
				await page.locator('html:not([data-busy])').waitFor({ state: 'attached' });
				await page.evaluate(() => document.fonts.ready);
				// A chart draws itself a moment after it is there.
				await page.waitForTimeout(SETTLE_MS);
				await page.screenshot({ path: join(out, `${shot.name}.png`) });
				await page.close();
				console.log(`docs/screenshots/${shot.name}.png`);
			}
		} finally {
			await browser.close();
			await application.stop();
		}
	} finally {
		rmSync(folder, { recursive: true, force: true });
	}
}
