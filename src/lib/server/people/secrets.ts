import { createHash, randomBytes } from 'node:crypto';
import { hash, verify } from '@node-rs/argon2';

/** OWASP's least for argon2id: 19 MiB, two passes, one lane. The library's own kind is argon2id. */
const COST = { memoryCost: 19_456, timeCost: 2, parallelism: 1 };
const TOKEN_BYTES = 32;

/** Something nobody can guess: 256 bits, in letters an address may hold. */
export const newToken = (): string => randomBytes(TOKEN_BYTES).toString('base64url');

/** What is kept of a token: it is long and random, so that a plain SHA-256 tells nothing of it. */
export const tokenHash = (token: string): string => createHash('sha256').update(token).digest('hex');

/** What is kept of something a person chose: argon2id. */
export const chosenHash = (secret: string): Promise<string> => hash(secret.normalize('NFC'), COST);

let nothing: Promise<string> | undefined;

/**
 * Whether a secret is the one a hash was made of. Without a hash it is compared all the same, so that the time says
 * nothing of whether there is somebody by that name.
 */
export async function isChosen(hashed: string | null, secret: string): Promise<boolean> {
	const against = hashed ?? (await (nothing ??= chosenHash(newToken())));
	const right = await verify(against, secret.normalize('NFC')).catch(() => false);
	return right && hashed !== null;
}
