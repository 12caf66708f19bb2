import { spawn } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { root } from './root.ts';
import { Trouble } from './trouble.ts';

const SOURCES = [
	'core',
	'src',
	'static',
	'package-lock.json',
	'svelte.config.js',
	'vite.config.ts',
	'vite.workers.config.ts'
];
const stamp = () => join(root, 'build', '.built-from');

/** Builds the application unless the build there is of these very sources. */
export async function ensureBuild(): Promise<void> {
	const current = sourcesHash();
	if (existsSync(stamp()) && readFileSync(stamp(), 'utf8') === current) return;
	console.log('Building…');
	// The application first: it empties the folder. What runs in workers is not part of it.
	for (const config of ['vite.config.ts', 'vite.workers.config.ts']) {
		const { code, said } = await vite(['build', '--config', config, '--logLevel', 'warn']);
		if (code !== 0)
			throw new Trouble(`The build failed.\n${said}`, 'Mend what it names, and run this again.');
	}
	writeFileSync(stamp(), current);
}

/** Vite run with this Node: its exit code and all it said. */
function vite(args: string[]): Promise<{ code: number | null; said: string }> {
	const child = spawn(process.execPath, [join(root, 'node_modules/vite/bin/vite.js'), ...args], {
		cwd: root,
		stdio: ['ignore', 'pipe', 'pipe'],
		env: { ...process.env, NODE_ENV: 'production' }
	});
	let said = '';
	const take = (chunk: Buffer) => (said += chunk.toString());
	child.stdout.on('data', take);
	child.stderr.on('data', take);
	return new Promise((resolve, reject) => {
		child.once('error', reject);
		child.once('close', (code) => resolve({ code, said }));
	});
}

function sourcesHash(): string {
	const hash = createHash('sha256');
	const add = (path: string) => {
		if (statSync(path).isDirectory()) for (const name of readdirSync(path).sort()) add(join(path, name));
		else if (!path.endsWith('.test.ts'))
			hash.update(path.slice(root.length)).update('\0').update(readFileSync(path));
	};
	for (const source of SOURCES) add(join(root, source));
	return hash.digest('hex');
}
