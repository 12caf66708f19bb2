import { statfsSync } from 'node:fs';

/** What keeps the database from answering, in words for whoever works with it. */
export interface DatabaseTrouble {
	status: 503 | 507;
	message: string;
	remedy: string;
}

/** What mysql2 and Knex say where the server is gone, going or not there yet. */
const GONE = new Set([
	'ECONNREFUSED',
	'ECONNRESET',
	'EPIPE',
	'ETIMEDOUT',
	'EHOSTUNREACH',
	'ENETUNREACH',
	'ENOTFOUND',
	'EAI_AGAIN',
	'PROTOCOL_SEQUENCE_TIMEOUT',
	'PROTOCOL_CONNECTION_LOST',
	'PROTOCOL_ENQUEUE_AFTER_FATAL_ERROR',
	'ER_SERVER_SHUTDOWN',
	'ER_CONNECTION_KILLED'
]);
/** Not now: it is there, and has too much to do, waits for another, or is a node that does not take part just now. */
const BUSY = new Set([
	'ER_LOCK_WAIT_TIMEOUT',
	'ER_LOCK_DEADLOCK',
	'ER_CHECKREAD',
	'ER_CON_COUNT_ERROR',
	'ER_TOO_MANY_USER_CONNECTIONS',
	'ER_STATEMENT_TIMEOUT',
	'ER_QUERY_INTERRUPTED',
	'ER_OPTION_PREVENTS_STATEMENT',
	// Of a cluster: it could not be told to the others. What is sent again is kept once.
	'ER_ERROR_DURING_COMMIT'
]);
/** What a node says that has lost the others: an unknown command, of all things. */
const APART = new Set(['ER_UNKNOWN_COM_ERROR', 'ER_CLUSTER_NOT_READY']);
const FULL = new Set([
	'ENOSPC',
	'ER_DISK_FULL',
	'ER_RECORD_FILE_FULL',
	'ER_ERROR_ON_WRITE',
	'ER_TEMP_FILE_WRITE_FAILURE'
]);
const WSREP = /WSREP has not yet prepared node/;
const CLOSED = /connection is in closed state|Connection lost|Timeout acquiring a connection/i;

const OWN: DatabaseTrouble = {
	status: 503,
	message: 'The database has stopped.',
	remedy:
		'Square Batch starts it again by itself, which takes some seconds: this page comes back when it runs. What was kept is kept, and what you typed stays where you typed it.'
};
const OTHER: DatabaseTrouble = {
	status: 503,
	message: 'The database does not answer.',
	remedy:
		'Start it, or see that DATABASE_URL names it: this page comes back when it answers. What was kept is kept, and what you typed stays where you typed it.'
};

const SLOW: DatabaseTrouble = {
	status: 503,
	message: 'The database has too much to do just now.',
	remedy: 'Try again in a moment. What was kept is kept, and what you typed stays where you typed it.'
};
const NO_QUORUM: DatabaseTrouble = {
	status: 503,
	message: 'The database has lost its other nodes, and takes nothing until a majority is back.',
	remedy:
		'This comes back by itself once they see each other again; what devices entered meanwhile is kept on them and sent then. Whoever runs it finds what to do in docs/operate.md.'
};

const NO_HANDLES: DatabaseTrouble = {
	status: 503,
	message: 'The server has too many files and connections open just now.',
	remedy:
		'Try again in a moment. Where it stays so, whoever runs it raises the limit of open files (ulimit -n): docs/operate.md says how far.'
};

/** What to free where the disk is full: in the data folder, where it is ours. */
const full = (folder: string | undefined): DatabaseTrouble => ({
	status: 507,
	message: 'The disk is full: nothing more can be kept.',
	remedy: `Free some room on the disk${folder ? ` that holds ${folder}` : ' of the database'}: old downloads, archives you have a copy of elsewhere, what is in the wastebasket. Nothing that was kept is lost; save again once there is room.`
});

/** Whether an error is of a database that is gone or out of room, and what to say then; null for every other. */
export function databaseTrouble(error: unknown): DatabaseTrouble | null {
	const { code = '', message = '' } = (error ?? {}) as { code?: string; message?: string };
	if (FULL.has(code)) return full(process.env.OWN_DATABASE);
	if (code === 'EMFILE' || code === 'ENFILE') return NO_HANDLES;
	if (BUSY.has(code)) return SLOW;
	if (APART.has(code) || WSREP.test(message)) return NO_QUORUM;
	if (!GONE.has(code) && !CLOSED.test(message)) return null;
	const own = process.env.OWN_DATABASE;
	if (!own) return OTHER;
	// Without room it ends, and cannot begin again: that is what there is to mend.
	return isFull(own) ? full(own) : OWN;
}

/** What a database needs to begin: its temporary files. */
const LEAST_BYTES = 32 * 1024 ** 2;

function isFull(folder: string): boolean {
	try {
		const { bavail, bsize } = statfsSync(folder);
		return bavail * bsize < LEAST_BYTES;
	} catch {
		return false;
	}
}
