import { test as base, type BrowserContext, type Page } from '@playwright/test';

import { comeIn } from '../../scripts/lib/come-in-browser.ts';

export { expect } from '@playwright/test';

const MINUTE_MS = 60_000;
const timeOf = (page: Page): Promise<number> => page.evaluate(() => Date.now()).catch(() => Date.now());

/**
 * A browser profile for each worker rather than for each test: to make one costs more than most tests,
 * and pages of one profile share what the browser has already fetched and compiled.
 */
export const test = base.extend<object, { profile: BrowserContext }>({
	profile: [
		async ({ browser }, use, { project }) => {
			const { baseURL, viewport, locale } = project.use;
			const profile = await browser.newContext({
				...(baseURL === undefined ? {} : { baseURL }),
				...(viewport === undefined ? {} : { viewport }),
				...(locale === undefined ? {} : { locale }),
				reducedMotion: 'reduce'
			});
			await comeIn(profile, baseURL ?? '');
			await use(profile);
			await profile.close();
		},
		{ scope: 'worker' }
	],
	context: async ({ profile }, use) => {
		await use(profile);
		const [page] = profile.pages();
		const off_ms = page ? Math.abs((await timeOf(page)) - Date.now()) : 0;
		for (const each of profile.pages()) await each.close();
		// Whatever is set of a clock is set for every later test of this browser: they would sell yesterday.
		if (off_ms > MINUTE_MS)
			throw new Error('the clock of a browser that others go on with was set: take another(browser) for it');
	}
});
