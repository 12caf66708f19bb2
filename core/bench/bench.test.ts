import { looseLeft } from './short-packs.ts';
import { describe, expect, it } from 'vitest';
import {
	benchOf,
	lineWeighed_g,
	rejectsOf,
	surfaceUse,
	timeTaken_min,
	type Moment,
	went_ms
} from './bench.ts';
import { event, weighing } from '../testing/entries.ts';
import type { Entry, WeighingEntry } from './entries.ts';

const at = (minute = 0) => new Date(Date.UTC(2026, 3, 5, 9, minute)).toISOString();
const grams = (entries: Entry[], what: WeighingEntry['what'], lineId: string | null = null) =>
	benchOf(entries)
		.readings(what, lineId)
		.map((reading) => reading.grams);

describe('readings', () => {
	it('stand in the order the server kept them, whatever order they arrive in; those on their way come last', () => {
		const kept = (number: number, grams: number) => weighing({ number, grams });
		const onTheWay = weighing({ grams: 61 });
		expect(grams([onTheWay, kept(3, 60), kept(1, 58), kept(2, 59)], 'ball')).toEqual([58, 59, 60, 61]);
	});

	it('a tablet whose clock is an hour ahead, then a phone that corrects it: the phone stands', () => {
		// The tablet's ULID is an hour later than the phone's, and its time too: the server kept it first.
		const tablet = weighing({
			id: '01KPHHHHHHHHHHHHHHHHHHHHHH',
			at: at(60),
			number: 1,
			grams: 52
		});
		const phone = weighing({
			id: '01KPAAAAAAAAAAAAAAAAAAAAAA',
			at: at(0),
			number: 2,
			grams: 61,
			corrects: tablet.id
		});
		expect(grams([tablet, phone], 'ball')).toEqual([61]);
		expect(grams([phone, tablet], 'ball')).toEqual([61]);
	});

	it('counts of a clock that is ahead do not beat a later count', () => {
		const tablet = event({ name: 'counted', of: 'balls', count: 30 }, { at: at(60), number: 1 });
		const phone = event({ name: 'counted', of: 'balls', count: 32 }, { at: at(5), number: 2 });
		expect(benchOf([phone, tablet]).counted.balls).toBe(32);
	});

	it('corrected keep the place of the first; corrected again too; withdrawn are gone', () => {
		const [a, b, c] = [weighing({ grams: 58 }), weighing({ grams: 59 }), weighing({ grams: 60 })];
		const once = weighing({ grams: 61, corrects: a.id });
		const twice = weighing({ grams: 62, corrects: once.id });
		expect(grams([a, b, c, once], 'ball')).toEqual([61, 59, 60]);
		expect(grams([a, b, c, once, twice], 'ball')).toEqual([62, 59, 60]);
		expect(grams([a, b, c, weighing({ grams: null, corrects: b.id })], 'ball')).toEqual([58, 60]);
	});

	it('are corrected once: a second correction of the same one, or one of nothing here, changes nothing', () => {
		const a = weighing({ grams: 58 });
		const first = weighing({ grams: 59, corrects: a.id });
		const second = weighing({ grams: 99, corrects: a.id });
		expect(grams([a, first, second, weighing({ grams: 77, corrects: 'gone' })], 'ball')).toEqual([59]);
	});

	it('of a line add up: what went in and what was added by feel', () => {
		const entries = [
			weighing({ what: 'line', lineId: 'flour', grams: 600 }),
			weighing({ what: 'line', lineId: 'flour', grams: 400 }),
			weighing({ what: 'line', lineId: 'water', grams: 620 })
		];
		// 600 + 400
		expect(lineWeighed_g(benchOf(entries), 'flour')).toBe(1000);
		expect(lineWeighed_g(benchOf(entries), 'salt')).toBeNull();
	});
});

describe('surface materials', () => {
	const of = (what: WeighingEntry['what'], value: number) =>
		weighing({ what, lineId: 'dusting', grams: value });

	it('are consumed as set out less returned, and stay on less what was swept', () => {
		const entries = [of('set out', 200), of('set out', 50), of('returned', 130), of('swept', 70)];
		// 200 + 50 − 130 = 120 consumed; 120 − 70 = 50 stays on
		expect(surfaceUse(benchOf(entries), 'dusting')).toEqual({ consumed_g: 120, uptake_g: 50 });
	});

	it('are not known before both weighings, and the uptake not before the sweepings', () => {
		expect(surfaceUse(benchOf([of('set out', 200)]), 'dusting')).toEqual({
			consumed_g: null,
			uptake_g: null
		});
		expect(surfaceUse(benchOf([of('set out', 200), of('returned', 140)]), 'dusting')).toEqual({
			consumed_g: 60,
			uptake_g: null
		});
	});

	it('weighed as such stand before what follows from others; none is below zero', () => {
		const entries = [of('set out', 200), of('returned', 140), of('consumed', 58), of('uptake', 20)];
		expect(surfaceUse(benchOf(entries), 'dusting')).toEqual({ consumed_g: 58, uptake_g: 20 });
		expect(surfaceUse(benchOf([of('set out', 100), of('returned', 101), of('swept', 3)]), 'dusting')).toEqual(
			{ consumed_g: 0, uptake_g: 0 }
		);
	});
});

