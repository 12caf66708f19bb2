import { describe, expect, it } from 'vitest';
import { inTurn, MOST_AT_ONCE } from './in-turn.ts';

const asked = (signal?: AbortSignal) => new Request('http://127.0.0.1/', signal ? { signal } : {});
const settled = () => new Promise((resolve) => setImmediate(resolve));

describe('pages that are asked for faster than they are answered', () => {
	it('are worked out so many at once, in the order they came', async () => {
		const begun: number[] = [];
		const end: (() => void)[] = [];
		const all = Array.from({ length: MOST_AT_ONCE + 2 }, (_, nth) =>
			inTurn(asked(), () => {
				begun.push(nth);
				return new Promise<number>((resolve) => end.push(() => resolve(nth)));
			})
		);
		await settled();
		expect(begun).toHaveLength(MOST_AT_ONCE);
		end[3]?.();
		await settled();
		expect(begun.slice(MOST_AT_ONCE)).toEqual([MOST_AT_ONCE]);
		for (let nth = 0; nth < end.length; nth++) end[nth]?.();
		await settled();
		for (const each of end) each();
		expect(await Promise.all(all)).toEqual(all.map((_, nth) => nth));
	});

	it('are not worked out for who has gone meanwhile, and what fails lets the next one go on', async () => {
		const gone = new AbortController();
		gone.abort();
		let times = 0;
		expect(await inTurn(asked(gone.signal), async () => (times += 1))).toBeNull();
		expect(times).toBe(0);
		for (let nth = 0; nth <= MOST_AT_ONCE; nth++)
			await expect(inTurn(asked(), () => Promise.reject(new Error('failed')))).rejects.toThrow('failed');
		expect(await inTurn(asked(), async () => 'answered')).toBe('answered');
	});
});
