import type { Answer } from './answers.ts';

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
			headers: { 'content-type': 'application/json' },
			body: JSON.stringify(body)
		});
		if (response.ok) return ((await response.json()) as { answers: Answer[] }).answers;
		if (response.status >= 500) return null;
		// It was understood and cannot be: sending it again would not help.
		const { message = 'the server did not take it' } = (await response.json().catch(() => ({}))) as {
			message?: string;
		};
		return items.map((item) => ({ id: idOf(item), kept: false, message }));
	} catch {
		return null;
	}
}
