/// <reference lib="webworker" />
import { version } from '$service-worker';

/*
 * Keeps the pages that are worked at with the hands full, so that reading one again works with the server
 * gone. Nothing else is kept: everywhere else a page that cannot be read should say so.
 */

const worker = globalThis as unknown as ServiceWorkerGlobalScope;
const CACHE = `square-batch-${version}`;
const PARTS = '/_app/immutable/';
/** A station of a batch, or the stall: what goes before the last part is the same for all of its kind. */
const WORKED_AT = /^(\/batches\/[0-9A-Z]{26}\/|\/sales\/)(weigh|mix|divide|surface|cook|pack|stall)$/;

worker.addEventListener('install', () => void worker.skipWaiting());

worker.addEventListener('activate', (event) => {
	event.waitUntil(
		(async () => {
			for (const name of await caches.keys()) if (name !== CACHE) await caches.delete(name);
			await worker.clients.claim();
		})()
	);
});

/** A page tells what it is made of: it was read before anybody kept anything. */
worker.addEventListener('message', (event) => {
	const { page, parts } = event.data as { page: string; parts: string[] };
	event.waitUntil(
		(async () => {
			const cache = await caches.open(CACHE);
			for (const part of parts) if (!(await cache.match(part))) await cache.add(part).catch(() => undefined);
			await cache.add(page).catch(() => undefined);
		})()
	);
});

worker.addEventListener('fetch', (event) => {
	const { request } = event;
	const { origin, pathname } = new URL(request.url);
	if (request.method !== 'GET' || origin !== worker.location.origin) return;
	if (pathname.startsWith(PARTS)) event.respondWith(part(request));
	else if (request.mode === 'navigate' && WORKED_AT.test(pathname))
		event.respondWith(pageNow(request, pathname));
});

/** Parts of the application never change under their name. */
async function part(request: Request): Promise<Response> {
	const cache = await caches.open(CACHE);
	const kept = await cache.match(request.url);
	if (kept) return kept;
	const answer = await fetch(request);
	if (answer.ok) await cache.put(request.url, answer.clone());
	return answer;
}

/** The page as the server has it; with the server gone as it was kept, or another station of the batch. */
async function pageNow(request: Request, pathname: string): Promise<Response> {
	const cache = await caches.open(CACHE);
	try {
		const answer = await fetch(request);
		if (answer.ok) await cache.put(pathname, answer.clone());
		return answer;
	} catch (gone) {
		const kept = await cache.match(pathname);
		if (kept) return kept;
		const [, kind = ''] = WORKED_AT.exec(pathname) ?? [];
		const other = (await cache.keys()).find((each) => new URL(each.url).pathname.startsWith(kind));
		if (other) return Response.redirect(other.url);
		throw gone;
	}
}
