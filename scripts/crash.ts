import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { filled, killed } from './lib/crash.ts';
import type { Kept } from './lib/writers.ts';
import { report } from './lib/trouble.ts';

const TIMES = 100;

/**
 * `npm run crash [-- TIMES SEED]`: kills the server, its database and both at random moments while four devices write,
 * and fills its disk. Prints what was lost or is there twice, and leaves with exit code 1 where anything is.
 */
export async function main([times = String(TIMES), seed = '1']: string[]): Promise<void> {
	const folder = mkdtempSync(join(tmpdir(), 'square-batch-crash-'));
	const say = (what: string, { acknowledged, lost, doubled }: Kept) => {
		for (const each of lost) console.log(`lost: ${each}`);
		for (const each of doubled) console.log(`doubled: ${each}`);
		console.log(
			`crash, ${what}: ${acknowledged} acknowledged, ${lost.length} lost, ${doubled.length} doubled`
		);
		if (lost.length + doubled.length > 0) process.exitCode = 1;
	};
	try {
		console.log(`${times} kills, seed ${seed}`);
		say(`${times} kills`, await killed(folder, Number(times), Number(seed), (words) => console.log(words)));
		const full = await filled(folder);
		if (!full) {
			console.log('crash, a full disk: no disk of its own can be made here, which takes root');
			return;
		}
		say('a full disk', full);
		console.log(
			`crash, a full disk: ${full.said ? 'said' : 'NOT SAID'}, ${full.wentOn ? 'went on with room' : 'DID NOT GO ON'}`
		);
		if (!full.said || !full.wentOn) process.exitCode = 1;
	} catch (error) {
		report(error);
	} finally {
		rmSync(folder, { recursive: true, force: true });
	}
}
