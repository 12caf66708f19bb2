import { chromium, type Page } from '@playwright/test';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import loadHighs from 'highs';
import { derive } from '../core/derive.ts';
import { LIVE_LIMIT_S, solverBy } from '../core/reformulate/program.ts';
import { reformulate } from '../core/reformulate/reformulate.ts';
import { recipeOfDocument, type LineDocument } from '../core/file/document.ts';
import type { Recipe } from '../core/formula/types.ts';
import { closings } from '../core/squaring/closings.ts';
import { explanations } from '../core/squaring/explain.ts';
import { randomOf, simulateBatch, withLineLeftOut, withMissedLine } from '../core/testing/simulate.ts';
import { referenceRows } from '../src/lib/server/reference/read.ts';
import { startApplication } from './lib/application.ts';
import { ensureBuild } from './lib/build.ts';
import { CHROMIUM_ARGS, CHROMIUM_PATH } from './lib/chromium.ts';
import { CHROMIUM, ensureProgram } from './lib/packages.ts';
import { openDatabase } from '../src/lib/server/db/connection.ts';
import { startMariaDb } from './lib/mariadb.ts';
import { mainPagesOf, pageSpeeds, reportPages } from './lib/pages.ts';
import { freePort } from './lib/ports.ts';
import { longestWaits, type Wait } from './lib/waits.ts';
import { another } from './lib/come-in-browser.ts';

/**
 * `npm run bench`: how fast the core derives, how many answers a second pages give and what they ask the database, how
 * much script the first page takes, how soon a page follows a keystroke, and how long others wait for long work. Prints, asserts nothing.
 */
export async function main(): Promise<void> {
	benchDerive();
	await benchReformulate();
	benchSquaring();
	await benchApplication();
}

/** A formula of so many lines out of the shipped reference rows, with its last two on the surface. */
function recipeOfLines(count: number): Recipe {
	const ingredients = [...referenceRows().values()]
		.slice(0, count)
		.map(({ id, name, kind, per100g, allergens }) => ({
			id,
			name,
			kind,
			per100g,
			allergens,
			price: { amount: '24.50', grams: 22680 }
		}));
	return recipeOfDocument({
		squareBatch: 1,
		rules: 'us',
		currency: 'USD',
		ingredients,
		formula: {
			name: 'Bench roti',
			lines: ingredients.map(({ id }, index): LineDocument =>
				index < count - 2
					? { ingredient: id, use: 'dough', grams: 1000 / (index + 1) }
					: { ingredient: id, use: 'dusting', consumed_g: 60, uptake_g: 30 }
			)
		},
		piece: { one: 'roti', many: 'roti', category: 'flatbread', ballWeight_g: 60 },
		batch: { finishedWeights_g: [56, 56.5, 57] },
		pack: { pieces: 6, materials: [{ name: 'bag', cost: '0.11' }] }
	});
}

/** How often sound batches are called off, and how often a single error is named first. */
function benchSquaring(): void {
	const random = randomOf(7);
	const batches = Array.from({ length: 5000 }, () => simulateBatch(random));
	const off = batches.filter((each) => closings(each).some((closing) => closing.state === 'off'));
	console.log(
		`squaring: ${((100 * off.length) / batches.length).toFixed(2)} % of ${batches.length} sound batches called off (under 5 wanted)`
	);
	const kinds = [
		['missed line', withMissedLine],
		['line that never went in', withLineLeftOut]
	] as const;
	for (const [what, spoil] of kinds) {
		let [asked, named] = [0, 0];
		batches.forEach((whole, round) => {
			const line = whole.lines[round % whole.lines.length];
			const batch = spoil(whole, round % whole.lines.length);
			const [mix] = closings(batch);
			if (!line || mix?.state !== 'off' || line.recorded_g <= 3 * mix.tolerance) return;
			asked++;
			const [correction, more] = explanations(mix, batch)[0]?.corrections ?? [];
			if (correction?.what === 'line' && correction.line === line.id && !more) named++;
		});
		console.log(
			`squaring: a single ${what} above three tolerances named first in ${((100 * named) / asked).toFixed(1)} % of ${asked}`
		);
	}
}

