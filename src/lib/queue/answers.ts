/** The server's answer to one thing that was sent. */
export type Answer = { id: string; kept: boolean; message?: string };

/** Something that the server did not keep, and why. */
export interface Refused<T> {
	item: T;
	message: string;
}

/** Things by what the server answered to each; what it did not answer is in neither. */
export function byAnswer<T>(
	items: readonly T[],
	answers: readonly Answer[],
	idOf: (item: T) => string
): { kept: T[]; refused: Refused<T>[] } {
	const byId = new Map(answers.map((answer) => [answer.id, answer]));
	const kept: T[] = [];
	const refused: Refused<T>[] = [];
	for (const item of items) {
		const answer = byId.get(idOf(item));
		if (answer?.kept) kept.push(item);
		else if (answer) refused.push({ item, message: answer.message ?? '' });
	}
	return { kept, refused };
}
