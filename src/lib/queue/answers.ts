/** The server's answer to one thing that was sent; `again` where it failed on it, and may not the next time. */
export type Answer = { id: string; kept: boolean; message?: string; again?: boolean };

/** Something that the server did not keep, and why. */
export interface Refused<T> {
	item: T;
	message: string;
}

/** Things by what the server answered to each; what it did not answer is in none of them. */
export interface Answered<T> {
	kept: T[];
	refused: Refused<T>[];
	/** What it failed on. */
	failed: Refused<T>[];
}

export function byAnswer<T>(
	items: readonly T[],
	answers: readonly Answer[],
	idOf: (item: T) => string
): Answered<T> {
	const byId = new Map(answers.map((answer) => [answer.id, answer]));
	const answered: Answered<T> = { kept: [], refused: [], failed: [] };
	for (const item of items) {
		const answer = byId.get(idOf(item));
		if (answer?.kept) answered.kept.push(item);
		else if (answer)
			answered[answer.again ? 'failed' : 'refused'].push({ item, message: answer.message ?? '' });
	}
	return answered;
}
