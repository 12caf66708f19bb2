import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { root } from './root.ts';

/**
 * A program of node_modules/.bin run with this Node; its exit code. Its output goes on ours, or, under
 * a `heading`, all at once when it has ended, so that programs side by side do not mix theirs.
 */
export function runTool(
	tool: string,
	args: string[],
	env: NodeJS.ProcessEnv = {},
	heading?: string
): Promise<number> {
	return new Promise((resolve, reject) => {
		const child = spawn(join(root, 'node_modules', '.bin', tool), args, {
			cwd: root,
			stdio: ['ignore', heading ? 'pipe' : 'inherit', heading ? 'pipe' : 'inherit'],
			env: { ...process.env, ...env }
		});
		children.add(child.pid ?? 0);
		const held: Buffer[] = [];
		child.stdout?.on('data', (chunk: Buffer) => held.push(chunk));
		child.stderr?.on('data', (chunk: Buffer) => held.push(chunk));
		child.once('error', reject);
		// `close` and not `exit`: by then all it said has arrived.
		child.once('close', (code) => {
			children.delete(child.pid ?? 0);
			if (heading) process.stdout.write(`\n· ${heading}\n${Buffer.concat(held).toString()}`);
			resolve(code ?? 1);
		});
	});
}

const children = new Set<number>();

/** Ends what `runTool` started and is still running. */
export function endTools(): void {
	for (const pid of children) process.kill(pid, 'SIGTERM');
}
