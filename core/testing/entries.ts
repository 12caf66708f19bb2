import { monotonicFactory } from 'ulid';
import type { EventEntry, Happening, WeighingEntry } from '../bench/entries.ts';

const nextId = monotonicFactory();

/** A ball of 60 g on the scale, changed as said. */
export const weighing = (more: Partial<WeighingEntry> = {}): WeighingEntry => ({
	kind: 'weighing',
	id: nextId(),
	number: null,
	at: '2026-04-05T09:00:00.000Z',
	what: 'ball',
	lineId: null,
	grams: 60,
	corrects: null,
	by: 'scale',
	lotId: null,
	...more
});

/** Something that happened, ten minutes later unless said. */
export const event = (
	happening: Happening,
	more: { at?: string; voids?: string; number?: number } = {}
): EventEntry => ({
	kind: 'event',
	id: nextId(),
	number: more.number ?? null,
	at: more.at ?? '2026-04-05T09:10:00.000Z',
	happening,
	voids: more.voids ?? null
});
