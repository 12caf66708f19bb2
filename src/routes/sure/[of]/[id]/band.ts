import { printedNumber } from '$core/rules/tolerance.ts';
import type { PrintedSure } from '$core/sure/result.ts';

/** Where a figure's band, bounds and print stand across a width; null where there is none. */
export interface BandScale {
	p5: number;
	p50: number;
	p95: number;
	low: number | null;
	high: number | null;
	printed: number | null;
}

/** Room at both ends, as a part of what is shown. */
const ROOM = 0.12;

/** The scale of a figure: from the least of what is shown to the most of it. */
export function scaleOf(figure: PrintedSure, width: number): BandScale {
	const { low, high, found } = figure;
	const printed =
		figure.printed.startsWith('<') || figure.printed.startsWith('less')
			? null
			: printedNumber(figure.printed);
	const shown = [found.p5, found.p95, ...[low, high, printed].filter((value) => value !== null)];
	const [least, most] = [Math.min(...shown), Math.max(...shown)];
	const span = most - least || Math.max(1, Math.abs(most));
	const [from, to] = [least - span * ROOM, most + span * ROOM];
	const at = (value: number) => ((value - from) / (to - from)) * width;
	const atOrNot = (value: number | null) => (value === null ? null : at(value));
	return {
		p5: at(found.p5),
		p50: at(found.p50),
		p95: at(found.p95),
		low: atOrNot(low),
		high: atOrNot(high),
		printed: atOrNot(printed)
	};
}

/** So many of 100 times: never 100 where it is not always, nor 0 where it is not never. */
export function hundredths(chance: number): string {
	const whole = Math.round(chance * 100);
	if (whole === 100 && chance < 1) return chance < 0.9995 ? '99' : '100';
	if (whole === 0 && chance > 0) return '1';
	return String(whole);
}

/** An amount to three figures. */
export const amount = (value: number): string => String(Number(value.toPrecision(3)));
