import { monotonicFactory } from 'ulid';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { StorageStandIn } from '../testing/storage.ts';
import { freshBrowserDatabase, pass } from '../testing/browser-database.ts';
import type { Answer } from './answers.ts';
import { postItems } from './post.ts';
import { Queue } from './queue.svelte.ts';
import { readStage, type Stage } from './store.ts';

interface Thing {
	id: string;
	of: string;
}

const nextId = monotonicFactory();
const thing = (of = 'a', id = nextId()): Thing => ({ id, of });
const kept = (items: readonly Thing[]): Answer[] => items.map(({ id }) => ({ id, kept: true }));

let sent: Thing[][] = [];
let answer: (items: Thing[]) => Answer[] | null = kept;
const queue = () =>
	new Queue<Thing>({
		name: 'test',
		idOf: ({ id }) => id,
		groupOf: ({ of }) => of,
		send: (_, items) => {
			sent.push(items);
			return Promise.resolve(answer(items));
		}
	});
const stored = async (stage: Stage) => (await readStage('test', stage)).length;
const stops: (() => void)[] = [];
/** Begins as a page does, until the test is over. */
const begin = (of: Queue<Thing>) => stops.push(of.start());

beforeEach(async () => {
	await freshBrowserDatabase();
	vi.stubGlobal('localStorage', new StorageStandIn());
	vi.stubGlobal('window', { addEventListener: () => {}, removeEventListener: () => {} });
	// Devices come back spread out: here at the first moment of it.
	vi.spyOn(Math, 'random').mockReturnValue(0);
	[sent, answer] = [[], kept];
});
afterEach(() => {
	for (const stop of stops.splice(0)) stop();
	vi.useRealTimers();
	vi.restoreAllMocks();
	vi.unstubAllGlobals();
});

