import { execFileSync, spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, openSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openDatabase, type Database } from '$lib/server/db/connection.ts';
import { migrate } from '$lib/server/db/migrate.ts';
import { createKitchen, theKitchen } from '$lib/server/kitchens.ts';
import { getIngredient } from '$lib/server/ingredients.ts';
import { keepSale } from '$lib/server/sales/keep.ts';
import { saveIngredient } from '$lib/server/shelf-keep.ts';
import {
	addressAt,
	endProcess,
	initSql,
	layFiles,
	OWNER,
	ownTemporary,
	untilReady
} from '../../scripts/lib/mariadb.ts';
import { oneSale } from '../../scripts/lib/one-sale.ts';
import { DUMP, ensureProgram, MARIADB } from '../../scripts/lib/packages.ts';
import { freePort } from '../../scripts/lib/ports.ts';
import { ingredientInput, KITCHEN, makeRoti, recordRoti } from './kitchen.ts';

/** A database server whose owner may do all that whoever restores it may. */
interface Server {
	dataDir: string;
	url: string;
	client: string[];
	stop(): Promise<void>;
}

const SECRETS = { owner: 'of-a-test', app: 'of-a-test' };
const NAME = 'squarebatch';
let folder: string;
const servers: Server[] = [];
beforeAll(() => {
	folder = mkdtempSync(join(tmpdir(), 'square-batch-moment-'));
});
afterAll(async () => {
	for (const each of servers) await each.stop();
	rmSync(folder, { recursive: true, force: true });
});

/** Starts a server with binary logs, as docs/operate.md asks for, or one without to restore into. */
async function serverWith(name: string, options: string[]): Promise<Server> {
	const dataDir = join(folder, name);
	layFiles(dataDir);
	const init = join(folder, `${name}.sql`);
	writeFileSync(init, `${initSql(SECRETS)}\nGRANT ALL ON *.* TO '${OWNER}'@'127.0.0.1';\n`, { mode: 0o600 });
	const port = await freePort();
	const log = join(folder, `${name}.log`);
	const output = openSync(log, 'a');
	const child: ChildProcess = spawn(
		ensureProgram(MARIADB),
		[
			'--no-defaults',
			`--datadir=${dataDir}`,
			`--tmpdir=${ownTemporary(dataDir)}`,
			'--bind-address=127.0.0.1',
			`--port=${port}`,
			'--socket=',
			`--pid-file=${join(folder, `${name}.pid`)}`,
			`--init-file=${init}`,
			'--skip-name-resolve',
			'--character-set-server=utf8mb4',
			'--innodb-flush-log-at-trx-commit=0',
			...(process.getuid?.() === 0 ? ['--user=root'] : []),
			...options
		],
		{ stdio: ['ignore', output, output] }
	);
	await untilReady(child, port, log);
	const started: Server = {
		dataDir,
		url: addressAt(port, OWNER, SECRETS.owner),
		client: ['--no-defaults', '-h', '127.0.0.1', '-P', String(port), '-u', OWNER, `-p${SECRETS.owner}`],
		stop: () => endProcess(child.pid ?? 0)
	};
	servers.push(started);
	return started;
}

const read = (program: string, args: string[]): string =>
	execFileSync(program, args, { encoding: 'utf8', maxBuffer: 256 * 1024 ** 2 });

/** Where the transaction that changed an ingredient begins and ends in the log, as its plain words show. */
function placeOf(plain: string, words: string): { begins: string; ends: string } {
	const lines = plain.split('\n');
	const at = lines.findIndex((line) => line.includes(words));
	const before = lines.slice(0, at);
	const gtid = before.findLastIndex((line) => /\tGTID /.test(line));
	const begins = /^# at (\d+)/.exec(
		before.slice(0, gtid).findLast((line) => line.startsWith('# at')) ?? ''
	)?.[1];
	const commit = lines.findIndex((line, nth) => nth > at && /\tXid = /.test(line));
	const ends = /end_log_pos (\d+)/.exec(lines[commit] ?? '')?.[1];
	if (!begins || !ends) throw new Error('the log does not tell where it is');
	return { begins, ends };
}

describe('a backup and its binary logs', () => {
	it('come back to a moment with one thing left out and everything after it kept', async () => {
		const first = await serverWith('first', [
			'--log-bin=binary',
			'--binlog-format=ROW',
			'--log-bin-trust-function-creators=1'
		]);
		const db = openDatabase(first.url);
		await migrate(db);
		await createKitchen(db, KITCHEN);
		const kitchen = await theKitchen(db);
		const { flour, productId } = await makeRoti({ db, kitchen }, 'Moment');
		const batchId = await recordRoti({ db, kitchen }, productId);
		const backup = read(ensureProgram(DUMP), [
			...first.client,
			'--single-transaction',
			'--master-data=2',
			NAME
		]);
		const [, file = '', position = ''] = /MASTER_LOG_FILE='([^']+)', MASTER_LOG_POS=(\d+)/.exec(backup) ?? [];

		const sell = async () => {
			const sale = oneSale({ batchId, soldOn: (await soldOn(db, batchId)) ?? '' });
			await keepSale(db, kitchen.id, sale);
			return sale.id;
		};
		const before = await sell();
		// What went wrong: an allergen was taken off by a slip.
		const { version, allergens } = await getIngredient(db, kitchen.id, flour);
		expect(allergens).toEqual(['wheat']);
		await saveIngredient(
			db,
			kitchen.id,
			flour,
			version,
			ingredientInput('A slip of the hand', { allergens: [] })
		);
		const after = await sell();
		await db.destroy();
		await first.stop();

		const log = join(first.dataDir, file);
		const binlog = 'mariadb-binlog';
		const plain = read(binlog, ['--no-defaults', '--base64-output=decode-rows', '-v', log]);
		const { begins, ends } = placeOf(plain, 'A slip of the hand');
		const second = await serverWith('second', ['--skip-log-bin', '--log-bin-trust-function-creators=1']);
		const play = (input: string) => execFileSync('mariadb', [...second.client, NAME], { input });
		play(backup);
		play(read(binlog, ['--no-defaults', `--start-position=${position}`, `--stop-position=${begins}`, log]));
		play(read(binlog, ['--no-defaults', `--start-position=${ends}`, log]));

		const restored = openDatabase(second.url);
		const there = await restored('sales').whereIn('id', [before, after]).pluck('id');
		expect(there.sort()).toEqual([before, after].sort());
		const again = await getIngredient(restored, kitchen.id, flour);
		expect([again.allergens, again.version]).toEqual([['wheat'], version]);
		await restored.destroy();
		const words = readFileSync(new URL('../../docs/operate.md', import.meta.url), 'utf8');
		for (const said of [
			'--base64-output=decode-rows -v',
			'--stop-position',
			'--start-position',
			'end_log_pos'
		])
			expect(words).toContain(said);
	}, 240_000);
});

const soldOn = async (db: Database, id: string): Promise<string | undefined> =>
	(await db('batches').where({ id }).first('made_on'))?.made_on;
