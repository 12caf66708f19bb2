import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { StandIn } from '../../stand-ins/listen.ts';
import { startScales } from '../../stand-ins/scale/server.ts';
import { readScaleLine } from '$core/scale/line.ts';
import { eventStream } from '$lib/server/event-stream.ts';
import { networkScales } from '$lib/server/scale.ts';

let scales: StandIn;
beforeAll(async () => {
	scales = await startScales();
	process.env.SCALE_URL = scales.address;
	process.env.SCALE_SIMULATED = 'yes';
});
afterAll(async () => {
	delete process.env.SCALE_URL;
	delete process.env.SCALE_SIMULATED;
	await scales.stop();
});

const network = () => {
	const found = networkScales();
	if (!found?.hand) throw new Error('no simulated scales');
	return { readings: found.readings, hand: found.hand };
};
const move = async (name: string, what: unknown) => network().hand(name, JSON.stringify(what));

/** Lines of a scale until `is` says so, at most 100. */
async function linesUntil(name: string, is: (line: string) => boolean): Promise<string[]> {
	const leaving = new AbortController();
	const lines: string[] = [];
	const source = await network().readings(name, leaving.signal);
	try {
		for await (const line of source ?? []) {
			lines.push(line);
			if (is(line) || lines.length >= 100) break;
		}
	} finally {
		leaving.abort();
	}
	return lines;
}

describe('scales on the network', () => {
	it('send a line of text per reading, and each scale has a pan of its own', async () => {
		await move('one', { put: 250 });
		await move('two', { put: 40 });
		const steady = (line: string) => {
			const read = readScaleLine(line);
			return read?.state === 'weight' && read.steady === true;
		};
		const [one, two] = await Promise.all([linesUntil('one', steady), linesUntil('two', steady)]);
		expect(readScaleLine(one.at(-1) ?? '')).toMatchObject({ grams: expect.closeTo(250, 0) as number });
		expect(readScaleLine(two.at(-1) ?? '')).toMatchObject({ grams: expect.closeTo(40, 0) as number });
	});

	it('end their stream when unplugged, do not answer then, and come back', async () => {
		const ended = linesUntil('plug', () => false);
		await new Promise((resolve) => setTimeout(resolve, 300));
		await move('plug', { connected: false });
		expect((await ended).length).toBeLessThan(100);
		expect(await network().readings('plug', new AbortController().signal)).toBeNull();
		await move('plug', { connected: true });
		expect(await linesUntil('plug', () => true)).toHaveLength(1);
	});

	it('that nobody asks for any more make room for others; those listened to stay', async () => {
		const scales = await startScales();
		try {
			const heard = new AbortController();
			const put = (name: string, grams: number) =>
				fetch(`${scales.address}/${name}`, { method: 'POST', body: JSON.stringify({ put: grams }) });
			const load = async (name: string) =>
				((await (await fetch(`${scales.address}/${name}`)).json()) as { load_g: number }).load_g;
			await put('heard', 50);
			await put('left', 60);
			const listening = await fetch(`${scales.address}/heard/readings`, { signal: heard.signal });
			await listening.body?.getReader().read();
			for (let nth = 0; nth < 250; nth++) expect((await put(`passing-${nth}`, 1)).status).toBe(200);
			expect(await load('heard')).toBe(50);
			// Made anew: what lay on it is forgotten.
			expect(await load('left')).toBe(0);
			heard.abort();
		} finally {
			await scales.stop();
		}
	});

	it('do only what is understood', async () => {
		expect((await network().hand('odd', '{"put":"much"}')).status).toBe(400);
		expect((await network().hand('odd', 'not json')).status).toBe(400);
		expect((await network().hand('odd', '{"division_g":0}')).status).toBe(400);
		expect(await (await network().hand('odd', null)).json()).toMatchObject({ load_g: 0, division_g: 0.1 });
		await expect((async () => network().hand('../state', null))()).rejects.toMatchObject({ status: 404 });
	});

	it('are none where the kitchen names none, and a real one has no hand to move it', () => {
		delete process.env.SCALE_SIMULATED;
		expect(networkScales()?.hand).toBeNull();
		const address = process.env.SCALE_URL ?? '';
		delete process.env.SCALE_URL;
		expect(networkScales()).toBeNull();
		process.env.SCALE_URL = address;
		process.env.SCALE_SIMULATED = 'yes';
	});
});

describe('a stream of news', () => {
	it('goes out as a stream that lets go of what it listened to', async () => {
		let stopped = 0;
		const response = eventStream((send) => {
			send('hello');
			return () => (stopped += 1);
		});
		const reader = (response.body as ReadableStream<Uint8Array>).getReader();
		const decoder = new TextDecoder();
		let text = '';
		while (!text.includes('hello')) text += decoder.decode((await reader.read()).value);
		expect(text).toContain('data: hello\n\n');
		await reader.cancel();
		expect(stopped).toBe(1);
	});

	it('that ends by itself closes its stream', async () => {
		const response = eventStream((_, end) => {
			end();
			return () => undefined;
		});
		expect(await response.text()).toMatch(/^retry: \d+\n\n$/);
	});
});
