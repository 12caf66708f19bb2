import { bold, figure, LEADING, Pen, plain } from '../../../drawing/pen.ts';
import type { Drawing, Run } from '../../../drawing/shapes.ts';
import { runsWidth_pt, textWidth_pt } from '../../../drawing/text.ts';
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

/** Sizes in points that 21 CFR 101.9(d) names: none may be smaller, and these are they. */
export const SIZE = {
	servings: 10,
	calories: 16,
	caloriesNumber: 22,
	line: 8,
	small: 6,
	heavyBar: 7,
	middleBar: 3,
	hairline: 0.25,
	frame: 0.5
} as const;

const MARGIN = 4;
const INDENT = 8;
/** Room above and below the text of a line: the lines of nutrients take 4 points between them (101.9(d)(1)(ii)(C)). */
const LINE_AIR = 2;
const ONE_COLUMN = 172;
const TWO_COLUMNS = 236;
/** Where the columns of two begin. */
const COLUMN_WIDTH = 74;
const COLUMN_AIR = 3;

/**
 * The standard vertical format (21 CFR 101.9(d)(12)), with the second column of 101.9(e)(6)(i) where
 * the content has one.
 */
export function verticalPanel(content: PanelContent): Drawing {
	const inner_pt = content.second ? TWO_COLUMNS : ONE_COLUMN;
	const from_pt = SIZE.frame + MARGIN;
	const pen = new Pen(from_pt, from_pt + inner_pt, SIZE.frame + MARGIN / 2);
	heading(pen, content);
	if (content.second) twoColumns(pen, content, content.second);
	else oneColumn(pen, content);
	pen.rule(SIZE.middleBar);
	pen.y_pt += LINE_AIR;
	pen.paragraph(SIZE.small, [plain(FOOTNOTE)]);
	return pen.framed(SIZE.frame, MARGIN);
}

/** Title as wide as the panel, servings and serving size, down to the heavy bar. */
function heading(pen: Pen, { serving }: PanelContent): void {
	const title = 'Nutrition Facts';
	// The largest text of the panel, as wide as it is (101.9(d)(2)).
	const size_pt = pen.width_pt / textWidth_pt(title, 1, 700);
	pen.at(pen.left_pt, pen.y_pt + size_pt * 0.86, size_pt, [bold(title)]);
	pen.y_pt += size_pt * 1.02;
	pen.rule(SIZE.hairline);
	pen.y_pt += LINE_AIR;
	const container = containerLine(serving);
	if (container) pen.paragraph(SIZE.servings, [plain(container)]);
	pen.line('serving', () => servingSize(pen, serving.text));
	pen.y_pt += LINE_AIR;
	pen.rule(SIZE.heavyBar);
}

function servingSize(pen: Pen, text: string): void {
	const [label, value] = [[bold('Serving size')], [bold(text)]];
	const gap_pt = SIZE.servings;
	const fits = runsWidth_pt([...label, ...value], SIZE.servings) + gap_pt <= pen.width_pt;
	pen.at(pen.left_pt, pen.y_pt + SIZE.servings, SIZE.servings, label);
	if (!fits) {
		pen.y_pt += SIZE.servings * LEADING;
		pen.paragraph(SIZE.servings, value);
		return;
	}
	pen.endAt(pen.right_pt, pen.y_pt + SIZE.servings, SIZE.servings, value);
	pen.y_pt += SIZE.servings * LEADING;
}

