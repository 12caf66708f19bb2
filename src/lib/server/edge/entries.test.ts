import { describe, expect, it } from 'vitest';
import { eachEntry } from './each-entry.ts';
import { entryForm, MOST_ENTRIES } from './entries.ts';

const ID = '01J0000000000000000000ABCD';
const WEIGHING = {
	kind: 'weighing',
	id: ID,
	at: '2026-03-14T09:30:00.000Z',
	what: 'ball',
	lineId: null,
	grams: 60.5,
	corrects: null,
	by: 'scale'
};
const event = (happening: object, voids: string | null = null) => ({
	kind: 'event',
	id: ID,
	at: '2026-03-14T09:30:00Z',
	happening,
	voids
});
/** What is wrong with one entry as a device sends it; nothing where it is sound. */
const wrong = (entry: object) => entryForm(entry).validate(entry, { convert: false }).error?.message;

describe('a weighing', () => {
	it.each([
		['of a ball', {}],
		['of nothing on the pan', { grams: 0 }],
		['of a line, by its id', { what: 'line', lineId: ID }],
		['of a line out of a lot', { what: 'line', lineId: ID, lotId: ID }],
		['that corrects another', { corrects: ID, by: 'typed' }],
		['that is withdrawn', { corrects: ID, grams: null }],
		['that has no number yet', { number: null }]
	])('%s is taken', (_, more) => {
		expect(wrong({ ...WEIGHING, ...more })).toBeUndefined();
	});

	it('has no number but the server’s: what a device says of one is not listened to', () => {
		const { value } = entryForm(WEIGHING).validate({ ...WEIGHING, number: 7 });
		expect(value).toEqual(WEIGHING);
	});

	it.each([
		['below nothing', { grams: -0.1 }],
		['of more than a tonne', { grams: 1_000_000.5 }],
		['finer than the database keeps', { grams: 60.5555 }],
		['of no grams that withdraws nothing', { grams: null }],
		['of something nobody weighs', { what: 'cat' }],
		['of a line without one', { what: 'line', lineId: null }],
		['of a ball that names a line', { lineId: ID }],
		['of a ball out of a lot', { lotId: ID }],
		['at no time', { at: '2026-03-14 09:30' }],
		['at a time of another zone', { at: '2026-03-14T09:30:00+01:00' }],
		['by nobody', { by: 'guess' }],
		['with more than asked', { more: true }]
	])('%s is refused', (_, more) => {
		expect(wrong({ ...WEIGHING, ...more })).toBeDefined();
	});
});

describe('what happened', () => {
	it.each([
		{ name: 'step begun', step: 0 },
		{ name: 'pieces on', count: 1 },
		{ name: 'piece rejected', reason: 'torn' },
		{ name: 'surface temperature', temperature_c: -30 },
		{ name: 'surface temperature', temperature_c: 700 },
		{ name: 'counted', of: 'packs', count: null },
		{ name: 'best before', day: null },
		{ name: 'best before', day: '2026-03-20' },
		{ name: 'rest scaled', factor: 100, lineIds: [] }
	])('%j is taken', (happening) => {
		expect(wrong(event(happening))).toBeUndefined();
	});

	it.each([
		{ name: 'step begun', step: -1 },
		{ name: 'step begun', step: 1.5 },
		{ name: 'pieces on', count: 0 },
		{ name: 'pieces done', count: 100_001 },
		{ name: 'piece rejected', reason: 'no reason at all' },
		{ name: 'surface temperature', temperature_c: 701 },
		{ name: 'counted', of: 'stars', count: 1 },
		{ name: 'best before', day: '2026-02-30' },
		{ name: 'rest scaled', factor: 0, lineIds: [] },
		{ name: 'noted', cue: '', text: 'x'.repeat(501) },
		{ name: 'something else' },
		{}
	])('%j is refused', (happening) => {
		expect(wrong(event(happening))).toBeDefined();
	});

	it('is voided by an entry of its own that says which', () => {
		expect(wrong(event({ name: 'void' }, ID))).toBeUndefined();
		expect(wrong(event({ name: 'void' }))).toBeDefined();
		expect(wrong(event({ name: 'step begun', step: 0 }, ID))).toBeDefined();
	});
});

it('a device sends no more than a thousand at once', async () => {
	const many = (count: number) =>
		eachEntry({ entries: Array(count).fill(WEIGHING) }, MOST_ENTRIES, entryForm);
	expect(await many(1000)).toMatchObject({ answers: [] });
	expect(await many(1001)).toBe('more than 1000 entries at once: send them in parts');
});

describe('entries that come together', () => {
	it('are read each by itself: what does not fit is answered, and the rest goes on', async () => {
		const cues = '🫓'.repeat(40);
		const entries = [
			WEIGHING,
			{ ...WEIGHING, id: 'bad', grams: 'heavy' },
			null,
			'text',
			{ ...event({ name: 'noted', cue: cues, text: `half ${cues.slice(0, 1)}` }) },
			{ ...event({ name: 'sung' }), id: ID.replace(/.$/, 'Z') }
		];
		const read = await eachEntry({ entries }, MOST_ENTRIES, entryForm);
		if (typeof read === 'string') throw new Error(read);
		// A text cut in the middle of a character loses the half of it.
		expect(read.sound).toMatchObject([WEIGHING, { happening: { cue: cues, text: 'half' } }]);
		expect(read.answers).toMatchObject([
			{ id: 'bad', kept: false, message: expect.stringContaining('the server cannot read it') as string },
			{ id: '', kept: false },
			{ id: '', kept: false },
			{ id: ID.replace(/.$/, 'Z'), kept: false }
		]);
		for (const none of [null, 'x', 7, [], {}, { entries: 'x' }])
			expect(await eachEntry(none, MOST_ENTRIES, entryForm)).toBe('this is no list of entries');
	});
});
