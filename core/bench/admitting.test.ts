import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { Admitting } from './admitting.ts';
import { benchOf, rejectsOf } from './bench.ts';
import { packsMade } from './batch.ts';
import type { Counted, Entry, Happening } from './entries.ts';
import { shortPackProblem } from './short-packs.ts';

const LINES = new Map([['flour', new Set(['lot-1'])]]);
const AT = '2026-03-14T09:00:00Z';
const weighed = (id: string, more: Partial<Entry> = {}) =>
	({
		kind: 'weighing',
		id,
		number: null,
		at: AT,
		what: 'line',
		lineId: 'flour',
		grams: 10,
		corrects: null,
		by: 'scale',
		lotId: null,
		...more
	}) as Entry;
const happened = (id: string, happening: Happening, voids: string | null = null): Entry => ({
	kind: 'event',
	id,
	number: null,
	at: AT,
	happening,
	voids
});
const counted = (id: string, of: Counted, count: number | null) =>
	happened(id, { name: 'counted', of, count });

describe('what comes to a batch', () => {
	const fresh = (packs = 0, short: number[] = []) => new Admitting([weighed('a')], LINES, { packs, short });

	it('is of its lines and lots, and corrects what stands', () => {
		expect(fresh().take(weighed('b', { lineId: 'salt' }))).toContain('not of this batch');
		expect(fresh().take(weighed('b', { lotId: 'lot-2' }))).toContain('lot it names');
		expect(fresh().take(weighed('b', { lotId: 'lot-1' }))).toBeNull();
		expect(fresh().take(weighed('b', { corrects: 'x' }))).toContain('is not of this batch');
		expect(fresh().take(weighed('b', { corrects: 'a', what: 'consumed' }))).toContain('of something else');
		const batch = fresh();
		expect(batch.take(weighed('b', { corrects: 'a' }))).toBeNull();
		expect(batch.take(weighed('c', { corrects: 'a' }))).toContain('another device corrected');
		expect([batch.has('b'), batch.has('c')]).toEqual([true, false]);
	});

	it('takes back once, and only what happened', () => {
		const batch = fresh();
		expect(batch.take(happened('v', { name: 'void' }, 'x'))).toContain('not of this batch');
		expect(batch.take(counted('n', 'balls', 4))).toBeNull();
		expect(batch.take(happened('v', { name: 'void' }, 'n'))).toBeNull();
		expect(batch.take(happened('w', { name: 'void' }, 'n'))).toContain('took that back first');
	});

	it('never leaves fewer packs than are gone, also by taking a count back', () => {
		const batch = fresh(3);
		expect(batch.take(counted('n', 'packs', 3))).toBeNull();
		expect(batch.take(counted('m', 'packs', 2))).toContain('2 packs are fewer than the 3');
		expect(batch.take(happened('v', { name: 'void' }, 'n'))).toContain('0 packs are fewer');
	});

	it('never rejects more than there are balls', () => {
		const batch = fresh();
		expect(batch.take(counted('n', 'balls', 1))).toBeNull();
		expect(batch.take(happened('r', { name: 'piece rejected', reason: 'torn' }))).toBeNull();
		expect(batch.take(happened('s', { name: 'piece rejected', reason: 'torn' }))).toContain('2 rejects');
	});

	it('makes up no more than lies loose, counts a short pack among the packs, and takes none apart that is gone', () => {
		const batch = fresh(2);
		expect(batch.take(happened('s', { name: 'short pack', pieces: 3 }))).toContain('none were counted loose');
		expect(batch.take(counted('l', 'loose', 4))).toBeNull();
		expect(batch.take(happened('t', { name: 'short pack', pieces: 3 }))).toBeNull();
		expect(batch.take(happened('u', { name: 'short pack', pieces: 2 }))).toContain('5 pieces are in short');
		expect(batch.take(counted('m', 'loose', 2))).toContain('2 were counted loose');
		expect(batch.take(counted('p', 'packs', 1))).toBeNull(); // 1 + 1 short = 2 gone
		expect(batch.take(counted('q', 'packs', 0))).toContain('1 packs are fewer than the 2');
		const sold = new Admitting(
			[counted('l', 'loose', 4), happened('t', { name: 'short pack', pieces: 3 })],
			LINES,
			{ packs: 1, short: [3] }
		);
		expect(sold.take(happened('v', { name: 'void' }, 't'))).toContain('a short pack of 3 is gone');
	});

	it('whatever comes: what is taken folds to what the counts allow, and the rest does not', () => {
		const happening = fc.oneof(
			fc.record({
				does: fc.constant('count' as const),
				of: fc.constantFrom<Counted>('packs', 'balls', 'rejects', 'loose'),
				count: fc.option(fc.nat(5))
			}),
			fc.record({ does: fc.constant('reject' as const) }),
			fc.record({ does: fc.constant('short' as const), pieces: fc.integer({ min: 1, max: 3 }) }),
			fc.record({ does: fc.constant('void' as const), voids: fc.nat(12) })
		);
		const gone = fc.record({
			packs: fc.nat(3),
			short: fc.array(fc.integer({ min: 1, max: 2 }), { maxLength: 1 })
		});
		const entryOf = (id: string, each: typeof happening extends fc.Arbitrary<infer T> ? T : never): Entry => {
			if (each.does === 'count') return counted(id, each.of, each.count);
			if (each.does === 'short') return happened(id, { name: 'short pack', pieces: each.pieces });
			if (each.does === 'void') return happened(id, { name: 'void' }, String(each.voids));
			return happened(id, { name: 'piece rejected', reason: 'torn' });
		};
		const shortOf = (entries: Entry[], short: number[]) => {
			const bench = benchOf(entries);
			return shortPackProblem(bench.shortPacks, bench.counted.loose, short);
		};
		const made = (entries: Entry[]) => packsMade(benchOf(entries).counted, benchOf(entries));
		fc.assert(
			fc.property(fc.array(happening, { maxLength: 14 }), gone, (all, { packs, short }) => {
				const batch = new Admitting([], LINES, { packs, short });
				const taken: Entry[] = [];
				all.forEach((each, index) => {
					const id = String(index);
					const entry = entryOf(id, each);
					const next = [...taken, entry];
					const after = benchOf(next);
					const standing = taken.filter((one) => one.kind === 'event' && one.voids === null);
					const voided = taken.flatMap((one) => (one.kind === 'event' ? (one.voids ?? []) : []));
					const voids = entry.kind === 'event' ? entry.voids : null;
					const sound =
						(voids === null || (standing.some((one) => one.id === voids) && !voided.includes(voids))) &&
						!(made(next) < packs && made(taken) >= packs) &&
						!(shortOf(next, short) && !shortOf(taken, short)) &&
						!(after.counted.balls !== null && (rejectsOf(after) ?? 0) > after.counted.balls);
					expect(batch.take(entry) === null).toBe(sound);
					if (sound) taken.push(entry);
				});
			})
		);
	});
});
