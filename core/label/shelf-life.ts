/** What a test is of: what is baked and packed, a dough that is chilled or frozen, a dry premix. */
export const TESTED = ['baked', 'dough', 'premix'] as const;
export type Tested = (typeof TESTED)[number];

/** What was found of a test on a day after making. */
export interface FoundOnDay {
	day: number;
	isGood: boolean;
	found: string;
}

/** A maker's own test of how long something keeps. */
export interface ShelfTest {
	of: Tested;
	madeOn: string;
	keptHow: string;
	/** In the order they were noted; of two notes of one day the later stands. */
	days: readonly FoundOnDay[];
}

/**
 * Days a test bears out: the last that was found good before the first that was not; null while none was looked at
 * (computation, section 14: a shelf life is what the maker has tested, never predicted).
 */
export function daysOf({ days }: Pick<ShelfTest, 'days'>): number | null {
	const byDay = new Map(days.map(({ day, isGood }) => [day, isGood]));
	const firstBad = Math.min(...[...byDay].flatMap(([day, isGood]) => (isGood ? [] : day)));
	const good = [...byDay].flatMap(([day, isGood]) => (isGood && day < firstBad ? day : []));
	return byDay.size === 0 ? null : Math.max(0, ...good);
}

/** Days that every test of something bears out: the fewest of them; null without any that was looked at. */
export function borneOut(tests: readonly ShelfTest[], of: Tested): number | null {
	const days = tests.filter((test) => test.of === of).flatMap((test) => daysOf(test) ?? []);
	return days.length === 0 ? null : Math.min(...days);
}
