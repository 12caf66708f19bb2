import { answered, asHeader } from '../people/here.svelte.ts';
import type { Answer } from './answers.ts';

/**
 * The server is not there, has no database or no room, or has too much to do; who made it is not in, or somebody else
 * is: what was sent is not the reason.
 */
const NOT_NOW = new Set([401, 409, 429, 502, 503, 504, 507]);

/** Longer than an answer ever takes that comes. */
const LONGEST_MS = 20_000;

/** Sends things as JSON; null where the server could not be asked. */
export async function postItems<T>(
	path: string,
	body: unknown,
	items: readonly T[],
	idOf: (item: T) => string
): Promise<Answer[] | null> {
	try {
		const response = await fetch(path, {
			method: 'POST',
			headers: { 'content-type': 'application/json', ...asHeader() },
			body: JSON.stringify(body),
			// Sent again under the same ids it is kept once: nothing is lost by not waiting longer.
			signal: AbortSignal.timeout(LONGEST_MS)
		});
		answered(response.status);
		if (response.ok) return ((await response.json()) as { answers: Answer[] }).answers;
		if (NOT_NOW.has(response.status)) return null;
		const { message = 'the server did not take it' } = (await response.json().catch(() => ({}))) as {
			message?: string;
		};
		// What was understood and cannot be is not sent again: that would not help. What it failed on may be.
		const again = response.status >= 500;
		return items.map((item) => ({ id: idOf(item), kept: false, message, ...(again ? { again } : {}) }));
	} catch {
		return null;
	}
}
