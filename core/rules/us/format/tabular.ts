import { bold, figure, LEADING, Pen, plain } from '../../../drawing/pen.ts';
import type { Drawing, Run } from '../../../drawing/shapes.ts';
import {
	amountOf,
	containerLine,
	FOOTNOTE,
	includesAdded,
	MACRO_ROWS,
	MICRO_ROWS,
	type PanelContent,
	type PanelRow
} from './content.ts';
import { SIZE } from './vertical.ts';

const MARGIN = 4;
const GAP = 6;
const LEFT = 92;
const COLUMN = 142;
const NOTE = 86;
const INDENT = 6;
const LINE = 7;
/** Least of the servings and the serving size in the small formats (21 CFR 101.9(d)(3)). */
const SERVING = 9;
const ROW = 10;
/** Larger than the linear format's, so that they hold wherever the tabular one is allowed. */
const CALORIES = 10;
const CALORIES_NUMBER = 14;
const TITLE = 19;

/**
 * The tabular format for packs with 40 square inches of room for labels or less, or too little
 * height (21 CFR 101.9(d)(11)(iii), (j)(13)(ii)(A)(1)). One column of amounts only: a second one takes
 * the vertical format.
 */
export function tabularPanel(content: PanelContent): Drawing {
	const { serving, panel } = content;
	const edge_pt = SIZE.frame + MARGIN;
	const right_pt = edge_pt + LEFT + 2 * COLUMN + NOTE + 3 * GAP;
	const pen = new Pen(edge_pt, right_pt, edge_pt);
	const top_pt = pen.y_pt;

	const left = edge_pt;
	pen.at(left, pen.y_pt + TITLE * 0.8, TITLE, [bold('Nutrition')]);
	pen.at(left, pen.y_pt + TITLE * 1.7, TITLE, [bold('Facts')]);
	pen.y_pt += TITLE * 1.95;
	const container = containerLine(serving);
	if (container) pen.paragraph(SERVING, [plain(container)], left, left + LEFT);
	pen.line('serving', () => {
		pen.paragraph(SERVING, [bold('Serving size')], left, left + LEFT);
		pen.paragraph(SERVING, [bold(serving.text)], left, left + LEFT);
	});
	pen.line('calories', () => {
		const baseline_pt = pen.y_pt + CALORIES_NUMBER;
		pen.at(left, baseline_pt, CALORIES, [bold('Calories')]);
		pen.endAt(left + LEFT, baseline_pt, CALORIES_NUMBER, [figure(panel.calories, 700)]);
		pen.y_pt += CALORIES_NUMBER * LEADING;
	});
	pen.paragraph(SIZE.small, [plain('per serving')], left, left + LEFT);
	const leftEnd_pt = pen.y_pt;

	const half = MACRO_ROWS.length / 2;
	const ends = [MACRO_ROWS.slice(0, half), MACRO_ROWS.slice(half)].map((rows, index) => {
		const from_pt = edge_pt + LEFT + GAP + index * (COLUMN + GAP);
		return column(pen, rows, content, from_pt, top_pt);
	});
	pen.y_pt = Math.max(leftEnd_pt - ROW, ...ends);
	pen.rule(SIZE.middleBar, edge_pt + LEFT + GAP, edge_pt + LEFT + 2 * GAP + 2 * COLUMN);
	const microTop_pt = pen.y_pt;
	pen.line('micro', () =>
		pen.paragraph(LINE, microRuns(content), edge_pt + LEFT + GAP, edge_pt + LEFT + 2 * GAP + 2 * COLUMN)
	);
	const end_pt = Math.max(pen.y_pt, leftEnd_pt);

	pen.y_pt = top_pt;
	pen.paragraph(SIZE.small, [plain(FOOTNOTE)], right_pt - NOTE, right_pt);
	pen.y_pt = Math.max(end_pt, pen.y_pt, microTop_pt);
	return pen.framed(SIZE.frame, MARGIN);
}

/** One of the two columns of lines, under its own headings; where it ends. */
function column(
	pen: Pen,
	rows: readonly PanelRow[],
	{ panel }: PanelContent,
	from_pt: number,
	top_pt: number
): number {
	const to_pt = from_pt + COLUMN;
	pen.y_pt = top_pt;
	pen.at(from_pt, pen.y_pt + SIZE.small, SIZE.small, [bold('Amount/serving')]);
	pen.endAt(to_pt, pen.y_pt + SIZE.small, SIZE.small, [bold('% DV*')]);
	pen.y_pt += SIZE.small * 1.4;
	pen.rule(SIZE.middleBar, from_pt, to_pt);
	for (const [index, { key, label, indent }] of rows.entries())
		pen.line(key, () => {
			if (index > 0) pen.rule(SIZE.hairline, from_pt, to_pt);
			const runs =
				key === 'addedSugars'
					? includesAdded(panel.addedSugars.amount)
					: [...label, plain(' '), amountOf(panel, key)];
			const baseline_pt = pen.y_pt + LINE * 1.05;
			pen.at(from_pt + indent * INDENT, baseline_pt, LINE, runs);
			const { dv } = panel[key];
			if (dv !== null) pen.endAt(to_pt, baseline_pt, LINE, [bold(dv)]);
			pen.y_pt += ROW;
		});
	return pen.y_pt;
}

/** Vitamins and minerals after one another, kept together line by line. */
function microRuns({ panel }: PanelContent): Run[] {
	return MICRO_ROWS.flatMap(({ key, label }, index) => [
		...(index > 0 ? [plain('  •  ')] : []),
		...label.map((run) => ({ ...run, text: run.text.replaceAll(' ', '\u00a0') })),
		plain('\u00a0'),
		amountOf(panel, key),
		plain(`\u00a0${panel[key].dv ?? ''}`)
	]);
}
