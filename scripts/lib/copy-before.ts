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
import { reasonOf } from './trouble.ts';

/** Left free beside the copy: steps write large tables anew. */
const SPARE_BYTES = 256 * 1024 ** 2;
/** As many copies stay; older ones make way. */
const KEPT = 2;
const KEPT_DAYS = 30;
const DAY_MS = 24 * 3600 * 1000;
/** Its name begins with the day it was made: `2026-12-01`. */
const DAY_CHARACTERS = 10;

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
	forgetOld(copiesIn(dataDir));
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
	const to = join(
		copiesIn(dataDir),
		`${new Date().toISOString().slice(0, 19).replaceAll(':', '-')}-${names[0]?.slice(0, 4)}`
	);
	// Its files are whole while nobody writes them.
	await mariadb.stop();
	try {
		copyWhole(from, join(to, 'mariadb'));
		forgetOld(copiesIn(dataDir));
		console.log(
			`A copy of the data as it is before is in ${to}. To go back: stop Square Batch, put its "mariadb" in the place of the one in ${dataDir}, and start the version before.`
		);
	} catch (error) {
		rmSync(to, { recursive: true, force: true });
		console.log(`A copy of the data before it could not be made: ${reasonOf(error)}. It goes on without.`);
	}
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

/** Those that are not whole, all but the newest, and what is long past: they hold what was erased since. */
export function forgetOld(folder: string, now = Date.now()): void {
	if (!existsSync(folder)) return;
	const remove = (name: string) => rmSync(join(folder, name), { recursive: true });
	const isWhole = (name: string) => existsSync(join(folder, name, 'mariadb'));
	const isPast = (name: string) => now - Date.parse(name.slice(0, DAY_CHARACTERS)) > KEPT_DAYS * DAY_MS;
	const all = readdirSync(folder).sort();
	const kept = all.filter((name) => isWhole(name) && !isPast(name)).slice(-KEPT);
	for (const name of all) if (!kept.includes(name)) remove(name);
}

function sizeOf(folder: string): number {
	let bytes = 0;
	for (const entry of readdirSync(folder, { withFileTypes: true, recursive: true }))
		if (entry.isFile()) bytes += statSync(join(entry.parentPath, entry.name)).size;
	return bytes;
}

const megabytes = (bytes: number): number => Math.ceil(bytes / 1024 ** 2);
