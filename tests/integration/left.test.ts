import { ulid } from 'ulid';
import { describe, expect, it } from 'vitest';
import { event } from '$core/testing/entries.ts';
import { createBatch } from '$lib/server/batches/create.ts';
import { getBatch } from '$lib/server/batches/read.ts';
import { recordBatch } from '$lib/server/batches/record.ts';
import { letGo, recordLeft } from '$lib/server/left/decide.ts';
import { leave } from '$lib/server/left/leave.ts';
import { countLeft, listLeft } from '$lib/server/left/read.ts';
import { changeRole, endMembership, join } from '$lib/server/people/memberships.ts';
import { makePerson } from '$lib/server/people/persons.ts';
import { newId } from '$lib/server/rows.ts';
import { eraseCustomer } from '$lib/server/sales/erase.ts';
import { keepSale } from '$lib/server/sales/keep.ts';
import type { SaleEntry } from '$lib/sales/types.ts';
import type { Entry } from '$core/bench/entries.ts';
import { makeRoti, measured, useBench } from './kitchen.ts';

const bench = useBench();
const member = async (name: string, role: 'owner' | 'seller' | 'maker') => {
	const personId = await makePerson(bench.db, { name, login: null, password: null });
	return join(bench.db, bench.kitchen.id, { personId, name, role, span: null });
};
/** A batch of four packs. */
async function stocked(name: string): Promise<string> {
	const { productId } = await makeRoti(bench, name);
	const id = await createBatch(bench.db, bench.kitchen, newId(), {
		productId,
		madeOn: '2026-03-01',
		factor: 1
	});
	const batch = await getBatch(bench.db, bench.kitchen, id);
	await recordBatch(bench.db, bench.kitchen, id, batch.version, measured(batch));
	return id;
}
const sale = (batchId: string, more: Partial<SaleEntry> = {}): SaleEntry => ({
	id: ulid(),
	kind: 'sale',
	checkoutId: null,
	batchId,
	soldOn: '2026-03-01',
	channel: 'door',
	packs: 1,
	price: '6.00',
	paidBy: 'cash',
	customer: '',
	reason: '',
	ofId: null,
	thrownAway: false,
	...more
});
const READING = { sale: (item: unknown) => item as SaleEntry, entry: (item: unknown) => item as Entry };
const handed = (item: { id: string }, message = 'put out', reason = '') => ({
	id: item.id,
	item,
	message,
	reason
});
const versionOf = async (id: string) =>
	(await bench.db('memberships').where({ id }).first('version'))?.version ?? 0;

