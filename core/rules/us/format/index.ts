import type { Drawing } from '../../../drawing/shapes.ts';
import type { PanelContent } from './content.ts';
import { linearPanel } from './linear.ts';
import { tabularPanel } from './tabular.ts';
import { verticalPanel } from './vertical.ts';

export const US_FORMATS = ['vertical', 'tabular', 'linear'] as const;
export type UsFormat = (typeof US_FORMATS)[number];

const CM2_PER_SQUARE_INCH = 6.4516;
/** Below this room for labels the small formats may be used (21 CFR 101.9(j)(13)(ii)(A)). */
export const SMALL_PACK_CM2 = 40 * CM2_PER_SQUARE_INCH;

/**
 * The formats a pack may use with `room_cm2` of surface to label. The small ones carry one column
 * alone, so a panel with two takes the vertical one whatever the size.
 */
export function allowedFormats(room_cm2: number, content: Pick<PanelContent, 'second'>): UsFormat[] {
	if (room_cm2 >= SMALL_PACK_CM2 || content.second) return ['vertical'];
	return [...US_FORMATS];
}

/** What keeps a panel from being drawn in a format on a pack with this much room (21 CFR 101.9(j)(13)). */
export function usFormatProblem(
	panel: Pick<PanelContent, 'second'>,
	format: UsFormat,
	{ room_cm2, isMeasured }: { room_cm2: number; isMeasured: boolean }
): { message: string; field: 'format' | 'packArea_cm2' } | null {
	if (!allowedFormats(room_cm2, panel).includes(format))
		return {
			message: panel.second
				? `the ${format} panel cannot carry the second column that is asked for: take the vertical one`
				: `the ${format} panel is for packs with less than ${Math.floor(SMALL_PACK_CM2)} cm² to label, and this one has ${Math.round(room_cm2)} cm²`,
			field: 'format'
		};
	if (format !== 'vertical' && !isMeasured)
		return {
			message: `the ${format} panel is for small packs: say how much of the pack a label could take up`,
			field: 'packArea_cm2'
		};
	return null;
}

/** The panel drawn in a format; the linear one as wide as `width_pt`. */
export function drawUsPanel(content: PanelContent, format: UsFormat, width_pt?: number): Drawing {
	if (format === 'tabular') return tabularPanel(content);
	if (format === 'linear') return linearPanel(content, width_pt);
	return verticalPanel(content);
}
