/// <reference lib="webworker" />
import { build } from '$service-worker';
import { clientsClaim } from 'workbox-core';
import { registerRoute } from 'workbox-routing';
import { CacheFirst, NetworkFirst } from 'workbox-strategies';
import { dropOldParts, isPart, PAGES, PARTS, takeOverCaches } from './lib/offline/caches.ts';

/*
 * Keeps the pages that are worked at with the hands full, so that reading one again works with the server
 * gone. A page tells what it is made of when it was read before anybody kept anything (`lib/offline/keep-page.ts`), by the
 * message the router listens to. Nothing else is kept: everywhere else a page that cannot be read should say so.
 */

const worker = globalThis as unknown as ServiceWorkerGlobalScope;
/** A network that does not answer within this is one that is not there: the page as it was kept is better. */
const NETWORK_S = 4;
/** A station of a batch, or the stall: what goes before the last part is the same for all of its kind. */
const WORKED_AT = /^(\/batches\/[0-9A-Z]{26}\/|\/sales\/)(weigh|mix|divide|surface|cook|pack|stall)$/;

worker.addEventListener('install', () => void worker.skipWaiting());
clientsClaim();

worker.addEventListener('activate', (event) => {
	event.waitUntil(takeOverCaches(caches).then(() => dropOldParts(caches, build, Date.now())));
});

/** Parts of the application never change under their name. */
registerRoute(
	({ url, sameOrigin }) => sameOrigin && isPart(url.pathname),
	new CacheFirst({ cacheName: PARTS })
);

/** The page as the server has it; with the server gone as it was kept, or another station of the batch. */
registerRoute(
	({ url, sameOrigin }) => sameOrigin && WORKED_AT.test(url.pathname),
	new NetworkFirst({
		cacheName: PAGES,
		networkTimeoutSeconds: NETWORK_S,
		plugins: [
			{
				// A server whose database is gone is a server that is gone.
				fetchDidSucceed: ({ response }) =>
					response.status === 503 || response.status === 507
						? Promise.reject(new Error('the server cannot'))
						: Promise.resolve(response),
				cacheKeyWillBeUsed: ({ request }) => Promise.resolve(new URL(request.url).pathname),
				handlerDidError: ({ request }) => otherStation(new URL(request.url).pathname)
			}
		]
	})
);

async function otherStation(pathname: string): Promise<Response | undefined> {
	const [, kind = ''] = WORKED_AT.exec(pathname) ?? [];
	const cache = await caches.open(PAGES);
	const other = (await cache.keys()).find((each) => new URL(each.url).pathname.startsWith(kind));
	return other && Response.redirect(other.url);
}