describe('sales somebody left on a device when they were put out', () => {
	it('wait for the owner, who records each once, under its own id', async () => {
		const [owner, seller] = [await member('Wren', 'owner'), await member('Sorrel', 'seller')];
		const batchId = await stocked('Left roti');
		const sales = [sale(batchId), sale(batchId), sale(batchId)];
		// While she belongs there she sends them herself.
		await expect(
			leave(bench.db, bench.kitchen, owner, {
				of: seller,
				queue: 'till',
				left: sales.map((each) => handed(each))
			})
		).rejects.toThrow('Sorrel can send these: they wait until Sorrel is in');
		await endMembership(bench.db, bench.kitchen.id, seller);
		for (let twice = 0; twice < 2; twice++)
			await leave(bench.db, bench.kitchen, owner, {
				of: seller,
				queue: 'till',
				left: sales.map((each) => handed(each))
			});
		expect(await countLeft(bench.db, bench.kitchen.id)).toBe(3);
		const [first] = await listLeft(bench.db, bench.kitchen.id);
		expect(first).toMatchObject({ by: 'Sorrel', queue: 'till', message: 'put out' });
		expect(first?.what).toMatch(/^sale of 1 pack at 6\.00, cash, door, batch /);
		// None of it counts yet.
		expect((await getBatch(bench.db, bench.kitchen, batchId)).packsLeft).toBe(4);
		const [one, two, three] = sales as [SaleEntry, SaleEntry, SaleEntry];
		await recordLeft(bench.db, bench.kitchen, one.id, READING);
		await expect(recordLeft(bench.db, bench.kitchen, one.id, READING)).rejects.toThrow('does not wait here');
		// One that did come through, and only its answer was lost, is not recorded again.
		await keepSale(bench.db, bench.kitchen.id, two);
		await recordLeft(bench.db, bench.kitchen, two.id, READING);
		await letGo(bench.db, bench.kitchen.id, three.id, 'it was a test');
		expect((await getBatch(bench.db, bench.kitchen, batchId)).packsLeft).toBe(2);
		expect(await countLeft(bench.db, bench.kitchen.id)).toBe(0);
		// What was decided stays decided, whichever device brings it again.
		await leave(bench.db, bench.kitchen, owner, { of: seller, queue: 'till', left: [handed(three)] });
		expect(await countLeft(bench.db, bench.kitchen.id)).toBe(0);
	});

	it('that cannot be recorded wait on with the reason; another kitchen knows nothing of them', async () => {
		const [owner, seller] = [await member('Wren', 'owner'), await member('Fern', 'seller')];
		const batchId = await stocked('Sold out roti');
		await endMembership(bench.db, bench.kitchen.id, seller);
		const many = sale(batchId, { packs: 9 });
		await leave(bench.db, bench.kitchen, owner, { of: seller, queue: 'till', left: [handed(many)] });
		await expect(recordLeft(bench.db, bench.kitchen, many.id, READING)).rejects.toThrow(/4 packs/);
		expect(await countLeft(bench.db, bench.kitchen.id)).toBe(1);
		const elsewhere = { ...bench.kitchen, id: newId() };
		await expect(recordLeft(bench.db, elsewhere, many.id, READING)).rejects.toThrow('does not wait here');
		await expect(
			leave(bench.db, elsewhere, newId(), { of: seller, queue: 'till', left: [handed(many)] })
		).rejects.toThrow('does not belong to this kitchen');
		await letGo(bench.db, bench.kitchen.id, many.id, 'miscounted');
	});

	it('stay on the device where their id is anything else’s, or more waits than anybody looks through', async () => {
		const [owner, seller] = [await member('Wren', 'owner'), await member('Linden', 'seller')];
		const batchId = await stocked('Taken roti');
		await endMembership(bench.db, bench.kitchen.id, seller);
		const [first, other] = [sale(batchId), sale(batchId)];
		const hand = (of: string, ...items: SaleEntry[]) =>
			leave(bench.db, bench.kitchen, owner, { of, queue: 'till', left: items.map((each) => handed(each)) });
		await hand(owner, first);
		// Of two that are handed over together neither is kept where one is somebody else's.
		await expect(hand(seller, other, first)).rejects.toThrow('begun before by somebody else');
		expect(await bench.db('left_entries').where('id', other.id)).toEqual([]);
		const many = Array.from({ length: 2001 }, () => sale(batchId));
		await expect(hand(owner, ...many)).rejects.toThrow(
			'more is left on devices than the owner can look through'
		);
		await letGo(bench.db, bench.kitchen.id, first.id, 'a test');
	});

	it('say no name any more once the customer is erased', async () => {
		const [owner, seller] = [await member('Wren', 'owner'), await member('Ash', 'seller')];
		const batchId = await stocked('Named roti');
		await endMembership(bench.db, bench.kitchen.id, seller);
		const named = sale(batchId, { customer: 'Briar', paidBy: 'owed' });
		await leave(bench.db, bench.kitchen, owner, { of: seller, queue: 'till', left: [handed(named)] });
		expect(await eraseCustomer(bench.db, bench.kitchen.id, 'Briar')).toBe(1);
		const row = await bench.db('left_entries').where({ id: named.id }).first('item');
		expect(row?.item).not.toContain('Briar');
		await letGo(bench.db, bench.kitchen.id, named.id, 'erased');
	});
});

describe('readings of somebody whose role was changed', () => {
	it('are left by themselves, or taken off with a reason the server keeps', async () => {
		const maker = await member('Pim', 'maker');
		const batchId = await stocked('Changed roti');
		await changeRole(bench.db, bench.kitchen.id, {
			id: maker,
			role: 'seller',
			span: null,
			version: await versionOf(maker)
		});
		const noted = event({ name: 'noted', cue: '', text: 'soft' });
		const torn = event({ name: 'noted', cue: '', text: 'pressed twice' });
		await leave(bench.db, bench.kitchen, maker, {
			of: maker,
			queue: 'bench',
			left: [
				{ id: noted.id, item: { batchId, entry: noted }, message: 'not yours to do here', reason: '' },
				{
					id: torn.id,
					item: { batchId, entry: torn },
					message: 'not yours to do here',
					reason: 'pressed twice'
				}
			]
		});
		expect((await listLeft(bench.db, bench.kitchen.id)).map(({ what }) => what)).toEqual([
			expect.stringMatching(/^a note: soft, batch /)
		]);
		expect(await bench.db('left_entries').where({ id: torn.id }).first('state', 'reason')).toEqual({
			state: 'let go',
			reason: 'pressed twice'
		});
		await recordLeft(bench.db, bench.kitchen, noted.id, READING);
		expect(await bench.db('batch_events').where({ id: noted.id })).toHaveLength(1);
		expect(await bench.db('batch_events').where({ id: torn.id })).toHaveLength(0);
	});
});
