import { createCipheriv, createDecipheriv, hkdfSync, randomBytes } from 'node:crypto';
import { readFileSync } from 'node:fs';

/** How a sealed secret begins; one that does not is from before they were sealed. */
const MARK = 's1.';
const NONCE = 12;
const TAG = 16;
const KEY = 32;

let keys: { file: string; key: Buffer } | undefined;

/** The key outside the database, from `SECRET_KEY_FILE`; read once. */
function theKey(): Buffer {
	const file = process.env.SECRET_KEY_FILE;
	if (!file) throw new Error('SECRET_KEY_FILE is not set: start the application with `npm start`');
	if (keys?.file !== file) {
		const secret = Buffer.from(readFileSync(file, 'utf8'), 'base64');
		keys = { file, key: Buffer.from(hkdfSync('sha256', secret, '', 'second factors', KEY)) };
	}
	return keys.key;
}

export const isSealed = (text: string): boolean => text.startsWith(MARK);

/** A secret as it lies in the database: AES-256-GCM, bound to whose it is (ASVS 2.8.2, 6.2). */
export function sealed(secret: string, of: string): string {
	const nonce = randomBytes(NONCE);
	const cipher = createCipheriv('aes-256-gcm', theKey(), nonce).setAAD(Buffer.from(of));
	const body = Buffer.concat([cipher.update(secret, 'utf8'), cipher.final()]);
	return MARK + Buffer.concat([nonce, cipher.getAuthTag(), body]).toString('base64url');
}

/** The secret again; null where it was sealed with another key, for somebody else, or was changed. */
export function unsealed(text: string, of: string): string | null {
	if (!isSealed(text)) return text;
	const bytes = Buffer.from(text.slice(MARK.length), 'base64url');
	try {
		const opened = createDecipheriv('aes-256-gcm', theKey(), bytes.subarray(0, NONCE)).setAAD(
			Buffer.from(of)
		);
		opened.setAuthTag(bytes.subarray(NONCE, NONCE + TAG));
		return Buffer.concat([opened.update(bytes.subarray(NONCE + TAG)), opened.final()]).toString('utf8');
	} catch {
		return null;
	}
}
