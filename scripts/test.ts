import { chmodSync, existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync, statfsSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { startApplication } from './lib/application.ts';
import { ensureBuild } from './lib/build.ts';
import { demoIn, layDemo } from './lib/demo-data.ts';
import { startMariaDb } from './lib/mariadb.ts';
import { CHROMIUM, ensureProgram } from './lib/packages.ts';
import { freePort } from './lib/ports.ts';
import { root } from './lib/root.ts';
import { secretKeyFile } from './lib/secret-key.ts';
import { endTools, runTool } from './lib/steps.ts';
import { report } from './lib/trouble.ts';

const PARTS = ['checks', 'unit', 'integration', 'browser', 'prove', 'walk', 'cluster'] as const;
/** What is run where it is named alone: every case of the long proofs, every browser test, and several databases. */
const BY_NAME: readonly Part[] = ['prove', 'walk', 'cluster'];
type Part = (typeof PARTS)[number];

/** What went wrong, and how many tests there were. */
interface Tally {
	passed: number;
	failed: number;
	broken: string[];
}

/** What is to be undone in the end, the last first. */
type Undo = (() => unknown)[];

/**
 * `npm test`: lint, types, unit, integration and browser tests, on ports and data of their own that
 * are gone afterwards. `npm test -- unit browser` runs those parts; what follows a `--` goes to the
 * test runner of the last part.
 */
export async function main(args: string[]): Promise<void> {
	const split = args.indexOf('--');
	const named = split < 0 ? args : args.slice(0, split);
	const rest = split < 0 ? [] : args.slice(split + 1);
	const unknown = named.find((part) => !(PARTS as readonly string[]).includes(part));
	if (unknown) {
		console.error(`There is no part "${unknown}". Parts: ${PARTS.join(', ')}.`);
		process.exitCode = 1;
		return;
	}
	const folder = mkdtempSync(join(scratch(), 'square-batch-test-'));
	const undo: Undo = [() => rmSync(folder, { recursive: true, force: true })];
	let cleaning: Promise<void> | undefined;
	const clean = () =>
		(cleaning ??= (async () => {
			for (const step of undo.reverse()) await step();
		})());
	const leave = () => {
		endTools();
		void clean().then(() => process.exit(130));
	};
	process.on('SIGINT', leave);
	process.on('SIGTERM', leave);

	const tally: Tally = { passed: 0, failed: 0, broken: [] };
	const wants = (part: Part) => (named.length === 0 && !BY_NAME.includes(part)) || named.includes(part);
	try {
		// Every part reads what this writes, and the build writes it too: so it comes first.
		await check(tally, 'route types', 'svelte-kit', ['sync']);
		// Two lanes side by side: while rows go in and out of a database, what fills a processor goes beside it.
		const built = wants('browser') || wants('walk') ? ensureBuild() : Promise.resolve();
		await Promise.all([
			(async () => {
				await built;
				if (wants('integration')) await integration(folder, tally, undo, rest);
			})(),
			(async () => {
				if (wants('checks')) await checks(tally);
				if (wants('unit')) await vitest('unit', folder, tally, {}, rest);
				await built;
				// What goes further than every change has to be proved is left to `npm run walk`.
				if (wants('walk')) await browser(folder, tally, undo, rest);
				else if (wants('browser')) await browser(folder, tally, undo, ['--grep-invert', '@long', ...rest]);
			})()
		]);
		if (wants('prove')) await vitest('unit', folder, tally, { PROOFS: 'all' }, rest);
		if (wants('cluster')) {
			await ensureBuild();
			// The nodes of root run as nobody, and pass through it.
			chmodSync(folder, 0o711);
			await vitest('cluster', folder, tally, { TMPDIR: folder }, rest);
		}
	} catch (error) {
		report(error);
		tally.broken.push('the test run itself');
	} finally {
		await clean();
	}
	if (tally.broken.length > 0) {
		console.error(`\nFailed: ${tally.broken.join(', ')}`);
		process.exitCode = 1;
	}
	console.log(`\ntests: ${tally.passed} passed, ${tally.failed} failed`);
}

/** On a database of their own. */
async function integration(folder: string, tally: Tally, undo: Undo, rest: string[]): Promise<void> {
	const mariadb = await startMariaDb(join(folder, 'integration'), { durable: false });
	undo.push(mariadb.stop);
	const env = {
		TEST_DATABASE_URL: mariadb.ownerUrl,
		TEST_FOLDER: folder,
		SECRET_KEY_FILE: secretKeyFile(folder)
	};
	await vitest('integration', folder, tally, env, rest);
}

/** In Chromium, at an application of their own with the demo data. */
async function browser(folder: string, tally: Tally, undo: Undo, rest: string[]): Promise<void> {
	ensureProgram(CHROMIUM);
	const demo = join(folder, 'demo');
	await (await startApplication(demo, await freePort())).stop();
	demoIn(demo);
	layDemo(join(folder, 'browser'));
	const application = await startApplication(join(folder, 'browser'), await freePort());
	undo.push(application.stop);
	await playwright(folder, tally, application.address, rest);
}

/** Where data goes that is thrown away: memory where there is some, which no slow disk holds up. */
function scratch(): string {
	try {
		const { bavail, bsize } = statfsSync('/dev/shm');
		return bavail * bsize > LEAST_MEMORY_BYTES ? '/dev/shm' : tmpdir();
	} catch {
		return tmpdir();
	}
}

const LEAST_MEMORY_BYTES = 4 * 1024 ** 3;

/** What the floors are of: everything but tests, which may look up. */
const SOURCES = ['core/**/!(*.test).ts', 'src/**/!(*.test).ts'];

async function checks(tally: Tally): Promise<void> {
	const steps: [what: string, tool: string, args: string[]][] = [
		['formatting', 'prettier', ['--check', '--log-level', 'warn', '.']],
		['lint', 'eslint', ['.']],
		['floors', 'depcruise', ['--config', '.dependency-cruiser.cjs', ...SOURCES]],
		['types of the core', 'tsc', ['-p', 'core/tsconfig.json']],
		['types', 'svelte-check', ['--tsconfig', './tsconfig.json', '--fail-on-warnings', '--output', 'human']]
	];
	for (const [what, tool, args] of steps) await check(tally, what, tool, args);
}

async function check(tally: Tally, what: string, tool: string, args: string[]): Promise<void> {
	if ((await runTool(tool, args, {}, what)) !== 0) tally.broken.push(what);
}

async function vitest(
	project: string,
	folder: string,
	tally: Tally,
	env: NodeJS.ProcessEnv,
	rest: string[]
): Promise<void> {
	const file = join(folder, `${project}.json`);
	const args = [
		'run',
		'--project',
		project,
		'--reporter=default',
		'--reporter=json',
		`--outputFile.json=${file}`,
		...rest
	];
	const code = await runTool('vitest', args, env, `${project} tests`);
	const result = readJson(file) as { numPassedTests?: number; numFailedTests?: number } | null;
	count(tally, `${project} tests`, code, result?.numPassedTests ?? 0, result?.numFailedTests ?? 0);
}

async function playwright(folder: string, tally: Tally, address: string, rest: string[]): Promise<void> {
	console.log('\n· browser tests');
	const file = join(folder, 'browser.json');
	// Applications of their own, and the browser's profiles, go where the rest of the run is.
	const temporary = join(folder, 'tmp');
	mkdirSync(temporary);
	const code = await runTool('playwright', ['test', ...rest], {
		BASE_URL: address,
		TMPDIR: temporary,
		PLAYWRIGHT_JSON_OUTPUT_NAME: file
	});
	const result = readJson(file) as { stats?: { expected: number; unexpected: number; flaky: number } } | null;
	count(
		tally,
		'browser tests',
		code,
		result?.stats?.expected ?? 0,
		(result?.stats?.unexpected ?? 0) + (result?.stats?.flaky ?? 0)
	);
	rmSync(join(root, 'test-results'), { recursive: true, force: true });
}

function count(tally: Tally, what: string, code: number, passed: number, failed: number): void {
	tally.passed += passed;
	tally.failed += failed;
	// A runner that found no test proves nothing.
	if (code !== 0 || passed === 0) tally.broken.push(what);
}

function readJson(file: string): unknown {
	return existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : null;
}
