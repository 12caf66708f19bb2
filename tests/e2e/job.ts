import { expect, type Page } from '@playwright/test';
import { choose } from './controls.ts';
import { answered, keep, planAtBench, ready, startFormula } from './making.ts';

/** Pastes a recipe into the first line of an open sheet, and puts on the shelf what it names. */
export async function pasteRecipe(page: Page, lines: readonly string[]): Promise<void> {
	await page.getByLabel('Line 1 as said', { exact: true }).evaluate((cell, said) => {
		const data = new DataTransfer();
		data.setData('text/plain', said);
		cell.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));
	}, lines.join('\n'));
	await expect(
		page.getByLabel(`Line ${lines.filter((line) => !line.endsWith(':')).length} as said`)
	).toBeVisible();
	const all = page.getByRole('button', { name: /^Put all \d+ on the shelf$/ });
	const one = page.getByRole('button', { name: /^Put .* on the shelf$/ });
	if (await all.isVisible()) await answered(page, () => all.click());
	while (await one.first().isVisible()) {
		const name = await one.first().innerText();
		await answered(page, () => one.first().click());
		await expect(page.getByRole('button', { name, exact: true })).toHaveCount(0);
	}
}

/** What a job is made as, beside its lines. */
export interface Job {
	one: string;
	many: string;
	ball: string;
	pack: string;
	/** Ways chosen, by the label of each. */
	ways?: Record<string, string>;
}

/** Writes a job down from its recipe and keeps it; its sheet is open after it. */
export async function writeDown(
	page: Page,
	name: string,
	lines: readonly string[],
	{ one, many, ball, pack, ways = {} }: Job,
	before: () => Promise<void> = async () => {}
): Promise<void> {
	await startFormula(page, name);
	await pasteRecipe(page, lines);
	await page.getByLabel('One piece is a').fill(one);
	await page.getByLabel('Several are').fill(many);
	await page.getByLabel('Ball weight', { exact: true }).fill(ball);
	await page.getByLabel('Pieces in a pack').fill(pack);
	await before();
	await page.getByRole('tab', { name: 'Process' }).click();
	for (const [label, value] of Object.entries(ways))
		await choose(page.getByLabel(label, { exact: true }), value);
	const steps = page.getByRole('button', { name: 'Start from the usual steps' });
	if (await steps.isVisible()) await steps.click();
	await keep(page);
}

/** Types a reading at the open station. */
export async function typeReading(page: Page, grams: number): Promise<void> {
	await page.getByLabel('Or type it').fill(String(grams));
	await page.getByRole('button', { name: 'Take it', exact: true }).click();
	await expect(page.getByLabel('Or type it')).toHaveValue('');
}

/** Goes on to the next station. */
export async function next(page: Page, path: string): Promise<void> {
	await page.getByRole('link', { name: /^Next: / }).click();
	await expect(page).toHaveURL(new RegExp(`/${path}$`));
	await ready(page);
}

/** What is weighed and counted of a batch on its way. */
export interface Made {
	/** By line of the dough, in the order they are weighed. */
	lines: number[];
	dough_g: number;
	balls: number;
	ball_g: number;
	leftover_g?: number;
	/** Of each surface material: what is set out and what comes back. */
	surface?: [out: number, back: number][];
	finished_g: number;
	packs: number;
}

/** Plans a batch of the open formula and makes it by typed readings, up to its counts. */
export async function make(
	page: Page,
	made: Made,
	at: Partial<Record<string, () => Promise<void>>> = {}
): Promise<void> {
	await planAtBench(page);
	await ready(page);
	await at.weigh?.();
	for (const grams of made.lines) await typeReading(page, grams);
	await expect(page.getByText('Every line of the mix is weighed')).toBeVisible();
	await next(page, 'mix');
	await at.mix?.();
	await typeReading(page, made.dough_g);
	await next(page, 'divide');
	for (let nth = 0; nth < 3; nth += 1) await typeReading(page, made.ball_g);
	await page.getByLabel('Balls made').fill(String(made.balls));
	await page.getByRole('button', { name: 'Finish dividing' }).click();
	if (made.leftover_g !== undefined) {
		await page.getByRole('button', { name: 'Weigh what is left over' }).click();
		await typeReading(page, made.leftover_g);
	}
	await page.getByRole('navigation', { name: 'Stations' }).getByRole('link', { name: 'Surface' }).click();
	await expect(page).toHaveURL(/surface$/);
	await ready(page);
	// All is set out first, then what came back is weighed.
	for (const [out] of made.surface ?? []) await typeReading(page, out);
	for (const [, back] of made.surface ?? []) await typeReading(page, back);
	await at.surface?.();
	await page.getByRole('navigation', { name: 'Stations' }).getByRole('link', { name: 'Cook' }).click();
	await expect(page).toHaveURL(/cook$/);
	await ready(page);
	await at.cook?.();
	for (let nth = 0; nth < 2; nth += 1) await typeReading(page, made.finished_g);
	await next(page, 'pack');
	await page.getByLabel('Sellable pieces').fill(String(made.balls));
	await page.getByLabel('Packs closed').fill(String(made.packs));
	await page.getByLabel('Loose pieces').fill('0');
	await page.getByRole('button', { name: 'Record the counts' }).click();
	await expect(page.getByTestId('counted')).toContainText('can be sold');
	await at.pack?.();
	await expect(page.getByTestId('waiting')).toHaveCount(0);
}
