import { beforeAll, describe, expect, it } from 'vitest';
import { dayIn } from '../../src/lib/day.ts';
import { newId } from '../../src/lib/server/rows.ts';
import { keepSale } from '../../src/lib/server/sales/keep.ts';
import { countTill, tillCounts, tillsSold } from '../../src/lib/server/sales/till-count.ts';
import { makeRoti, recordRoti, useBench } from './kitchen.ts';
import { oneSale } from '../../scripts/lib/one-sale.ts';

const bench = useBench();
let batchId: string;
const day = () => dayIn(bench.kitchen.timeZone, new Date());
const sell = (paidBy: 'cash' | 'card' | 'owed', packs: number, channel = 'Stall') =>
	keepSale(
		bench.db,
		bench.kitchen.id,
		oneSale({
			batchId,
			soldOn: day(),
			channel,
			packs,
			paidBy,
			customer: paidBy === 'owed' ? 'The choir' : ''
		})
	);

beforeAll(async () => {
	const { productId } = await makeRoti(bench, 'Till roti');
	batchId = await recordRoti(bench, productId);
});

describe('the till at the close of a day', () => {
	it('is held against what that place sold in cash and by card; what is owed is in neither', async () => {
		await sell('cash', 1);
		await sell('card', 1);
		await sell('cash', 1, 'Door');
		expect((await tillsSold(bench.db, bench.kitchen.id, day())).get('Stall')).toEqual({
			cash: '6.50',
			card: '6.50'
		});
		const count = {
			id: newId(),
			channel: 'Stall',
			changeBrought: '40.00',
			cash: '46.00',
			card: '6.50',
			note: 'fifty cents in the tin'
		};
		await countTill(bench.db, bench.kitchen, count);
		// Sent again it is one.
		await countTill(bench.db, bench.kitchen, count);
		expect(await tillCounts(bench.db, bench.kitchen.id, day())).toEqual([
			{
				...count,
				by: '',
				cashSold: '6.50',
				cardSold: '6.50',
				at: expect.any(String)
			}
		]);
	});

	it('counted again later stands beside the first, and neither is edited', async () => {
		await sell('cash', 1);
		await countTill(bench.db, bench.kitchen, {
			id: newId(),
			channel: 'Stall',
			changeBrought: '40.00',
			cash: '53.00',
			card: '6.50',
			note: ''
		});
		const [second, first] = await tillCounts(bench.db, bench.kitchen.id, day());
		expect([second?.cashSold, first?.cashSold]).toEqual(['13.00', '6.50']);
		await expect(bench.db('till_counts').update({ cash: '0' })).rejects.toThrow(/never edited/);
		await expect(bench.db('till_counts').delete()).rejects.toThrow(/never edited/);
	});
});
