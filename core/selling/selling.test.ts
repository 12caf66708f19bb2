import { describe, expect, it } from 'vitest';
import { comingDays, type Sold } from './rhythm.ts';
import { whatToMake, type Supply } from './to-make.ts';

/** A Saturday; the six Saturdays before it are 12 and 5 September, 29, 22, 15 and 8 August. */
const SATURDAY = '2026-09-19';
const WEDNESDAY = '2026-09-16';
const SATURDAYS = ['2026-09-12', '2026-09-05', '2026-08-29', '2026-08-22', '2026-08-15', '2026-08-08'];

const sold = (day: string, packs: number, productId = 'roti', place = 'market'): Sold => ({
	day,
	place,
	productId,
	packs
});
/** Packs sold on the Saturdays before, newest first. */
const saturdays = (packs: readonly number[], productId = 'roti') =>
	packs.flatMap((each, index) => (each === 0 ? [] : [sold(SATURDAYS[index] ?? '', each, productId)]));

describe('coming selling days', () => {
	it('are the weekdays on which a place sold, with the median of what it sold', () => {
		// 14, 11, 12, 9, 13, 12 in order: 9, 11, 12, 12, 13, 14; between the two in the middle is 12.
		expect(comingDays(saturdays([14, 11, 12, 9, 13, 12]), WEDNESDAY)).toMatchObject([
			{
				day: SATURDAY,
				place: 'market',
				wanted: [{ productId: 'roti', packs: 12, sold: [14, 11, 12, 9, 13, 12] }]
			}
		]);
	});

	it('want half a pack up', () => {
		// 3, 4: halfway is 3.5, and half a pack is not sold.
		const [day] = comingDays(saturdays([3, 4]), WEDNESDAY);
		expect(day?.wanted[0]?.packs).toBe(4);
	});

	it.each([
		['three of six', [5, 0, 5, 0, 0, 5], 1],
		['two of six', [5, 0, 0, 0, 0, 5], 0],
		['two of the two since the first', [5, 5], 1],
		['two of the four since the first', [5, 0, 0, 5], 1],
		['two of the five since the first', [5, 0, 0, 0, 5], 0],
		['one alone is no rhythm', [5], 0]
	])('are those that sold on half of the weeks at least: %s', (_, packs, days) => {
		expect(comingDays(saturdays(packs), WEDNESDAY)).toHaveLength(days);
	});

	it('leave out what is longer ago than six weeks', () => {
		const before = ['2026-08-01', '2026-07-25', '2026-07-18'].map((day) => sold(day, 5));
		expect(comingDays(before, WEDNESDAY)).toEqual([]);
	});

	it('do not hold what came later to the days before it was sold', () => {
		// The pita came two weeks ago: 6 and 8, so 7; not the middle of 6, 8, 0, 0, 0, 0.
		const days = comingDays([...saturdays([9, 9, 9, 9, 9, 9]), ...saturdays([6, 8], 'pita')], WEDNESDAY);
		expect(days[0]?.wanted).toMatchObject([
			{ productId: 'roti', packs: 9, sold: [9, 9, 9, 9, 9, 9] },
			{ productId: 'pita', packs: 7, sold: [6, 8] }
		]);
	});

	it('count a day on which others sold as one with none of it', () => {
		// 4, 0, 4, 0, 4 and the day before its first sale left out: the middle is 4; with 4, 0, 0, 0, 4 it is 0.
		const others = saturdays([9, 9, 9, 9, 9, 9]);
		const wanted = (packs: number[]) =>
			comingDays([...others, ...saturdays(packs, 'pita')], WEDNESDAY)[0]?.wanted.find(
				({ productId }) => productId === 'pita'
			);
		expect(wanted([4, 0, 4, 0, 4])).toMatchObject({ packs: 4, sold: [4, 0, 4, 0, 4] });
		// The middle is none, and yet somebody wanted four: how many to make is for the chances to say.
		expect(wanted([4, 0, 0, 0, 4])).toMatchObject({ packs: 0, sold: [4, 0, 0, 0, 4] });
	});

	it('want no more today of what was sold today', () => {
		const usual = saturdays([10, 10, 10]);
		const today = (packs: number) => comingDays([...usual, sold(SATURDAY, packs)], SATURDAY);
		expect(today(4)[0]).toMatchObject({ day: SATURDAY, wanted: [{ packs: 6 }] });
		expect(today(10)).toEqual([]);
	});

	it('take off what came back, and go no lower than none', () => {
		const back = [...saturdays([5, 5]), sold('2026-09-12', -5), sold('2026-09-05', -2)];
		// Nothing of the 12th stands: one selling day is left, which is no rhythm.
		expect(comingDays(back, WEDNESDAY)).toEqual([]);
	});

	it('are in order, each place apart', () => {
		const days = comingDays(
			[
				...saturdays([5, 5]),
				...['2026-09-11', '2026-09-04'].map((day) => sold(day, 2, 'roti', 'door')),
				...['2026-09-12', '2026-09-05'].map((day) => sold(day, 1, 'roti', 'door'))
			],
			WEDNESDAY
		);
		expect(days.map(({ day, place, wanted }) => [day, place, wanted[0]?.packs])).toEqual([
			['2026-09-18', 'door', 2],
			[SATURDAY, 'door', 1],
			[SATURDAY, 'market', 5]
		]);
	});

	it('say when they had nothing left, as a share of their hours', () => {
		const soldOut = [{ day: '2026-09-05', place: 'market', productId: 'roti', share: 0.5 }];
		const [day] = comingDays(saturdays([9, 8, 7]), WEDNESDAY, soldOut);
		expect(day?.wanted[0]?.days).toEqual([
			{ sold: 9, soldOutAt: null },
			{ sold: 8, soldOutAt: 0.5 },
			{ sold: 7, soldOutAt: null }
		]);
	});

	it('are none without sales', () => {
		expect(comingDays([], WEDNESDAY)).toEqual([]);
	});
});

