import { join } from 'node:path';
import { kitchenTables } from '../../src/lib/server/archive/tables.ts';
import { openDatabase, type Database } from '../../src/lib/server/db/connection.ts';
import { rowsChecked } from '../../src/lib/server/edge/kept/rows.ts';
import type { Cells } from '../../src/lib/server/rows.ts';
import { theKitchen } from '../../src/lib/server/kitchens.ts';
import { startApplication } from './application.ts';
import { hostileRequests, pagesThatFail, somePerForm, type Failure } from './hostile.ts';
import { layDemo } from './demo-data.ts';
import { startMariaDb } from './mariadb.ts';
import { freePort } from './ports.ts';

/** What came of requests that nobody should send. */
export interface Hostility {
	/** Those that were not answered in words. */
	failures: Failure[];
	/** Pages that fail afterwards. */
	failing: string[];
	/** Rows that were kept and that an archive of them could not bring back. */
	misfits: string[];
	/** What the server said. */
	printed: string;
	isGone: boolean;
}

/** What was kept and does not fit what an archive is held to: what a form takes must come back. */
async function misfits(db: Database): Promise<string[]> {
	const found: string[] = [];
	for (const { name, kinds } of await kitchenTables(db)) {
		const problemOf = rowsChecked(name, kinds);
		for (const row of (await db(name as 'lots').select(kinds.map((each) => each.name))) as Cells[]) {
			const problem = problemOf(row);
			if (problem !== null) found.push(`${name} ${row.id}: ${problem}`);
		}
	}
	return found;
}

const PER_FORM = 3;

/** Sends an application of its own, in `folder`, so many requests that nobody should send. */
export async function beHostile(
	folder: string,
	count: number,
	seed: number,
	told?: (done: number) => void
): Promise<Hostility> {
	const undo: (() => unknown)[] = [];
	try {
		layDemo(join(folder, 'database'));
		const mariadb = await startMariaDb(join(folder, 'database'), { durable: false });
		undo.push(mariadb.stop);
		const application = await startApplication(join(folder, 'data'), await freePort(), {
			DATABASE_URL: mariadb.ownerUrl
		});
		undo.push(application.stop);
		const db = openDatabase(mariadb.ownerUrl);
		undo.push(() => db.destroy());
		const pool = await somePerForm(db, await theKitchen(db), PER_FORM);
		const failures = await hostileRequests(application.address, count, seed, {
			pool,
			...(told ? { told } : {})
		});
		const isGone = application.child.exitCode !== null;
		const failing = isGone
			? ['every page: the server is gone']
			: await pagesThatFail(application.address, db, application.printed);
		return { failures, failing, misfits: await misfits(db), printed: application.printed(), isGone };
	} finally {
		for (const step of undo.reverse()) await step();
	}
}
