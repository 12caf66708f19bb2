import { chmodSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, expect, test } from 'vitest';
import { startMariaDb } from '../../scripts/lib/mariadb.ts';
import { MARIADB } from '../../scripts/lib/packages.ts';

let folder: string;
const { PATH } = process.env;
const { paths } = MARIADB;

beforeEach(() => {
	folder = mkdtempSync(join(tmpdir(), 'square-batch-first-'));
	mkdirSync(join(folder, 'programs'));
});

afterEach(() => {
	process.env.PATH = PATH;
	MARIADB.paths = paths;
	rmSync(folder, { recursive: true, force: true });
});

function program(name: string, script: string): void {
	const file = join(folder, 'programs', name);
	writeFileSync(file, `#!/bin/sh\nPATH=${PATH}\n${script}\n`);
	chmodSync(file, 0o755);
}

test('a machine without MariaDB gets it before anything of it is called', async () => {
	const programs = join(folder, 'programs');
	program('sudo', 'shift\nexec "$@"');
	// Brings the server and what lays its files, as the packages do, and nothing was there before.
	program(
		'apt-get',
		[
			`echo "$@" >> ${folder}/asked`,
			'[ "$1" = install ] || exit 0',
			`printf '#!/bin/sh\\nPATH=%s\\nexec mariadb-install-db "$@"\\n' "$PATH" > ${programs}/mariadb-install-db`,
			`chmod +x ${programs}/mariadb-install-db`,
			`ln -s ${paths.find((path) => path.startsWith('/usr/sbin')) ?? ''} ${programs}/mariadbd`
		].join('\n')
	);
	MARIADB.paths = [join(programs, 'mariadbd')];
	// Of what the machine has, only what the installer itself is written in.
	process.env.PATH = programs;
	const mariadb = await startMariaDb(join(folder, 'data'), { durable: false });
	await mariadb.stop();
	expect(readFileSync(join(folder, 'asked'), 'utf8').split('\n')).toEqual([
		'update -qq',
		`install -y --no-install-recommends ${MARIADB.packages.join(' ')}`,
		''
	]);
});
