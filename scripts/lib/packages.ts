import { spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import { Trouble } from './trouble.ts';

/** A program the application needs, where it may be, and the Debian packages that hold it. */
export interface Needed {
	name: string;
	paths: string[];
	packages: string[];
}

/** The server alone: the `mariadb-server` package would also start a service of its own. */
export const MARIADB: Needed = {
	name: 'MariaDB',
	paths: [
		'/usr/sbin/mariadbd',
		'/usr/local/sbin/mariadbd',
		'/usr/local/bin/mariadbd',
		'/opt/homebrew/bin/mariadbd'
	],
	packages: ['mariadb-server-core', 'mariadb-client-core']
};

/** What makes one database of several, and what they copy themselves by. */
export const GALERA: Needed = {
	name: 'Galera',
	paths: ['/usr/lib/galera/libgalera_smm.so'],
	packages: ['galera-4']
};
export const RSYNC: Needed = { name: 'rsync', paths: ['/usr/bin/rsync'], packages: ['rsync'] };
export const HAPROXY: Needed = { name: 'HAProxy', paths: ['/usr/sbin/haproxy'], packages: ['haproxy'] };

export const CHROMIUM: Needed = { name: 'Chromium', paths: ['/usr/bin/chromium'], packages: ['chromium'] };

/** What copies a database as text: for tests of it. */
export const DUMP: Needed = {
	name: 'mariadb-dump',
	paths: ['/usr/bin/mariadb-dump'],
	packages: ['mariadb-client']
};

/** Path of a needed program, installed first where it is missing and we may. */
export function ensureProgram(needed: Needed): string {
	const found = () => needed.paths.find((path) => existsSync(path));
	const present = found();
	if (present) return present;
	const install = ['apt-get', 'install', '-y', '--no-install-recommends', ...needed.packages];
	const command = `apt-get update && ${install.join(' ')}`;
	const prefix = elevation();
	if (prefix === null || !existsSync('/usr/bin/apt-get'))
		throw new Trouble(
			`${needed.name} is not installed, and this user may not install it.`,
			`Install it with:\n  sudo sh -c "${command}"\nthen run this again.`
		);
	console.log(`Installing ${needed.name} (${needed.packages.join(', ')})…`);
	const run = (words: string[]) => {
		const [program = '', ...rest] = [...prefix, ...words];
		return spawnSync(program, rest, {
			stdio: ['ignore', 'ignore', 'inherit'],
			env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' }
		}).status;
	};
	run(['apt-get', 'update', '-qq']);
	const status = run(install);
	const path = found();
	if (status !== 0 || !path)
		throw new Trouble(
			`${needed.name} could not be installed.`,
			`See what this says, mend it, and run this again:\n  ${command}`
		);
	return path;
}

/** How to act as root: not at all needed, by sudo without a password, or null when it cannot be. */
function elevation(): string[] | null {
	if (process.getuid?.() === 0) return [];
	return spawnSync('sudo', ['-n', 'true'], { stdio: 'ignore' }).status === 0 ? ['sudo', '-n'] : null;
}
