import { randomBytes } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { Trouble } from './trouble.ts';

const BYTES = 32;

/**
 * The key that secrets in the database are sealed with: `SECRET_KEY_FILE` where several machines share one, else a file
 * of its own in the data folder, beside the database and not in it. Made the first time. The file it is in.
 */
export function secretKeyFile(dataDir: string, env: NodeJS.ProcessEnv = process.env): string {
	const given = env.SECRET_KEY_FILE;
	const path = given ?? join(dataDir, 'secret.key');
	if (!existsSync(path)) {
		if (given)
			throw new Trouble(
				`SECRET_KEY_FILE is "${given}", and there is no such file.`,
				`Make it once, the same for all machines:\n  head -c ${BYTES} /dev/urandom | base64 > ${given}`
			);
		mkdirSync(dataDir, { recursive: true });
		// Of two that start at once on one folder the second is turned away before it comes here.
		writeFileSync(path, `${randomBytes(BYTES).toString('base64')}\n`, { mode: 0o600, flag: 'wx' });
	}
	if (Buffer.from(readFileSync(path, 'utf8'), 'base64').length < BYTES)
		throw new Trouble(
			`${path} is no key: it has to hold ${BYTES} bytes as base64.`,
			'Put the file back from a backup, or take it away: what was sealed with it has to be made anew then.'
		);
	return path;
}
