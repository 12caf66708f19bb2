import { describe, expect, it } from 'vitest';
import { dropOldParts, PAGES, PARTS, takeOverCaches } from './caches.ts';

const ORIGIN = 'https://bench.example';
const DAY_MS = 24 * 3600 * 1000;
const NOW = Date.parse('2026-12-01T12:00:00Z');

/** A browser's caches as maps. */
function cachesOf(content: Record<string, Record<string, Response>>) {
	const all = new Map(Object.entries(content).map(([name, of]) => [name, new Map(Object.entries(of))]));
	const cacheOf = (name: string) => {
		const of = all.get(name) ?? new Map<string, Response>();
		all.set(name, of);
		const pathOf = (request: RequestInfo | URL) => new URL((request as Request).url).pathname;
		return {
			keys: () => Promise.resolve([...of.keys()].map((path) => new Request(`${ORIGIN}${path}`))),
			match: (request: RequestInfo | URL) => Promise.resolve(of.get(pathOf(request))),
			put: (request: RequestInfo | URL, response: Response) => {
				of.set(pathOf(request), response);
				return Promise.resolve();
			},
			delete: (request: RequestInfo | URL) => Promise.resolve(of.delete(pathOf(request)))
		} as unknown as Cache;
	};
	const caches = {
		keys: () => Promise.resolve([...all.keys()]),
		open: (name: string) => Promise.resolve(cacheOf(name)),
		delete: (name: string) => Promise.resolve(all.delete(name))
	};
	const shown = () => Object.fromEntries([...all].map(([name, of]) => [name, [...of.keys()].sort()]));
	return { caches, shown, of: (name: string, path: string) => all.get(name)?.get(path) };
}
const of = (text: string, daysAgo = 0) =>
	new Response(text, { headers: { date: new Date(NOW - daysAgo * DAY_MS).toUTCString() } });

describe('a new version', () => {
	it('takes over what the one before kept, and nothing that is newer or somebody else’s', async () => {
		const {
			caches,
			shown,
			of: at
		} = cachesOf({
			'square-batch-1764000000': {
				'/sales/stall': of('old stall'),
				'/batches/01A/weigh': of('weigh'),
				'/_app/immutable/a.js': of('a')
			},
			[PAGES]: { '/sales/stall': of('new stall') },
			'of another application': { '/': of('other') }
		});
		await takeOverCaches(caches);
		expect(shown()).toEqual({
			'of another application': ['/'],
			[PAGES]: ['/batches/01A/weigh', '/sales/stall'],
			[PARTS]: ['/_app/immutable/a.js']
		});
		expect(await at(PAGES, '/sales/stall')?.text()).toBe('new stall');
		// Begun again it changes nothing.
		await takeOverCaches(caches);
		expect(shown()[PAGES]).toHaveLength(2);
	});

	it('lets parts of versions before go after thirty days, and never those it is made of', async () => {
		const { caches, shown } = cachesOf({
			[PARTS]: {
				'/_app/immutable/now.js': of('now', 90),
				'/_app/immutable/lately.js': of('lately', 29.9),
				'/_app/immutable/long-ago.js': of('long ago', 30.1),
				'/_app/immutable/undated.js': new Response('undated')
			}
		});
		await dropOldParts(caches, ['/_app/immutable/now.js'], NOW);
		expect(shown()[PARTS]).toEqual(['/_app/immutable/lately.js', '/_app/immutable/now.js']);
	});
});
