import { choose } from '../tests/e2e/controls.ts';
import { chromium, type Page } from '@playwright/test';
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { startApplication } from './lib/application.ts';
import { ensureBuild } from './lib/build.ts';
import { CHROMIUM_ARGS, CHROMIUM_PATH } from './lib/chromium.ts';
import { CHROMIUM, ensureProgram } from './lib/packages.ts';
import { freePort } from './lib/ports.ts';
import { root } from './lib/root.ts';
import { another } from './lib/come-in-browser.ts';

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

/** A station of a batch that is on the bench, by the name of its product. */
const station = (words: RegExp, at: string) => async (page: Page) =>
	`/batches/${/[0-9A-Z]{26}/.exec(await linked('/batches', words)(page))?.[0] ?? ''}/${at}`;

/** Puts so much on the simulated scale, and nothing else. */
async function onScale(page: Page, grams: number): Promise<void> {
	await page.request.post('/scale/bench', {
		data: { empty: true, put: grams },
		headers: { origin: new URL(page.url()).origin }
	});
	await page
		.locator('[data-testid="on-scale"][data-steady="yes"]')
		.filter({ hasText: new RegExp(`^\\s*${Math.floor(grams).toLocaleString('en-US')}\\.`) })
		.waitFor();
	await page.evaluate(() => scrollTo(0, 0));
}

/** Types readings at the station that is open. */
async function typeReadings(page: Page, readings: readonly string[]): Promise<void> {
	for (const reading of readings) {
		await page.getByLabel('Or type it').fill(reading);
		await page.getByRole('button', { name: 'Take it' }).click();
	}
}

/** The recall sheet of the newest lot of an ingredient. */
const recallOf = (words: RegExp) => async (page: Page) => {
	await page.goto('/shelf/lots');
	const row = page.getByRole('row').filter({ has: page.getByRole('link', { name: words }) });
	const lot = await row.getByRole('link', { name: /^L-/ }).last().getAttribute('href');
	return (lot ?? '').replace('/shelf/lots/', '/trace/lot/');
};

/** The stations in the order of the work, each a little further than the one before. */
const STATIONS: Shot[] = [
	{ name: 'weigh', path: station(/Beet and cumin/, 'weigh'), before: (page) => onScale(page, 1462) },
	{
		name: 'mix',
		path: station(/Toasted-oat/, 'mix'),
		before: async (page) => {
			const steps = page.getByRole('list', { name: 'Steps' });
			const begin = steps.getByRole('button', { name: /^Begin Cover the balls/ });
			// Begun already where the other sheet was taken first.
			await page.getByTestId('timer').or(begin).first().waitFor();
			if ((await begin.count()) > 0) await begin.click();
			await onScale(page, 0);
		}
	},
	{ name: 'divide', path: station(/Toasted-oat/, 'divide'), before: (page) => onScale(page, 83.4) },
	{
		name: 'surface',
		path: station(/Toasted-oat/, 'surface'),
		before: async (page) => {
			if ((await page.getByTestId('scale-of').textContent())?.includes('set out'))
				await typeReadings(page, ['150']);
			await onScale(page, 68.5);
		}
	},
	{
		name: 'cook',
		path: async (page) => {
			const at = await station(/Toasted-oat/, 'divide')(page);
			await page.goto(at);
			await page.locator('html[data-ready]').waitFor({ state: 'attached' });
			await page.getByLabel('Balls made').fill('41');
			await page.getByRole('button', { name: 'Finish dividing' }).click();
			const left = page.getByRole('button', { name: 'Weigh what is left over' });
			if ((await left.count()) > 0) {
				await left.click();
				await typeReadings(page, ['79.6']);
			}
			return at.replace('divide', 'cook');
		},
		before: async (page) => {
			if ((await page.getByTestId('finished').count()) === 0) {
				for (const word of ['One on', 'One on', 'One on', 'One done', 'torn'])
					await page.getByRole('button', { name: word, exact: true }).click();
				await typeReadings(page, ['75.1', '74.2', '75.8', '74.6']);
			}
			await onScale(page, 74.9);
		}
	},
	{
		name: 'pack',
		path: station(/Toasted-oat/, 'pack'),
		before: async (page) => {
			if ((await page.getByRole('list', { name: 'Packs weighed' }).count()) === 0) {
				for (const [label, count] of [
					['Sellable pieces', '40'],
					['Packs closed', '8'],
					['Loose pieces', '0']
				] as const)
					await page.getByLabel(label).fill(count);
				await page.getByRole('button', { name: 'Record the counts' }).click();
				await typeReadings(page, ['373.8', '371.2', '375.4']);
			}
			await onScale(page, 372.6);
		}
	}
];

