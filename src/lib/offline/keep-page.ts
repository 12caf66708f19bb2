/**
 * Has the browser keep the page that is open with all it is made of, so that it can be read again with the
 * server gone. Where a browser keeps none (it does so on this machine and over https) nothing happens.
 */
export async function keepPage(path: string): Promise<void> {
	if (!('serviceWorker' in navigator)) return;
	try {
		const registration = await navigator.serviceWorker.register('/service-worker.js', { type: 'module' });
		await navigator.serviceWorker.ready;
		// The newest there is: one that is about to take over keeps it too.
		const worker = registration.installing ?? registration.waiting ?? registration.active;
		const parts = performance
			.getEntriesByType('resource')
			.map((entry) => new URL(entry.name))
			.filter((url) => url.origin === location.origin && url.pathname.startsWith('/_app/immutable/'))
			.map((url) => url.pathname);
		worker?.postMessage({ type: 'CACHE_URLS', payload: { urlsToCache: [...new Set(parts), path] } });
	} catch {
		// Not allowed here: the page works on without it, as long as it stays open.
	}
}
