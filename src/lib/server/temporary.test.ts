import { existsSync, mkdirSync, mkdtempSync, writeFileSync } from 'node:fs';
import { spawn } from 'node:child_process';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { removeLeftFolders, temporaryFolder } from './temporary.ts';

beforeEach(() => vi.stubEnv('TMPDIR', mkdtempSync(join(tmpdir(), 'temporary-test-'))));
afterEach(() => vi.unstubAllEnvs());

describe('a folder for a moment', () => {
	it('is there until it is removed, whoever looks for what others left', async () => {
		const { folder, remove } = await temporaryFolder();
		await removeLeftFolders();
		expect(existsSync(folder)).toBe(true);
		remove();
		expect(existsSync(folder)).toBe(false);
	});

	it('of a process that is gone is taken away with what is in it, by the next that begins', async () => {
		const child = spawn(process.execPath, ['-e', '']);
		await new Promise((resolve) => child.once('exit', resolve));
		const left = join(tmpdir(), `square-batch-work-${child.pid}-123-abcdef`);
		mkdirSync(left);
		writeFileSync(join(left, '0.json'), '[{"customer":"Briar"}]');
		// A number that another process has by now began at another moment.
		const taken = join(tmpdir(), `square-batch-work-${process.pid}-1-abcdef`);
		mkdirSync(taken);
		const other = join(tmpdir(), 'somebody-else');
		mkdirSync(other);
		await removeLeftFolders();
		expect([left, taken, other].map((folder) => existsSync(folder))).toEqual([false, false, true]);
	});
});
