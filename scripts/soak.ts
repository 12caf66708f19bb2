import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ensureBuild } from './lib/build.ts';
import { MOST_MB, soaked } from './lib/soak.ts';
import { report } from './lib/trouble.ts';

const MINUTES = 20;

/**
 * `npm run soak [-- MINUTES]`: a light day of a kitchen, 20 pages a second, ten that listen, two sales and two readings a
 * second. Prints the memory and how soon answers came at first and at last; exit code 1 where it is too much, or anything is lost.
 */
export async function main([minutes = String(MINUTES)]: string[]): Promise<void> {
	const folder = mkdtempSync(join(tmpdir(), 'square-batch-soak-'));
	try {
		await ensureBuild();
		const of = await soaked(folder, Number(minutes), (words) => console.log(words));
		console.log(
			`soak, ${minutes} min: ${of.rest_mb} MB at rest, ${of.most_mb} MB at most, ${of.end_mb} MB in the end; answers ${of.first_ms.toFixed(0)} ms at first, ${of.last_ms.toFixed(0)} ms at last; ${of.answered} answered, ${of.failed} failed; ${of.entries} entries, ${of.lost} lost`
		);
		if (of.most_mb > MOST_MB || of.failed > 0 || of.lost > 0) process.exitCode = 1;
	} catch (error) {
		report(error);
	} finally {
		rmSync(folder, { recursive: true, force: true });
	}
}