const SHOTS: Shot[] = [
	{ name: 'today', path: () => '/' },
	{
		name: 'plan',
		path: linked('/plan', /^Saturday, Ferry Green/),
		before: async (page) => {
			await page.getByText('in 100 such').waitFor();
			await page.getByTestId('way').first().waitFor();
		}
	},
	{ name: 'shelf', path: () => '/shelf' },
	{ name: 'ingredient', path: linked('/shelf', /Cumin/) },
	{ name: 'formula', path: linked('/formulas', /Half-and-half/) },
	{
		name: 'reformulate',
		height: 1280,
		path: async (page) => `${await linked('/formulas', /Half-and-half/)(page)}/reformulate`,
		before: async (page) => {
			await page.getByLabel('Say a wish').fill('sodium at most 200 mg');
			await page.keyboard.press('Enter');
			await page.getByText('What holds it back').waitFor();
		}
	},
	...STATIONS.filter((station) => station.name === 'divide'),
	{ name: 'square', path: squaredOff },
	{ name: 'label', path: linked('/labels', /Toasted-oat/) },
	{
		name: 'sure',
		path: async (page) =>
			`/sure/label/${/[0-9A-Z]{26}/.exec(await linked('/labels', /Beet and cumin/)(page))?.[0] ?? ''}`,
		before: async (page) => {
			await page.getByText('draws, done').waitFor();
		}
	}
];

/** Lots, and a sheet that calls one back. */
const STOCK: Shot[] = [
	{ name: 'lots', path: () => '/shelf/lots' },
	{ name: 'recall', path: recallOf(/^Bread flour/) }
];

/** The ledger, and the stall. */
const SALES: Shot[] = [
	{ name: 'sales', path: () => '/sales' },
	{
		name: 'stall',
		path: () => '/sales/stall',
		before: async (page) => {
			const products = page.getByRole('list', { name: 'Products' }).getByRole('button');
			await products.first().click();
			await products.last().click();
		}
	}
];

/** Exercises, the sheet of one, and one from its station to its debrief; the last of all, for it stays in practice. */
const PRACTICE: Shot[] = [
	{ name: 'practice', path: () => '/practice' },
	{ name: 'sheet', path: () => '/practice/sheet/bowl?seed=9' },
	{
		name: 'in practice',
		path: () => '/practice',
		before: async (page) => {
			await page.getByLabel('Seed of a class').fill('9');
			await page.getByRole('button', { name: 'Begin The bowl in the flour' }).click();
			await page.waitForURL(/batches/);
			await page
				.getByRole('link', { name: /^Mix and rest/ })
				.first()
				.click();
			await page.getByRole('button', { name: 'Lay the dough on' }).click();
			await page.locator('[data-testid="on-scale"][data-steady="yes"]').waitFor();
			await page.getByRole('button', { name: 'Take reading' }).click();
			await page.getByRole('button', { name: 'Look under the empty bowl' }).click();
			await page.evaluate(() => scrollTo(0, 0));
		}
	},
	{
		name: 'debrief',
		path: () => '/practice/finish',
		before: async (page) => {
			await choose(page.getByLabel('It was'), { label: 'Nothing was wrong' });
			await page.getByRole('button', { name: 'Say it' }).click();
			await page.getByRole('button', { name: 'Finish and see' }).click();
			await page.waitForURL(/debrief/);
			await page.getByRole('heading', { name: 'What was hidden' }).waitFor();
		}
	}
];

/** Lists, and how a formula's batches went. */
const LISTS: Shot[] = [
	{ name: 'formulas', path: () => '/formulas' },
	{ name: 'batches', path: () => '/batches' },
	{ name: 'labels', path: () => '/labels' },
	{
		name: 'history',
		path: async (page) => `${await linked('/formulas', /Toasted-oat/)(page)}/history`
	}
];

/** What the kitchen is asked once. */
const KITCHEN: Shot[] = [
	{ name: 'kitchen', path: () => '/kitchen' },
	{ name: 'profile', path: () => '/kitchen/profile' },
	{ name: 'costs', path: () => '/kitchen/costs' },
	{ name: 'data', path: () => '/kitchen/data' },
	{
		name: 'long work',
		path: linked('/labels', /Beet and cumin/),
		before: async (page) => {
			await choose(page.getByLabel('For batch'), { label: 'no batch: code and date stay blank' });
			await page.getByLabel('Copies').fill('300');
			await page.getByRole('button', { name: 'PDF', exact: true }).click();
			await page.getByRole('link', { name: 'Download it' }).waitFor();
		}
	},
	{ name: 'your kitchens', path: () => '/me' }
];

