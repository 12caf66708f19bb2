import type { Database } from '../db/connection.ts';
import { areHandlesShort } from './handles.ts';

/** How long the database may take to say that it is there. */
const LIMIT_MS = 2000;

/** Why this process should not be sent anything now; null where its database takes writes. */
export async function notReady(db: Database): Promise<string | null> {
	if (areHandlesShort()) return 'the process is short of file handles';
	try {
		const [[row]] = (await db.raw('SELECT @@global.read_only AS isReadOnly').timeout(LIMIT_MS)) as [
			{ isReadOnly: number }[]
		];
		if (!row || row.isReadOnly !== 0) return 'the database is read-only';
		// Of a cluster's node: whether it is in step with the others. A database alone has no such status.
		const [[wsrep]] = (await db.raw("SHOW STATUS LIKE 'wsrep_ready'").timeout(LIMIT_MS)) as [
			{ Value: string }[]
		];
		return wsrep && wsrep.Value !== 'ON' && wsrep.Value !== '' && (await isInCluster(db))
			? 'the database is out of step with its cluster'
			: null;
	} catch {
		return 'the database does not answer';
	}
}

async function isInCluster(db: Database): Promise<boolean> {
	const [[row]] = (await db.raw('SELECT @@global.wsrep_on AS isOn').timeout(LIMIT_MS)) as [
		{ isOn: number }[]
	];
	return row?.isOn === 1;
}
