import { restoreFrom } from '$lib/server/archive/beside.ts';
import type { Progress } from '$lib/server/archive/insert.ts';
import type { Restored } from '$lib/server/archive/restoring.ts';
import { openHere } from '$lib/server/edge/door/come-in.ts';
import { whoIn } from '$lib/server/edge/door/door.ts';
import { keptAside } from '$lib/server/edge/kept-aside.ts';
import { log, logged } from '$lib/server/edge/log.ts';
import { Refused } from '$lib/server/errors.ts';
import { own } from '$lib/server/people/own-kitchen.ts';
import type { RequestHandler } from './$types';

/** A line of the answer: how far it is, and at the end what came of it. */
export type RestoreLine = { progress: Progress } | Restored;

/** Brings an archive in; the answer tells how far it is, line by line. Nothing stays of one that is stopped. */
export const POST: RequestHandler = async (event) => {
	const { locals, request } = event;
	const { db, requestId } = locals;
	const aside = await keptAside(request);
	const stop = new AbortController();
	const utf8 = new TextEncoder();
	const body = new ReadableStream<Uint8Array>({
		async start(controller) {
			const say = (line: RestoreLine) => {
				if (!stop.signal.aborted) controller.enqueue(utf8.encode(`${JSON.stringify(line)}\n`));
			};
			try {
				const outcome = await restoreFrom(db, aside.path, (progress) => say({ progress }), stop.signal);
				if ('restored' in outcome) {
					// Nobody of the archive belongs to anything here: who brought it in does.
					await own(db, outcome.restored, whoIn(locals));
					await openHere(event, outcome.restored);
				}
				say(outcome);
			} catch (error) {
				if (error instanceof Refused) say({ problem: error.message });
				else if (!stop.signal.aborted) {
					log.error({ requestId, error: logged(error) }, 'a restore failed');
					say({
						problem: `something failed on the server, and nothing was changed: look for ${requestId} in what it printed`
					});
				}
			} finally {
				await aside.drop();
			}
			if (!stop.signal.aborted) controller.close();
		},
		cancel: () => stop.abort(new Error('stopped'))
	});
	return new Response(body, { headers: { 'content-type': 'application/x-ndjson', 'cache-control': 'no-store' } });
};
