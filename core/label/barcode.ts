import { Pen, plain } from '../drawing/pen.ts';
import { PT_PER_MM, type Shape } from '../drawing/shapes.ts';
import { runsWidth_pt } from '../drawing/text.ts';

/** A trade item number and the widths of its bars and spaces in modules, a bar first. */
export interface Barcode {
	digits: string;
	bars: number[];
}

/**
 * What is wrong with a trade item number, or null: 12 or 13 digits of which the last is the check digit
 * (GS1 General Specifications 7.9: weights 3 and 1 from the right).
 */
export function gtinProblem(digits: string): string | null {
	if (!/^\d{12,13}$/.test(digits)) return 'a barcode number has 12 or 13 digits';
	const check = checkDigit(digits.slice(0, -1));
	return digits.endsWith(String(check))
		? null
		: `the last digit would have to be ${check}: compare the number with the one you were given`;
}

function checkDigit(body: string): number {
	const sum = Array.from(body)
		.toReversed()
		.reduce((total, digit, index) => total + Number(digit) * (index % 2 === 0 ? 3 : 1), 0);
	return (10 - (sum % 10)) % 10;
}

/** Width of a module at full size and at the least that may be printed (GS1: 80 %). */
const MODULES_MM = [0.33, 0.264] as const;
/** Height of the bars at full size. */
const BARS_MM = 22.85;
/** Clear modules at both ends. */
const QUIET = 11;
const DIGITS_PT = 8;

/** A barcode drawn with its top left at a place. */
export interface DrawnBarcode {
	shapes: Shape[];
	width_pt: number;
	height_pt: number;
}

/** The barcode as large as `room_pt` lets it be; by the least size when even that is too wide. */
export function drawBarcode(
	{ digits, bars }: Barcode,
	x_pt: number,
	y_pt: number,
	room_pt: number
): DrawnBarcode {
	const modules = bars.reduce((sum, width) => sum + width, 2 * QUIET);
	const module_mm = MODULES_MM.find((size) => modules * size * PT_PER_MM <= room_pt) ?? MODULES_MM[1];
	const module_pt = module_mm * PT_PER_MM;
	const width_pt = modules * module_pt;
	const bars_pt = BARS_MM * (module_mm / MODULES_MM[0]) * PT_PER_MM;
	const shapes: Shape[] = [];
	let at = QUIET;
	bars.forEach((width, index) => {
		if (index % 2 === 0)
			shapes.push({
				kind: 'bar',
				x_pt: x_pt + at * module_pt,
				y_pt,
				width_pt: width * module_pt,
				height_pt: bars_pt
			});
		at += width;
	});
	const pen = new Pen(x_pt, x_pt + width_pt, y_pt);
	const runs = [plain(digits)];
	const baseline_pt = y_pt + bars_pt + DIGITS_PT;
	pen.at(x_pt + (width_pt - runsWidth_pt(runs, DIGITS_PT)) / 2, baseline_pt, DIGITS_PT, runs);
	return {
		shapes: [...shapes, ...pen.shapes],
		width_pt,
		height_pt: bars_pt + DIGITS_PT * 1.3
	};
}
