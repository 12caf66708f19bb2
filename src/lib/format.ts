/** Making a formatter takes longer than using it a hundred times. */
const formatters = new Map<string, Intl.NumberFormat>();

function formatter(options: Intl.NumberFormatOptions): Intl.NumberFormat {
	const key = JSON.stringify(options);
	const known = formatters.get(key) ?? new Intl.NumberFormat(undefined, options);
	formatters.set(key, known);
	return known;
}

/** A number in the reader's own way, with at most this many decimals. Nothing is not less than nothing. */
export function plain(value: number, decimals = 0): string {
	return formatter({ maximumFractionDigits: decimals, signDisplay: 'negative' }).format(value);
}

/** A number with exactly this many decimals, so that figures align on the point. */
export function fixed(value: number, decimals: number): string {
	return formatter({
		minimumFractionDigits: decimals,
		maximumFractionDigits: decimals,
		signDisplay: 'negative'
	}).format(value);
}

/** A number with at most four digits that say something. */
export function significant(value: number): string {
	return formatter({ maximumSignificantDigits: 4 }).format(value);
}

/** A fraction as a percentage with this many decimals, without the sign. */
export function percent(fraction: number, decimals = 1): string {
	return fixed(fraction * 100, decimals);
}

/** Money from a decimal string, with the currency's sign and at least its usual decimals. */
export function money(amount: string, currency: string, decimals = 2): string {
	const written = formatter({
		style: 'currency',
		currency,
		minimumFractionDigits: decimals,
		maximumFractionDigits: decimals
	});
	// The string itself is formatted: going through a binary number could change the last digit.
	return written.format(amount as unknown as number);
}

const DAY = new Intl.DateTimeFormat('en-GB', {
	weekday: 'short',
	day: 'numeric',
	month: 'short',
	year: 'numeric',
	timeZone: 'UTC'
});

/** A day such as `Sat, 14 Mar 2026`. */
export function dayText(day: string): string {
	return DAY.format(new Date(`${day}T00:00:00Z`));
}

/** The word for one or several. */
export function plural(count: number, one: string, many = `${one}s`): string {
	return `${plain(count)} ${count === 1 ? one : many}`;
}