describe('what is on its way to the server', () => {
	it('is in the browser before it is sent, and stays until the server has it', async () => {
		answer = () => null;
		const of = queue();
		of.add([thing()]);
		expect([of.waiting.length, sent.length]).toEqual([1, 0]);
		await pass();
		expect([of.waiting.length, of.reached, await stored('waiting')]).toEqual([1, false, 1]);
		answer = kept;
		await pass(400);
		expect([of.waiting.length, of.reached]).toEqual([0, true]);
		expect([await stored('waiting'), await stored('kept')]).toEqual([0, 1]);
	});

	it('is tried again at longer and longer distances, and never given up', async () => {
		answer = () => null;
		queue().add([thing()]);
		await pass();
		const tries: number[] = [];
		// 400, 800, 1600, 3200 ms, and from then on every 4 s.
		for (const ms of [400, 800, 1600, 3200, 4000, 4000]) {
			await pass(ms - 1);
			const before = sent.length;
			await pass(1);
			tries.push(sent.length - before);
		}
		expect(tries).toEqual([1, 1, 1, 1, 1, 1]);
	});

	it('comes back spread out, once a server was away for long', async () => {
		vi.mocked(Math.random).mockReturnValue(0.75);
		answer = () => null;
		queue().add([thing()]);
		await pass();
		for (const ms of [400, 800, 1600, 3200]) await pass(ms);
		// 4 s and three quarters of that again.
		const before = sent.length;
		await pass(6999);
		expect(sent.length).toBe(before);
		await pass(2);
		expect(sent.length).toBe(before + 1);
	});

	it('is taken up by the next page', async () => {
		answer = () => null;
		queue().add([thing(), thing()]);
		await pass();
		const next = queue();
		answer = kept;
		begin(next);
		await pass();
		expect(next.waiting).toHaveLength(0);
		expect(sent.at(-1)).toHaveLength(2);
	});

	it('that an earlier version left in the simpler storage is taken over and sent', async () => {
		const [waits, had, unseen] = [thing(), thing(), thing()];
		localStorage.setItem(`square-batch:test:waiting:${waits.id}`, JSON.stringify(waits));
		localStorage.setItem(`square-batch:test:kept:${had.id}`, JSON.stringify(had));
		const refusal = { item: unseen, message: 'no packs left' };
		localStorage.setItem(`square-batch:test:refused:${unseen.id}`, JSON.stringify(refusal));
		localStorage.setItem('square-batch:scale', 'bench');
		const of = queue();
		begin(of);
		await pass();
		expect(sent).toEqual([[waits]]);
		expect(of.refused).toEqual([refusal]);
		expect(await of.keptLately('a')).toEqual([waits, had].sort((a, b) => (a.id < b.id ? -1 : 1)));
		expect(Object.keys(localStorage).filter((key) => key.startsWith('square-batch'))).toEqual([
			'square-batch:scale'
		]);
	});

	it('is seen by the other tabs of the browser, and so is that it is gone', async () => {
		answer = () => null;
		const [one, two] = [queue(), queue()];
		begin(one);
		begin(two);
		await pass();
		one.add([thing()]);
		await pass();
		expect(two.waiting).toHaveLength(1);
		answer = kept;
		await pass(400);
		expect([one.waiting.length, two.waiting.length]).toEqual([0, 0]);
	});

	it('goes on where the browser keeps nothing, and says so', async () => {
		answer = () => null;
		vi.stubGlobal('indexedDB', {
			open: () => {
				throw new DOMException('closed to pages', 'SecurityError');
			}
		});
		const of = queue();
		of.add([thing()]);
		await pass();
		expect([of.isKept, of.waiting.length]).toEqual([false, 1]);
		answer = kept;
		await pass(400);
		expect([sent.at(-1)?.length, of.waiting.length]).toEqual([1, 0]);
	});

	it('goes in the order it was made, each group together', async () => {
		answer = () => null;
		const of = queue();
		const [one, two, three] = [thing('a'), thing('b'), thing('a')];
		of.add([three, one]);
		of.add([two]);
		await pass();
		[sent, answer] = [[], kept];
		await pass(800);
		expect(sent).toEqual([[one, three], [two]]);
	});

	it('goes in parts where there is much of it', async () => {
		queue().add(Array.from({ length: 230 }, () => thing()));
		await pass();
		expect(sent.map((items) => items.length)).toEqual([100, 100, 30]);
		expect(new Set(sent.flat().map(({ id }) => id)).size).toBe(230);
	});

	it('that is made while something is sent is sent after it, once', async () => {
		const of = queue();
		of.add([thing()]);
		of.add([thing()]);
		await pass();
		expect(sent.flat()).toHaveLength(2);
		expect(of.waiting).toHaveLength(0);
	});

	it('that the server refuses is kept apart with its word until it was seen', async () => {
		answer = (items) => items.map(({ id }) => ({ id, kept: false, message: 'no packs left' }));
		const of = queue();
		const item = thing();
		of.add([item]);
		await pass();
		expect(of.waiting).toHaveLength(0);
		expect(of.refused).toEqual([{ item, message: 'no packs left' }]);
		expect(await stored('refused')).toBe(1);
	});

	it('that was refused is sent again under its own id, as it was or mended, or is taken off', async () => {
		answer = (items) => items.map(({ id }) => ({ id, kept: false, message: 'no packs left' }));
		const of = queue();
		const [one, two] = [thing('a'), thing('a')];
		of.add([one, two]);
		await pass();
		expect(of.refused).toHaveLength(2);
		[sent, answer] = [[], kept];
		of.again(one.id, { ...one, of: 'b' });
		await pass();
		expect(sent).toEqual([[{ id: one.id, of: 'b' }]]);
		await of.takeOff([two.id]);
		expect([of.waiting, of.refused, await stored('refused'), await stored('waiting')]).toEqual([
			[],
			[],
			0,
			0
		]);
	});

	describe('that the server fails on', () => {
		const failing =
			(id: string) =>
			(item: Thing): Answer =>
				item.id === id
					? { id: item.id, kept: false, again: true, message: 'something failed on the server' }
					: { id: item.id, kept: true };

		it('is tried again at longer and longer distances for as long as it takes, and the rest goes on', async () => {
			const [one, bad, two] = [thing(), thing(), thing()];
			answer = (items) => items.map(failing(bad.id));
			const of = queue();
			of.add([one, bad, two]);
			await pass();
			expect([of.waiting, of.refused]).toEqual([[bad], []]);
			expect(of.failing).toEqual([{ item: bad, message: 'something failed on the server' }]);
			// 400, 800, 1600 … ms, and at last every five minutes.
			const tries: number[] = [];
			for (const ms of [400, 800, 1600, 3200, 6400]) {
				sent = [];
				await pass(ms - 1);
				const early = sent.length;
				await pass(2);
				tries.push(sent.length - early);
			}
			expect(tries).toEqual([1, 1, 1, 1, 1]);
			for (let minutes = 0; minutes < 60; minutes += 5) await pass(5 * 60_000);
			expect([of.waiting, of.refused]).toEqual([[bad], []]);
			// Others do not wait for it.
			sent = [];
			const three = thing();
			of.add([three]);
			await pass();
			expect(sent).toEqual([[three]]);
			answer = kept;
			of.tryNow();
			await pass();
			expect([of.waiting, of.failing]).toEqual([[], []]);
		});

		it('is not tried sooner because a page begins its queues anew', async () => {
			const bad = thing();
			answer = (items) => items.map(failing(bad.id));
			const of = queue();
			of.add([bad]);
			await pass();
			sent = [];
			for (let nth = 0; nth < 5; nth++) {
				begin(of);
				await pass(10);
			}
			expect(sent).toEqual([]);
		});

		it('is found where it fails on all of them together, and other groups go first', async () => {
			const [one, bad, two, other] = [thing('a'), thing('a'), thing('a'), thing('b')];
			// The whole fails where it is among them: nothing is said of each.
			answer = (items) =>
				items.map(({ id }) =>
					items.some((item) => item.id === bad.id)
						? { id, kept: false, again: true, message: 'failed' }
						: { id, kept: true }
				);
			const of = queue();
			of.add([one, bad, two, other]);
			await pass();
			expect(sent).toEqual([[one, bad, two], [other], [one], [bad], [two]]);
			expect(of.waiting).toEqual([bad]);
			// What comes then goes together again.
			sent = [];
			of.add([thing('a'), thing('a')]);
			await pass();
			expect(sent.map((items) => items.length)).toEqual([2]);
		});
	});

	it('says so while an answer is waited for longer than one takes', async () => {
		let give: (answers: Answer[]) => void = () => undefined;
		const of = new Queue<Thing>({
			name: 'test',
			idOf: ({ id }) => id,
			groupOf: ({ of: group }) => group,
			send: () => new Promise((resolve) => (give = resolve))
		});
		const item = thing();
		of.add([item]);
		await pass();
		await pass(2990);
		expect(of.hangs).toBe(false);
		await pass(20);
		expect([of.hangs, of.waiting]).toEqual([true, [item]]);
		give(kept([item]));
		await pass();
		expect([of.hangs, of.waiting]).toEqual([false, []]);
	});

	it('is told of once it is kept, and before it stops waiting', async () => {
		const of = queue();
		const told: [string, number, number][] = [];
		const off = of.onkept((group, items) => told.push([group, items.length, of.waiting.length]));
		of.add([thing('a')]);
		await pass();
		off();
		of.add([thing('a')]);
		await pass();
		expect(told).toEqual([['a', 1, 1]]);
	});
});

