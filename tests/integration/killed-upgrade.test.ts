import { cpSync, existsSync, mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { layOlder, upgradeCut, WAYS } from '../../scripts/lib/crash-upgrade.ts';
import { copiesIn } from '../../scripts/lib/copy-before.ts';

/** A few kills of `npm start` itself on its way through an upgrade; `npm run crash:upgrade` tries every step. */
const TIMES = 2;
const folder = mkdtempSync(join(process.env.TEST_FOLDER ?? tmpdir(), 'killed-upgrade-'));
const older = join(folder, 'older');
beforeAll(
	() => layOlder(older, fileURLToPath(new URL('../fixtures/kitchen-at-0056.zip', import.meta.url))),
	120_000
);
afterAll(() => rmSync(folder, { recursive: true, force: true }));

describe.each(WAYS)('an upgrade that is cut short: %s', (way) => {
	it('goes on at the next start, with one copy from before it', async () => {
		const dataDir = join(folder, way);
		cpSync(older, dataDir, { recursive: true });
		const { cuts, isDone } = await upgradeCut(dataDir, way, 1, TIMES);
		expect(cuts).toHaveLength(TIMES);
		expect(isDone).toBe(true);
		const copies = readdirSync(copiesIn(dataDir));
		expect(copies).toHaveLength(1);
		expect(existsSync(join(copiesIn(dataDir), copies[0] ?? '', 'mariadb', 'mysql'))).toBe(true);
	}, 180_000);
});