function benchDerive(): void {
	const recipe = recipeOfLines(12);
	const outcome = derive(recipe);
	if (!outcome.ok) throw new Error(`the bench formula does not derive: ${JSON.stringify(outcome.problems)}`);
	const run = (ms: number) => {
		const until = performance.now() + ms;
		let times = 0;
		while (performance.now() < until) {
			derive(recipe);
			times++;
		}
		return times / (ms / 1000);
	};
	run(500);
	console.log(`derive of a 12-line formula: ${Math.round(run(2000))} per second`);
}

/** How soon the nearest formula of 20 lines, 17 of them free, is there after a wish was changed. */
async function benchReformulate(): Promise<void> {
	const highs = await loadHighs();
	const solve = solverBy((text, options) => highs.solve(text, options), { whole_s: LIVE_LIMIT_S });
	const recipe = recipeOfLines(20);
	const facts = derive(recipe);
	if (!facts.ok) throw new Error('the bench formula does not derive');
	const now = facts.value.perPiece;
	const free = recipe.formula.lines.flatMap(({ use }, line) =>
		use === 'dough' && line > 0 ? { line, low_g: 0, high_g: null } : []
	);
	const WISHES = 40;
	const took = Array.from({ length: WISHES }, (_, nth) => {
		const bound = 1 - (nth + 1) / (2 * WISHES);
		const target = (figure: 'fat_g' | 'carbohydrate_g', of: number | null) =>
			({ figure, per: 'piece', atMost: (of ?? 0) * bound, atLeast: null, as: 'exact' }) as const;
		const targets = [target('fat_g', now.fat_g), target('carbohydrate_g', now.carbohydrate_g)];
		const wish = { free, together: [], targets, ballWeight_g: null, step_g: 1, windows: null };
		const began = performance.now();
		reformulate(recipe, wish, solve);
		return performance.now() - began;
	}).sort((a, b) => a - b);
	console.log(
		`reformulating a 20-line formula: median ${Math.round(quantile(took, 0.5))} ms, 95 in 100 within ${Math.round(quantile(took, 0.95))} ms (100 wanted)`
	);
}

const quantile = (sorted: number[], share: number) =>
	sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))] ?? 0;

/**
 * Milliseconds from a keystroke in the grams of the first line until the page has laid out the figures
 * it changed: the work that has to fit in a frame.
 */
async function keystrokes(page: Page, times: number): Promise<number[]> {
	const field = page.getByLabel('Grams of line 1', { exact: true });
	await field.focus();
	const taken: number[] = [];
	for (let round = 0; round < times; round++) {
		const value = String(1000 + round);
		taken.push(
			await field.evaluate(async (element, typed) => {
				const input = element as HTMLInputElement;
				await new Promise((resolve) => requestAnimationFrame(resolve));
				const began = performance.now();
				input.value = typed;
				input.dispatchEvent(new Event('input', { bubbles: true }));
				// Svelte flushes in a microtask; reading a size then forces style and layout.
				await Promise.resolve();
				await Promise.resolve();
				void document.body.offsetHeight;
				return performance.now() - began;
			}, value)
		);
	}
	return taken.sort((a, b) => a - b);
}

const LINES_OF_LARGE = 40;

