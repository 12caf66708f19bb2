import { isCluster, type Database } from './connection.ts';

/**
 * Of a cluster: waits until this process's node has everything that was committed anywhere when it is asked, so that
 * what somebody wrote through another process is there when they read. Once a request is enough: what the node has, all
 * its connections see. A database alone is always in step with itself.
 */
export async function inStep(db: Database): Promise<void> {
	if (isCluster()) await db.raw('SET STATEMENT wsrep_sync_wait = 1 FOR SELECT 1');
}
