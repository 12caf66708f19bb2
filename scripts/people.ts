import { resolve } from 'node:path';
import { openDatabase, type Database } from '../src/lib/server/db/connection.ts';
import { oneRecoveryCode } from '../src/lib/server/people/recovery.ts';
import { addressOfRunning, claimFolder, startedBy, startMariaDb } from './lib/mariadb.ts';
import { root } from './lib/root.ts';
import { report, Trouble } from './lib/trouble.ts';

/**
 * `npm run people`: who is here. `npm run people -- again NAME`: lets somebody back in who forgot their password, by a
 * recovery code that counts once. For who keeps the machine; it may run meanwhile or not.
 */
export async function main([command = 'list', login = '']: string[]): Promise<void> {
	const undo: (() => Promise<void> | void)[] = [];
	try {
		const db = openDatabase(await databaseUrl(undo));
		undo.push(() => db.destroy());
		if (command === 'list') await list(db);
		else if (command === 'again' && login !== '') await again(db, login);
		else
			throw new Trouble(
				`There is no "${[command, login].join(' ').trim()}".`,
				'npm run people\nnpm run people -- again NAME'
			);
	} catch (error) {
		report(error);
		process.exitCode = 1;
	} finally {
		for (const step of undo.reverse()) await step();
	}
}

/** The database of the application that runs, or one started for this. */
async function databaseUrl(undo: (() => Promise<void> | void)[]): Promise<string> {
	if (process.env.DATABASE_URL) return process.env.DATABASE_URL;
	const dataDir = resolve(root, process.env.DATA_DIR ?? 'data');
	if (startedBy(dataDir) !== null) return addressOfRunning(dataDir);
	undo.push(claimFolder(dataDir));
	const mariadb = await startMariaDb(dataDir);
	undo.push(mariadb.stop);
	return mariadb.ownerUrl;
}

async function list(db: Database): Promise<void> {
	const rows = await db('memberships as m')
		.join('persons as p', 'p.id', 'm.person_id')
		.join('kitchens as k', 'k.id', 'm.kitchen_id')
		.whereNull('m.ended_at')
		.orderBy(['k.name', 'm.role', 'm.name'])
		.select<{ name: string; login: string | null; role: string; kitchen: string }[]>({
			name: 'm.name',
			login: 'p.login',
			role: 'm.role',
			kitchen: 'k.name'
		});
	for (const { name, login, role, kitchen } of rows)
		console.log(`${kitchen}: ${name}, ${role}${login ? ` (${login})` : ', without a password'}`);
	if (rows.length === 0) console.log('Nobody is here yet.');
}

async function again(db: Database, login: string): Promise<void> {
	const person = await db('persons').where('login', login.toLowerCase()).first('id', 'name');
	if (!person)
		throw new Trouble(`Nobody comes in by the name "${login}".`, 'See who is here:\n  npm run people');
	const code = await oneRecoveryCode(db, person.id);
	console.log(
		`${person.name} opens the door, "Forgot the password?", and types this code. It counts once.\n${code}`
	);
}
