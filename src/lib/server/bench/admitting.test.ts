import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { benchOf, rejectsOf } from '$core/bench/bench.ts';
import type { Entry, Happening } from '$core/bench/entries.ts';
import { Admitting } from './admitting.ts';

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
const counted = (id: string, of: 'packs' | 'balls' | 'rejects', count: number | null) =>
	happened(id, { name: 'counted', of, count });

describe('what comes to a batch', () => {
	const fresh = (gone = 0) => new Admitting([weighed('a')], LINES, gone);

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

	it('whatever comes: what is taken folds to what the counts allow, and the rest does not', () => {
		const happening = fc.oneof(
			fc.record({
				of: fc.constantFrom('packs', 'balls', 'rejects'),
				count: fc.option(fc.nat(5))
			}),
			fc.constant('reject'),
			fc.record({ voids: fc.nat(12) })
		);
		fc.assert(
			fc.property(fc.array(happening, { maxLength: 14 }), fc.nat(3), (all, gone) => {
				const batch = new Admitting([], LINES, gone);
				const taken: Entry[] = [];
				all.forEach((each, index) => {
					const id = String(index);
					const entry =
						each === 'reject'
							? happened(id, { name: 'piece rejected', reason: 'torn' })
							: 'of' in (each as object)
								? counted(id, ...(Object.values(each) as ['packs', number | null]))
								: happened(id, { name: 'void' }, String((each as { voids: number }).voids));
					const before = benchOf(taken);
					const after = benchOf([...taken, entry]);
					const standing = taken.filter((one) => one.kind === 'event' && one.voids === null);
					const voided = taken.flatMap((one) => (one.kind === 'event' ? (one.voids ?? []) : []));
					const voids = entry.kind === 'event' ? entry.voids : null;
					const sound =
						(voids === null || (standing.some((one) => one.id === voids) && !voided.includes(voids))) &&
						!((after.counted.packs ?? 0) < gone && (before.counted.packs ?? 0) >= gone) &&
						!(after.counted.balls !== null && (rejectsOf(after) ?? 0) > after.counted.balls);
					expect(batch.take(entry) === null).toBe(sound);
					if (sound) taken.push(entry);
				});
			})
		);
	});
});