/** What a product costs, what is ordered, what sales came to, and how older ones come in. */
const MONEY: Shot[] = [
	{
		name: 'cost',
		path: async (page) => `${await linked('/formulas', /Beet and cumin/)(page)}/cost`
	},
	{ name: 'orders', path: () => '/sales/orders' },
	{ name: 'summary', path: () => '/sales/summary' },
	{ name: 'profit by day', path: () => '/sales/profit' },
	{ name: 'profit by batch', path: () => '/sales/profit?by=batch' },
	{
		name: 'import',
		path: () => '/sales/import',
		before: async (page) => {
			await page.getByLabel('Or its rows').fill(PAST);
			await choose(page.getByLabel('Days are written'), 'day/month/year');
			await page.getByRole('button', { name: 'Look at it' }).click();
			await page.getByTestId('preview').waitFor();
		}
	}
];
const PAST = `day,place,bread,packs,price
14/03/2025,Ferry Green Saturday market,Toasted-oat pita,6,5.50
14/03/2025,Ferry Green Saturday market,Sesame layered flatbread,4,6.50
21/03/2025,Ferry Green Saturday market,Toasted-oat pita,a few,5.50
22/03/2025,From the door,Seeded crispbread,2,4.00`;

/** Who comes in, and what each did. */
const PEOPLE: readonly Shot[] = [
	{ name: 'door', path: () => '/door' },
	{ name: 'people', path: () => '/people' },
	{ name: 'did', path: () => '/people/did' },
	{ name: 'inspection', path: () => '/inspection' }
];

/** Several views in one picture: every station on a laptop and on a tablet, what belongs together else. */
const SHEETS = [
	{ name: 'stations', shots: STATIONS, width: 1280, height: 800, columns: 2, share: 0.62 },
	{ name: 'stations-tablet', shots: STATIONS, width: 768, height: 1024, columns: 3, share: 0.5 },
	{ name: 'stock', shots: STOCK, width: 1280, height: 800, columns: 2, share: 0.62 },
	{ name: 'lists', shots: LISTS, width: 1280, height: 800, columns: 2, share: 0.62 },
	{ name: 'kitchen', shots: KITCHEN, width: 1280, height: 800, columns: 2, share: 0.62 },
	{ name: 'money', shots: MONEY, width: 1280, height: 800, columns: 2, share: 0.62 },
	{ name: 'sales', shots: SALES, width: 1280, height: 800, columns: 2, share: 0.62 },
	{ name: 'people', shots: PEOPLE, width: 1280, height: 800, columns: 2, share: 0.62 },
	{ name: 'practice', shots: PRACTICE, width: 1280, height: 800, columns: 2, share: 0.62 }
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
			const wants = (name: string) => args.length === 0 || args.includes(name);
			const context = await another(browser, application.address);
			const open = async (size: { width?: number; height?: number }) => {
				const page = await context.newPage();
				await page.setViewportSize({ width: size.width ?? 1280, height: size.height ?? 800 });
				return page;
			};
			for (const shot of SHOTS.filter((each) => wants(each.name))) {
				const page = await open(shot);
				writeFileSync(join(out, `${shot.name}.png`), await take(page, shot));
				console.log(`docs/screenshots/${shot.name}.png`);
			}
			for (const sheet of SHEETS.filter((each) => wants(each.name))) {
				const pictures: Buffer[] = [];
				for (const shot of sheet.shots) pictures.push(await take(await open(sheet), shot));
				writeFileSync(join(out, `${sheet.name}.png`), await sideBySide(await open({}), pictures, sheet));
				console.log(`docs/screenshots/${sheet.name}.png`);
			}
		} finally {
			await browser.close();
			await application.stop();
		}
	} finally {
		rmSync(folder, { recursive: true, force: true });
	}
}

/** Goes where a picture is taken, does what comes before it, takes it, and closes the page. */
async function take(page: Page, shot: Shot): Promise<Buffer> {
	await page.goto(await shot.path(page));
	await page.locator('html[data-ready]').waitFor({ state: 'attached' });
	await shot.before?.(page);
	await page.locator('html:not([data-busy])').waitFor({ state: 'attached' });
	await page.evaluate(() => document.fonts.ready);
	// A chart draws itself a moment after it is there.
	await page.waitForTimeout(SETTLE_MS);
	const picture = await page.screenshot();
	await page.close();
	return picture;
}

/** Pictures of one size in rows, smaller. */
async function sideBySide(
	page: Page,
	pictures: readonly Buffer[],
	{ width, height, columns, share }: (typeof SHEETS)[number]
): Promise<Buffer> {
	const [wide, high] = [Math.round(width * share), Math.round(height * share)];
	const whole = columns * (wide + GAP) + GAP;
	await page.setViewportSize({ width: whole, height: high });
	const images = pictures
		.map(
			(picture) =>
				`<img src="data:image/png;base64,${picture.toString('base64')}" width="${wide}" height="${high}">`
		)
		.join('');
	await page.setContent(
		`<body style="margin:0;background:#fff"><div id="all" style="display:grid;grid-template-columns:repeat(${columns},${wide}px);gap:${GAP}px;padding:${GAP}px">${images}</div></body>`
	);
	const picture = await page.locator('#all').screenshot();
	await page.close();
	return picture;
}

const GAP = 12;