/** A sheet of so many lines, pasted as text, with what the figures need beside. */
async function openLargeSheet(page: Page): Promise<void> {
	await page.goto('/formulas');
	await page.waitForLoadState('networkidle');
	await page.getByRole('button', { name: 'New formula' }).click();
	await page.waitForURL(/formulas\/[0-9A-Z]{26}$/);
	await page.waitForLoadState('networkidle');
	const names = [
		'bread flour',
		'water',
		'salt',
		'canola oil',
		'honey',
		'dry yeast',
		'sesame seed',
		'oat flour'
	];
	const text = Array.from(
		{ length: LINES_OF_LARGE },
		(_, index) => `${100 + index} g ${names[index % names.length] ?? ''}`
	).join('\n');
	await page.getByLabel('Line 1 as said').evaluate((field, pasted) => {
		const data = new DataTransfer();
		data.setData('text/plain', pasted);
		field.dispatchEvent(
			new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true })
		);
	}, text);
	for (const [label, value] of [
		['Ball weight', '60'],
		['Pieces in a pack', '6'],
		['One piece is a', 'roti'],
		['Several are', 'roti']
	] as const)
		await page.getByLabel(label).fill(value);
	await page.getByText('Draft kept').waitFor();
}

async function benchApplication(): Promise<void> {
	ensureProgram(CHROMIUM);
	await ensureBuild();
	const folder = mkdtempSync(join(tmpdir(), 'square-batch-bench-'));
	const undo: (() => Promise<void> | void)[] = [];
	try {
		const mariadb = await startMariaDb(join(folder, 'database'), { durable: false });
		undo.push(mariadb.stop);
		const db = openDatabase(mariadb.ownerUrl);
		undo.push(() => db.destroy());
		const application = await startApplication(join(folder, 'data'), await freePort(), {
			DATABASE_URL: mariadb.ownerUrl
		});
		const of = await mainPagesOf(db);
		reportPages(await pageSpeeds(application.address, db, of.kitchenId, of.paths));
		reportWaits(await longestWaits(application.address, db));
		const browser = await chromium.launch({ executablePath: CHROMIUM_PATH, args: CHROMIUM_ARGS });
		try {
			const page = await (await another(browser, application.address)).newPage();
			await reportScript(page);
			await page.goto('/formulas');
			await page
				.getByRole('link', { name: /Beet and cumin/ })
				.first()
				.click();
			await page.waitForLoadState('networkidle');
			report('formula sheet of 8 lines', await keystrokes(page, 60));
			await openLargeSheet(page);
			report(`formula sheet of ${LINES_OF_LARGE} lines`, await keystrokes(page, 60));
		} finally {
			await browser.close();
			await application.stop();
		}
	} finally {
		for (const step of undo.reverse()) await step();
		rmSync(folder, { recursive: true, force: true });
	}
}

/** How long a light request waits while something long is done, and how long that takes. */
function reportWaits(waits: readonly Wait[]): void {
	for (const { what, took_ms, worst_ms } of waits)
		console.log(
			`beside ${what} (${took_ms.toFixed(0)} ms): a light request waited ${worst_ms.toFixed(0)} ms at most`
		);
	const worst = Math.max(...waits.map(({ worst_ms }) => worst_ms));
	console.log(`beside all of it: ${worst.toFixed(0)} ms at most (under 100 wanted)`);
}

/** How much script the first page of a new visitor takes over the wire. */
async function reportScript(page: Page): Promise<void> {
	const sizes: Promise<{ requestBodySize: number; responseBodySize: number }>[] = [];
	page.on('response', (response) => {
		if (response.url().endsWith('.js')) sizes.push(response.request().sizes());
	});
	await page.goto('/');
	await page.waitForLoadState('networkidle');
	const sent = (await Promise.all(sizes)).reduce((sum, { responseBodySize }) => sum + responseBodySize, 0);
	console.log(`first page: ${(sent / 1024).toFixed(0)} kB of script in ${sizes.length} files, as sent`);
	page.removeAllListeners('response');
}

function report(what: string, taken: number[]): void {
	console.log(
		`${what}, keystroke to laid-out figures: median ${quantile(taken, 0.5).toFixed(1)} ms, 95th percentile ${quantile(taken, 0.95).toFixed(1)} ms (a frame is 16.7 ms)`
	);
}
