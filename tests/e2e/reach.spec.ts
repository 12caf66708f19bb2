import { LONG } from './long.ts';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { execFileSync } from 'node:child_process';
import { expect, test } from '@playwright/test';
import { startApplication } from '../../scripts/lib/application.ts';
import { layDemo } from '../../scripts/lib/demo-data.ts';
import { freePort } from '../../scripts/lib/ports.ts';
import { root } from '../../scripts/lib/root.ts';
import { open, ready } from './making.ts';

test.describe.configure({ timeout: 240_000 });

let folder = '';
test.beforeEach(() => {
	folder = mkdtempSync(join(tmpdir(), 'square-batch-reach-'));
});
test.afterEach(() => rmSync(folder, { recursive: true, force: true }));

test('without a certificate it listens on this machine alone, and says why', LONG, async () => {
	const start = async (env: Record<string, string>) =>
		startApplication(join(folder, 'data'), await freePort(), env);
	await expect(start({ HOST: '0.0.0.0' })).rejects.toThrow(/there is no certificate[^]*--lan/);
	await expect(start({ HOST: '192.0.2.7' })).rejects.toThrow(/in the open/);
	await expect(start({ TRUST_PROXY: 'yes' })).rejects.toThrow(/ORIGIN is not/);
	await expect(start({ TRUST_PROXY: 'yes', ORIGIN: 'http://batch.example' })).rejects.toThrow(/in the open/);
	await expect(start({ ORIGIN: 'batch' })).rejects.toThrow(/no address people open/);
	await expect(start({ TLS_CERT: '/nowhere.crt' })).rejects.toThrow(/needs its key/);
	await expect(start({ TLS_CERT: '/nowhere.crt', TLS_KEY: '/nowhere.key' })).rejects.toThrow(
		/cannot be read/
	);
});

test(
	'with a certificate of its own: a secure context, cookies that stay in it, and no demo at the door',
	LONG,
	async ({ browser }) => {
		layDemo(join(folder, 'data'));
		const application = await startApplication(
			join(folder, 'data'),
			await freePort(),
			// Another address of loopback stands for one of the network.
			{ HOST: '127.0.0.2' },
			['--lan']
		);
		const context = await browser.newContext({ ignoreHTTPSErrors: true, locale: 'en-US' });
		try {
			expect(application.address).toMatch(/^https:\/\/127\.0\.0\.2:/);
			await expect.poll(() => application.printed()).toContain('/door/first?key=');
			const page = await context.newPage();
			await page.goto(`${application.address}/door/certificate`);
			await ready(page);
			const fingerprint = await page.getByTestId('fingerprint').innerText();
			expect(fingerprint).toMatch(/^([0-9A-F]{2}:){31}[0-9A-F]{2}$/);
			expect(application.printed()).toContain(fingerprint);
			const given = await page.request.get(`${application.address}/door/certificate/file`);
			expect(await given.text()).toContain('BEGIN CERTIFICATE');

			const answer = await page.goto(`${application.address}/door`);
			expect(answer?.headers()['strict-transport-security']).toContain('max-age=31536000');
			await expect(page.getByText('The demo, in one press')).toHaveCount(0);
			expect(await page.evaluate(() => isSecureContext)).toBe(true);
			// Nobody on the network is first but who has what was printed.
			await page.goto(`${application.address}/door/first`);
			await expect(page.getByText('The first owner opens the address that was printed')).toBeVisible();
			const first = /https:\S+\/door\/first\?key=\S+/.exec(application.printed())?.[0] ?? '';
			await open(page, first);
			await page.getByLabel('Your name').fill('Tansy');
			await page.getByLabel('Name you come in by').fill('tansy');
			await page.getByLabel('Password').fill('three plain words');
			await page.getByLabel('What the kitchen is called').fill('Bracken bench');
			await page.getByRole('button', { name: 'Begin' }).click();
			await expect(page).toHaveURL(/\/me\?new$/);
			const cookies = (await context.cookies()).filter(({ name }) => name.includes('square-batch'));
			expect(cookies.map(({ name }) => name.replace(/-\d+$/, '')).sort()).toEqual([
				'__Host-square-batch-device',
				'__Host-square-batch-session'
			]);
			for (const cookie of cookies)
				expect(cookie).toMatchObject({ httpOnly: true, secure: true, sameSite: 'Lax', path: '/' });

			// Who keeps the machine lets somebody back in, while it runs.
			const env = { ...process.env, DATA_DIR: join(folder, 'data') };
			const people = (...args: string[]) =>
				execFileSync(process.execPath, [join(root, 'scripts', 'run.mjs'), 'people', ...args], {
					env,
					encoding: 'utf8'
				});
			expect(people()).toContain('Bracken bench: Tansy, owner (tansy)');
			const code = people('again', 'tansy').trim().split('\n').at(-1) ?? '';
			await page.getByRole('button', { name: 'Leave', exact: true }).click();
			await page.getByRole('link', { name: /Forgot the password/ }).click();
			await page.getByLabel('Name you come in by').fill('tansy');
			await page.getByLabel('Recovery code').fill(code);
			await page.getByLabel('New password').fill('four other plain words');
			await page.getByRole('button', { name: 'Come in', exact: true }).click();
			await expect(page.getByRole('navigation', { name: 'Places' })).toContainText('Tansy, owner');
		} finally {
			await context.close();
			await application.stop();
		}
	}
);
