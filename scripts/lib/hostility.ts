import { join } from 'node:path';
import type { Kitchen } from '../../src/lib/kitchen/types.ts';
import { readArchive } from '../../src/lib/server/archive/read.ts';
import { restoreKitchen } from '../../src/lib/server/archive/restore.ts';
import { kitchenTables } from '../../src/lib/server/archive/tables.ts';
import { writeArchive } from '../../src/lib/server/archive/write.ts';
import { openDatabase, type Database } from '../../src/lib/server/db/connection.ts';
import { rowsChecked } from '../../src/lib/server/edge/kept/rows.ts';
import type { Cells } from '../../src/lib/server/rows.ts';
import { theKitchen } from '../../src/lib/server/kitchens.ts';
import { join as belong } from '../../src/lib/server/people/memberships.ts';
import { makePerson } from '../../src/lib/server/people/persons.ts';
import { anotherKitchen } from './another-kitchen.ts';
import { startApplication } from './application.ts';
import { hostileRequests, pagesThatFail, somePerForm, type Failure } from './hostile.ts';
import { layDemo } from './demo-data.ts';
import { idsOfKitchen, stateOfKitchen } from './kitchen-state.ts';
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
	/** Tables of another kitchen that something of it was changed in, by who does not belong to it. */
	touched: string[];
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

/** A kitchen that has the very same things under other ids, and somebody else in it. */
async function anotherBeside(db: Database, kitchen: Kitchen): Promise<string> {
	const bytes = await new Response(writeArchive(db, kitchen, new Date())).arrayBuffer();
	const id = await restoreKitchen(db, await readArchive(anotherKitchen(new Uint8Array(bytes))));
	const personId = await makePerson(db, { name: 'Marjoram', login: null, password: null });
	await belong(db, id, { personId, name: 'Marjoram', role: 'owner', span: null });
	return id;
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
		const kitchen = await theKitchen(db);
		const other = await anotherBeside(db, kitchen);
		const before = await stateOfKitchen(db, other);
		const foreign = [...(await idsOfKitchen(db, other)).values()].flat();
		const pool = await somePerForm(db, kitchen, PER_FORM);
		const failures = await hostileRequests(application.address, count, seed, {
			pool,
			foreign,
			...(told ? { told } : {})
		});
		const isGone = application.child.exitCode !== null;
		const failing = isGone
			? ['every page: the server is gone']
			: await pagesThatFail(application.address, db, application.printed);
		const after = await stateOfKitchen(db, other);
		const touched = Object.keys(before).filter((table) => before[table] !== after[table]);
		return {
			failures,
			failing,
			misfits: await misfits(db),
			touched,
			printed: application.printed(),
			isGone
		};
	} finally {
		for (const step of undo.reverse()) await step();
	}
}
