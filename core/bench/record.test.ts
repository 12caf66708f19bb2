import fc from 'fast-check';
import { monotonicFactory } from 'ulid';
import { describe, expect, it } from 'vitest';
import { event, weighing } from '../testing/entries.ts';
import { lineTaken, measuredOf, type BatchMeasured } from './batch.ts';
import { benchOf } from './bench.ts';
import type { Entry } from './entries.ts';
import { entriesTo, type Wanted } from './record.ts';

const LINES = [
	{ id: 'flour', use: 'dough' as const },
	{ id: 'salt', use: 'dough' as const },
	{ id: 'dust', use: 'dusting' as const }
];
const NOTHING: BatchMeasured = {
	doughWeight_g: null,
	leftover_g: null,
	ballWeights_g: [],
	finishedWeights_g: [],
	ballCount: null,
	rejects: 0,
	sellable: null,
	packs: null,
	loose: null
};
const line = (id: string, grams: number | null, uptake_g: number | null = null) => ({ id, grams, uptake_g });
const UNWEIGHED = LINES.map(({ id }) => line(id, null));
const nextId = monotonicFactory();
const stamp = () => ({ id: nextId(), at: '2026-04-05T12:00:00.000Z' });
const numbered = (entries: Entry[]) => entries.map((entry, index) => ({ ...entry, number: index + 1 }));
const to = (wanted: Partial<Wanted>, before: Entry[] = []) =>
	entriesTo({ ...NOTHING, lines: UNWEIGHED, ...wanted }, LINES, benchOf(before), stamp);

describe('what the desk notes of a batch', () => {
	it('is nothing where nothing is other than it was', () => {
		expect(to({})).toEqual([]);
		const before = [weighing({ what: 'line', lineId: 'flour', grams: 1000 }), weighing({ grams: 60 })];
		expect(
			to(
				{ lines: [line('flour', 1000), line('salt', null), line('dust', null)], ballWeights_g: [60] },
				before
			)
		).toEqual([]);
	});

	it('never weighs a line by another’s figure', () => {
		const made = to({ lines: [line('flour', 1000), line('salt', null), line('dust', null)], ballCount: 26 });
		expect(made).toMatchObject([
			{ kind: 'weighing', what: 'line', lineId: 'flour', grams: 1000, corrects: null },
			{ kind: 'event', happening: { name: 'counted', of: 'balls', count: 26 } }
		]);
	});

	it('corrects a reading in its place, of the lot it was from', () => {
		const old = weighing({ what: 'line', lineId: 'flour', grams: 1000, lotId: 'L1' });
		const [only, ...rest] = to({ lines: [line('flour', 990), line('salt', null), line('dust', null)] }, [
			old
		]);
		expect(only).toMatchObject({ corrects: old.id, grams: 990, lotId: 'L1', by: 'typed' });
		expect(rest).toEqual([]);
	});

	it('withdraws a reading that is cleared, and takes a cleared count back', () => {
		const old = weighing({ what: 'line', lineId: 'salt', grams: 20 });
		const packs = event({ name: 'counted', of: 'packs', count: 12 });
		expect(to({}, [old, packs])).toMatchObject([
			{ corrects: old.id, grams: null },
			{ happening: { name: 'counted', of: 'packs', count: null } }
		]);
	});

	it('of a surface that was set out and returned, nothing stays where it is cleared', () => {
		const before = numbered([
			weighing({ what: 'set out', lineId: 'dust', grams: 200 }),
			weighing({ what: 'returned', lineId: 'dust', grams: 140 })
		]);
		const cleared = benchOf([...before, ...to({}, before)]);
		expect(lineTaken({ id: 'dust', use: 'dusting' }, cleared)).toEqual({
			weighed_g: null,
			weighedUptake_g: null
		});
	});

	it('keeps thousandths of a gram, as the database does', () => {
		expect(to({ leftover_g: 40.0004 })[0]).toMatchObject({ what: 'leftover', grams: 40 });
	});

	it('brings any batch from anything to anything, and then has nothing more to note', () => {
		const grams = fc.option(fc.integer({ min: 1, max: 5000 }), { nil: null });
		const list = fc.array(fc.integer({ min: 1, max: 90 }), { maxLength: 4 });
		const count = fc.option(fc.nat(60), { nil: null });
		const wanted = fc
			.record({
				doughWeight_g: grams,
				leftover_g: grams,
				ballWeights_g: list,
				finishedWeights_g: list,
				ballCount: count,
				rejects: fc.nat(5),
				sellable: count,
				packs: count,
				loose: count,
				flour: grams,
				salt: grams,
				dust: grams
			})
			.map(({ flour, salt, dust, ...rest }): Wanted => ({
				...rest,
				lines: [line('flour', flour), line('salt', salt), line('dust', dust)]
			}));
		fc.assert(
			fc.property(fc.array(wanted, { minLength: 1, maxLength: 4 }), (wishes) => {
				let entries: Entry[] = [];
				for (const wish of wishes) {
					entries = numbered([...entries, ...entriesTo(wish, LINES, benchOf(entries), stamp)]);
					const bench = benchOf(entries);
					const { lines, ballWeights_g, finishedWeights_g, ...single } = wish;
					const now = measuredOf(bench);
					expect(now).toMatchObject(single);
					expect(now.ballWeights_g.toSorted()).toEqual(ballWeights_g.toSorted());
					expect(now.finishedWeights_g.toSorted()).toEqual(finishedWeights_g.toSorted());
					for (const [index, of] of LINES.entries())
						expect(lineTaken(of, bench).weighed_g).toBe(lines[index]?.grams ?? null);
					expect(entriesTo(wish, LINES, bench, stamp)).toEqual([]);
				}
			})
		);
	});
});
