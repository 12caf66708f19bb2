import { brotliDecompressSync, gunzipSync } from 'node:zlib';
import type { RequestEvent } from '@sveltejs/kit';
import { describe, expect, it } from 'vitest';
import { whileUnchanged } from './db/known.ts';
import { noteRead } from './db/reads.ts';
import { answerOnce, isOfTheMoment, knownPage } from './page.ts';

let kitchens = 0;

/** A kitchen that asks for one address, and counts how often the page was worked out and answered. */
function visits(page: { ofTheMoment?: boolean; status?: number; cookie?: string } = {}) {
	const kitchen = { id: `K${++kitchens}`, timeZone: 'UTC' } as App.Locals['kitchen'];
	const times = { read: 0, answered: 0 };
	const changes = { formulas: 1, sales: 1, kitchens: 1, memberships: 1 };
	const ask = (headers: Record<string, string> = {}, path = '/formulas') => {
		const locals = { kitchen, db: { isTransaction: false } } as unknown as App.Locals;
		const request = new Request(`http://127.0.0.1${path}`, { headers });
		return whileUnchanged(kitchen.id, JSON.stringify(changes), () =>
			answerOnce({ locals, request } as RequestEvent, async () => {
				await knownPage(locals, path, async () => {
					noteRead(['formulas']);
					return (times.read += 1);
				});
				if (page.ofTheMoment) isOfTheMoment(locals);
				times.answered += 1;
				return new Response(`page ${times.answered}`, {
					status: page.status ?? 200,
					headers: { etag: '"one"', ...(page.cookie ? { 'set-cookie': page.cookie } : {}) }
				});
			})
		);
	};
	return { ask, times, change: (table: keyof typeof changes) => (changes[table] += 1) };
}
const bytes = async (response: Response) => new Uint8Array(await response.arrayBuffer());

describe('the answer of a page', () => {
	it('is given once, and again after a change', async () => {
		const { ask, times, change } = visits();
		expect(await (await ask()).text()).toBe('page 1');
		expect(await (await ask()).text()).toBe('page 1');
		expect(times).toEqual({ read: 1, answered: 1 });
		change('formulas');
		expect(await (await ask()).text()).toBe('page 2');
		expect(times).toEqual({ read: 2, answered: 2 });
	});

	it('stays through a change of what it never read, and goes by the kitchen and by who asks', async () => {
		const { ask, times, change } = visits();
		await ask();
		change('sales');
		expect(await (await ask()).text()).toBe('page 1');
		change('memberships');
		expect(await (await ask()).text()).toBe('page 2');
		// The name of who asks is about the page; what is in it was read of the kitchen.
		expect(times).toEqual({ read: 1, answered: 2 });
		change('kitchens');
		expect(await (await ask()).text()).toBe('page 3');
		expect(times).toEqual({ read: 2, answered: 3 });
	});

	it('is of its address with all it was asked for', async () => {
		const { ask } = visits();
		await ask({}, '/sales?shown=60');
		expect(await (await ask({}, '/sales?shown=120')).text()).toBe('page 2');
	});

	it('comes in the encoding that is taken', async () => {
		const { ask } = visits();
		const [br, gzip, plain] = [
			await ask({ 'accept-encoding': 'gzip, br' }),
			await ask({ 'accept-encoding': 'gzip' }),
			await ask({ 'accept-encoding': 'identity' })
		];
		expect([br, gzip, plain].map((each) => each.headers.get('content-encoding'))).toEqual([
			'br',
			'gzip',
			null
		]);
		expect(brotliDecompressSync(await bytes(br)).toString()).toBe('page 1');
		expect(gunzipSync(await bytes(gzip)).toString()).toBe('page 1');
		expect(await plain.text()).toBe('page 1');
		for (const each of [br, gzip, plain]) expect(each.headers.get('vary')).toBe('accept-encoding');
	});

	it('is not sent again to who has it', async () => {
		const { ask } = visits();
		await ask();
		const again = await ask({ 'if-none-match': '"one"' });
		expect(again.status).toBe(304);
		expect(await again.text()).toBe('');
		expect((await ask({ 'if-none-match': '"other"' })).status).toBe(200);
	});

	it.each([
		['a step runs on it', { ofTheMoment: true }],
		['it is an error', { status: 500 }],
		['it sets a cookie', { cookie: 'a=b' }]
	])('is not kept where %s', async (_, page) => {
		const { ask, times } = visits(page);
		await ask();
		await ask();
		expect(times).toEqual({ read: 1, answered: 2 });
	});
});
