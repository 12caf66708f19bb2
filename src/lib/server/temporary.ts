import { rmSync } from 'node:fs';
import { mkdtemp, readdir, readFile, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/** Before the number of the process and the moment it began, which nobody else's folder has. */
const OURS = /^square-batch-work-(\d+)-(\d+)-/;

/** When a process began, in the system's own count; '0' where the system does not say. */
async function beganAt(pid: number): Promise<string | null> {
	try {
		const stat = await readFile(`/proc/${pid}/stat`, 'utf8');
		const FIELD_OF_START = 19;
		return stat.slice(stat.lastIndexOf(')') + 2).split(' ')[FIELD_OF_START] ?? '0';
	} catch {
		try {
			process.kill(pid, 0);
			return '0';
		} catch {
			return null;
		}
	}
}

/**
 * A folder of this process for what it works with for a moment, and what takes it away. What it holds may name customers:
 * where the process is killed the next one to ask for such a folder takes what was left away.
 */
export async function temporaryFolder(): Promise<{ folder: string; remove: () => void }> {
	await removeLeftFolders();
	const began = await beganAt(process.pid);
	const folder = await mkdtemp(join(tmpdir(), `square-batch-work-${process.pid}-${began}-`));
	return { folder, remove: () => rmSync(folder, { recursive: true, force: true }) };
}

/** Takes away what processes that are gone left behind. */
export async function removeLeftFolders(): Promise<void> {
	for (const name of await readdir(tmpdir())) {
		const [, pid, began] = OURS.exec(name) ?? [];
		if (pid === undefined || (await beganAt(Number(pid))) === began) continue;
		// Another's is let be.
		await rm(join(tmpdir(), name), { recursive: true, force: true }).catch(() => undefined);
	}
}
