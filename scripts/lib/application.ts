import { spawn, type ChildProcess } from 'node:child_process';
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { root } from './root.ts';

/** An application started by `npm start`'s own entry, on a data folder and port of its own. */
export interface Application {
	address: string;
	child: ChildProcess;
	/** What it printed so far. */
	printed(): string;
	/** Asks it to stop as Ctrl-C does, and waits until it and its database have gone. */
	stop(): Promise<number | null>;
	/** Ends it and its database at once, as a power cut would. */
	kill(): Promise<void>;
}

const LIMIT_MS = 300_000;

/** What a version's `npm start` hands to Node: how much it may hold, and its entry. */
function startOf(folder: string): string[] {
	const { scripts } = JSON.parse(readFileSync(join(folder, 'package.json'), 'utf8')) as {
		scripts: { start: string };
	};
	return scripts.start.split(' ').slice(1);
}

/** Starts it and waits for its address; rejects with what it printed when it ends instead. */
export async function startApplication(
	dataDir: string,
	port: number,
	env: NodeJS.ProcessEnv = {},
	args: readonly string[] = [],
	/** The folder of the version that is started. */
	from = root
): Promise<Application> {
	const { DATABASE_URL: _none, ...inherited } = process.env;
	const child = spawn(process.execPath, [...startOf(from), ...args], {
		cwd: from,
		stdio: ['ignore', 'pipe', 'pipe'],
		env: { ...inherited, DATA_DIR: dataDir, PORT: String(port), ...env }
	});
	let output = '';
	const gone = new Promise<number | null>((resolve) => child.once('exit', resolve));
	const ready = new Promise<void>((resolve, reject) => {
		const timer = setTimeout(
			() => reject(new Error(`no address within ${LIMIT_MS} ms:\n${output}`)),
			LIMIT_MS
		);
		const take = (chunk: Buffer) => {
			output += chunk.toString();
			if (/Square Batch is at http/.test(output)) {
				clearTimeout(timer);
				resolve();
			}
		};
		child.stdout.on('data', take);
		child.stderr.on('data', take);
		void gone.then((code) => {
			clearTimeout(timer);
			reject(new Error(`it ended with code ${code}:\n${output}`));
		});
	});
	await ready;
	return {
		address: /Square Batch is at (\S+)/.exec(output)?.[1] ?? '',
		child,
		printed: () => output,
		stop: () => {
			child.kill('SIGINT');
			return gone;
		},
		kill: async () => {
			const pidFile = join(dataDir, 'mariadb', 'server.pid');
			const database = existsSync(pidFile) ? Number(readFileSync(pidFile, 'utf8')) : 0;
			child.kill('SIGKILL');
			if (database > 0) process.kill(database, 'SIGKILL');
			await gone;
		}
	};
}
