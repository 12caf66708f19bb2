import { readArchive } from '$lib/server/archive/read.ts';
import { type Progress } from '$lib/server/archive/insert.ts';
import { restoreKitchen } from '$lib/server/archive/restore.ts';
import { Refused } from '$lib/server/errors.ts';
import type { RequestHandler } from './$types';

/** A line of the answer: how far it is, and at the end what came of it. */
export type RestoreLine = { progress: Progress } | { restored: string } | { problem: string };

/** Rows go in by the hundred; the page need not hear of each. */
const EVERY_MS = 150;

/** Brings an archive in; the answer tells how far it is, line by line. Nothing stays of one that is stopped. */
export const POST: RequestHandler = async ({ locals: { db }, request }) => {
	const bytes = new Uint8Array(await request.arrayBuffer());
	const utf8 = new TextEncoder();
	let stopped = false;
	let told = 0;
	const body = new ReadableStream<Uint8Array>({
		start(controller) {
			const say = (line: RestoreLine) => {
				if (!stopped) controller.enqueue(utf8.encode(`${JSON.stringify(line)}\n`));
			};
			const goOn = (progress: Progress) => {
				if (stopped) throw new Error('stopped');
				if (Date.now() - told < EVERY_MS && progress.done < progress.of) return;
				told = Date.now();
				say({ progress });
			};
			readArchive(bytes)
				.then((archive) => restoreKitchen(db, archive, goOn))
				.then((restored) => say({ restored }))
				.catch((error: unknown) => {
					if (stopped) return;
					say({
						problem: error instanceof Refused ? error.message : 'something failed on the server, and nothing was changed'
					});
				})
				.finally(() => {
					if (!stopped) controller.close();
				});
		},
		cancel() {
			stopped = true;
		}
	});
	return new Response(body, { headers: { 'content-type': 'application/x-ndjson', 'cache-control': 'no-store' } });
};
