import { describe, expect, it } from 'vitest';
import { weighing } from '../testing/entries.ts';
import { benchOf } from './bench.ts';
import { consumptionOf, type Consuming } from './consumption.ts';
import type { WeighingEntry } from './entries.ts';

const LINES: Consuming['lines'] = [
	{ id: 'a', ingredient: 'flour', use: 'dough' },
	{ id: 'b', ingredient: 'flour', use: 'dusting' },
	{ id: 'c', ingredient: 'salt', use: 'dough' }
];
const of = (what: WeighingEntry['what'], lineId: string, grams: number, lotId: string | null = null) =>
	weighing({ what, lineId, grams, lotId });
const consumed = (entries: WeighingEntry[], more: Partial<Consuming> = {}) =>
	consumptionOf({
		lines: LINES,
		bench: benchOf(entries),
		packs: 0,
		materials: [],
		closed: null,
		...more
	}).map(({ ingredientId, material, consumed, named }) => [
		ingredientId ?? material,
		consumed,
		Object.fromEntries(named)
	]);

describe('what a batch consumed', () => {
	it('is what was weighed of each ingredient, all its lines together; what nobody weighed is nothing', () => {
		expect(consumed([of('line', 'a', 600), of('line', 'a', 400), of('consumed', 'b', 60)])).toEqual([
			['flour', 1060, {}],
			['salt', 0, {}]
		]);
	});

	it('is named by the lots that readings name', () => {
		expect(
			consumed([of('line', 'a', 600, 'L1'), of('line', 'a', 400, 'L2'), of('line', 'c', 20, 'S1')])
		).toEqual([
			['flour', 1000, { L1: 600, L2: 400 }],
			['salt', 20, { S1: 20 }]
		]);
	});

	it('of a surface is what was set out less what came back, each lot by its share', () => {
		// 200 + 100 set out, 150 back: 150 used, half of each
		const entries = [of('set out', 'b', 200, 'L1'), of('set out', 'b', 100, 'L2'), of('returned', 'b', 150)];
		expect(consumed(entries)[0]).toEqual(['flour', 150, { L1: 100, L2: 50 }]);
	});

	it('of packaging is one a pack, twice where a pack has two', () => {
		const materials = ['bag', 'tie', 'tie'].map((name) => ({ name, cost: '0.01' }));
		expect(consumed([], { packs: 4, materials }).slice(2)).toEqual([
			['bag', 4, {}],
			['tie', 8, {}]
		]);
	});

	it('of a closed batch is what its closing says of each line', () => {
		const closed = new Map([
			['a', 980],
			['b', 50]
		]);
		expect(consumed([of('line', 'a', 1000)], { closed })[0]).toEqual(['flour', 1030, {}]);
	});
});
