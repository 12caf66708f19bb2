import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Entry } from '$core/bench/entries.ts';
import { freshBrowserDatabase, pass } from '../../testing/browser-database.ts';
import { outbox } from './outbox.svelte.ts';

const BATCH = '01J0000000000000000000ABCD';
let posted: { path: string; entries: Entry[] }[] = [];

beforeEach(async () => {
	await freshBrowserDatabase(new Date('2026-03-14T09:30:00Z'));
	posted = [];
	vi.stubGlobal('fetch', (path: string, { body }: { body: string }) => {
		const { entries } = JSON.parse(body) as { entries: Entry[] };
		posted.push({ path, entries });
		return Promise.resolve({
			ok: true,
			json: () => Promise.resolve({ answers: entries.map(({ id }) => ({ id, kept: true })) })
		});
	});
});
afterEach(() => {
	vi.useRealTimers();
	vi.unstubAllGlobals();
});
const sent = async (): Promise<Entry[]> => {
	await pass();
	return posted.flatMap(({ entries }) => entries);
};

describe('what is done at the bench', () => {
	it('is an entry with a time and an id of its own, sent to its batch', async () => {
		const ball = outbox.weigh(BATCH, { what: 'ball', lineId: null, grams: 60.5, by: 'scale' });
		expect(ball).toMatchObject({
			kind: 'weighing',
			at: '2026-03-14T09:30:00.000Z',
			grams: 60.5,
			corrects: null
		});
		expect(await sent()).toEqual([ball]);
		expect(posted[0]?.path).toBe(`/batches/${BATCH}/entries.json`);
	});

	it('keeps its order though all of it is of one moment', async () => {
		const ids = [1, 2, 3].map(
			(grams) => outbox.weigh(BATCH, { what: 'ball', lineId: null, grams, by: 'scale' }).id
		);
		expect([...ids].sort()).toEqual(ids);
		await sent();
	});

	it('is taken back by another entry: a reading withdrawn, what happened voided', async () => {
		const ball = outbox.weigh(BATCH, { what: 'ball', lineId: null, grams: 60, by: 'scale' });
		outbox.takeBack(BATCH, ball);
		const begun = outbox.happened(BATCH, { name: 'step begun', step: 0 });
		outbox.takeBack(BATCH, begun);
		const [, withdrawn, , voided] = await sent();
		expect(withdrawn).toMatchObject({ kind: 'weighing', what: 'ball', grams: null, corrects: ball.id });
		expect(voided).toMatchObject({ kind: 'event', happening: { name: 'void' }, voids: begun.id });
	});

	it('that a page does not know of yet, though the server has it, is beside it', async () => {
		const one = outbox.weigh(BATCH, { what: 'ball', lineId: null, grams: 60, by: 'scale' });
		const two = outbox.weigh(BATCH, { what: 'ball', lineId: null, grams: 61, by: 'scale' });
		await sent();
		expect(await outbox.keptBeside(BATCH, [one])).toEqual([two]);
		expect(await outbox.keptBeside('01J0000000000000000000OTHR', [])).toEqual([]);
	});
});