describe('what happened', () => {
	it('counts pieces on and done, and rejects by their reason', () => {
		const bench = benchOf([
			event({ name: 'pieces on', count: 2 }),
			event({ name: 'pieces done', count: 1 }),
			event({ name: 'piece rejected', reason: 'burnt' }),
			event({ name: 'pieces on', count: 1 })
		]);
		// 2 on, 1 done, 1 burnt, 1 more on: 2 − 1 − 1 + 1
		expect([bench.on, bench.done, bench.rejected.burnt, rejectsOf(bench)]).toEqual([1, 1, 1, 1]);
	});

	it('a count of rejects takes the place of what was tapped before it, not after', () => {
		const tapped = event({ name: 'piece rejected', reason: 'torn' });
		const counted = event({ name: 'counted', of: 'rejects', count: 3 });
		const later = event({ name: 'piece rejected', reason: 'raw' });
		expect(rejectsOf(benchOf([tapped]))).toBe(1);
		expect(rejectsOf(benchOf([tapped, counted]))).toBe(3);
		expect(rejectsOf(benchOf([tapped, counted, later]))).toBe(4);
		expect(rejectsOf(benchOf([]))).toBeNull();
	});

	it('taken back never happened', () => {
		const reject = event({ name: 'piece rejected', reason: 'stuck' });
		const bench = benchOf([reject, event({ name: 'void' }, { voids: reject.id })]);
		expect([bench.rejected.stuck, rejectsOf(bench)]).toEqual([0, null]);
		expect(bench.last((entry) => entry.kind === 'event')).toBeNull();
	});

	it('steps begin and end, and begin again', () => {
		const begun = event({ name: 'step begun', step: 2 }, { at: at(0) });
		const ended = event({ name: 'step ended', step: 2 }, { at: at(20) });
		const again = event({ name: 'step begun', step: 2 }, { at: at(25) });
		expect(benchOf([begun, ended]).steps.get(2)).toEqual({ begunAt: at(0), endedAt: at(20) });
		expect(benchOf([begun, ended, again]).steps.get(2)).toEqual({ begunAt: at(25), endedAt: null });
	});

	it('the rest scaled twice is scaled by both', () => {
		const bench = benchOf([
			event({ name: 'rest scaled', factor: 1.1, lineIds: ['water', 'salt'] }),
			event({ name: 'rest scaled', factor: 1.2, lineIds: ['salt'] })
		]);
		expect(bench.factorOf('salt')).toBeCloseTo(1.32, 12); // 1.1 · 1.2
		expect([bench.factorOf('water'), bench.factorOf('flour')]).toEqual([1.1, 1]);
	});

	it('time taken runs from the first to the last of the making, not over what is typed at the desk', () => {
		const moments: Moment[] = [
			{ at: at(0), what: 'scale' },
			{ at: at(10), what: 'step begun' },
			{ at: at(50), what: 'pieces done' },
			{ at: at(59), what: 'typed' },
			{ at: at(59), what: 'counted' }
		];
		expect(timeTaken_min(moments)).toBe(50);
		expect(timeTaken_min(moments.slice(0, 1))).toBeNull();
		expect(timeTaken_min(moments.slice(3))).toBeNull();
	});

	it('is not made longer by a clock that was put back, nor by what came late', () => {
		const at = (...times: string[]) => times.map((time) => Date.parse(`2026-11-01T${time}:00Z`));
		// 5 min, then the clock goes an hour back, then 5 min more: 10, where first to last is 60.
		expect(went_ms(at('10:00', '10:05', '09:05', '09:10')) / 60_000).toBe(10);
		// 10:05 came late, from a device that was away: 31 min from first to last, where the ways between are 30 + 26.
		expect(went_ms(at('10:00', '10:30', '10:05', '10:31')) / 60_000).toBe(31);
		expect([went_ms([]), went_ms(at('10:00'))]).toEqual([0, 0]);
	});
});

describe('a reading that was moved to another line', () => {
	const first = weighing({ what: 'line', lineId: 'flour', grams: 600 });
	const at = '2026-04-05T09:01:00.000Z';
	const gone = weighing({ what: 'line', lineId: 'flour', grams: null, corrects: first.id, at });
	const moved = weighing({ what: 'line', lineId: 'water', grams: 600, at });
	it('stands there, and knows where it stood', () => {
		const bench = benchOf([first, gone, moved]);
		expect(bench.readings('line', 'flour')).toEqual([]);
		expect(bench.readings('line', 'water')).toMatchObject([{ grams: 600 }]);
		expect(bench.movedFrom(moved)?.id).toBe(gone.id);
		expect(bench.movedFrom(first)).toBeNull();
	});
	it('stands where it stood again once it is put back', () => {
		const back = weighing({ what: 'line', lineId: 'flour', grams: 600, corrects: gone.id });
		const taken = weighing({ what: 'line', lineId: 'water', grams: null, corrects: moved.id });
		const bench = benchOf([first, gone, moved, taken, back]);
		expect(bench.readings('line', 'flour')).toMatchObject([{ grams: 600 }]);
		expect(bench.readings('line', 'water')).toEqual([]);
		expect(bench.movedFrom(moved)).toBeNull();
	});
});

it.each([
	[4, [], 6, 4],
	[4, [4], 6, 0],
	[7, [], 6, 1], // six of them are a pack
	[7, [3], 6, 4],
	[null, [], 6, 0],
	[2, [3], 6, 0]
] as const)('%s loose with %j in short packs of %d leave %d for one', (loose, made, packPieces, left) => {
	expect(looseLeft(loose, made, packPieces)).toBe(left);
});
