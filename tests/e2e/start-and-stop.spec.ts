import { LONG } from './long.ts';
import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { startApplication } from '../../scripts/lib/application.ts';
import { filled, killed } from '../../scripts/lib/crash.ts';
import { HOSTILE_FILES, sendFile } from '../../scripts/lib/hostile-files.ts';
import { beHostile } from '../../scripts/lib/hostility.ts';
import { freePort } from '../../scripts/lib/ports.ts';
import { expect, test } from './test.ts';
import { ask } from '../../scripts/lib/come-in.ts';
import { comeIn } from '../../scripts/lib/come-in-browser.ts';

test.describe.configure({ timeout: 300_000 });

/** Odd, and still a recipe or a shelf whose rows are told what is wrong with them. */
const TAKEN =
	/^a recipe of (one line|a line|lines)|^a shelf of (one row|a quote|quotes|parts|a million tags)|^sales of a quote/;

let folder = '';
test.beforeEach(() => {
	folder = mkdtempSync(join(tmpdir(), 'square-batch-start-'));
});
test.afterEach(() => rmSync(folder, { recursive: true, force: true }));

const pidOf = (dataDir: string) => Number(readFileSync(join(dataDir, 'mariadb', 'server.pid'), 'utf8'));
function isAlive(pid: number): boolean {
	try {
		process.kill(pid, 0);
		return true;
	} catch {
		return false;
	}
}

/** Saves the shelf's salt again and again; the evidence of the last save that was acknowledged. */
async function saveLoop(
	address: string,
	until: () => boolean,
	onsaved: () => void
): Promise<{ acknowledged: number; last: string }> {
	const ids = (await (await ask(`${address}/find.json`)).json()) as { text: string; href: string }[];
	const path = ids.find((each) => each.text === 'Salt')?.href ?? '';
	let acknowledged = 0;
	let last = '';
	for (let round = 1; !until(); round++) {
		const evidence = `pack ${round}`;
		const draft = {
			id: path.split('/').at(-1),
			version: round,
			name: 'Salt',
			kind: 'salt',
			labelUs: 'salt',
			labelEu: 'salt',
			parts: '',
			allergens: [],
			mayContain: [],
			confirmed: true,
			evidence,
			per100g: Object.fromEntries(
				'water_g energy_kcal protein_g fat_g saturates_g transFat_g cholesterol_mg carbohydrate_g fibre_g sugars_g addedSugars_g sodium_mg calcium_mg iron_mg potassium_mg vitaminD_ug ash_g'
					.split(' ')
					.map((key) => [key, key === 'sodium_mg' ? '38758' : '0'])
			),
			source: 'pack',
			sourceNote: '',
			sourceOn: '',
			label: { kind: '', serving: '', printed: {} },
			mix: null,
			portion: ''
		};
		try {
			const body = new FormData();
			body.set('draft', JSON.stringify(draft));
			const response = await ask(`${address}${path}?/save`, {
				method: 'POST',
				body,
				headers: { origin: address, accept: 'application/json', 'x-sveltekit-action': 'true' }
			});
			const answer = (await response.json()) as { type: string };
			if (answer.type !== 'success') throw new Error(`save ${round} was refused: ${JSON.stringify(answer)}`);
			acknowledged = round;
			onsaved();
			last = evidence;
		} catch (error) {
			if (until()) break;
			throw error;
		}
	}
	return { acknowledged, last };
}

