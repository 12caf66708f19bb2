import { describe, expect, it, vi } from 'vitest';
import { keepEntries } from '$lib/server/bench/entries.ts';
import { getBatch } from '$lib/server/batches/read.ts';
import { createBatch } from '$lib/server/batches/create.ts';
import { listen } from '$lib/server/feed/listen.ts';
import { forgetOld, tell, type News } from '$lib/server/feed/tell.ts';
import { inTransaction } from '$lib/server/db/transaction.ts';
import { createKitchen } from '$lib/server/kitchens.ts';
import { newId } from '$lib/server/rows.ts';
import { KITCHEN, makeRoti, useBench } from './kitchen.ts';

const bench = useBench();
const told = (batchId: string): News => ({ batchId, entries: [] });
const say = (kitchenId: string, batchId: string, db = bench.db) =>
	inTransaction(db, (transaction) => tell(transaction, kitchenId, told(batchId)));
const batches = (heard: readonly News[]) => heard.map(({ batchId }) => batchId);

describe('what a kitchen is told', () => {
	it('reaches everyone who listens to that kitchen, from then on and until they stop', async () => {
		const other = await createKitchen(bench.db, { ...KITCHEN, name: 'Another' });
		await say(bench.kitchen.id, 'before');
		const heard: News[] = [];
		const stop = await listen(bench.db, bench.kitchen.id, (news) => heard.push(news));
		const second: News[] = [];
		const stopSecond = await listen(bench.db, bench.kitchen.id, (news) => second.push(news));
		await say(bench.kitchen.id, '1');
		await say(other, 'of another kitchen');
		await say(bench.kitchen.id, '2');
		await vi.waitFor(() => expect(batches(heard)).toEqual(['1', '2']));
		expect(batches(second)).toEqual(['1', '2']);
		stop();
		await say(bench.kitchen.id, '3');
		await vi.waitFor(() => expect(batches(second)).toEqual(['1', '2', '3']));
		expect(batches(heard)).toEqual(['1', '2']);
		stopSecond();
	});

	it('has numbers of its kitchen without a gap, however many tell at once', async () => {
		const kitchen = await createKitchen(bench.db, { ...KITCHEN, name: 'Busy' });
		await Promise.all(Array.from({ length: 30 }, (_, nth) => say(kitchen, String(nth))));
		const numbers = await bench
			.db('feed')
			.where('kitchen_id', kitchen)
			.orderBy('number')
			.pluck<number[]>('number');
		expect(numbers).toEqual(Array.from({ length: 30 }, (_, nth) => nth + 1));
	});

	it('is told if and only if it is so: what is undone was never told', async () => {
		const kitchen = await createKitchen(bench.db, { ...KITCHEN, name: 'Undone' });
		await inTransaction(bench.db, async (transaction) => {
			await tell(transaction, kitchen, told('never'));
			throw new Error('undone');
		}).catch(() => undefined);
		expect(await bench.db('feed').where('kitchen_id', kitchen).first('number')).toBeUndefined();
	});

	it('is what was entered at a bench, whole, and nothing for what was there already', async () => {
		const { productId } = await makeRoti(bench, 'Told');
		const id = await createBatch(bench.db, bench.kitchen, newId(), {
			productId,
			madeOn: '2026-01-01',
			factor: 1
		});
		const [line] = (await getBatch(bench.db, bench.kitchen, id)).lines;
		const heard: News[] = [];
		const stop = await listen(bench.db, bench.kitchen.id, (news) => heard.push(news));
		const entry = {
			kind: 'weighing',
			id: newId(),
			number: null,
			at: '2026-01-01T09:00:00.000Z',
			what: 'line',
			lineId: line?.id ?? null,
			grams: 999,
			corrects: null,
			by: 'scale',
			lotId: null
		} as const;
		await keepEntries(bench.db, bench.kitchen, id, [entry]);
		await keepEntries(bench.db, bench.kitchen, id, [entry]);
		await say(bench.kitchen.id, 'after');
		await vi.waitFor(() => expect(batches(heard)).toEqual([id, 'after']));
		expect(heard[0]?.entries).toEqual([{ ...entry, number: 1 }]);
		stop();
	});

	it('asks the database nothing while nobody listens', async () => {
		let asked = 0;
		const count = ({ sql }: { sql: string }) => {
			if (/from `feed`/.test(sql)) asked += 1;
		};
		bench.db.on('query', count);
		const stop = await listen(bench.db, bench.kitchen.id, () => undefined);
		await vi.waitFor(() => expect(asked).toBeGreaterThan(0));
		stop();
		await new Promise((resolve) => setTimeout(resolve, 400));
		const before = asked;
		await new Promise((resolve) => setTimeout(resolve, 800));
		expect(asked).toBe(before);
		bench.db.off('query', count);
	});

	it('is let go of after an hour, and what is newer stays', async () => {
		const kitchen = await createKitchen(bench.db, { ...KITCHEN, name: 'Old' });
		await say(kitchen, 'old');
		await forgetOld(bench.db, kitchen, Date.now() + 3_599_000);
		expect(await bench.db('feed').where('kitchen_id', kitchen).first('number')).toBeDefined();
		await forgetOld(bench.db, kitchen, Date.now() + 3_601_000);
		expect(await bench.db('feed').where('kitchen_id', kitchen).first('number')).toBeUndefined();
		// It is looked for by itself with each hundredth; its numbers go on from where they were.
		await say(kitchen, 'new');
		expect(await bench.db('feed').where('kitchen_id', kitchen).first('number')).toEqual({ number: 2 });
	});
});
