import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { drawingOf, movesTo } from './draw.ts';
import { freshness, outlook } from './need.ts';
import { priceDrawn } from './price.ts';

const none = new Map<string, number>();
const lots = [
	{ id: 'old', onHand: 300 },
	{ id: 'new', onHand: 1000 }
];

describe('what a batch draws', () => {
	it('comes from the oldest lot, then from the next', () => {
		// 500 = 300 of the old + 200 of the new
		expect(drawingOf(lots, { consumed: 500, named: none, drawn: none })).toEqual({
			byLot: new Map([
				['old', 300],
				['new', 200]
			]),
			short: 0
		});
	});

	it('says what no lot had', () => {
		// 1500 − 300 − 1000
		expect(drawingOf(lots, { consumed: 1500, named: none, drawn: none }).short).toBe(200);
		expect(drawingOf([], { consumed: 5, named: none, drawn: none })).toEqual({ byLot: none, short: 5 });
	});

	it('comes from the lot that was named, even past what was thought to be left of it', () => {
		const named = new Map([['old', 350]]);
		// 350 named, 150 more: the old lot has nothing left, so the new
		expect(drawingOf(lots, { consumed: 500, named, drawn: none }).byLot).toEqual(
			new Map([
				['old', 350],
				['new', 150]
			])
		);
	});

	it('stays with what it drew when a little more is added, and gives back what it did not use', () => {
		const drawn = new Map([['new', 200]]);
		const left = [
			{ id: 'old', onHand: 300 },
			{ id: 'new', onHand: 800 }
		];
		expect(drawingOf(left, { consumed: 200, named: none, drawn }).byLot).toEqual(drawn);
		// 50 more: of the oldest that has some
		expect(drawingOf(left, { consumed: 250, named: none, drawn }).byLot).toEqual(
			new Map([
				['new', 200],
				['old', 50]
			])
		);
		const less = drawingOf(left, { consumed: 120, named: none, drawn }).byLot;
		expect(movesTo(drawn, less)).toEqual(new Map([['new', -80]]));
	});

	it('is never more than was consumed, whatever was named', () => {
		const named = new Map([
			['old', 200],
			['new', 100]
		]);
		// A correction: 240 were used after all
		expect(drawingOf(lots, { consumed: 240, named, drawn: none }).byLot).toEqual(
			new Map([
				['old', 200],
				['new', 40]
			])
		);
	});

	const grams = fc.integer({ min: 0, max: 5_000_000 }).map((milligrams) => milligrams / 1000);
	const byLot = fc
		.dictionary(fc.constantFrom('a', 'b', 'c', 'd'), grams)
		.map((of) => new Map(Object.entries(of)));
	const shelf = fc
		.tuple(grams, grams, grams, grams)
		.map((each) => each.map((onHand, index) => ({ id: 'abcd'[index] ?? '', onHand })));

	it('moves nothing where only the last binary digits differ', () => {
		// 516.835 + 0.012 is 516.847 in thousandths, and not in binary
		const shelf = [
			{ id: 'a', onHand: 516.835 },
			{ id: 'b', onHand: 0 }
		];
		const drawn = new Map([['b', 0.012]]);
		const { byLot, short } = drawingOf(shelf, { consumed: 516.847, named: none, drawn });
		expect(short).toBe(0);
		const again = drawingOf(
			[
				{ id: 'a', onHand: 0 },
				{ id: 'b', onHand: 0 }
			],
			{
				consumed: 516.847,
				named: none,
				drawn: byLot
			}
		);
		expect(movesTo(byLot, again.byLot)).toEqual(none);
	});

	it('drawn and short come to what was consumed, and drawing once more moves nothing', () => {
		fc.assert(
			fc.property(shelf, grams, byLot, byLot, (each, consumed, named, drawn) => {
				const before = each.map((lot) => ({ ...lot, onHand: Math.max(0, lot.onHand) }));
				const first = drawingOf(before, { consumed, named, drawn });
				const total = [...first.byLot.values()].reduce((sum, amount) => sum + Math.round(amount * 1000), 0);
				expect(total + Math.round(first.short * 1000)).toBe(Math.round(consumed * 1000));
				for (const amount of first.byLot.values()) expect(amount).toBeGreaterThan(0);
				const moves = movesTo(drawn, first.byLot);
				const after = before.map(({ id, onHand }) => ({ id, onHand: onHand - (moves.get(id) ?? 0) }));
				const again = drawingOf(after, { consumed, named, drawn: first.byLot });
				expect(movesTo(first.byLot, again.byLot)).toEqual(none);
			})
		);
	});

	it('leaves no lot below nothing that was not named past it', () => {
		fc.assert(
			fc.property(shelf, grams, (each, consumed) => {
				const { byLot: drawn } = drawingOf(each, { consumed, named: none, drawn: none });
				for (const { id, onHand } of each) expect(drawn.get(id) ?? 0).toBeLessThanOrEqual(onHand);
			})
		);
	});
});

describe('the price of what was drawn', () => {
	const inForce = { amount: '30', grams: 10_000, usable: 1 };

	it('mixes the lots by their grams', () => {
		// 300 g at 24 / 12000 = 0.60 and 200 g at 5 / (2000 · 0.5) = 1.00: 1.60 for 500 g
		const mixed = priceDrawn(
			[
				{ grams: 300, price: { amount: '24', grams: 12_000, usable: 1 } },
				{ grams: 200, price: { amount: '5', grams: 2000, usable: 0.5 } }
			],
			500,
			inForce
		);
		expect(mixed).toEqual({ amount: '1.6', grams: 500, usable: 1 });
	});

	it('takes the price in force for what no lot or no price covers', () => {
		// 300 g at 0.002 = 0.60, 100 g without a price and 100 g of no lot at 0.003 = 0.60
		const mixed = priceDrawn(
			[
				{ grams: 300, price: { amount: '24', grams: 12_000, usable: 1 } },
				{ grams: 100, price: null }
			],
			500,
			inForce
		);
		expect(mixed).toEqual({ amount: '1.2', grams: 500, usable: 1 });
	});

	it('is the price itself where there is one, and unknown where a part of it is', () => {
		const price = { amount: '24', grams: 12_000, usable: 1 };
		expect(priceDrawn([{ grams: 500, price }], 500, inForce)).toBe(price);
		expect(priceDrawn([], 500, inForce)).toBe(inForce);
		expect(priceDrawn([{ grams: 300, price }], 500, null)).toBeNull();
	});
});

describe('what is planned', () => {
	const needs = [
		{ batchId: 'first', amount: 400 },
		{ batchId: 'second', amount: 400 }
	];

	it('runs out at the first batch there is not enough for', () => {
		expect(outlook(800, needs)).toEqual({ onHand: 800, planned: 800, missing: 0, runsOutAt: null });
		expect(outlook(799.9, needs)).toEqual({ onHand: 799.9, planned: 800, missing: 0.1, runsOutAt: 'second' });
		expect(outlook(-5, needs)).toMatchObject({ missing: 800, runsOutAt: 'first' });
	});

	it('a lot is near its date three weeks before it, and good through it', () => {
		expect(freshness('2026-06-22', '2026-06-01')).toBe('near'); // 21 days
		expect(freshness('2026-06-23', '2026-06-01')).toBe('good');
		expect(freshness('2026-06-01', '2026-06-01')).toBe('near');
		expect(freshness('2026-05-31', '2026-06-01')).toBe('past');
		expect(freshness(null, '2026-06-01')).toBe('undated');
	});
});
