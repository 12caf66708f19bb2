import { tmpdir } from 'node:os';
import { describe, expect, it } from 'vitest';
import { requireRoom, roomFor } from './room.ts';

describe('room for long work', () => {
	it('is what is free beside a reserve; more than that is refused in words', () => {
		const room = roomFor(tmpdir());
		expect(room).not.toBeNull();
		expect(() => requireRoom((room ?? 0) - 64 * 1024 ** 2, tmpdir())).not.toThrow();
		expect(() => requireRoom((room ?? 0) + 2 ** 40, tmpdir())).toThrow(
			/^there is no room for it: it takes \d+ MB of the disk, and \d+ MB are free beside what is left for sales/
		);
	});

	it('is not looked at where the disk is not ours to see', () => {
		expect(roomFor('')).toBeNull();
		expect(() => requireRoom(2 ** 60, '')).not.toThrow();
	});
});
