import { chmodSync, mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { afterAll, expect, it } from 'vitest';
import { closedOnTheWay } from '../../scripts/lib/cluster/passable.ts';

// Directly in the folder that everybody may pass through, whatever the tests use for their own.
const outer = mkdtempSync('/tmp/square-batch-passable-');
const inner = join(outer, 'inner');
mkdirSync(inner);
afterAll(() => rmSync(outer, { recursive: true }));

it('a folder that nobody else may pass through is found, wherever on the way it lies', () => {
	chmodSync(outer, 0o711);
	chmodSync(inner, 0o711);
	expect(closedOnTheWay(inner)).toBeNull();
	chmodSync(inner, 0o710);
	expect(closedOnTheWay(inner)).toBe(inner);
	chmodSync(inner, 0o711);
	chmodSync(outer, 0o700);
	expect(closedOnTheWay(inner)).toBe(outer);
});
