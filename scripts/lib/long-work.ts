import { ulid } from 'ulid';
import { isOver, type Job } from '../../src/lib/jobs/types.ts';
import { ask, cookiesAt } from './come-in.ts';

/** Work that takes long, as a page asks for it and waits for it. */

const ASK_EVERY_MS = 100;
const LIMIT_MS = 10 * 60_000;

/** A request as whoever has these cookies; as the demo's owner where none are given. */
const asking =
	(cookie?: string) =>
	async (url: string, init: RequestInit = {}) =>
		cookie === undefined
			? ask(url, init)
			: fetch(url, { ...init, headers: { ...(init.headers as Record<string, string>), cookie } });

/** A job once it is over; asked again where nobody answers for a moment. Throws where it failed. */
export async function jobOver(address: string, id: string, cookie?: string): Promise<Job> {
	const until = Date.now() + LIMIT_MS;
	for (;;) {
		const answer = await asking(cookie)(`${address}/jobs/${id}/state.json`).catch(() => null);
		if (answer?.ok) {
			const job = (await answer.json()) as Job;
			if (isOver(job)) return job;
		}
		if (Date.now() > until) throw new Error(`job ${id} was not over within ${LIMIT_MS} ms`);
		await new Promise((resolve) => setTimeout(resolve, ASK_EVERY_MS));
	}
}

/** Has the kitchen's archive made, and takes it. */
export async function madeArchive(address: string, withCustomers = true): Promise<Uint8Array<ArrayBuffer>> {
	const id = ulid();
	const body = new FormData();
	body.set('draft', JSON.stringify({ id, withCustomers }));
	const asked = await ask(`${address}/kitchen/data?/archive`, {
		method: 'POST',
		headers: { origin: address, accept: 'application/json', 'x-sveltekit-action': 'true' },
		body
	});
	await asked.body?.cancel();
	const job = await jobOver(address, id);
	if (job.state !== 'done') throw new Error(job.outcome?.problem ?? job.state);
	return new Uint8Array(await (await ask(`${address}/jobs/${id}/file`)).arrayBuffer());
}

/** Sends an archive to be restored; what came of it. */
export async function restoredBy(
	address: string,
	archive: Uint8Array<ArrayBuffer>,
	cookie?: string
): Promise<{ status: number; job: Job | null }> {
	const as = cookie ?? (await cookiesAt(address));
	const answer = await fetch(`${address}/kitchen/data/restore`, {
		method: 'POST',
		headers: { origin: address, cookie: as, 'content-type': 'application/zip' },
		body: new Blob([archive])
	});
	const { job } = (await answer.json()) as { job?: string };
	return { status: answer.status, job: job ? await jobOver(address, job, as) : null };
}
