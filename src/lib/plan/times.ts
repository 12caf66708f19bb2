const MINUTE_MS = 60_000;

const clocks = new Map<string, Intl.DateTimeFormat>();

/** A moment as a clock of the kitchen shows it, `06:45`, and the weekday before it where it is another day than `day`. */
export function clockAt(at_ms: number, timeZone: string, day?: string): string {
	const known =
		clocks.get(timeZone) ??
		new Intl.DateTimeFormat('en-GB', {
			hour: '2-digit',
			minute: '2-digit',
			weekday: 'short',
			year: 'numeric',
			month: '2-digit',
			day: '2-digit',
			timeZone
		});
	clocks.set(timeZone, known);
	const parts = Object.fromEntries(known.formatToParts(at_ms).map(({ type, value }) => [type, value]));
	const time = `${parts.hour ?? ''}:${parts.minute ?? ''}`;
	const on = `${parts.year ?? ''}-${parts.month ?? ''}-${parts.day ?? ''}`;
	return day === undefined || on === day ? time : `${parts.weekday ?? ''} ${time}`;
}

/** The moment of a plan's minute. */
export const momentAt = (zero_ms: number, minute: number): number => zero_ms + Math.round(minute) * MINUTE_MS;

/** Minutes in words: `35 min`, `2 h 10`. */
export function minutesText(minutes: number): string {
	const whole = Math.round(Math.abs(minutes));
	if (whole < 90) return `${whole} min`;
	const rest = whole % 60;
	return `${Math.floor(whole / 60)} h${rest === 0 ? '' : ` ${String(rest).padStart(2, '0')}`}`;
}

const WEEKDAY = new Intl.DateTimeFormat('en-GB', { weekday: 'long', timeZone: 'UTC' });

/** The weekday of a day: `Saturday`. */
export const weekdayOf = (day: string): string => WEEKDAY.format(new Date(`${day}T00:00:00Z`));

/** Whole marks on a clock between two minutes of a plan: every half hour of a short day, every two hours of a long one. */
export function marksBetween(zero_ms: number, from_min: number, to_min: number): number[] {
	const span = to_min - from_min;
	const step = span <= 360 ? 30 : span <= 720 ? 60 : 120;
	const first = Math.ceil((zero_ms / MINUTE_MS + from_min) / step) * step - zero_ms / MINUTE_MS;
	return Array.from(
		{ length: Math.max(0, Math.floor((to_min - first) / step) + 1) },
		(_, nth) => first + nth * step
	);
}
