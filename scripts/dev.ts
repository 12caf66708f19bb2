import { spawn } from 'node:child_process';
import { join, resolve } from 'node:path';
import { claimFolder, layOnce, startMariaDb } from './lib/mariadb.ts';
import { requirePort } from './lib/ports.ts';
import { prepareDatabase, startStandIns } from './lib/prepare.ts';
import { root } from './lib/root.ts';
import { secretKeyFile } from './lib/secret-key.ts';
import { report } from './lib/trouble.ts';

const DEFAULT_PORT = 4190;

/**
 * `npm run dev`: the application with hot reload, a database of its own in `data-dev`, and the stand-ins. What is
 * changed in `src/` or `core/` is in the page a moment later; Ctrl-C ends it all.
 */
export async function main(): Promise<void> {
	const undo: (() => Promise<void> | void)[] = [];
	let code;
	try {
		const port = Number(process.env.PORT ?? DEFAULT_PORT);
		const dataDir = resolve(root, process.env.DATA_DIR ?? 'data-dev');
		await requirePort(port);
		undo.push(claimFolder(dataDir));
		await layOnce(dataDir, (address) => prepareDatabase(address));
		const mariadb = await startMariaDb(dataDir);
		undo.push(mariadb.stop);
		await prepareDatabase(mariadb.ownerUrl);
		undo.push(await startStandIns(dataDir));
		code = await vite(port, {
			DATABASE_URL: mariadb.url,
			REFERENCE_FILE: join(root, 'src', 'lib', 'server', 'reference', 'ingredients.csv'),
			REACH: 'loopback',
			SECRET_KEY_FILE: secretKeyFile(dataDir),
			WORKER_FILE: join(root, 'src', 'lib', 'server', 'work', 'entry.mjs')
		});
	} catch (error) {
		report(error);
		code = 1;
	} finally {
		for (const step of undo.reverse()) await step();
	}
	process.exit(code);
}

/** Runs Vite until it ends, or until Ctrl-C ends it. */
function vite(port: number, env: NodeJS.ProcessEnv): Promise<number> {
	const child = spawn(
		process.execPath,
		[join(root, 'node_modules/vite/bin/vite.js'), 'dev', '--port', String(port), '--strictPort'],
		{ cwd: root, stdio: 'inherit', env: { ...process.env, ...env } }
	);
	for (const signal of ['SIGINT', 'SIGTERM'] as const) process.on(signal, () => child.kill(signal));
	return new Promise((done) => child.once('exit', (exit) => done(exit ?? 0)));
}
