import { choose } from './controls.ts';
import { expect, type APIRequestContext, type APIResponse, type Page } from '@playwright/test';
import type { FormulaDraft, LineDraft, StepDraft } from '../../src/lib/formula/draft.ts';

/** A name nothing else in the kitchen has. */
export const fresh = (name: string): string =>
	`${name} ${Date.now().toString(36)}${Math.floor(Math.random() * 1000)}`;

/** Opens a page and waits until it answers to typing. */
export async function open(page: Page, path: string): Promise<void> {
	await page.goto(path);
	await ready(page);
}

/** Waits until the page that was opened answers to typing. */
export async function ready(page: Page): Promise<void> {
	await page.locator('html[data-ready]').waitFor({ state: 'attached' });
}

/** Waits until nothing that was sent is still being read again. */
export async function settled(page: Page): Promise<void> {
	await page.locator('html:not([data-busy])').waitFor({ state: 'attached' });
}

/** Does what sends a form, and waits for the server's answer and for what is read again after it. */
export async function answered(page: Page, act: () => Promise<void>): Promise<void> {
	const answer = page.waitForResponse((response) => response.request().method() === 'POST');
	await act();
	await (await answer).finished();
	await settled(page);
}

/** Presses the save button of a record and waits for the answer. */
export async function save(page: Page): Promise<void> {
	await answered(page, () => page.getByRole('button', { name: 'Save', exact: true }).click());
}

/** Keeps a version of the open formula and waits for the answer. */
export async function keep(page: Page): Promise<void> {
	await answered(page, () => page.getByRole('button', { name: /^Keep as version/ }).click());
}

/** Waits until what was typed into the open formula is kept as a draft. */
export async function draftKept(page: Page): Promise<void> {
	await expect(page.getByText('Draft kept')).toBeVisible();
}

/** Starts an empty formula and opens its sheet. */
export async function startFormula(page: Page, name: string): Promise<void> {
	await open(page, '/formulas');
	await page.getByRole('button', { name: 'New formula' }).click();
	await expect(page).toHaveURL(/\/formulas\/[0-9A-Z]{26}$/);
	await ready(page);
	await page.getByLabel('Name', { exact: true }).fill(name);
}

/** Adds a line at the end of the open sheet. */
export async function nextLine(page: Page): Promise<void> {
	await page.getByRole('button', { name: /^Type the next line/ }).click();
}

/** A step that is timed. */
export const REST_STEP: StepDraft = {
	key: 'rest',
	kind: 'rest',
	text: 'Cover and rest',
	low: '20',
	high: '30',
	temperature: '',
	cue: ''
};

/** The flour of `newFormula`. */
export const FLOUR = 'Bread flour, enriched';

/** What of `newFormula` is other than usual. */
interface NewFormula {
	steps?: StepDraft[];
	/** Where the application is, where it is not the one all tests share. */
	origin?: string;
	flour?: string;
}

/** Ids of what is on the shelf, by name; '' for what is not. */
export async function shelfIds(request: APIRequestContext): Promise<(name: string) => string> {
	const found = (await (await request.get('/find.json')).json()) as { text: string; href: string }[];
	return (name) =>
		found.find((each) => each.text === name && each.href.startsWith('/shelf/'))?.href.split('/')[2] ?? '';
}

/** Puts an ingredient on the shelf that nobody knows anything of but its name. */
export async function newIngredient(page: Page, name: string): Promise<void> {
	await open(page, '/shelf/blank');
	await page.getByLabel('Name, as you call it').fill(name);
	await page.getByRole('button', { name: 'Put it on the shelf' }).click();
	await expect(page.getByRole('heading', { level: 1, name })).toBeVisible();
}

/** What `newFormula` is made of. */
const LINES: [ingredient: string, use: LineDraft['use'], grams: string, uptake: string][] = [
	[FLOUR, 'dough', '1000', ''],
	['Water', 'dough', '600', ''],
	['Salt', 'dough', '20', ''],
	[FLOUR, 'dusting', '60', '26']
];

/**
 * A new formula, kept, and its sheet opened: 1000 g bread flour, 600 g water, 20 g salt, 60 g dusting
 * of which 26 g stay on. It is sent as the sheet sends it; typing it is tested where that is the subject.
 */
