import type { Locator, Page } from '@playwright/test';

/** Chooses of a list: by its value, or by the words of it. */
export async function choose(control: Locator, option: string | RegExp | { label: string }): Promise<void> {
	const page = control.page();
	const list = page.getByRole('listbox');
	const wanted =
		typeof option === 'string'
			? list.locator(`[data-option="${option}"]`)
			: option instanceof RegExp
				? list.getByRole('option', { name: option }).last()
				: list.getByRole('option', { name: option.label, exact: true });
	// A page that is read again while a list is open may close it: it is opened once more, as anybody would.
	for (let tries = 1; ; tries += 1) {
		await control.click();
		try {
			await wanted.click({ timeout: OPEN_MS });
			break;
		} catch (error) {
			if (tries === MOST_TRIES || (await list.isVisible())) throw error;
		}
	}
	await list.waitFor({ state: 'detached' });
}

const OPEN_MS = 5000;
const MOST_TRIES = 3;

/** The words of a list's options, read by opening it and leaving it as it was. */
export async function optionsOf(control: Locator): Promise<string[]> {
	await control.click();
	const list = control.page().getByRole('listbox');
	await list.waitFor();
	const words = await list.getByRole('option').allTextContents();
	await control.page().keyboard.press('Escape');
	await list.waitFor({ state: 'detached' });
	return words.map((each) => each.trim());
}

/** A day's parts, under its label. */
export const dayField = (within: Page | Locator, label: string): Locator =>
	within.getByRole('group', { name: label, exact: true });

/** The day a field holds, `2026-03-14`. */
export async function dayIn(within: Page | Locator, label: string): Promise<string> {
	return (await dayField(within, label).locator('xpath=..').getAttribute('data-day')) ?? '';
}

/** Types a day, `2026-03-14`, or takes the one that stands away. */
export async function typeDay(within: Page | Locator, label: string, day: string): Promise<void> {
	const [year = '', month = '', on = ''] = day.split('-');
	await typeParts(dayField(within, label), [
		['year', year],
		['month', month],
		['day', on]
	]);
}

/** Types a time of the day on a clock of 24 hours or of twice twelve, `09:30`. */
export async function typeTime(within: Page | Locator, label: string, time: string): Promise<void> {
	const field = dayField(within, label);
	const [hour = '', minute = ''] = time.split(':');
	const halves = field.locator('[data-segment="dayPeriod"]');
	const isHalved = (await halves.count()) > 0;
	const shown = isHalved ? String(Number(hour) % 12 || 12) : hour;
	await typeParts(field, [
		['hour', shown],
		['minute', minute]
	]);
	if (isHalved) {
		await halves.focus();
		await halves.press(Number(hour) < 12 ? 'a' : 'p');
	}
}

async function typeParts(field: Locator, parts: [name: string, digits: string][]): Promise<void> {
	for (const [name, digits] of parts) {
		const part = field.locator(`[data-segment="${name}"]`);
		await part.focus();
		// What stands in it goes first: a part that is typed into goes on from there.
		for (let nth = 0; nth < 4; nth += 1) await part.press('Backspace');
		await part.focus();
		if (digits) await part.pressSequentially(digits);
	}
}

/** Slides by the arrows until it stands at a value. */
export async function slideTo(slider: Locator, value: number): Promise<void> {
	const now = async () => Number(await slider.getAttribute('aria-valuenow'));
	await slider.focus();
	for (let nth = 0; nth < 400 && (await now()) !== value; nth += 1)
		await slider.press((await now()) < value ? 'ArrowRight' : 'ArrowLeft');
	if ((await now()) !== value) throw new Error(`it stands at ${await now()}, not at ${value}`);
}
