import { beforeEach, expect, test, vi } from 'vitest';
import { dock } from './dock.svelte.ts';
import type { Scale, ScaleListener } from './scale.ts';

/** A scale that opens when told to, and whose lines the test says. */
function heldScale(title: string) {
	let open: () => void = () => undefined;
	const opened = new Promise<void>((resolve) => (open = resolve));
	let listener: ScaleListener | null = null;
	const close = vi.fn();
	const scale: Scale = {
		title,
		open: async (heard) => {
			listener = heard;
			await opened;
			return close;
		}
	};
	return {
		scale,
		close,
		/** Until the dock has asked it to open. */
		asked: () => vi.waitFor(() => expect(listener).not.toBeNull()),
		open,
		says: (text: string) => {
			listener?.connected(true);
			listener?.line(text);
		}
	};
}

beforeEach(async () => {
	const kept = new Map<string, string>();
	const storage = {
		getItem: (key: string) => kept.get(key) ?? null,
		setItem: (key: string, value: string) => kept.set(key, value)
	};
	vi.stubGlobal('localStorage', storage);
	vi.stubGlobal('sessionStorage', storage);
	await dock.leave();
	dock.prepare(0.1);
});

test('a scale left while it was still opening is never heard, and is closed', async () => {
	const [first, second] = [heldScale('first'), heldScale('second')];
	const firstUsed = dock.use(first.scale, 'first');
	await first.asked();
	const secondUsed = dock.use(second.scale, 'second');
	await second.asked();
	second.open();
	await secondUsed;
	second.says('   10.0 g S');
	expect(dock.load_g).toBe(10);
	// The first gets round to it only now, and 52 g lie on it.
	first.says('   52.0 g S');
	first.open();
	await firstUsed;
	first.says('   52.0 g S');
	expect(dock.load_g).toBe(10);
	expect(dock.title).toBe('second');
	expect(first.close).toHaveBeenCalledOnce();
	expect(second.close).not.toHaveBeenCalled();
});

test('a scale that was left is not heard, and what it showed is gone', async () => {
	const one = heldScale('one');
	const used = dock.use(one.scale, 'one');
	await one.asked();
	one.open();
	await used;
	one.says('   52.0 g S');
	expect(dock.load_g).toBe(52);
	await dock.leave();
	one.says('   53.0 g S');
	expect([dock.load_g, dock.connected]).toEqual([null, false]);
	expect(one.close).toHaveBeenCalledOnce();
});

test('a scale that does not open says why, and none is left half open', async () => {
	const broken: Scale = { title: 'broken', open: () => Promise.reject(new Error('the port is in use')) };
	await dock.use(broken, 'serial');
	expect(dock.trouble).toBe('the port is in use');
	await dock.use(null, 'none');
	expect([dock.trouble, dock.choice]).toEqual(['', 'none']);
});
