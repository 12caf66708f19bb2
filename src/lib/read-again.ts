import { invalidate, invalidateAll } from '$app/navigation';
import { navigating } from '$app/state';

const ALL = '';
/** What is to be read once the network is there again. */
const missed = new Set<string>();

/**
 * Reads what is shown again, all of it or what depends on `what`, where the server can be asked. Where it
 * cannot, the page stays as it is: asked to read, it would be left for an error, with all that was typed.
 */
export async function readAgain(what = ALL): Promise<void> {
	if (await isThere()) {
		await arrived();
		await (what === ALL ? invalidateAll() : invalidate(what));
		return;
	}
	if (missed.size === 0) window.addEventListener('online', catchUp, { once: true });
	missed.add(what);
}

/** Reads all that is shown again after something was done here that the server has answered. */
export async function readAll(): Promise<void> {
	await arrived();
	await invalidateAll();
}

/** Until no page is being gone to: to read again on the way there would stop it. */
async function arrived(): Promise<void> {
	while (navigating.complete) await navigating.complete.catch(() => undefined);
}

function catchUp(): void {
	const what = missed.has(ALL) ? [ALL] : [...missed];
	missed.clear();
	for (const each of what) void readAgain(each);
}

async function isThere(): Promise<boolean> {
	try {
		return (await fetch('/alive')).ok;
	} catch {
		return false;
	}
}
