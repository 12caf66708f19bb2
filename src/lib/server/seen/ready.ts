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
		return await outOfStep(db);
	} catch {
		return 'the database does not answer';
	}
}

/** A node's state with the others: joined and up to date. One that copies itself to another holds writes up meanwhile. */
const SYNCED = '4';

/** Why a cluster's node should be sent nothing; null where it takes part, and for a database alone, which has no such status. */
async function outOfStep(db: Database): Promise<string | null> {
	const [rows] = (await db
		.raw("SHOW STATUS WHERE Variable_name IN ('wsrep_ready', 'wsrep_cluster_status', 'wsrep_local_state')")
		.timeout(LIMIT_MS)) as [{ Variable_name: string; Value: string }[]];
	const said = new Map(rows.map(({ Variable_name, Value }) => [Variable_name, Value]));
	if (said.size === 0 || !(await isInCluster(db))) return null;
	if (said.get('wsrep_cluster_status') !== 'Primary')
		return 'the database has lost the majority of its nodes';
	if (said.get('wsrep_ready') !== 'ON') return 'the database is out of step with its cluster';
	return said.get('wsrep_local_state') === SYNCED
		? null
		: 'the database copies itself to another node, or is being copied to';
}

async function isInCluster(db: Database): Promise<boolean> {
	const [[row]] = (await db.raw('SELECT @@global.wsrep_on AS isOn').timeout(LIMIT_MS)) as [
		{ isOn: number }[]
	];
	return row?.isOn === 1;
}
