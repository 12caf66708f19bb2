import { pino } from 'pino';

export const log = pino({ level: process.env.LOG_LEVEL ?? 'warn' });

/** What of an error is written down: what it is and where it arose, and nothing that somebody typed. */
export interface Logged {
	type: string;
	code: string | null;
	/** Absent of an error of the database: it repeats the values of the statement. */
	message?: string;
	stack: string[];
}

const FRAME = /^\s+at /;
/** How a statement begins: where the connection breaks, Knex puts it before the message, with all its values. */
const STATEMENT = /^\s*(select|insert|update|delete|replace|with|set|alter|create|drop|truncate|show|\()\b/i;

/** An error as it is written down. */
export function logged(error: unknown): Logged {
	if (!(error instanceof Error)) return { type: typeof error, code: null, stack: [] };
	const { code, sql } = error as { code?: unknown; sql?: unknown };
	const isOfStatement = sql !== undefined || STATEMENT.test(error.message);
	const stack = (error.stack ?? '').split('\n').filter((line) => FRAME.test(line));
	return {
		type: error.name,
		code: typeof code === 'string' ? code : null,
		...(isOfStatement ? {} : { message: error.message }),
		stack: stack.map((line) => line.trim())
	};
}
