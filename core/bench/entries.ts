/** What a weighing is of. Those of `OF_A_LINE` belong to a line of the batch. */
export type Weighed =
	| 'line'
	| 'consumed'
	| 'uptake'
	| 'set out'
	| 'returned'
	| 'swept'
	| 'dough'
	| 'ball'
	| 'leftover'
	| 'finished'
	| 'pack';

export const WEIGHED: readonly Weighed[] = [
	'line',
	'consumed',
	'uptake',
	'set out',
	'returned',
	'swept',
	'dough',
	'ball',
	'leftover',
	'finished',
	'pack'
];
export const OF_A_LINE: readonly Weighed[] = ['line', 'consumed', 'uptake', 'set out', 'returned', 'swept'];

/** One reading. A correction points at the one it takes the place of; without grams it withdraws it. */
export interface WeighingEntry {
	kind: 'weighing';
	/** A ULID: one sent twice is one. */
	id: string;
	/** Its place among the batch's entries, given when the server keeps it; null while it is on its way. */
	number: number | null;
	/** When it was taken by the clock of the device, ISO 8601 in UTC: it says when, not in which order. */
	at: string;
	what: Weighed;
	lineId: string | null;
	grams: number | null;
	corrects: string | null;
	by: 'scale' | 'typed';
	/** The lot it was taken from, where somebody said so. */
	lotId: string | null;
}

/** Why a piece is not sold. */
export const REJECT_REASONS = ['torn', 'burnt', 'stuck', 'misshapen', 'raw', 'tasted', 'kept'] as const;
export type RejectReason = (typeof REJECT_REASONS)[number];

export const COUNTED = ['balls', 'rejects', 'sellable', 'packs', 'loose'] as const;
export type Counted = (typeof COUNTED)[number];

/** No griddle or oven of a home kitchen takes more at once. */
export const MOST_AT_ONCE = 60;

/** What happens at the bench beside weighings. */
export type Happening =
	| { name: 'step begun' | 'step ended'; step: number }
	| { name: 'piece rejected'; reason: RejectReason }
	| { name: 'pieces on' | 'pieces done'; count: number }
	| { name: 'surface temperature'; temperature_c: number }
	| { name: 'noted'; cue: string; text: string }
	/** A count replaces the one before it; null takes it back. */
	| { name: 'counted'; of: Counted; count: number | null }
	/** The line stays as weighed, though it is not what was planned. */
	| { name: 'line kept'; lineId: string }
	/** What is still to weigh is scaled to a line that came out otherwise. */
	| { name: 'rest scaled'; factor: number; lineIds: string[] }
	/** So many are cooked together from now on. */
	| { name: 'at once'; count: number }
	| { name: 'part-cooked'; is: boolean }
	/** Loose pieces made up into a pack that holds fewer. */
	| { name: 'short pack'; pieces: number }
	| { name: 'best before'; day: string | null }
	| { name: 'void' };

/** Something that happened; `voids` takes an earlier one back. */
export interface EventEntry {
	kind: 'event';
	id: string;
	number: number | null;
	/** When it happened by the clock of the device, ISO 8601 in UTC: it says when, not in which order. */
	at: string;
	happening: Happening;
	voids: string | null;
}

/** One thing kept of a batch the moment it happens, never edited. */
export type Entry = WeighingEntry | EventEntry;

/**
 * Entries in the order that counts: as the server kept them, then those on their way in the order they come.
 * Clocks of devices have no part in it.
 */
export function inOrder<E extends Pick<Entry, 'number'>>(entries: readonly E[]): E[] {
	return entries.toSorted((a, b) => (a.number ?? Infinity) - (b.number ?? Infinity) || 0);
}
