import { bold, LEADING, Pen, plain } from '../drawing/pen.ts';
import { PT_PER_MM, type Drawing, type Run } from '../drawing/shapes.ts';
import { wrapRuns } from '../drawing/text.ts';
import type { NutrientDerivation } from './nutrient.ts';

/** What a record says beside the derivation itself. */
export interface RecordHeading {
	/** Such as `Beet and cumin roti, formula version 2`. */
	subject: string;
	kitchen: string;
	/** The day it was drawn up. */
	day: string;
	/** How a ball becomes a piece, in a sentence. */
	weights: string;
	nameOf: (ingredient: string) => string;
	/** Where the ingredient's value comes from and how good it is. */
	sourceOf: (ingredient: string) => string;
}

const PAGE = { width_mm: 215.9, height_mm: 279.4 };
const MARGIN_PT = 18 * PT_PER_MM;
const TITLE = 16;
const TEXT = 9.5;
const SMALL = 8;
/** Widths of the columns as shares of the page. */
const COLUMNS = [
	{ heading: 'Ingredient', share: 0.24, isFigure: false, inUnit: false },
	{ heading: 'Raw, g a piece', share: 0.12, isFigure: true, inUnit: false },
	{ heading: 'In 100 g', share: 0.13, isFigure: true, inUnit: true },
	{ heading: 'Gives', share: 0.12, isFigure: true, inUnit: true },
	{ heading: 'Share', share: 0.09, isFigure: true, inUnit: false },
	{ heading: 'Source of the value', share: 0.3, isFigure: false, inUnit: false }
] as const;

/** A number as a record states it: at most four digits that say something, no thousands mark. */
export function recordFigure(value: number | null): string {
	if (value === null) return 'unknown';
	return String(Number(value.toPrecision(4)));
}

/**
 * The derivation of a figure as one page for an inspector: where every part of it comes from, the sum,
 * what it is multiplied by, the rounding rule, and what prints.
 */
export function recordDrawing(derivation: NutrientDerivation, heading: RecordHeading): Drawing {
	const { figure, contributions, perPiece, columns } = derivation;
	const [width_pt, height_pt] = [PAGE.width_mm * PT_PER_MM, PAGE.height_mm * PT_PER_MM];
	const pen = new Pen(MARGIN_PT, width_pt - MARGIN_PT, MARGIN_PT);
	pen.paragraph(TITLE, [bold(`${figure.name}: where the figure comes from`)]);
	pen.paragraph(TEXT, [plain(`${heading.subject}. ${heading.kitchen}, ${heading.day}.`)]);
	pen.y_pt += TEXT;
	row(
		pen,
		COLUMNS.map(({ heading: text, inUnit }) => [bold(inUnit ? `${text}, ${figure.unit}` : text)]),
		SMALL
	);
	pen.rule(1);
	for (const each of contributions)
		row(
			pen,
			[
				[plain(heading.nameOf(each.ingredient))],
				[plain((each.dough_g + each.surface_g).toFixed(2))],
				[plain(recordFigure(each.per100g))],
				[plain(recordFigure(each.amount))],
				[plain(each.share === null ? '' : `${(each.share * 100).toFixed(1)} %`)],
				[plain(heading.sourceOf(each.ingredient))]
			],
			SMALL
		);
	pen.rule(1);
	pen.y_pt += TEXT;
	pen.paragraph(TEXT, [
		bold('A piece: '),
		plain(`${recordFigure(perPiece)} ${figure.unit}. ${heading.weights}`)
	]);
	for (const column of columns)
		pen.paragraph(TEXT, [
			bold(`${column.heading.replace(/^p/, 'P')}: `),
			plain(
				`${recordFigure(perPiece)} × ${recordFigure(column.times)} = ${recordFigure(column.amount)} ${figure.unit}, prints ${column.printed ?? 'nothing yet'}${column.dv === null ? '' : `, ${column.dv} of the Daily Value`}.`
			)
		]);
	pen.y_pt += TEXT;
	pen.paragraph(TEXT, [bold('Rounding: '), plain(`${figure.rule} (${figure.source}).`)]);
	if (figure.formula) pen.paragraph(TEXT, [bold('Made of: '), plain(`${figure.formula}.`)]);
	pen.y_pt += TEXT;
	pen.paragraph(SMALL, [
		plain(
			'Calculated from the weighed formula and the values above, not analysed in a laboratory. Cooking takes water off and nothing else. Amounts are of the raw piece, uptake of surface materials included.'
		)
	]);
	// A formula longer than the page makes the page longer: nothing is cut off.
	return { width_pt, height_pt: Math.max(height_pt, pen.y_pt + MARGIN_PT), shapes: pen.shapes, lines: [] };
}

/** One row of the table; cells wrap, figures end at the right of theirs. */
function row(pen: Pen, cells: Run[][], size_pt: number): void {
	const top_pt = pen.y_pt + 2;
	let left_pt = pen.left_pt;
	let bottom_pt = top_pt;
	COLUMNS.forEach(({ share, isFigure }, index) => {
		const cell_pt = share * pen.width_pt - 6;
		wrapRuns(cells[index] ?? [], size_pt, cell_pt).forEach((line, lineNumber) => {
			const baseline_pt = top_pt + size_pt + lineNumber * size_pt * LEADING;
			if (isFigure) pen.endAt(left_pt + cell_pt, baseline_pt, size_pt, line);
			else pen.at(left_pt, baseline_pt, size_pt, line);
			bottom_pt = Math.max(bottom_pt, baseline_pt + size_pt * 0.3);
		});
		left_pt += share * pen.width_pt;
	});
	pen.y_pt = bottom_pt + 2;
	pen.rule(0.25);
}
