import { page } from '$app/state';
import { dayOfTime } from '../day.ts';
import { dayText } from '../format.ts';

/** The kitchen's day of a time that was kept, in words: what happened at half past seven in the evening is of that day. */
export const dayTextOf = (stored: string): string =>
	dayText(dayOfTime(stored, (page.data as { kitchen: { timeZone: string } }).kitchen.timeZone));
