import { bold, LEADING, Pen, plain, waiting } from '../drawing/pen.ts';
import { PT_PER_MM, type Drawing, type Run, type Shape } from '../drawing/shapes.ts';
import { runsWidth_pt, wrapRuns } from '../drawing/text.ts';
import { capitals_pt } from '../drawing/type-size.ts';
import { emphasisRuns } from '../drawing/emphasis.ts';
import { drawEuTable } from '../rules/eu/format.ts';
import { rulesOf } from '../rules/index.ts';
import { area_cm2 } from '../rules/pack-room.ts';
import { drawUsPanel } from '../rules/us/format/index.ts';
import { drawBarcode } from './barcode.ts';
import type { LabelContent } from './content.ts';
import type { LabelPartName, Missing } from './parts.ts';

/** What a batch adds to a label. */
export interface BatchMarks {
	code: string;
	/** Such as `Best before 12 Dec 2026`; empty prints none. */
	bestBefore: string;
}

/** A label drawn at its true size, and what is wrong with it. */
export interface LaidOut {
	drawing: Drawing;
	/** Each thing that does not fit, in words. */
	problems: string[];
	/** Where each part stands, for pressing it. */
	parts: LabelPart[];
}

/** A part of a drawn label, or what is missing of one in its place. */
export interface LabelPart {
	part: LabelPartName;
	/** What is missing, in words; null where the part itself stands there. */
	missing: string | null;
	x_pt: number;
	y_pt: number;
	width_pt: number;
	height_pt: number;
}

const MARGIN_PT = 3 * PT_PER_MM;
const GAP_PT = 3 * PT_PER_MM;
const NAME_PT = 17;
const BETWEEN_PT = 4;
/** Narrower than this a column of words is not read. */
const LEAST_COLUMN_PT = 36 * PT_PER_MM;
/** Rounded up, so that the least size is met and not approached. */
const upward = (size_pt: number): number => Math.ceil(size_pt * 10) / 10;

/** Around the words of what is missing. */
const DASHED_PT = 4;

/**
 * The label drawn: words at the left and the panel at the right where there is room for both, else the
 * panel below; the net quantity at the foot. `declared_g` sets the least size of the net quantity. What is `missing`
 * is drawn in the place of the part it is missing from, for the screen alone.
 */
