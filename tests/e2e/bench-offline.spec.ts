import { LONG } from './long.ts';
import {
	cpSync,
	mkdirSync,
	mkdtempSync,
	readdirSync,
	readFileSync,
	rmSync,
	symlinkSync,
	writeFileSync
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { startApplication } from '../../scripts/lib/application.ts';
import { layDemo } from '../../scripts/lib/demo-data.ts';
import { freePort } from '../../scripts/lib/ports.ts';
import { root } from '../../scripts/lib/root.ts';
import { bakeAtTheScale, scaleOfOwn } from './at-the-scale.ts';
import { newFormula, planAtBench, REST_STEP } from './making.ts';
import { expect, test } from './test.ts';
import { another } from '../../scripts/lib/come-in-browser.ts';

test.describe.configure({ timeout: 240_000 });

test(
	'a whole batch with the server killed and back twice: the work goes on, and everything arrives once',
	LONG,
	async ({ browser }) => {
		const folder = mkdtempSync(join(tmpdir(), 'square-batch-offline-'));
		const [dataDir, port] = [join(folder, 'data'), await freePort()];
		layDemo(dataDir);
		let application = await startApplication(dataDir, port);
		const context = await another(browser, application.address);
		try {
			const page = await context.newPage();
			const pan = await scaleOfOwn(page);
			await newFormula(page, 'Cut off roti', { steps: [REST_STEP], origin: application.address });
			await planAtBench(page);
			const waiting = page.getByTestId('waiting');

			await bakeAtTheScale(page, pan, async (station) => {
				if (station !== 'divide' && station !== 'cook') return;
				await application.kill();
				if (station === 'divide') {
					// The scale on the network went with it: the keyboard is still there.
					await expect(page.getByText('The scale does not answer')).toBeVisible();
					await page.getByLabel('Or type it').fill('61.5');
					await page.getByRole('button', { name: 'Take it' }).click();
					await expect(
						page.getByRole('button', { name: 'Ball 3, 61.5 g, within the tolerance, waiting' })
					).toBeVisible();
					await page.getByRole('button', { name: 'Undo last' }).click();
					await expect(page.getByTestId('scale-of')).toHaveText('ball 3');
				} else {
					await page.getByRole('button', { name: 'stuck' }).click();
					await expect(page.getByTestId('pieces')).toContainText('Rejected 3');
					await page.getByRole('button', { name: 'Undo last' }).first().click();
				}
				// Two, and what was on its way when the power went.
				await expect(waiting).toContainText(/[2-9] entries are kept on this device/);
				// The stations are there without a server.
				const stations = page.getByRole('navigation', { name: 'Stations' });
				await stations.getByRole('link', { name: 'Mix and rest' }).click();
				await expect(page.getByTestId('dough')).toHaveText(/1,604\.\d/);
				await stations.getByRole('link', { name: station === 'divide' ? 'Divide' : 'Cook' }).click();

				await expect(page).toHaveURL(new RegExp(`/${station}$`));
				// So is the page, read again: with what the server kept before it went, and with what waits.
				await page.reload();
				await expect(waiting).toContainText(/[2-9] entries are kept on this device/);
				if (station === 'divide') await expect(page.getByTestId('scale-of')).toHaveText('ball 3');
				else await expect(page.getByTestId('pieces')).toContainText('Rejected 2');

				application = await startApplication(dataDir, port);
				await expect(waiting).toHaveCount(0);
			});

			const id = /batches\/([0-9A-Z]{26})/.exec(page.url())?.[1] ?? '';
			const { entries } = (await (await page.request.get(`/batches/${id}/entries.json`)).json()) as {
				entries: { id: string; what?: string; grams?: number | null }[];
			};
			expect(entries.map((entry) => entry.id)).toEqual([...new Set(entries.map((entry) => entry.id))].sort());
			expect(entries.filter((entry) => entry.what === 'ball').map((entry) => entry.grams)).toHaveLength(5); // 3, one more, withdrawn
		} finally {
			await context.close();
			await application.stop();
			rmSync(folder, { recursive: true, force: true });
		}
	}
);

/** The same application as a version after it: another folder, and one of its shared parts another. */
function nextVersion(folder: string): string {
	const next = join(folder, 'next-version');
	mkdirSync(next);
	for (const name of readdirSync(root))
		if (!['node_modules', '.git', 'build', '.svelte-kit', 'data', 'test-results'].includes(name))
			cpSync(join(root, name), join(next, name), { recursive: true });
	symlinkSync(join(root, 'node_modules'), join(next, 'node_modules'));
	const brand = join(next, 'src', 'routes', 'Brand.svelte');
	writeFileSync(brand, readFileSync(brand, 'utf8').replace('<a', '<a data-version="next"'));
	return next;
}

test(
	'a new version under an open page takes its offline with it: what was kept is read again without a network',
	LONG,
	async ({ browser }) => {
		const folder = mkdtempSync(join(tmpdir(), 'square-batch-next-'));
		const [dataDir, port] = [join(folder, 'data'), await freePort()];
		layDemo(dataDir);
		let application = await startApplication(dataDir, port);
		const context = await another(browser, application.address);
		try {
			const page = await context.newPage();
			await newFormula(page, 'Next version roti', { origin: application.address });
			await planAtBench(page);
			const weigh = page.url();
			const kept = (url: string) =>
				expect
					.poll(() =>
						page.evaluate(async (path) => (await caches.match(path)) !== undefined, new URL(url).pathname)
					)
					.toBe(true);
			await kept(weigh);
			const divide = weigh.replace(/weigh$/, 'divide');
			await page.getByRole('navigation', { name: 'Stations' }).getByRole('link', { name: 'Divide' }).click();
			await expect(page).toHaveURL(divide);
			await kept(divide);

			await application.stop();
			application = await startApplication(dataDir, port, {}, [], nextVersion(folder));
			// The stall alone is seen in the new version.
			await page.goto('/sales/stall');
			await expect(page.locator('[data-version=next]')).toBeVisible();
			await page.evaluate(async () => {
				const registration = await navigator.serviceWorker.ready;
				await registration.update();
			});
			// One worker is left, and it has taken over what the one before kept.
			await expect
				.poll(() =>
					page.evaluate(async () => {
						const registration = await navigator.serviceWorker.ready;
						return registration.installing === null && registration.waiting === null;
					})
				)
				.toBe(true);
			await kept('http://127.0.0.1/sales/stall');
			await context.setOffline(true);
			for (const url of [weigh, divide]) {
				await page.goto(url);
				await expect(page.getByRole('navigation', { name: 'Stations' })).toBeVisible();
				await page.getByLabel('Or type it').fill('61.5');
				await page.getByRole('button', { name: 'Take it' }).click();
				await expect(page.getByTestId('waiting')).toContainText(/(entry is|entries are) kept on this device/);
			}
			await page.goto('/sales/stall');
			await expect(page.getByRole('list', { name: 'Products' })).toBeVisible();
			await context.setOffline(false);
			await expect(page.getByTestId('waiting')).toHaveCount(0);
		} finally {
			await context.close();
			await application.stop();
			rmSync(folder, { recursive: true, force: true });
		}
	}
);
