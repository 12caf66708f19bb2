import { keepPage } from '../offline/keep-page.ts';
import { dropQueues } from '../queue/store.ts';

const DRAFTS = 'square-batch-draft-';
/** Whose pages the browser keeps. */
const LAST = 'square-batch:last-as';
const PARTS = '/_app/immutable/';

/** Drops pages the browser kept; what they are made of is nobody's, and stays. */
async function dropPages(): Promise<void> {
	if (!('caches' in window)) return;
	for (const name of await caches.keys()) {
		const cache = await caches.open(name);
		for (const request of await cache.keys())
			if (!new URL(request.url).pathname.startsWith(PARTS)) await cache.delete(request);
	}
}

/**
 * Pages that were kept are of who was in then: once somebody else is, read without a network they would be the
 * other's, and so would what is entered on them. The one that is open is kept anew.
 */
export async function pagesAreOf(as: string): Promise<void> {
	if (localStorage.getItem(LAST) === as) return;
	localStorage.setItem(LAST, as);
	await dropPages();
	if ('serviceWorker' in navigator && navigator.serviceWorker.controller) await keepPage(location.pathname);
}

/**
 * Clears what the browser keeps of somebody who leaves: pages that were kept, drafts, and what the server already
 * has. What still waits stays: it is sent once they are back.
 */
export async function clearOf(as: string | null): Promise<void> {
	await dropPages();
	localStorage.removeItem(LAST);
	for (const key of Object.keys(localStorage))
		if (key.startsWith(DRAFTS) && (as === null || key.startsWith(`${DRAFTS}${as}-`)))
			localStorage.removeItem(key);
	sessionStorage.clear();
	if (as !== null) await dropQueues(as).catch(() => undefined);
}
