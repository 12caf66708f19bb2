import { resolve } from 'node:path';
import { ensureBuild } from './lib/build.ts';
import { copyBeforeUpgrade } from './lib/copy-before.ts';
import { claimFolder, startedBy, layOnce, startMariaDb } from './lib/mariadb.ts';
import { reaching } from './lib/reach.ts';
import { sayWhere } from './lib/say-where.ts';
import { requirePort } from './lib/ports.ts';
import { prepareDatabase, startStandIns } from './lib/prepare.ts';
import { root } from './lib/root.ts';
import { secretKeyFile } from './lib/secret-key.ts';
import { serve } from './lib/serve.ts';
import { report, Trouble } from './lib/trouble.ts';

const DEFAULT_PORT = 4180;

/**
 * `npm start`: everything from a fresh clone to a printed address; Ctrl-C ends it all in order. `npm start -- --lan`
 * lets the tablet and the phone of the same network in.
 */
export async function main(args: string[] = []): Promise<void> {
	const undo: (() => Promise<void> | void)[] = [];
	let stopping: Promise<void> | undefined;
	const stop = () =>
		(stopping ??= (async () => {
			for (const step of undo.reverse()) await step();
		})());
	const ending = new AbortController();
	/** What is half done is brought to where it can go on before what it stands on is stopped. */
	const orderly = <T>(work: Promise<T>): Promise<T> => {
		undo.push(() => work.then(noop, noop));
		return work;
	};
	const leave = () => {
		console.log('\nStopping…');
		ending.abort(new Error('ended by whoever started it'));
		stop().then(
			() => process.exit(0),
			(error) => {
				report(error);
				process.exit(1);
			}
		);
	};
	process.on('SIGINT', leave);
	process.on('SIGTERM', leave);
	process.on('SIGHUP', leave);

	try {
		const port = portSetting();
		const dataDir = resolve(root, process.env.DATA_DIR ?? 'data');
		const external = process.env.DATABASE_URL;
		if (!external) refuseSecondStart(dataDir);
		const reached = await reaching({ port, dataDir, isLan: args.includes('--lan') });
		await requirePort(port, reached.host);
		let url = external;
		let ownerUrl = external;
		if (!url || !ownerUrl) {
			undo.push(claimFolder(dataDir));
			await orderly(layOnce(dataDir, (address) => prepareDatabase(address, ending.signal)));
			let mariadb = await startMariaDb(dataDir);
			undo.push(() => mariadb.stop());
			mariadb = await orderly(copyBeforeUpgrade(dataDir, mariadb, () => startMariaDb(dataDir)));
			({ url, ownerUrl } = mariadb);
			process.env.OWN_DATABASE = dataDir;
		}
		await orderly(prepareDatabase(ownerUrl, ending.signal));
		await ensureBuild();
		process.env.SECRET_KEY_FILE = secretKeyFile(dataDir);
		undo.push(await startStandIns(dataDir));
		const running = await serve(port, url, reached);
		undo.push(running.stop);
		await sayWhere(reached, ownerUrl);
	} catch (error) {
		if (stopping) return;
		report(error);
		await stop();
		process.exit(1);
	}
}

const noop = () => undefined;

function portSetting(): number {
	const text = process.env.PORT ?? String(DEFAULT_PORT);
	const port = Number(text);
	if (!Number.isInteger(port) || port < 1 || port > 65535)
		throw new Trouble(
			`PORT is "${text}", which is not a port.`,
			`Give a number from 1 to 65535, such as PORT=${DEFAULT_PORT}.`
		);
	return port;
}

function refuseSecondStart(dataDir: string): void {
	const other = startedBy(dataDir);
	if (other !== null)
		throw new Trouble(
			`Square Batch is already running on ${dataDir} (process ${other}).`,
			`Use it, or stop it with Ctrl-C where it runs (or: kill ${other}), and run this again.`
		);
}
