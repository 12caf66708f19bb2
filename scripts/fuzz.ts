import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { everyRoute } from './lib/hostile.ts';
import { beHostile } from './lib/hostility.ts';
import { report } from './lib/trouble.ts';

const COUNT = 50_000;
/** Of what a server that went away said last. */
const MOST_PRINTED = 4000;

/**
 * `npm run fuzz [-- COUNT SEED]`: every route and form of the application is sent what nobody should send, on data of its
 * own. Prints what was not answered in words, and leaves with exit code 1 where there is any.
 */
export async function main([count = String(COUNT), seed = '1']: string[]): Promise<void> {
	const folder = mkdtempSync(join(tmpdir(), 'square-batch-fuzz-'));
	try {
		const routes = everyRoute();
		const forms = routes.reduce((sum, { actions }) => sum + actions.length, 0);
		console.log(`${routes.length} routes, ${forms} forms; ${count} requests, seed ${seed}`);
		const { failures, failing, misfits, touched, printed, isGone } = await beHostile(
			folder,
			Number(count),
			Number(seed),
			(done) => {
				if (done % 1000 === 0) console.log(`${done} sent`);
			}
		);
		for (const failure of failures) console.log(JSON.stringify(failure));
		if (isGone || failures.some(({ status }) => status === 0)) console.log(printed.slice(-MOST_PRINTED));
		for (const page of failing) console.log(`fails afterwards: ${page}`);
		for (const misfit of misfits) console.log(`kept, and no archive would bring it back: ${misfit}`);
		for (const table of touched) console.log(`another kitchen was changed: ${table}`);
		console.log(
			`fuzz: ${failures.length} not answered in words, ${failing.length} pages fail afterwards, ${misfits.length} rows do not fit, ${touched.length} tables of another kitchen changed`
		);
		if (failures.length + failing.length + misfits.length + touched.length > 0) process.exitCode = 1;
	} catch (error) {
		report(error);
	} finally {
		rmSync(folder, { recursive: true, force: true });
	}
}
