import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
	addPack,
	basketTotal,
	changeOf,
	entriesOfCheckout,
	likelyGiven,
	setPacks,
	shortPacksOf,
	stallProducts,
	takenBy,
	takingsWith,
	undoEntries,
	type BasketLine
} from './stall.ts';

const batch = (id: string, packsLeft: number, productId = 'roti') => ({
	id,
	code: id,
	name: productId,
	packPieces: 6,
	madeOn: '2026-03-01',
	packsLeft,
	shortPacks: [] as number[],
	productId,
	bestBefore: null as string | null,
	held: [] as string[],
	price: '6.50'
});
const DAY = '2026-03-07';
const none = new Map<string, number>();
const price = () => '6.50';
const counter = () => {
	let next = 0;
	return () => String(++next);
};
const SALE = {
	kind: 'sale',
	paidBy: 'cash',
	customer: '',
	reason: '',
	soldOn: '2026-03-07',
	channel: 'market'
} as const;

describe('the stall', () => {
	it('sells the oldest batch first, then the next, and no more than there are', () => {
		const [product] = stallProducts([batch('old', 1), batch('new', 1)], none, DAY);
		if (!product) throw new Error('no product');
		const one = addPack([], product, DAY);
		expect(one).toEqual([{ batchId: 'old', packs: 1, pieces: null }]);
		const two = addPack(one ?? [], product, DAY);
		expect(two).toEqual([
			{ batchId: 'old', packs: 1, pieces: null },
			{ batchId: 'new', packs: 1, pieces: null }
		]);
		expect(addPack(two ?? [], product, DAY)).toBeNull();
		expect(setPacks(two ?? [], 'old', 0)).toEqual([{ batchId: 'new', packs: 1, pieces: null }]);
	});

	it('never takes by itself what is past its best-before; the day itself is still good', () => {
		const dated = (bestBefore: string) => ({ ...batch('old', 2), bestBefore });
		const [good] = stallProducts([dated(DAY)], none, DAY);
		const [past] = stallProducts([dated('2026-03-06'), batch('new', 1)], none, DAY);
		if (!good || !past) throw new Error('no product');
		expect([good.left, past.left]).toEqual([2, 1]);
		expect(addPack([], good, DAY)).toEqual([{ batchId: 'old', packs: 1, pieces: null }]);
		expect(addPack([], past, DAY)).toEqual([{ batchId: 'new', packs: 1, pieces: null }]);
		expect(addPack([{ batchId: 'new', packs: 1, pieces: null }], past, DAY)).toBeNull();
	});

	it('counts what this device sold and the server does not know of yet', () => {
		const id = counter();
		const sold = entriesOfCheckout([{ batchId: 'old', packs: 3, pieces: null }], SALE, price, id);
		expect(stallProducts([batch('old', 5)], takenBy(sold), DAY)[0]?.left).toBe(2);
		const undone = [...sold, ...undoEntries(sold, 'undone', id)];
		expect(stallProducts([batch('old', 5)], takenBy(undone), DAY)[0]?.left).toBe(5);
		// The sale is known to the server, its void is not yet: five came from it, and three come back.
		expect(takenBy(undoEntries(sold, 'undone', id)).get('old')).toBe(-3);
	});

	it('a short pack is sold for its share, once, beside the full ones, and comes back when it is taken back', () => {
		const id = counter();
		const stock = [{ ...batch('old', 2), shortPacks: [4, 4] }];
		expect(shortPacksOf(stock, [], DAY)).toEqual([
			{ batchId: 'old', name: 'roti', pieces: 4, price: '4.33' }, // 6.50 · 4 ÷ 6
			{ batchId: 'old', name: 'roti', pieces: 4, price: '4.33' }
		]);
		const basket = setPacks(setPacks([], 'old', 1), 'old', 2, 4);
		expect(basket).toEqual([
			{ batchId: 'old', packs: 1, pieces: null },
			{ batchId: 'old', packs: 2, pieces: 4 }
		]);
		const sold = entriesOfCheckout(basket, SALE, ({ pieces }) => (pieces ? '4.33' : '6.50'), id);
		// Each short pack is an entry of its own.
		expect(sold.map(({ packs, pieces, price: paid }) => [packs, pieces, paid])).toEqual([
			[1, null, '6.50'],
			[1, 4, '4.33'],
			[1, 4, '4.33']
		]);
		expect(takenBy(sold).get('old')).toBe(1);
		expect(shortPacksOf(stock, sold, DAY)).toEqual([]);
		const undone = undoEntries(sold, 'undone', id);
		expect(shortPacksOf(stock, [...sold, ...undone], DAY)).toHaveLength(2);
		// The server knows the sale and not yet its void.
		expect(shortPacksOf([{ ...batch('old', 1) }], undone, DAY)).toHaveLength(2);
		expect(
			shortPacksOf([{ ...batch('old', 2), shortPacks: [4], bestBefore: '2026-03-06' }], [], DAY)
		).toEqual([]);
		// At the close of the day it is still there to be written off.
		const old = { ...batch('old', 2), shortPacks: [4], bestBefore: '2026-03-06' };
		expect(shortPacksOf([old], [], null)).toHaveLength(1);
	});

	it('gives change to the cent', () => {
		// 3 · 6.50 = 19.50
		const basket = [{ batchId: 'old', packs: 3, pieces: null }];
		expect(basketTotal(basket, price)).toBe('19.50');
		expect(likelyGiven('19.50')).toEqual(['20.00', '50.00', '100.00']);
		expect(likelyGiven('20.00')).toEqual(['50.00', '100.00']);
		expect(likelyGiven('3.20')).toEqual(['4.00', '5.00', '10.00', '20.00']);
		expect(changeOf('19.50', '20.00')).toBe('0.50');
		expect(changeOf('19.50', '19.50')).toBe('0.00');
		expect(changeOf('19.50', '19.49')).toBeNull();
		expect(basketTotal([{ batchId: 'a', packs: 3, pieces: null }], () => '0.1')).toBe('0.30');
	});

	it('takings grow by what is sold and shrink by what is taken back', () => {
		const id = counter();
		const sold = entriesOfCheckout([{ batchId: 'old', packs: 3, pieces: null }], SALE, price, id);
		// 10.10 + 3 · 6.50
		expect(takingsWith('10.10', sold)).toBe('29.60');
		expect(takingsWith('10.10', [...sold, ...undoEntries(sold, 'undone', id)])).toBe('10.10');
	});

	it('money is the same in whatever order the packs are put in', () => {
		const cents = fc.nat(10_000).map((each) => (each / 100).toFixed(2));
		const lines = fc.array(fc.record({ price: cents, packs: fc.integer({ min: 1, max: 99 }) }), {
			maxLength: 30
		});
		fc.assert(
			fc.property(lines, fc.infiniteStream(fc.nat()), (each, random) => {
				const basket: BasketLine[] = each.map(({ packs }, index) => ({
					batchId: String(index),
					packs,
					pieces: null
				}));
				const priceOf = ({ batchId }: BasketLine) => each[Number(batchId)]?.price ?? '0';
				const shuffled = [...basket].sort(() => ((random.next().value ?? 0) % 3) - 1);
				const total = basketTotal(basket, priceOf);
				expect(basketTotal(shuffled, priceOf)).toBe(total);
				const byCents = each.reduce(
					(sum, line) => sum + BigInt(Math.round(Number(line.price) * 100)) * BigInt(line.packs),
					0n
				);
				expect(BigInt(total.replace('.', ''))).toBe(byCents);
			})
		);
	});

	it('a gift costs nothing, and a checkout is one', () => {
		const basket = [
			{ batchId: 'a', packs: 1, pieces: null },
			{ batchId: 'b', packs: 2, pieces: null }
		];
		const gift = entriesOfCheckout(basket, { ...SALE, kind: 'gift', paidBy: null }, price, counter());
		expect(gift.map((entry) => [entry.price, entry.checkoutId])).toEqual([
			['0', '1'],
			['0', '1']
		]);
	});
});
