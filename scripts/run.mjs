// Entry of every npm script. Plain JavaScript without dependencies, so that it can install them:
// `npm start` on a fresh clone has nothing yet but Node and npm.
import { spawnSync } from 'node:child_process';
import { existsSync, statSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';

const root = dirname(dirname(fileURLToPath(import.meta.url)));
const [command, ...args] = process.argv.slice(2);

const [major = 0, minor = 0] = process.versions.node.split('.').map(Number);
if (major < 20 || (major === 20 && minor < 19)) {
	console.error(`Square Batch needs Node 20.19 or newer; this is ${process.versions.node}.`);
	process.exit(1);
}

// npm writes this file at the end of an install, so it is older than the lock file when that changed.
const installed = join(root, 'node_modules', '.package-lock.json');
const lock = join(root, 'package-lock.json');
if (!existsSync(installed) || statSync(installed).mtimeMs < statSync(lock).mtimeMs) {
	console.error('Installing packages (npm ci)…');
	// Standard output belongs to the command, so npm's goes to standard error.
	const { status } = spawnSync(
		'npm',
		['ci', '--include=dev', '--no-audit', '--no-fund', '--loglevel=error'],
		{
			cwd: root,
			stdio: ['ignore', 2, 2],
			shell: process.platform === 'win32'
		}
	);
	if (status !== 0) {
		console.error(
			'The packages could not be installed: see above. Check that npm can reach its registry, then run this again.'
		);
		process.exit(1);
	}
}

// Gives $core and $lib their meaning outside the build too.
process.env.TSX_TSCONFIG_PATH = join(root, 'scripts', 'tsconfig.json');
const { beginTranslation } = await import('./lib/translation.mjs');
beginTranslation();
const { main } = await import(pathToFileURL(join(root, 'scripts', `${command}.ts`)).href);
await main(args);
