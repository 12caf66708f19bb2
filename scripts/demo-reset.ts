import { resolve } from 'node:path';
import { openDatabase } from '../src/lib/server/db/connection.ts';
import { loadDemoOnce } from '../src/lib/server/db/demo/load.ts';
import { dropEverything } from '../src/lib/server/db/empty.ts';
import { migrate } from '../src/lib/server/db/migrate.ts';
import { ownKitchens } from '../src/lib/server/people/demo.ts';
import { claimFolder, startedBy, startMariaDb } from './lib/mariadb.ts';
import { root } from './lib/root.ts';
import { report, Trouble } from './lib/trouble.ts';

/** `npm run demo:reset -- --yes`: everything in the database goes, and the demo kitchen is loaded anew. */
export async function main(args: string[]): Promise<void> {
	const undo: (() => Promise<void> | void)[] = [];
	try {
		if (!args.includes('--yes'))
			throw new Trouble(
				'This removes every kitchen, formula, batch and sale in the database, and loads the demo kitchen.',
				'If that is what you want:\n  npm run demo:reset -- --yes'
			);
		let url = process.env.DATABASE_URL;
		if (!url) {
			const dataDir = resolve(root, process.env.DATA_DIR ?? 'data');
			const other = startedBy(dataDir);
			if (other !== null)
				throw new Trouble(
					`Square Batch is running on ${dataDir} (process ${other}).`,
					'Stop it with Ctrl-C, and run this again.'
				);
			undo.push(claimFolder(dataDir));
			const mariadb = await startMariaDb(dataDir);
			undo.push(mariadb.stop);
			url = mariadb.ownerUrl;
		}
		const database = openDatabase(url);
		undo.push(() => database.destroy());
		// Brought up to date first: what is in it is known by today's form alone.
		await migrate(database);
		const own = await ownKitchens(database);
		if (own.length > 0)
			throw new Trouble(
				`Here is more than the demo: ${own.join(', ')}. Nothing was removed.`,
				'A kitchen is deleted under Kitchen, Data in and out, with the proof. To look at the demo beside it, give it a folder of its own:\n  DATA_DIR=data-demo PORT=4181 npm start'
			);
		await dropEverything(database);
		await migrate(database);
		await loadDemoOnce(database);
		console.log('The demo kitchen, Tansy Row Flatbreads, is as new.');
	} catch (error) {
		report(error);
	} finally {
		for (const step of undo.reverse()) await step();
	}
}
