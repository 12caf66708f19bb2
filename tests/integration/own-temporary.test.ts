import { mkdtempSync, readdirSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, it } from 'vitest';
import { startMariaDb } from '../../scripts/lib/mariadb.ts';
import { useBench } from './kitchen.ts';

const bench = useBench();

it('what one database works with for a moment stays while another starts on the same machine', async () => {
	const [[{ own } = { own: '' }]] = (await bench.db.raw('SELECT @@tmpdir AS own')) as [{ own: string }[]];
	expect(own).not.toBe(tmpdir());
	expect(statSync(own).mode & 0o777).toBe(0o700);
	const folder = mkdtempSync(join(tmpdir(), 'square-batch-other-'));
	try {
		await bench.db.transaction(async (db) => {
			// On disk, in the server's own folder of temporary files, until the connection lets go of it.
			await db.raw('CREATE TEMPORARY TABLE kept_meanwhile (id INT PRIMARY KEY) ENGINE = Aria');
			await db.raw('INSERT INTO kept_meanwhile VALUES (1), (2)');
			expect(readdirSync(own).some((name) => name.startsWith('#sql'))).toBe(true);
			const other = await startMariaDb(folder, { durable: false });
			await other.stop();
			const [rows] = (await db.raw('SELECT COUNT(*) AS kept FROM kept_meanwhile')) as [{ kept: number }[]];
			expect(rows[0]?.kept).toBe(2);
			expect(readdirSync(own).some((name) => name.startsWith('#sql'))).toBe(true);
		});
	} finally {
		rmSync(folder, { recursive: true, force: true });
	}
}, 120_000);
