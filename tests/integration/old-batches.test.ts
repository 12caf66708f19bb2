import { describe, expect, it } from 'vitest';
import { event } from '$core/testing/entries.ts';
import { noteMissingStandings } from '$lib/server/batches/change.ts';
import { createBatch } from '$lib/server/batches/create.ts';
import { getBatch } from '$lib/server/batches/read.ts';
import { listSummaries } from '$lib/server/batches/standing.ts';
import { MIGRATIONS } from '$lib/server/db/migrations/index.ts';
import { keepEntries } from '$lib/server/bench/entries.ts';
import { recordSale } from '$lib/server/sales/keep.ts';
import { firstOwner } from '$lib/server/people/first.ts';
import { newId } from '$lib/server/rows.ts';
import { makeRoti, useBench } from './kitchen.ts';

const bench = useBench();
const migrated = async () => {
	const [, step] = MIGRATIONS.find(([name]) => name === '0092_packs_as_counted') ?? [];
	await step?.up(bench.db);
	await noteMissingStandings(bench.db, bench.kitchen);
};

/** A batch as versions before entries were counted left it: recorded, its packs as planned, and nobody counted them. */
async function oldBatch(name: string): Promise<string> {
	const { productId } = await makeRoti(bench, name);
	const id = await createBatch(bench.db, bench.kitchen, newId(), {
		productId,
		madeOn: '2026-03-01',
		factor: 1
	});
	await bench.db('batches').where({ id }).update({ packs_made: 4 });
	return id;
}
const sell = (batchId: string, packs: number) =>
	recordSale(bench.db, bench.kitchen.id, newId(), {
		batchId,
		soldOn: '2026-03-01',
		channel: 'door',
		packs,
		price: '6.00'
	});
const noted = (batchId: string) =>
	keepEntries(bench.db, bench.kitchen, batchId, [event({ name: 'noted', cue: '', text: 'soft dough' })]);

describe('a batch that was recorded without a count', () => {
	it('has as many packs at the stall as on its page: none, until they are counted', async () => {
		const id = await oldBatch('None sold');
		expect((await getBatch(bench.db, bench.kitchen, id)).packsMade).toBe(0);
		await migrated();
		const [row] = await bench.db('batches').where({ id }).select('packs_made', 'packs_counted');
		expect(row).toEqual({ packs_made: 0, packs_counted: null });
		await expect(sell(id, 1)).rejects.toThrow(/none left|no packs|has 0/i);
		await noted(id);
	});

	it('had those that were sold of it, and as many as were planned; its entries go on', async () => {
		const id = await oldBatch('Some sold');
		await sell(id, 3);
		await expect(noted(id)).rejects.toThrow(
			'no packs are counted, but 3 of this batch are sold or given away already: count the packs there were, those too'
		);
		await migrated();
		const batch = await getBatch(bench.db, bench.kitchen, id);
		expect([batch.packsMade, batch.packsLeft]).toEqual([4, 1]);
		expect(
			(await listSummaries(bench.db, bench.kitchen, { newest: 500 })).find((each) => each.id === id)
		).toMatchObject({
			packsMade: 4,
			packsLeft: 1
		});
		await noted(id);
		// Begun again, as a step that was cut short is, it counts nothing twice.
		await migrated();
		expect((await getBatch(bench.db, bench.kitchen, id)).packsMade).toBe(4);
	});
});

describe('a kitchen nobody belongs to', () => {
	it('has one owner of six that claim it at once, and five are told', async () => {
		const claims = await Promise.allSettled(
			Array.from({ length: 6 }, (_, nth) =>
				firstOwner(bench.db, {
					name: `Sorrel ${nth}`,
					login: `sorrel${nth}`,
					password: 'four plain words here',
					kitchen: '',
					take: bench.kitchen.id,
					timeZone: 'UTC'
				})
			)
		);
		const told = claims.flatMap((each) => (each.status === 'rejected' ? [String(each.reason)] : []));
		expect(told).toHaveLength(5);
		for (const words of told) expect(words).toMatch(/somebody was first|has an owner/);
		expect(await bench.db('memberships').where({ kitchen_id: bench.kitchen.id, role: 'owner' })).toHaveLength(
			1
		);
		expect(await bench.db('persons').whereNotNull('login')).toHaveLength(1);
	});
});
