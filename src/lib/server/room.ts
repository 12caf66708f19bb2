import { statfsSync } from 'node:fs';
import { refuse } from './errors.ts';

/** What is left for entries while long work fills the disk: days of a stall and a bench. */
const RESERVE_BYTES = 256 * 1024 ** 2;
/** Of a small disk, this share of it. */
const RESERVE_SHARE = 0.1;

/** Bytes that may be taken of the disk of the database beside the reserve; null where it is not ours to see. */
export function roomFor(folder = process.env.OWN_DATABASE): number | null {
	if (!folder) return null;
	try {
		const { bavail, blocks, bsize } = statfsSync(folder);
		return bavail * bsize - Math.min(RESERVE_BYTES, RESERVE_SHARE * blocks * bsize);
	} catch {
		return null;
	}
}

/** Refuses work that would fill the disk, before it begins or while it goes on: the till comes first. */
export function requireRoom(bytes: number, folder?: string): void {
	const room = roomFor(folder);
	if (room === null || bytes <= room) return;
	const megabytes = (of: number) => Math.max(0, Math.ceil(of / 1024 ** 2));
	refuse(
		'',
		`there is no room for it: it takes ${megabytes(bytes)} MB of the disk, and ${megabytes(room)} MB are free beside what is left for sales and readings. Free some, and begin it again`
	);
}
