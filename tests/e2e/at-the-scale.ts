import { expect, type Page } from '@playwright/test';
import { answered, ready } from './making.ts';
import { post } from './making.ts';

/** A simulated scale of this test's own, and the hand at its panel. */
export interface Pan {
	put(grams: number): Promise<void>;
	clear(): Promise<void>;
	/** What the panel cannot do to it: sent as it would send it. */
	change(traits: Record<string, unknown>): Promise<void>;
}

/** Gives the page a scale nobody else puts anything on. Call it before the station is opened. */
export async function scaleOfOwn(page: Page): Promise<Pan> {
	const name = `test-${Date.now().toString(36)}-${Math.floor(Math.random() * 1e6)}`;
	await page.addInitScript((own) => localStorage.setItem('square-batch:scale', own), name);
	const panel = page.getByTestId('simulated-scale');
	const opened = async () => {
		if ((await panel.getAttribute('open')) === null) await panel.locator('summary').click();
	};
	const press = async (button: string) => {
		const answer = page.waitForResponse(
			(response) => response.url().endsWith(`/scale/${name}`) && response.request().method() === 'POST'
		);
		await panel.getByRole('button', { name: button }).click();
		expect((await answer).ok()).toBe(true);
	};
	return {
		put: async (grams) => {
			await opened();
			await panel.getByLabel('Grams').fill(String(Math.abs(grams)));
			await press(grams < 0 ? 'Take off' : 'Put on');
		},
		clear: async () => {
			await opened();
			await press('Clear the pan');
		},
		change: async (traits) => {
			expect((await post(page, `/scale/${name}`, traits)).ok()).toBe(true);
		}
	};
}

/** Waits until the scale shows so much, steadily. */
export async function shows(page: Page, grams: string): Promise<void> {
	const figure = page.getByTestId('on-scale');
	await expect(figure).toHaveText(new RegExp(`^\\s*-?${grams.replace('.', '\\.')}\\s*g$`));
	await expect(figure).toHaveAttribute('data-steady', 'yes');
}

/** Puts so much on the pan, and takes the reading once it is steady. */
export async function weigh(page: Page, pan: Pan, grams: number): Promise<void> {
	await pan.put(grams);
	await shows(page, grams.toLocaleString('en-US', { minimumFractionDigits: 1 }));
	await page.getByRole('button', { name: 'Take reading' }).click();
}

/** Goes on to the next station. */
export async function goOn(page: Page, word: string, path: string): Promise<void> {
	await page.getByRole('link', { name: `Next: ${word}` }).click();
	await expect(page).toHaveURL(new RegExp(`/${path}$`));
	await ready(page);
}

/** What happens to the page half way through each station. */
export type Between = (station: string) => Promise<void>;

/**
 * A whole batch of the formula of `newFormula` through the scale, from its weigh-in to a squared close:
 * 1620 g in, 1604 g of dough, 26 balls of 60 g and 44 g left, 120 consumed less 60 swept, two rejects.
 */
export async function bakeAtTheScale(page: Page, pan: Pan, between: Between): Promise<void> {
	const station = (word: string) =>
		page.getByRole('navigation', { name: 'Stations' }).getByRole('link', { name: word });

	await weigh(page, pan, 1000);
	await expect(page.getByTestId('line-now')).toHaveText('Water');
	await between('weigh');
	await expect(page.getByTestId('line-now')).toHaveText('Water');
	// The bowl stays on the scale and starts at nothing again.
	await weigh(page, pan, 600);
	await expect(page.getByTestId('line-now')).toHaveText('Salt');
	await weigh(page, pan, 20);
	await expect(page.getByText('Every line of the mix is weighed')).toBeVisible();

	await goOn(page, 'Mix and rest', 'mix');
	await page.getByRole('button', { name: 'Begin Cover and rest' }).click();
	await expect(page.getByTestId('timer')).toBeVisible();
	await between('mix');
	await expect(page.getByTestId('timer')).toBeVisible();
	await page.getByRole('button', { name: 'End Cover and rest' }).click();
	await expect(page.getByRole('list', { name: 'Steps' })).toContainText('before its time');
	await pan.clear();
	await weigh(page, pan, 1604);
	await expect(page.getByTestId('dough')).toHaveText(/1,604\.\d/);
	await expect(station('Mix and rest')).toContainText('squares');

	await goOn(page, 'Divide', 'divide');
	for (const ball of [1, 2, 3]) {
		await pan.clear();
		await shows(page, '0.0');
		await weigh(page, pan, 60);
		await expect(page.getByTestId('scale-of')).toHaveText(`ball ${ball + 1}`);
		if (ball === 2) await between('divide');
	}
	await page.getByLabel('Balls made').fill('26');
	await page.getByRole('button', { name: 'Finish dividing' }).click();
	await page.getByRole('button', { name: 'Weigh what is left over' }).click();
	await pan.clear();
	await shows(page, '0.0');
	await weigh(page, pan, 44);
	await expect(station('Divide')).toContainText('squares');

	await station('Surface').click();
	await expect(page).toHaveURL(/surface$/);
	await pan.clear();
	await weigh(page, pan, 200);
	await expect(page.getByTestId('scale-of')).toContainText('returned to stock');
	await between('surface');
	await pan.clear();
	await shows(page, '0.0');
	await weigh(page, pan, 80);
	await expect(page.getByTestId('consumed')).toContainText('assumed');
	await page.getByRole('button', { name: /Swept or wiped away/ }).click();
	await pan.clear();
	await shows(page, '0.0');
	await weigh(page, pan, 60);
	await expect(page.getByTestId('consumed')).toContainText(/60\.\d g stay on/);

	await goOn(page, 'Cook', 'cook');
	await page.getByRole('button', { name: 'One on' }).click();
	await page.getByRole('button', { name: 'One on' }).click();
	await page.getByRole('button', { name: 'One done' }).click();
	await page.getByRole('button', { name: 'burnt' }).click();
	await page.getByRole('button', { name: 'torn' }).click();
	await between('cook');
	await expect(page.getByTestId('pieces')).toContainText('Rejected 2');
	for (const piece of [1, 2]) {
		await pan.clear();
		await shows(page, '0.0');
		await weigh(page, pan, 52);
		await expect(page.getByTestId('scale-of')).toContainText(`finished piece ${piece + 1}`);
	}
	await expect(page.getByTestId('moisture')).toContainText('plausible');

	await goOn(page, 'Count and pack', 'pack');
	await page.getByLabel('Sellable pieces').fill('24');
	await between('pack');
	await page.getByLabel('Sellable pieces').fill('24');
	await page.getByLabel('Packs closed').fill('4');
	await page.getByLabel('Loose pieces').fill('0');
	await page.getByRole('button', { name: 'Record the counts' }).click();
	await expect(page.getByTestId('counted')).toHaveText('4 packs can be sold.');
	await expect(page.getByRole('navigation', { name: 'Stations' })).toContainText('6 of 6 squares');

	// The server has everything before the desk is gone to.
	await expect(page.getByTestId('waiting')).toHaveCount(0);
	await goOn(page, 'Square', '[0-9A-Z]{26}');
	await expect(page.getByTestId('stage-divide')).toContainText('squares');
	await answered(page, () => page.getByRole('button', { name: 'Close this batch' }).click());
	await expect(page.getByRole('heading', { name: /^Closed on/ })).toBeVisible();
}
