import { bold, figure, LEADING, Pen, plain } from '../../../drawing/pen.ts';
import type { Drawing, Run } from '../../../drawing/shapes.ts';
import { runsWidth_pt } from '../../../drawing/text.ts';
import { MACRO_ROWS, MICRO_ROWS, type PanelContent } from './content.ts';
import { SIZE } from './vertical.ts';

const MARGIN = 3;
/** Above the least of 6 points, for eyes. */
const LINE = 6.5;
/** Least of the servings and the serving size in the small formats (21 CFR 101.9(d)(3)). */
const SERVING = 9;
/** Least of “Calories” and of their number in the small formats (21 CFR 101.9(d)(5)). */
const CALORIES = 10;
const CALORIES_NUMBER = 14;
export const LINEAR_WIDTH_PT = 250;

/**
 * The linear format for packs so small that the tabular one does not fit (21 CFR 101.9(j)(13)(ii)(A)(2)),
 * as wide as there is room.
 */
export function linearPanel(content: PanelContent, width_pt: number = LINEAR_WIDTH_PT): Drawing {
	const edge_pt = SIZE.frame + MARGIN;
	const pen = new Pen(edge_pt, width_pt - edge_pt, SIZE.frame + MARGIN / 2);
	const { head, calories, lines } = partsOf(content);
	pen.line('linear', () => {
		pen.paragraph(SERVING, head);
		const baseline_pt = pen.y_pt + CALORIES_NUMBER * 0.85;
		const [word, number] = calories;
		pen.at(pen.left_pt, baseline_pt, CALORIES, [word]);
		pen.at(pen.left_pt + runsWidth_pt([word], CALORIES), baseline_pt, CALORIES_NUMBER, [number]);
		pen.y_pt += CALORIES_NUMBER * LEADING;
		pen.paragraph(LINE, lines);
	});
	return pen.framed(SIZE.frame, MARGIN);
}

/** What the linear format prints, by the sizes it has. */
function partsOf({ serving, panel }: PanelContent): {
	head: Run[];
	calories: [word: Run, number: Run];
	lines: Run[];
} {
	const servings = serving.perContainer ? [bold('Servings: '), plain(`${serving.perContainer}, `)] : [];
	const lines = [...MACRO_ROWS, ...MICRO_ROWS].flatMap(({ key, short, indent }, index) => {
		const { amount, dv } = panel[key];
		const name = indent === 0 && MACRO_ROWS.some((row) => row.key === key) ? bold(short) : plain(short);
		const percent = dv === null ? '' : ` (${dv} DV)`;
		if (key === 'addedSugars')
			return [plain(' (Incl. '), figure(amount), plain(` Added Sugars${dv === null ? '' : `, ${dv} DV`})`)];
		return [plain(index === 0 ? '' : ', '), name, plain(' '), figure(amount), plain(percent)];
	});
	return {
		head: [
			bold('Nutrition Facts  '),
			...servings,
			bold('Serv. size: '),
			plain(`${serving.text}, Amount per serving:`)
		],
		calories: [bold('Calories '), figure(panel.calories, 700)],
		lines: [...lines, plain('.')]
	};
}

/** The panel in one sentence, as the linear format prints it. */
export function linearRuns(content: PanelContent): Run[] {
	const { head, calories, lines } = partsOf(content);
	return [...head, plain(' '), ...calories, plain(', '), ...lines];
}

/** The panel as plain text: what a screen reader says of the drawing. */
export function panelText(content: PanelContent): string {
	return linearRuns(content)
		.map((run) => run.text)
		.join('');
}
