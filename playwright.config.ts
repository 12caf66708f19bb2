import { defineConfig } from '@playwright/test';
import { CHROMIUM_ARGS, CHROMIUM_PATH } from './scripts/lib/chromium.ts';

export default defineConfig({
	testDir: 'tests/e2e',
	outputDir: 'test-results',
	globalSetup: './tests/e2e/stock-up.ts',
	timeout: 300_000,
	expect: { timeout: 20_000 },
	// The tests share one kitchen, as people do; each makes what it changes, so two can go side by side.
	workers: 2,
	fullyParallel: true,
	reporter: [['list'], ['json']],
	use: {
		baseURL: process.env.BASE_URL,
		viewport: { width: 1280, height: 800 },
		locale: 'en-US',
		launchOptions: { executablePath: CHROMIUM_PATH, args: CHROMIUM_ARGS }
	}
});
