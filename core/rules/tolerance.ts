/** What a laboratory may find where a label prints a figure: from `low` to `high`, in the figure's unit; null is no bound. */
export interface Bounds {
	low: number | null;
	high: number | null;
}

export const NO_BOUNDS: Bounds = { low: null, high: null };

/** The number in a printed figure: 4.5 of `4.5g`, 5 of `less than 5mg`. */
export function printedNumber(printed: string): number {
	return Number(/\d+(\.\d+)?/.exec(printed)?.[0] ?? 0);
}
