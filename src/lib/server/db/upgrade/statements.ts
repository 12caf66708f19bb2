import { createHash } from 'node:crypto';
import type { Database } from '../connection.ts';

/**
 * What was done of a step that is not done: its statements by their number, and what those answered that asked
 * something. Each statement is whole or not at all, as the database promises; so a step that was cut short goes on with
 * the first that is not here. Beside the tables of the tool that names migrations.
 */
export const STATEMENTS = 'knex_migrations_statements';

/** A statement of a step, as it was done. */
interface Done {
	text: string;
	answer: string | null;
}

/** The number before the first statement: noted when a step begins. */
const BEGUN = 0;

/** The name of no step: the upgrade itself. */
const WHOLE = '';

const READS = /^\s*(select|show)\b/i;
const FILLS = /^\s*(insert|update|delete)\b/i;
const BRACKETS = /^\s*(begin|start transaction|savepoint)\b/i;

/** What a statement says that was done before: its table, column, index, rule or guard is there, or is gone. */
const DONE_BEFORE = new Set([
	'ER_TABLE_EXISTS_ERROR',
	'ER_BAD_TABLE_ERROR',
	'ER_DUP_FIELDNAME',
	'ER_DUP_KEYNAME',
	'ER_MULTIPLE_PRI_KEY',
	'ER_CANT_DROP_FIELD_OR_KEY',
	'ER_TRG_ALREADY_EXISTS',
	'ER_TRG_DOES_NOT_EXIST',
	'ER_DUP_CONSTRAINT_NAME',
	'ER_FK_DUP_NAME'
]);

function wasDoneBefore(error: unknown): boolean {
	const { code = '', errno, message = '' } = error as { code?: string; errno?: number; message?: string };
	// A reference of the same name: the engine says it in its own words.
	return DONE_BEFORE.has(code) || (errno === 1005 && /errno: 121\b/.test(message)) || errno === 1826;
}

const hashOf = (text: string): string => createHash('sha256').update(text).digest('hex');

/** How the client runs a statement, beneath everything else. */
interface Asked {
	sql: string;
	bindings?: readonly unknown[];
	response?: unknown;
}
type Ask = (connection: unknown, asked: Asked) => Promise<Asked>;

/** A step that is being run. */
interface Running {
	step: string;
	done: Done[];
	/** How many of its statements were asked for by now. */
	nth: number;
	/** Whether it was begun before: the first statement that is not noted may have come through, and the note not. */
	isAgain: boolean;
	/** Whether what is done of it is not known at all: an older version began it, or it was another then. */
	isUnsure: boolean;
}

/** Runs steps so that one that is cut short can go on. */
export interface Steps {
	/** Notes that an upgrade is on its way, from before its first step until its last is done. */
	begin: () => Promise<void>;
	/** Runs `up` of a step, from where it was left; unsure where what was done of it may not be noted. */
	run: (
		step: string,
		up: () => Promise<unknown>,
		of: { isUnsure: boolean; isLast: boolean }
	) => Promise<void>;
}

/** What a test does instead of the moment before or after a statement is noted: ends everything. */
export type AtStatement = (step: string, nth: number, when: 'before' | 'done' | 'noted') => void;

/** Makes every statement that goes through `one`, a database of one connection, one of the step that is run. */
export async function stepsThrough(one: Database, at: AtStatement = () => undefined): Promise<Steps> {
	await one.raw(
		`CREATE TABLE IF NOT EXISTS ${STATEMENTS} (
			step VARCHAR(120) NOT NULL, nth INT UNSIGNED NOT NULL, text CHAR(64) NOT NULL, answer LONGTEXT NULL,
			PRIMARY KEY (step, nth)
		) ENGINE = InnoDB CHARACTER SET utf8mb4`
	);
	const client = one.client as { _query: Ask };
	const ask: Ask = client._query.bind(client);
	let running: Running | null = null;

	const note = (connection: unknown, { step, nth }: Running, text: string, answer: string | null) =>
		ask(connection, {
			sql: `REPLACE INTO ${STATEMENTS} (step, nth, text, answer) VALUES (?, ?, ?, ?)`,
			bindings: [step, nth, text, answer]
		});

	/** What fills tables is noted with what it filled, or neither is. */
	async function fill(connection: unknown, asked: Asked, of: Running, text: string): Promise<Asked> {
		await ask(connection, { sql: 'START TRANSACTION' });
		try {
			const answered = await ask(connection, asked);
			at(of.step, of.nth, 'done');
			await note(connection, of, text, null);
			await ask(connection, { sql: 'COMMIT' });
			return answered;
		} catch (error) {
			await ask(connection, { sql: 'ROLLBACK' }).catch(() => undefined);
			throw error;
		}
	}

	async function inStep(connection: unknown, asked: Asked, of: Running): Promise<Asked> {
		if (BRACKETS.test(asked.sql))
			throw new Error(`${of.step}: a step opens no transaction: each statement is one`);
		of.nth += 1;
		const text = hashOf(asked.sql);
		const before = of.done[of.nth - 1];
		if (before?.text === text) {
			asked.response = [before.answer === null ? { affectedRows: 0 } : JSON.parse(before.answer), []];
			return asked;
		}
		if (before) of.isUnsure = true;
		const mayBeDone = of.isUnsure || (of.isAgain && of.nth === of.done.length + 1);
		at(of.step, of.nth, 'before');
		if (FILLS.test(asked.sql)) {
			const answered = await fill(connection, asked, of, text);
			at(of.step, of.nth, 'noted');
			return answered;
		}
		let answered: Asked;
		try {
			answered = await ask(connection, asked);
		} catch (error) {
			if (!mayBeDone || !wasDoneBefore(error)) throw error;
			asked.response = [{ affectedRows: 0 }, []];
			answered = asked;
		}
		at(of.step, of.nth, 'done');
		const answer = READS.test(asked.sql) ? JSON.stringify((answered.response as unknown[])[0]) : null;
		await note(connection, of, text, answer);
		at(of.step, of.nth, 'noted');
		return answered;
	}

	client._query = (connection, asked) =>
		running ? inStep(connection, asked, running) : ask(connection, asked);

	return {
		begin: async () => {
			await one.raw(`INSERT IGNORE INTO ${STATEMENTS} (step, nth, text) VALUES (?, ?, '')`, [WHOLE, BEGUN]);
		},
		run: async (step, up, { isUnsure, isLast }) => {
			const [kept] = (await one.raw(
				`SELECT nth, text, answer FROM ${STATEMENTS} WHERE step = ? ORDER BY nth`,
				[step]
			)) as [(Done & { nth: number })[]];
			const done = kept.filter(({ nth }) => nth > BEGUN);
			const isAgain = kept.length > 0;
			if (!isAgain)
				await one.raw(`INSERT INTO ${STATEMENTS} (step, nth, text) VALUES (?, ?, '')`, [step, BEGUN]);
			running = { step, done, nth: BEGUN, isAgain, isUnsure };
			try {
				await up();
			} finally {
				running = null;
			}
			await one.transaction(async (transaction) => {
				await transaction.raw(
					'INSERT INTO knex_migrations (name, batch, migration_time) VALUES (?, 1, NOW())',
					[step]
				);
				await transaction.raw(`DELETE FROM ${STATEMENTS} WHERE step IN (?)`, [
					isLast ? [step, WHOLE] : [step]
				]);
			});
		}
	};
}
