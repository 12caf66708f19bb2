import { setImmediate as othersFirst } from 'node:timers/promises';

/** Longer than this nobody else should wait. */
const HOLD_MS = 20;

/**
 * Lets others be answered in the middle of long work: called before each piece of it, it waits for them once the work
 * has held the loop for a while.
 */
export function paced(): () => Promise<void> {
	let since = performance.now();
	return async () => {
		if (performance.now() - since < HOLD_MS) return;
		await othersFirst();
		since = performance.now();
	};
}
