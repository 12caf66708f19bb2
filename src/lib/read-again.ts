import { invalidate, invalidateAll } from '$app/navigation';

const ALL = '';
/** What is to be read once the network is there again. */
const missed = new Set<string>();

/**
 * Reads what is shown again, all of it or what depends on `what`, where the server can be asked. Where it
 * cannot, the page stays as it is: asked to read, it would be left for an error, with all that was typed.
 */
export async function readAgain(what = ALL): Promise<void> {
	if (await isThere()) {
		await (what === ALL ? invalidateAll() : invalidate(what));
		return;
	}
	if (missed.size === 0) window.addEventListener('online', catchUp, { once: true });
	missed.add(what);
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
