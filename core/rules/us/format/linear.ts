import { bold, figure, Pen, plain } from '../../../drawing/pen.ts';
import type { Drawing, Run } from '../../../drawing/shapes.ts';
import { MACRO_ROWS, MICRO_ROWS, type PanelContent } from './content.ts';
import { SIZE } from './vertical.ts';

const MARGIN = 3;
/** Above the least of 6 points, for eyes. */
const LINE = 6.5;
export const LINEAR_WIDTH_PT = 250;

/**
 * The linear format for packs so small that the tabular one does not fit (21 CFR 101.9(j)(13)(ii)(A)(2)),
 * as wide as there is room.
 */
export function linearPanel(content: PanelContent, width_pt: number = LINEAR_WIDTH_PT): Drawing {
	const edge_pt = SIZE.frame + MARGIN;
	const pen = new Pen(edge_pt, width_pt - edge_pt, SIZE.frame + MARGIN / 2);
	pen.line('linear', () => pen.paragraph(LINE, linearRuns(content)));
	return pen.framed(SIZE.frame, MARGIN);
}

/** The panel in one sentence, as the linear format prints it. */
export function linearRuns({ serving, panel }: PanelContent): Run[] {
	const servings = serving.perContainer ? [bold('Servings: '), plain(`${serving.perContainer}, `)] : [];
	const lines = [...MACRO_ROWS, ...MICRO_ROWS].flatMap(({ key, short, indent }) => {
		const { amount, dv } = panel[key];
		const name = indent === 0 && MACRO_ROWS.some((row) => row.key === key) ? bold(short) : plain(short);
		const percent = dv === null ? '' : ` (${dv} DV)`;
		if (key === 'addedSugars')
			return [plain(' (Incl. '), figure(amount), plain(` Added Sugars${dv === null ? '' : `, ${dv} DV`})`)];
		return [plain(', '), name, plain(' '), figure(amount), plain(percent)];
	});
	return [
		bold('Nutrition Facts  '),
		...servings,
		bold('Serv. size: '),
		plain(`${serving.text}, Amount per serving: `),
		bold('Calories '),
		figure(panel.calories, 700),
		...lines,
		plain('.')
	];
}

/** The panel as plain text: what a screen reader says of the drawing. */
export function panelText(content: PanelContent): string {
	return linearRuns(content)
		.map((run) => run.text)
		.join('');
}