export async function newFormula(
	page: Page,
	name: string,
	{ steps = [], origin = process.env.BASE_URL ?? '', flour = FLOUR }: NewFormula = {}
): Promise<void> {
	const { request } = page;
	const idOf = await shelfIds(request);
	const { location } = await act(request, '/formulas?/new', null, origin);
	const id = location?.split('/')[2] ?? '';
	const draft: FormulaDraft = {
		id,
		version: 1,
		name,
		mixGap: 'residue',
		family: '',
		choices: {},
		lines: LINES.map(([ingredient, use, grams, uptake], index) => ({
			key: `line-${index}`,
			said: '',
			ingredient: idOf(ingredient === FLOUR ? flour : ingredient),
			use,
			stage: 'Dry',
			grams,
			uptake,
			most: '',
			note: '',
			low_g: null,
			high_g: null,
			toWeigh: false
		})),
		steps,
		productId: null,
		product: {
			pieceOne: 'roti',
			pieceMany: 'roti',
			category: 'flatbread',
			ballWeight: '60',
			packPieces: '6',
			servingPieces: '',
			price: '6.50',
			materials: [{ name: 'bag', cost: '0.11' }],
			diameter: '',
			thickness: '',
			discs: []
		}
	};
	const answer = await act(request, `/formulas/${id}?/keep`, draft, origin);
	expect(answer.type, JSON.stringify(answer)).toBe('success');
	await open(page, `/formulas/${id}`);
}

/** Sends a form of the application as its own pages do; the answer of the action. */
export async function act(
	request: APIRequestContext,
	path: string,
	draft: unknown = null,
	origin = process.env.BASE_URL ?? ''
): Promise<{ type: string; location?: string }> {
	const response = await request.post(path, {
		multipart: { draft: JSON.stringify(draft) },
		headers: { origin, accept: 'application/json', 'x-sveltekit-action': 'true' }
	});
	return (await response.json()) as { type: string; location?: string };
}

/** Sends JSON as a script of the application's own pages does. */
export async function post(page: Page, path: string, data: unknown): Promise<APIResponse> {
	const url = new URL(path, /^http/.test(page.url()) ? page.url() : process.env.BASE_URL);
	return page.request.post(url.href, { data, headers: { origin: url.origin } });
}

/** The formula of `newFormula` typed by hand, field after field. */
export async function typeFormula(page: Page, name: string): Promise<void> {
	await startFormula(page, name);
	for (const [index, [ingredient, use, grams]] of LINES.entries()) {
		if (index > 0) await nextLine(page);
		const number = index + 1;
		await choose(page.getByLabel(`Ingredient of line ${number}`), { label: ingredient });
		await page.getByLabel(`Grams of line ${number}`).fill(grams);
		await choose(page.getByLabel(`Use of line ${number}`), use);
	}
	await page.getByLabel('Stays on, of line 4').fill('26');
	await page.getByLabel('Ball weight').fill('60');
	await page.getByLabel('Pieces in a pack').fill('6');
	await page.getByLabel('One piece is a').fill('roti');
	await page.getByLabel('Several are').fill('roti');
	await page.getByLabel(/Price of a pack/).fill('6.50');
	await page.getByRole('button', { name: 'Add a material' }).click();
	await page.getByLabel('Material 1', { exact: true }).fill('bag');
	await page.getByLabel('Cost of material 1').fill('0.11');
	await keep(page);
	await expect(page.getByRole('button', { name: 'Kept', exact: true })).toBeVisible();
}

/** Plans a batch from the open formula page and opens its figures. */
export async function planBatch(page: Page): Promise<void> {
	await planAtBench(page);
	await open(page, page.url().replace(/\/weigh$/, ''));
	await expect(page.getByLabel('Dough weight')).toBeVisible();
}

/** Plans a batch from the open formula page, and is at its weigh-in. */
export async function planAtBench(page: Page): Promise<void> {
	await page.getByRole('link', { name: /^Make a batch/ }).click();
	await expect(page.getByRole('heading', { name: 'New batch' })).toBeVisible();
	await page.getByRole('button', { name: 'Plan this batch' }).click();
	await expect(page).toHaveURL(/\/batches\/[0-9A-Z]{26}\/weigh$/);
}

