import { test as base, type BrowserContext } from '@playwright/test';

import { comeIn } from '../../scripts/lib/come-in-browser.ts';

export { expect } from '@playwright/test';

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
		for (const page of profile.pages()) await page.close();
	}
});
