import { monotonicFactory } from 'ulid';
import type { EventEntry, Happening, WeighingEntry } from '../bench/entries.ts';

const nextId = monotonicFactory();

/** A ball of 60 g on the scale, changed as said. */
export const weighing = (more: Partial<WeighingEntry> = {}): WeighingEntry => ({
	kind: 'weighing',
	id: nextId(),
	at: '2026-04-05T09:00:00.000Z',
	what: 'ball',
	lineId: null,
	grams: 60,
	corrects: null,
	by: 'scale',
	...more
});

/** Something that happened, ten minutes later unless said. */
export const event = (happening: Happening, more: { at?: string; voids?: string } = {}): EventEntry => ({
	kind: 'event',
	id: nextId(),
	at: more.at ?? '2026-04-05T09:10:00.000Z',
	happening,
	voids: more.voids ?? null
});