export function layoutLabel(
	content: LabelContent,
	declared_g: number,
	marks: BatchMarks,
	missing: Missing = {}
): LaidOut {
	const { size } = content;
	const rules = rulesOf(content.rules);
	const [width_pt, height_pt] = [size.width_mm * PT_PER_MM, size.height_mm * PT_PER_MM];
	const face_cm2 = area_cm2(content.face_mm ?? size);
	const inner_pt = width_pt - 2 * MARGIN_PT;
	const panel = panelDrawing(content, inner_pt);
	const beside = panel !== null && inner_pt - panel.width_pt - GAP_PT >= LEAST_COLUMN_PT;
	const right_pt = beside ? width_pt - MARGIN_PT - panel.width_pt - GAP_PT : width_pt - MARGIN_PT;
	const pen = new Pen(MARGIN_PT, right_pt, MARGIN_PT);
	const problems: string[] = [];

	const text_pt = upward(rules.leastTextSize_pt(face_cm2));
	const parts: LabelPart[] = [];
	/** Draws what is missing of a part, each in a box of its own, from where the pen is. */
	const leave = (part: LabelPartName) => {
		for (const words of missing[part] ?? []) {
			pen.y_pt += BETWEEN_PT;
			const top_pt = pen.y_pt;
			pen.y_pt += DASHED_PT;
			pen.paragraph(text_pt, [waiting(words)], MARGIN_PT + DASHED_PT, right_pt - DASHED_PT);
			pen.y_pt += DASHED_PT;
			parts.push({ part, missing: words, ...across(top_pt, pen.y_pt) });
		}
	};
	const leftHeight_pt = (part: LabelPartName) =>
		(missing[part] ?? []).reduce((sum_pt, words) => {
			const lines = wrapRuns([waiting(words)], text_pt, right_pt - MARGIN_PT - 2 * DASHED_PT);
			return sum_pt + BETWEEN_PT + 2 * DASHED_PT + lines.length * text_pt * LEADING;
		}, 0);
	const across = (top_pt: number, bottom_pt: number) => ({
		x_pt: MARGIN_PT,
		y_pt: top_pt,
		width_pt: right_pt - MARGIN_PT,
		height_pt: bottom_pt - top_pt
	});
	/** Draws a part where the pen is, and remembers where that was. */
	const part = (name: LabelPartName, draw: () => void) => {
		const top_pt = pen.y_pt;
		draw();
		if (pen.y_pt > top_pt) parts.push({ part: name, missing: null, ...across(top_pt, pen.y_pt) });
		leave(name);
	};

	part('name', () => {
		if (content.name.trim() !== '' || !missing.name)
			pen.paragraph(NAME_PT, [said(content.name, 'the name waits')]);
	});
	const say = (runs: Run[], size_pt = text_pt) => {
		if (runs.every((run) => run.text.trim() === '')) return;
		pen.y_pt += BETWEEN_PT;
		pen.paragraph(size_pt, runs);
	};
	part('list', () => {
		if (content.statement) say([bold('Ingredients: '), ...emphasisRuns(content.statement)]);
	});
	part('contact', () => {
		if (content.declaration) say([bold(content.declaration)]);
		if (content.mayContain) say(rules.mayContainRuns(content.mayContain));
	});
	say([plain(content.pieces ?? '')]);
	part('keeping', () => {
		say([plain(content.storage)]);
		say([plain(content.finishing)]);
	});
	part('sentence', () => say([plain(content.localSentence)], Math.max(text_pt, content.localLeast_pt ?? 0)));
	part('maker', () =>
		say([
			said(
				[content.maker, content.address].filter(Boolean).join(', '),
				missing.maker ? '' : 'the maker and address wait',
				plain
			)
		])
	);
	part('date', () =>
		say([plain([marks.bestBefore, marks.code && `Batch\u00a0${marks.code}`].filter(Boolean).join('   '))])
	);
	part('barcode', () => {
		if (!content.barcode) return;
		const drawn = drawBarcode(content.barcode, MARGIN_PT, pen.y_pt + BETWEEN_PT, right_pt - MARGIN_PT);
		pen.shapes.push(...drawn.shapes);
		pen.y_pt += BETWEEN_PT + drawn.height_pt;
		if (drawn.width_pt > right_pt - MARGIN_PT + 0.01)
			problems.push(
				`the barcode is ${mm(drawn.width_pt - right_pt + MARGIN_PT)} mm too wide at the least size it may have`
			);
	});
	leave('panel');
	const words_pt = pen.y_pt;

	const footWaits = missing.quantity ? '' : 'net quantity waits';
	const foot = footOf(content, footWaits, declared_g, face_cm2, {
		left_pt: MARGIN_PT,
		right_pt,
		fullRight_pt: width_pt - MARGIN_PT,
		bottom_pt: height_pt - MARGIN_PT,
		panelBottom_pt: beside ? MARGIN_PT + panel.height_pt : 0
	});
	foot.draw(pen);
	if (foot.at.width_pt > 0) parts.push({ part: 'quantity', missing: null, ...foot.at });
	pen.y_pt = Math.max(
		words_pt,
		(content.netQuantity === null ? height_pt - MARGIN_PT : foot.at.y_pt) - leftHeight_pt('quantity')
	);
	leave('quantity');
	problems.push(...foot.problems);

	const shapes: Shape[] = [...pen.shapes];
	const lines: Drawing['lines'] = [];
	let bottom_pt = words_pt;
	if (panel) {
		const [x_pt, y_pt] = beside
			? [width_pt - MARGIN_PT - panel.width_pt, MARGIN_PT]
			: [MARGIN_PT, words_pt + BETWEEN_PT];
		shapes.push(...panel.shapes.map((shape) => moved(shape, x_pt, y_pt)));
		lines.push(
			...panel.lines.map((line) => ({ ...line, y_pt: line.y_pt + y_pt, x_pt, width_pt: panel.width_pt }))
		);
		if (!beside) bottom_pt = y_pt + panel.height_pt;
		if (panel.width_pt > inner_pt + 0.01)
			problems.push(`the panel is ${mm(panel.width_pt - inner_pt)} mm too wide for the label`);
		if (beside && panel.height_pt > height_pt - 2 * MARGIN_PT)
			problems.push(
				`the panel is ${mm(panel.height_pt - height_pt + 2 * MARGIN_PT)} mm too high for the label`
			);
	}
	if (bottom_pt > foot.free_pt)
		problems.push(
			`what the label has to say is ${mm(bottom_pt - foot.free_pt)} mm too high for it: choose a larger size, a smaller panel format or fewer words`
		);
	return { drawing: { width_pt, height_pt, shapes, lines }, problems, parts };
}