describe('what the server kept lately', () => {
	it('is of the group asked for, and goes after three days', async () => {
		const of = queue();
		of.add([thing('a'), thing('b')]);
		await pass();
		expect(await of.keptLately('a')).toHaveLength(1);
		// Ids of tests before may be of some hours later.
		vi.setSystemTime(Date.now() + 3 * 24 * 3600 * 1000 + 6 * 3600 * 1000);
		expect(await of.keptLately('a')).toHaveLength(0);
		expect(await stored('kept')).toBe(0);
	});
});

describe('sending', () => {
	const items = [thing()];
	const asked = (response: Partial<Response> | Error) => {
		vi.stubGlobal('fetch', () =>
			response instanceof Error ? Promise.reject(response) : Promise.resolve(response as Response)
		);
		return postItems('/entries.json', { entries: items }, items, ({ id }) => id);
	};
	const json = (value: unknown) => () => Promise.resolve(value);

	it('gives the server’s answers', async () => {
		expect(await asked({ ok: true, json: json({ answers: kept(items) }) })).toEqual(kept(items));
	});
	it.each([
		['the network is gone', new TypeError('fetch failed')],
		['the database is gone', { ok: false, status: 503, json: json({}) }],
		['the disk is full', { ok: false, status: 507, json: json({}) }]
	])('is to be done again where %s', async (_, response) => {
		expect(await asked(response)).toBeNull();
	});
	it('may be done again where the server failed on it', async () => {
		const [failed] = (await asked({ ok: false, status: 500, json: json({ message: 'failed' }) })) ?? [];
		expect(failed).toEqual({ id: items[0]?.id, kept: false, again: true, message: 'failed' });
	});
	it('is not done again where the server understood and will not', async () => {
		const [refused] = (await asked({ ok: false, status: 400, json: json({ message: 'not a sale' }) })) ?? [];
		expect(refused).toEqual({ id: items[0]?.id, kept: false, message: 'not a sale' });
		const [dumb] = (await asked({ ok: false, status: 413, json: () => Promise.reject(new Error()) })) ?? [];
		expect(dumb?.message).toBe('the server did not take it');
	});
});
