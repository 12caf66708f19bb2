import {
	constants,
	cpSync,
	existsSync,
	mkdirSync,
	readdirSync,
	renameSync,
	rmSync,
	statfsSync,
	statSync
} from 'node:fs';
import { join } from 'node:path';
import { openDatabase } from '../../src/lib/server/db/connection.ts';
import { toRun } from '../../src/lib/server/db/migrate.ts';
import type { OwnMariaDb } from './mariadb.ts';

/** Left free beside the copy: steps write large tables anew. */
const SPARE_BYTES = 256 * 1024 ** 2;
/** As many copies stay; older ones make way. */
const KEPT = 2;

/** Where copies from before upgrades lie. */
export const copiesIn = (dataDir: string): string => join(dataDir, 'before-upgrades');

/**
 * Before the first step of an upgrade the database's files are copied beside it, where there is room, and it is said
 * where; one that goes on after it was cut short has its copy already. Gives the database back as it runs then.
 */
export async function copyBeforeUpgrade(
	dataDir: string,
	mariadb: OwnMariaDb,
	start: () => Promise<OwnMariaDb>
): Promise<OwnMariaDb> {
	const database = openDatabase(mariadb.ownerUrl);
	const { names, isNew, isHalfWay } = await toRun(database).finally(() => database.destroy());
	if (names.length === 0 || isNew) return mariadb;
	console.log(`Bringing the database up to date: ${names.length} steps.`);
	if (isHalfWay) {
		console.log('It goes on where it was cut short.');
		return mariadb;
	}
	const from = join(dataDir, 'mariadb');
	const needed = sizeOf(from);
	const { bavail, bsize } = statfsSync(dataDir);
	if (bavail * bsize < needed + SPARE_BYTES) {
		console.log(
			`There is no room for a copy of the data before it: ${megabytes(needed)} MB are needed, ${megabytes(bavail * bsize)} MB are free. What is cut short goes on at the next start.`
		);
		return mariadb;
	}
	// Its files are whole while nobody writes them.
	await mariadb.stop();
	const to = join(
		copiesIn(dataDir),
		`${new Date().toISOString().slice(0, 19).replaceAll(':', '-')}-${names[0]?.slice(0, 4)}`
	);
	copyWhole(from, join(to, 'mariadb'));
	forgetOlder(copiesIn(dataDir));
	console.log(
		`A copy of the data as it is before is in ${to}. To go back: stop Square Batch, put its "mariadb" in the place of the one in ${dataDir}, and start the version before.`
	);
	return start();
}

/** Under another name until all of it is there. */
function copyWhole(from: string, to: string): void {
	const part = `${to}.part`;
	mkdirSync(part, { recursive: true, mode: 0o700 });
	// A file system that can shares the blocks until one of both is written.
	cpSync(from, part, { recursive: true, preserveTimestamps: true, mode: constants.COPYFILE_FICLONE });
	renameSync(part, to);
}

function forgetOlder(folder: string): void {
	const whole = readdirSync(folder).sort();
	for (const name of whole)
		if (!existsSync(join(folder, name, 'mariadb'))) rmSync(join(folder, name), { recursive: true });
	for (const name of whole.filter((each) => existsSync(join(folder, each))).slice(0, -KEPT))
		rmSync(join(folder, name), { recursive: true });
}

function sizeOf(folder: string): number {
	let bytes = 0;
	for (const entry of readdirSync(folder, { withFileTypes: true, recursive: true }))
		if (entry.isFile()) bytes += statSync(join(entry.parentPath, entry.name)).size;
	return bytes;
}

const megabytes = (bytes: number): number => Math.ceil(bytes / 1024 ** 2);
