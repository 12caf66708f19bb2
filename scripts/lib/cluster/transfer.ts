import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readdirSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { reasonOf, Trouble } from '../trouble.ts';

const SCRIPT = 'wsrep_sst_rsync';

/**
 * The folder with what a node copies itself to another by: the system's, where the whole server is installed; else out
 * of its package, laid in `folder`. The package itself would also start a database of its own.
 */
export function transferScripts(folder: string): string {
	if (existsSync(join('/usr/bin', SCRIPT))) return '/usr/bin';
	const laid = join(folder, 'transfer');
	const bin = join(laid, 'usr', 'bin');
	if (existsSync(join(bin, SCRIPT))) return bin;
	mkdirSync(laid, { recursive: true, mode: 0o755 });
	try {
		run('apt-get', ['download', 'mariadb-server'], laid);
		const [file] = readdirSync(laid).filter((name) => name.endsWith('.deb'));
		run('dpkg-deb', ['-x', file ?? '', '.'], laid);
		if (!existsSync(join(bin, SCRIPT))) throw new Error(`${SCRIPT} is not in it`);
		return bin;
	} catch (error) {
		rmSync(laid, { recursive: true, force: true });
		throw new Trouble(
			`The scripts by which nodes copy themselves could not be fetched: ${reasonOf(error)}.`,
			'Install them with:\n  sudo apt-get install mariadb-server\n(and stop the service it starts), then run this again.'
		);
	}
}

function run(program: string, args: string[], cwd: string): void {
	const { status, stderr } = spawnSync(program, args, { cwd, encoding: 'utf8' });
	if (status !== 0) throw new Error(`${program}: ${stderr.trim().split('\n').at(-1) ?? ''}`);
}
