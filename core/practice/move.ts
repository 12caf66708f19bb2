/** What hands and eyes do, beside the stations of the application. */
export const VERBS = [
	'bowl on',
	'bowl off',
	'pour',
	'pour more',
	'take out',
	'level',
	'battery',
	'lay',
	'clear',
	'pinch',
	'add dough',
	'cool',
	'fill',
	'look',
	'hint'
] as const;
export type Verb = (typeof VERBS)[number];

/** One move of a hand; what it is done to, where the verb needs it: `flour`, `ball 3`. */
export interface Move {
	do: Verb;
	at: string | null;
}

/** The story’s kitchen as it stands. */
export interface World {
	minutes: number;
	moves: number;
	hints: number;
	/** In the bowl, by ingredient. */
	went_g: Readonly<Record<string, number>>;
	/** The line that was poured last: more of it or less can be had. */
	poured: string | null;
	bowlOn: boolean;
	/** What lies on the scale beside the bowl: `ball 3`; null where nothing does. */
	lying: string | null;
	isHeaped: boolean;
	wanders: boolean;
	/** When the pieces came off the plate, by the story’s clock. */
	hotSince_min: number;
	/** Dough added to a ball, by its place. */
	trimmed_g: Readonly<Record<number, number>>;
	/** Packs that a piece was put into. */
	filled: readonly number[];
	/** What was looked at, as it was said. */
	looked: readonly string[];
	/** What the last move showed. */
	told: string;
}
