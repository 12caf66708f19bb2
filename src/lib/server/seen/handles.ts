import { readdirSync, readFileSync } from 'node:fs';

/** Kept back for the database, files and whatever is opened to answer at all. */
const RESERVE = 128;
/** Beyond this share of them a process should be sent nothing more. */
const SHORT_SHARE = 0.95;
/** Where the system does not say how many there are. */
const ASSUMED = 1024;

let known: number | undefined;

/** How many files and connections this process may have open. */
export function handlesAtMost(): number {
	return (known ??= readLimit());
}

function readLimit(): number {
	try {
		const limits = readFileSync('/proc/self/limits', 'utf8');
		const [, soft = ''] = /^Max open files\s+(\d+|unlimited)/m.exec(limits) ?? [];
		return soft === 'unlimited' ? Infinity : Number(soft) || ASSUMED;
	} catch {
		return ASSUMED;
	}
}

/** How many connections a process takes at most, of so many handles: beyond it nothing could be read to answer them. */
export const connectionsAtMost = (handles = handlesAtMost()): number => Math.max(16, handles - RESERVE);

/** How many of the connections may be streams, which stay open: a page of each and what else is asked needs some too. */
export const streamsAtMost = (handles = handlesAtMost()): number =>
	Math.floor(connectionsAtMost(handles) / 2);

/** Whether so many are open that nothing more should be sent here. */
export function areHandlesShort(): boolean {
	try {
		return readdirSync('/proc/self/fd').length > SHORT_SHARE * handlesAtMost();
	} catch (error) {
		// Not even this can be opened; elsewhere than on Linux there is no such folder.
		return ['EMFILE', 'ENFILE'].includes((error as NodeJS.ErrnoException).code ?? '');
	}
}
