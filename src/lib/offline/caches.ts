/** Parts of the application: each is for good what its name says, in whichever version it is asked for. */
export const PARTS = 'square-batch-parts';
/** Pages that are worked at, as they were last. */
export const PAGES = 'square-batch-pages';
const OURS = 'square-batch-';
const PARTS_PATH = '/_app/immutable/';
/** So long a page of an older version may be read without a network: then its parts go. */
const KEPT_MS = 30 * 24 * 3600 * 1000;

export const isPart = (pathname: string): boolean => pathname.startsWith(PARTS_PATH);

/** What a worker has of caches, as far as it is needed here. */
type Caches = Pick<CacheStorage, 'open' | 'keys' | 'delete'>;

/**
 * Takes over what a worker of an earlier version kept: a page that was kept goes on to be read without a network, with the
 * parts of its own version, until it is kept anew. Nothing goes before it is over.
 */
export async function takeOverCaches(caches: Caches): Promise<void> {
	for (const name of await caches.keys()) {
		if (!name.startsWith(OURS) || name === PARTS || name === PAGES) continue;
		const old = await caches.open(name);
		for (const request of await old.keys()) {
			const to = await caches.open(isPart(new URL(request.url).pathname) ? PARTS : PAGES);
			// What is there by now is newer.
			if (await to.match(request)) continue;
			const response = await old.match(request);
			if (response) await to.put(request, response);
		}
		await caches.delete(name);
	}
}

/** Lets parts go that are of no version anybody reads any more: not of `build`, the one that is served, and long here. */
export async function dropOldParts(caches: Caches, build: readonly string[], now: number): Promise<void> {
	const parts = await caches.open(PARTS);
	const current = new Set(build);
	for (const request of await parts.keys()) {
		if (current.has(new URL(request.url).pathname)) continue;
		const response = await parts.match(request);
		const since = Date.parse(response?.headers.get('date') ?? '');
		if (!(now - since < KEPT_MS)) await parts.delete(request);
	}
}
