import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { MOST_MB, soaked } from '../../scripts/lib/soak.ts';
import { LONG } from './long.ts';
import { expect, test } from './test.ts';

/** With TypeScript translated as it is loaded, a process at rest holds 400. */
const AT_REST_MB = 320;

async function soak(minutes: number): Promise<void> {
	const folder = mkdtempSync(join(tmpdir(), 'square-batch-soak-'));
	try {
		const of = await soaked(folder, minutes);
		expect(of.rest_mb).toBeLessThan(AT_REST_MB);
		expect(of.most_mb).toBeLessThan(MOST_MB);
		expect(of.entries).toBeGreaterThan(0);
		expect({ failed: of.failed, lost: of.lost }).toEqual({ failed: 0, lost: 0 });
	} finally {
		rmSync(folder, { recursive: true, force: true });
	}
}

test('two minutes of a light day: what a process holds stays below what it may, and nothing is lost', async () => {
	test.setTimeout(360_000);
	await soak(2);
});

test('ten minutes of a light day', LONG, async () => {
	test.setTimeout(900_000);
	await soak(10);
});
