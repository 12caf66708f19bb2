import { cpSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { layOlder, upgradeCut, WAYS } from './lib/crash-upgrade.ts';
import { root } from './lib/root.ts';
import { report } from './lib/trouble.ts';

/**
 * `npm run crash:upgrade [-- SEED]`: an installation of an older version is brought up to date, and cut short at every
 * step on the way: by killing the process, its database, and as Ctrl-C does. Leaves with exit code 1 where one of them
 * does not go on at the next start.
 */
export async function main([seed = '1']: string[]): Promise<void> {
	const folder = mkdtempSync(join(tmpdir(), 'square-batch-upgrade-'));
	try {
		const older = join(folder, 'older');
		await layOlder(older, join(root, 'tests', 'fixtures', 'kitchen-at-0056.zip'));
		for (const [nth, way] of WAYS.entries()) {
			const dataDir = join(folder, String(nth));
			cpSync(older, dataDir, { recursive: true });
			const { cuts, isDone } = await upgradeCut(dataDir, way, Number(seed) + nth);
			console.log(
				`upgrade, ${way}: cut short ${cuts.length} times, at ${new Set(cuts).size} steps, ${isDone ? 'went on' : 'DID NOT GO ON'}`
			);
			if (!isDone || cuts.length === 0) process.exitCode = 1;
		}
	} catch (error) {
		report(error);
	} finally {
		rmSync(folder, { recursive: true, force: true });
	}
}
