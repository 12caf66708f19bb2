import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';
import { isSealed, sealed, unsealed } from './sealed.ts';

const folder = mkdtempSync(join(tmpdir(), 'square-batch-key-'));
const keyOf = (byte: number) => {
	const path = join(folder, `key-${byte}`);
	writeFileSync(path, Buffer.alloc(32, byte).toString('base64'));
	return path;
};

beforeAll(() => void vi.stubEnv('SECRET_KEY_FILE', keyOf(1)));
afterAll(() => {
	vi.unstubAllEnvs();
	rmSync(folder, { recursive: true });
});

describe('a secret at rest', () => {
	it('is read again by the key it was sealed with, for whom it was', () => {
		const text = sealed('ABCDEFGHIJKLMNOP', 'wren');
		expect(isSealed(text)).toBe(true);
		expect(text).not.toContain('ABCD');
		expect(text.length).toBeLessThanOrEqual(120);
		expect(unsealed(text, 'wren')).toBe('ABCDEFGHIJKLMNOP');
		// Sealed again it looks otherwise.
		expect(sealed('ABCDEFGHIJKLMNOP', 'wren')).not.toBe(text);
	});

	it('is nothing for anybody else, with a letter changed, or by another key', () => {
		const text = sealed('ABCDEFGHIJKLMNOP', 'wren');
		expect(unsealed(text, 'pim')).toBeNull();
		const at = text.length - 3;
		expect(
			unsealed(text.slice(0, at) + (text[at] === 'A' ? 'B' : 'A') + text.slice(at + 1), 'wren')
		).toBeNull();
		vi.stubEnv('SECRET_KEY_FILE', keyOf(2));
		expect(unsealed(text, 'wren')).toBeNull();
		vi.stubEnv('SECRET_KEY_FILE', keyOf(1));
	});

	it('from before they were sealed is read as it is', () => {
		expect(unsealed('ABCDEFGHIJKLMNOP', 'wren')).toBe('ABCDEFGHIJKLMNOP');
	});
});
