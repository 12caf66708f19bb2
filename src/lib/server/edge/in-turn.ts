import pLimit from 'p-limit';

/**
 * So many pages are worked out at once. One process has one thread for all of them, so that more of them side by side are
 * answered no sooner, and each holds all that it read meanwhile: what comes faster than it can be answered waits before it
 * has read anything. What is sent in waits for no page.
 */
export const MOST_AT_ONCE = 12;

const turns = pLimit(MOST_AT_ONCE);

/** Does what answers a page when it is its turn; null where whoever asked has gone by then. */
export const inTurn = <T>(request: Request, act: () => Promise<T>): Promise<T | null> =>
	turns(() => (request.signal.aborted ? Promise.resolve(null) : act()));
