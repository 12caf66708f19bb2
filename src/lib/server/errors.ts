import type { Problem } from '$core/problem.ts';

/** What was asked for is not in this kitchen. */
export class NotFound extends Error {}

/** Cannot be done as asked: problems, each at its field. */
export class Refused extends Error {
	constructor(readonly problems: Problem[]) {
		super(problems.map((problem) => problem.message).join('; '));
	}
}

/** Someone saved the record after it was opened; what they saved is beside it. */
export class Stale<T> extends Error {
	constructor(readonly current: T) {
		super('changed since it was opened');
	}
}

/** Refuses with one problem. */
export function refuse(path: string, message: string): never {
	throw new Refused([{ path, message }]);
}

/** Whether a database error says that a row names one that is not in its kitchen: it went meanwhile, or never was. */
export const isOfNothing = (error: unknown): boolean =>
	(error as { code?: string }).code === 'ER_NO_REFERENCED_ROW_2';

/** What is said of it. */
export const OF_NOTHING = 'something this names is not here, or not any more: open the page again';

/** Whether a database error says that a unique key is taken. */
export function isDuplicate(error: unknown): boolean {
	return (error as { code?: string }).code === 'ER_DUP_ENTRY';
}
