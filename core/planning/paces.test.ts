import { describe, expect, it } from 'vitest';
import type { Entry, Happening, WeighingEntry } from '../bench/entries.ts';
import { FAMILIES } from '../formula/families.ts';
import { processOf } from '../formula/process.ts';
import { happenedOf, spansOf } from './happened.ts';
import { pacesOf, pacesOfBatch } from './paces.ts';

const { steps } = processOf(FAMILIES.find(({ id }) => id === 'roti') ?? null, {});
const place = (kind: string) => steps.findIndex((step) => step.kind === kind);
let number = 0;
const at = (minute: number) => new Date(Date.UTC(2026, 2, 14, 6, minute)).toISOString();
const event = (minute: number, happening: Happening): Entry => ({
	kind: 'event',
	id: `e${++number}`,
	number,
	at: at(minute),
	happening,
	voids: null
});
const step = (kind: string, begun: number, ended: number): Entry[] => [
	event(begun, { name: 'step begun', step: place(kind) }),
	event(ended, { name: 'step ended', step: place(kind) })
];
const weighed = (minute: number, what: WeighingEntry['what']): Entry => ({
	kind: 'weighing',
	id: `w${++number}`,
	number,
	at: at(minute),
	what,
	lineId: what === 'line' ? `l${number}` : null,
	grams: 60,
	corrects: null,
	by: 'scale',
	lotId: null
});
/** Weighed in from 0 to 5, mixed 5, kneaded 8, divided 10 for 40 balls, cooked 50, packed 12 for 5 packs. */
const batch = (slower = 1): Entry[] => [
	weighed(0, 'line'),
	weighed(5, 'line'),
	...step('mix', 5, 10),
	...step('knead', 10, 18),
	...step('rest', 18, 43),
	...step('divide', 43, 43 + 10 * slower),
	event(54, { name: 'counted', of: 'balls', count: 40 }),
	event(70, { name: 'pieces on', count: 1 }),
	event(70 + 50 * slower, { name: 'pieces done', count: 40 }),
	...step('pack', 150, 162)
];

describe('what a batch says of how long each takes', () => {
	it('is the dough by the batch, all else by the piece and the pack', () => {
		expect(pacesOfBatch({ entries: batch(), steps, packs: 5 })).toEqual({
			mix: 5 + 5 + 8,
			divide: 10 / 40,
			layer: null,
			cook: 50 / 40,
			pack: 12 / 5
		});
	});

	it('is nothing where nothing was timed', () => {
		expect(pacesOfBatch({ entries: [], steps, packs: 5 })).toEqual({
			mix: null,
			divide: null,
			layer: null,
			cook: null,
			pack: null
		});
	});

	it('of balls on the scale is from the first to the last', () => {
		const balls = [0, 1, 2, 3, 4].map((minute) => weighed(minute, 'ball'));
		expect(pacesOfBatch({ entries: balls, steps, packs: 0 }).divide).toBe(1);
	});

	it('is learned from three batches, the median and the 90th percentile, and not from two', () => {
		const of = (slower: number) => ({ entries: batch(slower), steps, packs: 5 });
		const paces = pacesOf([of(1), of(1.2), of(2)]);
		expect(paces.cook).toMatchObject({ median_min: 1.5, batches: 3 });
		expect(pacesOf([of(1), of(2)]).cook).toBeNull();
	});
});

describe('what has happened to a plan’s tasks', () => {
	const minute = (iso: string) => (Date.parse(iso) - Date.parse(at(0))) / 60_000;
	const kinds = ['mix', 'divide', 'cook', 'pack'] as const;

	it('is read off the bench', () => {
		expect(happenedOf(kinds, spansOf(batch(), steps), minute)).toEqual([
			{ begun_min: 0, ended_min: 18 },
			{ begun_min: 43, ended_min: 54 },
			{ begun_min: 70, ended_min: 120 },
			{ begun_min: 150, ended_min: 162 }
		]);
	});

	it('takes as over what nobody pressed, where what comes after it has begun', () => {
		const only = [event(70, { name: 'pieces on', count: 1 })];
		expect(happenedOf(kinds, spansOf(only, steps), minute)).toEqual([
			{ begun_min: 70, ended_min: 70 },
			{ begun_min: 70, ended_min: 70 },
			{ begun_min: 70, ended_min: null },
			null
		]);
	});
});
