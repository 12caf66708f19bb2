import { bold, figure, Pen, plain } from '../../drawing/pen.ts';
import type { Drawing } from '../../drawing/shapes.ts';
import { wrapRuns } from '../../drawing/text.ts';
import { TABLE_LINES, type EuTable } from './table.ts';

/** How each line is named, and whether it stands under the one before. */
export const TABLE_LABELS: Record<(typeof TABLE_LINES)[number], { text: string; indent: boolean }> = {
	energy: { text: 'Energy', indent: false },
	fat: { text: 'Fat', indent: false },
	saturates: { text: 'of which saturates', indent: true },
	carbohydrate: { text: 'Carbohydrate', indent: false },
	sugars: { text: 'of which sugars', indent: true },
	fibre: { text: 'Fibre', indent: false },
	protein: { text: 'Protein', indent: false },
	salt: { text: 'Salt', indent: false }
};

/** What an EU/UK table says, and what the second column is of. */
export interface TableContent {
	table: { per100g: EuTable; perPiece: EuTable };
	/** `per roti (52 g)`. */
	pieceHeading: string;
}

const FRAME = 0.5;
const MARGIN = 4;
const HAIRLINE = 0.25;
/** 7 points of Arimo have an x-height of 1.3 mm; the least is 1.2 mm (Regulation 1169/2011 art. 13(2)). */
export const EU_SIZE = 7;
const ROW = 11;
const LABEL = 84;
const COLUMN = 76;

/** The table in words: what a screen reader says of the drawing. */
export function tableText({ table, pieceHeading }: TableContent): string {
	const lines = TABLE_LINES.map(
		(key) => `${TABLE_LABELS[key].text} ${table.per100g[key] ?? 'waits'}, ${table.perPiece[key] ?? 'waits'}`
	);
	return `Nutrition per 100 g and ${pieceHeading}: ${lines.join('; ')}.`;
}

/** The nutrition table in the order and layout of Regulation 1169/2011 Annex XV. */
export function drawEuTable({ table, pieceHeading }: TableContent): Drawing {
	const edge_pt = FRAME + MARGIN;
	const pen = new Pen(edge_pt, edge_pt + LABEL + 2 * COLUMN, edge_pt);
	const rights = [pen.right_pt - COLUMN, pen.right_pt];
	pen.at(pen.left_pt, pen.y_pt + EU_SIZE, EU_SIZE, [bold('Nutrition')]);
	const headings = ['per 100 g', pieceHeading].map((text) => wrapRuns([bold(text)], EU_SIZE, COLUMN - 4));
	const most = Math.max(...headings.map((lines) => lines.length));
	headings.forEach((lines, index) =>
		lines.forEach((line, row) =>
			pen.endAt(rights[index] ?? 0, pen.y_pt + EU_SIZE + row * EU_SIZE * 1.2, EU_SIZE, line)
		)
	);
	pen.y_pt += most * EU_SIZE * 1.2 + 3;
	for (const key of TABLE_LINES) {
		const { text, indent } = TABLE_LABELS[key];
		pen.line(key, () => {
			if (!indent) pen.rule(HAIRLINE);
			const baseline_pt = pen.y_pt + EU_SIZE + 0.8;
			pen.at(pen.left_pt + (indent ? 6 : 0), baseline_pt, EU_SIZE, [plain(text)]);
			[table.per100g, table.perPiece].forEach((column, index) => {
				const run = figure(column[key]);
				pen.endAt(rights[index] ?? 0, baseline_pt, EU_SIZE, [run]);
			});
			pen.y_pt += ROW;
		});
	}
	return pen.framed(FRAME, MARGIN);
}