/** What was measured of that batch: 1600 g of dough, 26 balls, finished at 52 g, two rejects. */
export const MEASURED: [label: string, value: string][] = [
	['Dough weight', '1600'],
	['Balls made', '26'],
	['Dough left over', '40'],
	['Some balls on the scale, grams with spaces between', '60 60 60'],
	['Some finished pieces, cooled, grams with spaces between', '52 52'],
	['Rejects', '2']
];

/**
 * Types measurements into an open batch page of `newFormula`: every line as it was planned, and the full packs that
 * the balls less the rejects make.
 */
export async function measure(page: Page, more: Record<string, string> = {}): Promise<void> {
	const lines = page.getByRole('textbox', { name: /on the scale(, (?!grams).*)?$/ });
	for (const [index, [, , grams]] of LINES.entries()) await lines.nth(index).fill(grams);
	await page.getByLabel('that stayed on the pieces').first().fill('26');
	const typed = new Map(MEASURED.map(([label, value]) => [label, more[label] ?? value]));
	for (const [label, value] of typed) await page.getByLabel(label).fill(value);
	const sound = Number(typed.get('Balls made')) - Number(typed.get('Rejects'));
	await page.getByLabel('Packs closed').fill(more['Packs closed'] ?? String(Math.floor(sound / 6)));
}

/** Says of an open batch that it shared nothing, so that what others make meanwhile is not proposed. */
export async function sharesNothing(page: Page): Promise<void> {
	for (const box of await page.getByRole('group', { name: 'It touches' }).getByRole('checkbox').all())
		await box.uncheck();
}

/** Declines everything that the open label page proposes may have come along. */
export async function declineProposals(page: Page): Promise<void> {
	if (!(await page.getByTestId('proposals').isVisible())) await pressPart(page, 'contact');
	const proposals = page.getByTestId('proposals').getByRole('listitem');
	for (let left = await proposals.count(); left > 0; left--) {
		await proposals.first().getByRole('textbox').fill('baked away from it');
		await answered(page, () => proposals.first().getByRole('button', { name: 'It cannot have' }).click());
		await expect(proposals).toHaveCount(left - 1);
	}
}

/** Records an open batch page and waits for the answer. */
export async function record(page: Page): Promise<void> {
	await answered(page, () =>
		page.getByRole('button', { name: /Record this batch|Save what was measured/ }).click()
	);
	await expect(page.getByRole('heading', { name: /^Sold/ })).toBeVisible();
}

/** Presses a part of the open label, on the bag where it stands there. */
export async function pressPart(page: Page, part: string): Promise<void> {
	await page.locator(`[data-part="${part}"]:visible`).first().click();
	await expect(page.getByTestId('card')).toBeVisible();
}

/** Declares on the open label what weighed pieces bear out. */
export async function declareNet(page: Page): Promise<void> {
	await pressPart(page, 'quantity');
	await page.getByRole('button', { name: /^Declare \d+ g$/ }).click();
}

/** Says on the open label which of the foods of the demo kitchen's profile it is. */
export async function sayFood(page: Page): Promise<void> {
	await pressPart(page, 'sentence');
	await choose(page.getByLabel('Which of the foods your profile allows'), 'flatbread without filling');
}

/** Opens the label of a product from the list of labels. */
export async function openLabel(page: Page, name: string): Promise<void> {
	await open(page, '/labels');
	await page.getByRole('link', { name }).click();
	await expect(page.getByRole('heading', { level: 1, name })).toBeVisible();
}

/** Says on the open label how large the front of the pack is. */
export async function frontOfPack(page: Page): Promise<void> {
	await pressPart(page, 'pack');
	await page.getByLabel('Front of the pack, wide').fill('180');
	await page.getByLabel('Front of the pack, high').fill('220');
}

/** Says everything the open label of a recorded batch still waits for, and approves its first revision. */
export async function approveFirst(page: Page): Promise<void> {
	await declareNet(page);
	await frontOfPack(page);
	await sayFood(page);
	await save(page);
	await declineProposals(page);
	await expect(page.getByRole('heading', { name: 'Nothing is missing' })).toBeVisible();
	await answered(page, () => page.getByRole('button', { name: 'Approve as revision 1' }).click());
}
