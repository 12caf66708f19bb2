import { statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, resolve } from 'node:path';
import { Trouble } from '../trouble.ts';

/** Whoever is not its owner may pass through it. */
const PASS = 0o001;

/** The first folder on the way to `folder`, it too, that only its owner may pass through; null where anybody may. */
export function closedOnTheWay(folder: string): string | null {
	for (let at = resolve(folder); ; at = dirname(at)) {
		if ((statSync(at).mode & PASS) === 0) return at;
		if (at === dirname(at)) return null;
	}
}

/** Nodes of root run as nobody: where those could not come to their data it is said, and how to mend it. Throws `Trouble`. */
export function requirePassable(folder: string): void {
	if (process.getuid?.() !== 0) return;
	for (const needed of [folder, tmpdir()]) {
		const closed = closedOnTheWay(needed);
		if (closed !== null)
			throw new Trouble(
				`The database nodes run as nobody where root starts them, and only root may pass through ${closed}.`,
				'Set CLUSTER_DIR and TMPDIR to folders that others may pass through, or start it as another user.'
			);
	}
}
