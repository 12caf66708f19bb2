import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { eventStream } from './event-stream.ts';

beforeEach(() => vi.useFakeTimers());
afterEach(() => vi.useRealTimers());

const MINUTE_MS = 60_000;

describe('a stream of events', () => {
	it('that cannot begin ends in order, and nothing of it goes on', async () => {
		const response = eventStream(() => Promise.reject(new Error('no such scale')));
		expect(await response.text()).toBe('retry: 500\n\n');
		// What beats on after the end would end the whole server.
		await vi.advanceTimersByTimeAsync(MINUTE_MS);
		expect(vi.getTimerCount()).toBe(0);
	});

	it('that nobody listens to any more lets go of what it took', async () => {
		const leave = vi.fn();
		let say: (data: string) => void = () => undefined;
		const response = eventStream((send) => {
			say = send;
			return leave;
		});
		await response.body?.cancel();
		say('too late');
		await vi.advanceTimersByTimeAsync(MINUTE_MS);
		expect(leave).toHaveBeenCalledOnce();
		expect(vi.getTimerCount()).toBe(0);
	});

	it('says what there is, and that it is still there', async () => {
		const response = eventStream((send, end) => {
			send('one');
			setTimeout(end, 20_000);
			return () => undefined;
		});
		const text = response.text();
		await vi.advanceTimersByTimeAsync(MINUTE_MS);
		expect(await text).toBe('retry: 500\n\ndata: one\n\n: still here\n\n');
	});
});
