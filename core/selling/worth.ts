import { Decimal } from 'decimal.js';
import { expectedGain, type DayAhead, type HowMany } from './how-many.ts';

/** What one pack more or one fewer would do to what a day is expected to bring, costs taken off; decimal strings. */
export interface OneMoreOrFewer {
	more: string;
	/** Null where none is made for who walks up. */
	fewer: string | null;
}

const CENTS = 2;

/** The difference one pack makes to the expected takings of a day (section 16). */
export function oneMoreOrFewer(
	of: Pick<DayAhead, 'price' | 'cost' | 'leftover'>,
	{ distribution, walkUp }: Pick<HowMany, 'distribution' | 'walkUp'>
): OneMoreOrFewer {
	const now = expectedGain(of, distribution, walkUp);
	const by = (packs: number) => new Decimal(expectedGain(of, distribution, packs) - now).toFixed(CENTS);
	return { more: by(walkUp + 1), fewer: walkUp === 0 ? null : by(walkUp - 1) };
}

/**
 * What a pack left over is still worth: its price times the chance that the next day it keeps for wants more than is
 * made for it; nothing where it keeps for none.
 */
export function leftoverWorth(price: string, chanceNextDayWantsMore: number | null): string {
	return chanceNextDayWantsMore === null
		? '0.00'
		: new Decimal(price).times(chanceNextDayWantsMore).toFixed(CENTS);
}
