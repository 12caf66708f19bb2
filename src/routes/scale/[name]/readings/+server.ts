import { streamWhileAllowed } from '$lib/server/edge/door/while-allowed.ts';
import { networkScales } from '$lib/server/scale.ts';
import type { RequestHandler } from './$types';

/** What a scale on the network says, a message a line, for as long as it says something. */
export const GET: RequestHandler = (event) =>
	streamWhileAllowed(event, 'make', async (send, end) => {
		const leaving = new AbortController();
		const lines = await networkScales()?.readings(event.params.name, leaving.signal);
		if (!lines) end();
		else
			void (async () => {
				try {
					for await (const line of lines) send(line);
				} catch {
					// Unplugged, or nobody listens any more: either way it is over.
				}
				end();
			})();
		return () => leaving.abort();
	});