/** Words of the design, or that they wait: a label with one that waits is not approved. */
const said = (text: string, waits: string, as = bold): Run =>
	text.trim() === '' ? waiting(waits) : as(text);

/** The room for the foot of a label: as wide as the words beside the panel, as wide as the label below it. */
interface FootRoom {
	left_pt: number;
	right_pt: number;
	fullRight_pt: number;
	bottom_pt: number;
	/** Where a panel beside the words ends; 0 without one. */
	panelBottom_pt: number;
}

/**
 * The net quantity and the price at the foot, in as many lines as it takes. In the US it stands clear of other words by
 * its own height above, and by twice the width of its N beside (21 CFR 101.7(f)).
 */
function footOf(content: LabelContent, waits: string, declared_g: number, face_cm2: number, room: FootRoom) {
	const rules = rulesOf(content.rules);
	const size_pt = upward(rules.leastNetSize_pt(face_cm2, declared_g));
	const price: Run[] = [bold(content.price)];
	const aside_pt = rules.clearsNet ? 2 * runsWidth_pt([bold('N')], size_pt) : BETWEEN_PT;
	const price_pt = content.price ? runsWidth_pt(price, size_pt) + aside_pt : 0;
	const within = (to_pt: number) =>
		wrapRuns([said(content.netQuantity ?? '', waits)], size_pt, to_pt - price_pt - room.left_pt);
	const topOf_pt = (count: number) => room.bottom_pt - count * size_pt * LEADING;
	const whole = within(room.fullRight_pt);
	const isBelow = room.panelBottom_pt <= topOf_pt(whole.length);
	const right_pt = isBelow ? room.fullRight_pt : room.right_pt;
	const netRight_pt = isBelow || content.price ? right_pt : right_pt + GAP_PT - aside_pt;
	const lines = isBelow ? whole : within(netRight_pt);
	const widest_pt = Math.max(...lines.map((line) => runsWidth_pt(line, size_pt)));
	const last_pt = room.bottom_pt - size_pt * 0.25;
	const first_pt = last_pt - (lines.length - 1) * size_pt * LEADING;
	return {
		at: {
			x_pt: room.left_pt,
			y_pt: topOf_pt(lines.length),
			width_pt: widest_pt,
			height_pt: lines.length * size_pt * LEADING
		},
		/** Where what stands above has to end. */
		free_pt: rules.clearsNet ? first_pt - 2 * capitals_pt(size_pt) : topOf_pt(lines.length),
		problems:
			widest_pt + price_pt <= netRight_pt - room.left_pt + 0.01
				? []
				: [
						content.price
							? 'the net quantity and the price do not fit beside each other in the size that is asked for'
							: 'the net quantity does not fit in the size that is asked for'
					],
		draw(pen: Pen) {
			lines.forEach((line, index) =>
				pen.at(room.left_pt, first_pt + index * size_pt * LEADING, size_pt, line)
			);
			if (content.price) pen.endAt(right_pt, last_pt, size_pt, price);
		}
	};
}

/** Millimetres, upward, so that what is said to be missing is enough. */
const mm = (points: number): number => Math.ceil(points / PT_PER_MM);

function panelDrawing(content: LabelContent, inner_pt: number): Drawing | null {
	if (content.panel) return drawUsPanel(content.panel, content.format, inner_pt);
	return content.table ? drawEuTable(content.table) : null;
}

function moved(shape: Shape, x_pt: number, y_pt: number): Shape {
	return shape.kind === 'bar'
		? { ...shape, x_pt: shape.x_pt + x_pt, y_pt: shape.y_pt + y_pt }
		: { ...shape, x_pt: shape.x_pt + x_pt, baseline_pt: shape.baseline_pt + y_pt };
}