test('killed in the middle of saving, left running, started twice, stopped', LONG, async ({ page }) => {
	const dataDir = join(folder, 'data');
	const port = await freePort();
	const first = await startApplication(dataDir, port);
	expect(first.printed()).toContain('Loaded the demo kitchen');

	const second = await test.step('every acknowledged save is there after a kill', async () => {
		let killed = false;
		let saved = () => {};
		const one = new Promise<void>((resolve) => (saved = resolve));
		const loop = saveLoop(
			first.address,
			() => killed,
			() => saved()
		);
		// However slow the machine is: once one was acknowledged the next is on its way.
		await Promise.race([one, loop]);
		await new Promise((resolve) => setTimeout(resolve, 1500));
		killed = true;
		await first.kill();
		const { acknowledged, last } = await loop;
		expect(acknowledged).toBeGreaterThan(0);
		const started = await startApplication(dataDir, port);
		expect(started.printed()).not.toContain('Loaded the demo kitchen');
		await comeIn(page.context(), started.address);
		await page.goto(`${started.address}/shelf`);
		await page.getByRole('link', { name: 'Salt' }).click();
		// One more may have been saved whose answer was cut off; none may be missing.
		await expect(page.getByLabel('By what')).toHaveValue(
			new RegExp(`^pack (${acknowledged}|${acknowledged + 1})$`)
		);
		expect(last).toBe(`pack ${acknowledged}`);
		return started;
	});

	const third = await test.step('a start ends the database that a crash left running', async () => {
		const database = pidOf(dataDir);
		second.child.kill('SIGKILL');
		await new Promise((resolve) => second.child.once('exit', resolve));
		expect(isAlive(database)).toBe(true);
		const started = await startApplication(dataDir, port);
		expect(started.printed()).toContain(`Ending the MariaDB (process ${database})`);
		expect(isAlive(database)).toBe(false);
		return started;
	});

	await test.step('a database that dies alone is started again, and the application goes on', async () => {
		const died = pidOf(dataDir);
		process.kill(died, 'SIGKILL');
		await expect.poll(() => third.printed(), { timeout: 60_000 }).toContain('The database is back.');
		await page.goto(`${third.address}/shelf`);
		await expect(page.getByRole('link', { name: 'Salt' })).toBeVisible();
		expect(pidOf(dataDir)).not.toBe(died);
	});

	await test.step('every file nobody should send is answered in words', async () => {
		for (const file of HOSTILE_FILES) {
			const { status, words } = await sendFile(third.address, file);
			expect(status, file.what).toBeLessThan(500);
			// What could be read is taken, as far as it can be.
			if (!TAKEN.test(file.what)) expect(words, file.what).not.toBe('');
		}
		expect((await ask(`${third.address}/formulas`)).status).toBe(200);
	});

	const newer = pidOf(dataDir);
	await expect(startApplication(dataDir, await freePort())).rejects.toThrow(
		/already running on .* \(process \d+\)/
	);
	expect(isAlive(newer)).toBe(true);

	expect(await third.stop()).toBe(0);
	expect(isAlive(newer)).toBe(false);
	expect(existsSync(join(dataDir, 'running.pid'))).toBe(false);
	await expect(fetch(third.address)).rejects.toThrow();
});

test('a start that cannot be says what failed and how to mend it', async () => {
	const port = await freePort();
	const taken = createServer().listen(port, '127.0.0.1');
	await expect(startApplication(join(folder, 'data'), port)).rejects.toThrow(
		new RegExp(`Port ${port} is taken[\\s\\S]*PORT=${port + 1} npm start`)
	);
	await new Promise((resolve) => taken.close(resolve));
	expect(existsSync(join(folder, 'data', 'running.pid'))).toBe(false);

	writeFileSync(join(folder, 'file'), '');
	await expect(startApplication(join(folder, 'file', 'data'), port)).rejects.toThrow(
		/data folder .* cannot be written[\s\S]*DATA_DIR=/
	);
	await expect(startApplication(join(folder, 'data'), port, { PORT: 'http' })).rejects.toThrow(
		/PORT is "http"/
	);
	await expect(
		startApplication(join(folder, 'data'), port, { DATABASE_URL: 'mysql://nobody@127.0.0.1:1/none' })
	).rejects.toThrow(/database does not answer[\s\S]*Check DATABASE_URL/);
});

test(
	'two hundred requests nobody should send are answered in words, and no page fails afterwards',
	LONG,
	async () => {
		const { failures, failing, misfits, touched } = await beHostile(folder, 200, 20_261_129);
		expect(touched).toEqual([]);
		expect(failures).toEqual([]);
		expect(failing).toEqual([]);
		expect(misfits).toEqual([]);
	}
);

test('killed twice while devices write: nothing acknowledged is lost, and nothing is there twice', async () => {
	const { acknowledged, lost, doubled } = await killed(folder, 2, 20_261_129);
	expect(acknowledged).toBeGreaterThan(2);
	expect(lost).toEqual([]);
	expect(doubled).toEqual([]);
});

test('a full disk is said, loses nothing, and is written to again once there is room', LONG, async () => {
	const disk = await filled(folder);
	test.skip(disk === null, 'a disk of its own takes root');
	expect(disk).toMatchObject({ said: true, wentOn: true, lost: [], doubled: [] });
});