describe('what to make', () => {
	const wantedOf = (productId: string, packs: number) => ({
		productId,
		packs,
		sold: [packs],
		days: [{ sold: packs, soldOutAt: null }],
		soldToday: 0
	});
	const day = (of: string, packs: number) => ({
		day: of,
		place: 'market',
		wanted: [wantedOf('roti', packs)]
	});
	const there = (packs: number, bestBefore: string | null, more: Partial<Supply> = {}): Supply => ({
		productId: 'roti',
		packs,
		from: WEDNESDAY,
		bestBefore,
		planned: false,
		...more
	});
	const toMake = (days: [string, number][], supply: Supply[]) =>
		whatToMake(
			days.map(([of, packs]) => day(of, packs)),
			supply
		).map(({ products: [product] }) => [product?.there, product?.planned, product?.toMake]);

	it('is what is wanted less what is there and keeps', () => {
		// 12 wanted, 5 keep through Saturday and 4 only to Friday: 12 − 5.
		expect(toMake([[SATURDAY, 12]], [there(5, SATURDAY), there(4, '2026-09-18')])).toEqual([[5, 0, 7]]);
	});

	it('is nothing where enough is there, and never below', () => {
		expect(toMake([[SATURDAY, 12]], [there(30, '2026-09-25')])).toEqual([[12, 0, 0]]);
	});

	it('leaves to a later day what an earlier one does not take, the nearest date first', () => {
		const supply = [there(6, '2026-09-25'), there(4, '2026-09-18')];
		// Friday takes the 4 that keep no longer and 1 of the 6; Saturday has 5 of its 8.
		expect(
			toMake(
				[
					['2026-09-18', 5],
					[SATURDAY, 8]
				],
				supply
			)
		).toEqual([
			[5, 0, 0],
			[5, 0, 3]
		]);
	});

	it('counts what is planned to be there by the day', () => {
		const planned = { planned: true, from: '2026-09-18' };
		expect(
			toMake(
				[
					['2026-09-17', 3],
					[SATURDAY, 10]
				],
				[there(8, null, planned)]
			)
		).toEqual([
			[0, 0, 3],
			[0, 8, 2]
		]);
	});

	it('takes what has no date last', () => {
		const days: [string, number][] = [
			['2026-09-18', 2],
			['2026-09-23', 2]
		];
		expect(toMake(days, [there(2, null), there(2, '2026-09-18')])).toEqual([
			[2, 0, 0],
			[2, 0, 0]
		]);
	});

	it('of a day is the sum of its products', () => {
		const [of] = whatToMake(
			[
				{
					day: SATURDAY,
					place: 'market',
					wanted: [wantedOf('roti', 12), wantedOf('pita', 7)]
				}
			],
			[there(5, SATURDAY)]
		);
		// (12 − 5) + 7
		expect(of?.toMake).toBe(14);
	});

	it('keeps products apart, and changes nothing of what it is given', () => {
		const supply = [there(9, null, { productId: 'pita' })];
		expect(toMake([[SATURDAY, 2]], supply)).toEqual([[0, 0, 2]]);
		expect(supply[0]?.packs).toBe(9);
	});
});
