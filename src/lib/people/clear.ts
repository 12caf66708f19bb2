import { dropQueues } from '../queue/store.ts';

const DRAFTS = 'square-batch-draft-';

/**
 * Clears what the browser keeps of somebody who leaves: pages that were kept, drafts, and what the server already
 * has. What still waits stays: it is sent once they are back.
 */
export async function clearOf(as: string | null): Promise<void> {
	if ('caches' in window) for (const name of await caches.keys()) await caches.delete(name);
	for (const key of Object.keys(localStorage))
		if (key.startsWith(DRAFTS) && (as === null || key.startsWith(`${DRAFTS}${as}-`)))
			localStorage.removeItem(key);
	sessionStorage.clear();
	if (as !== null) await dropQueues(as).catch(() => undefined);
}