function oneColumn(pen: Pen, { panel }: PanelContent): void {
	pen.paragraph(SIZE.small + 1, [bold('Amount per serving')]);
	pen.line('calories', () => {
		const baseline_pt = pen.y_pt + SIZE.caloriesNumber * 0.8;
		pen.at(pen.left_pt, baseline_pt, SIZE.calories, [bold('Calories')]);
		pen.endAt(pen.right_pt, baseline_pt, SIZE.caloriesNumber, [figure(panel.calories, 700)]);
		pen.y_pt += SIZE.caloriesNumber;
	});
	pen.rule(SIZE.middleBar);
	row(pen, () => pen.endAt(pen.right_pt, baseline(pen), SIZE.small + 1, [bold('% Daily Value*')]));
	const draw = ({ key, label, indent }: PanelRow, isMicro: boolean) => {
		const { dv } = panel[key];
		const runs =
			key === 'addedSugars'
				? includesAdded(panel.addedSugars.amount)
				: [...label, plain(' '), amountOf(panel, key)];
		pen.line(key, () =>
			row(
				pen,
				() => {
					pen.at(pen.left_pt + indent * INDENT, baseline(pen), SIZE.line, runs);
					if (dv !== null)
						pen.endAt(pen.right_pt, baseline(pen), SIZE.line, [isMicro ? plain(dv) : bold(dv)]);
				},
				// The rule above added sugars starts where they do: they are part of the sugars.
				key === 'addedSugars' ? INDENT * 2 : 0
			)
		);
	};
	for (const each of MACRO_ROWS) draw(each, false);
	pen.rule(SIZE.heavyBar);
	MICRO_ROWS.forEach((each) => draw(each, true));
}

/** A line of text under a hairline that starts `from_pt` in. */
function row(pen: Pen, draw: () => void, from_pt = 0): void {
	pen.rule(SIZE.hairline, pen.left_pt + from_pt);
	draw();
	pen.y_pt += SIZE.line + 2 * LINE_AIR;
}

const baseline = (pen: Pen): number => pen.y_pt + LINE_AIR + SIZE.line * 0.85;

function twoColumns(pen: Pen, { panel }: PanelContent, second: NonNullable<PanelContent['second']>): void {
	const columns = [
		{ heading: 'Per serving', panel },
		{ heading: second.heading, panel: second.panel }
	].map((column, index) => ({
		...column,
		left_pt: pen.right_pt - (2 - index) * COLUMN_WIDTH + COLUMN_AIR,
		right_pt: pen.right_pt - (1 - index) * COLUMN_WIDTH
	}));
	const headingSize = SIZE.small + 1;
	for (const { heading: text, left_pt, right_pt } of columns)
		centred(pen, left_pt, right_pt, pen.y_pt + headingSize, headingSize, [bold(text)]);
	pen.y_pt += headingSize * LEADING;
	pen.line('calories', () => {
		const baseline_pt = pen.y_pt + SIZE.caloriesNumber * 0.8;
		pen.at(pen.left_pt, baseline_pt, SIZE.calories, [bold('Calories')]);
		for (const { panel: each, left_pt, right_pt } of columns)
			centred(pen, left_pt, right_pt, baseline_pt, SIZE.caloriesNumber, [figure(each.calories, 700)]);
		pen.y_pt += SIZE.caloriesNumber;
	});
	pen.rule(SIZE.middleBar);
	const linesTop_pt = pen.y_pt;
	row(pen, () => {
		for (const { right_pt } of columns)
			pen.endAt(right_pt - COLUMN_AIR, baseline(pen), headingSize, [bold('% DV*')]);
	});
	const draw = ({ key, label, indent }: PanelRow, isMicro: boolean) =>
		pen.line(key, () =>
			row(pen, () => {
				pen.at(pen.left_pt + indent * INDENT, baseline(pen), SIZE.line, label);
				for (const { panel: each, left_pt, right_pt } of columns) {
					const { amount, dv } = each[key];
					pen.at(left_pt, baseline(pen), SIZE.line, [figure(amount)]);
					const run: Run | null = dv === null ? null : isMicro ? plain(dv) : bold(dv);
					if (run) pen.endAt(right_pt - COLUMN_AIR, baseline(pen), SIZE.line, [run]);
				}
			})
		);
	for (const each of MACRO_ROWS) draw(each, false);
	pen.rule(SIZE.heavyBar);
	for (const each of MICRO_ROWS) draw(each, true);
	for (const { left_pt } of columns) pen.upright(left_pt - COLUMN_AIR, linesTop_pt, SIZE.hairline);
}

function centred(
	pen: Pen,
	left_pt: number,
	right_pt: number,
	baseline_pt: number,
	size_pt: number,
	runs: Run[]
): void {
	pen.at((left_pt + right_pt - runsWidth_pt(runs, size_pt)) / 2, baseline_pt, size_pt, runs);
}
