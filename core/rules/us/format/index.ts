import { PT_PER_MM, type Drawing } from '../../../drawing/shapes.ts';
import { settled } from '../../../measure/round.ts';
import type { PackFace, PackRoom } from '../../pack-room.ts';
import type { PanelContent } from './content.ts';
import { linearPanel } from './linear.ts';
import { tabularPanel } from './tabular.ts';
import { verticalPanel } from './vertical.ts';

export const US_FORMATS = ['vertical', 'tabular', 'linear'] as const;
export type UsFormat = (typeof US_FORMATS)[number];

const CM2_PER_SQUARE_INCH = 6.4516;
/** Up to this room for labels, itself included, the small formats may be used (21 CFR 101.9(j)(13)(ii)(A)). */
export const SMALL_PACK_CM2 = 40 * CM2_PER_SQUARE_INCH;
/** Below it the tabular one may be used freely, and the panel be left out (21 CFR 101.9(j)(13)(i)). */
export const SMALLEST_PACK_CM2 = 12 * CM2_PER_SQUARE_INCH;

/** Whether a panel is of a small pack: it needs no second column there (21 CFR 101.9(b)(12)(i)(A)). */
export const isSmallFormat = (format: UsFormat): boolean => format !== 'vertical';

/** Whether a drawing goes on the front of a pack. */
function fits(drawing: Drawing, { width_mm, height_mm }: PackFace): boolean {
	return drawing.width_pt <= width_mm * PT_PER_MM && drawing.height_pt <= height_mm * PT_PER_MM;
}

/**
 * What keeps a panel from being drawn in a format on a pack (21 CFR 101.9(j)(13)(ii)(A)): the tabular one is for packs with
 * 40 square inches to label or less, from 12 on only where the upright one fits on no side; the linear one only where the
 * tabular one does not fit either.
 */
export function usFormatProblem(
	panel: PanelContent,
	format: UsFormat,
	{ room_cm2, isMeasured, face }: PackRoom
): { message: string; field: 'format' | 'packArea_cm2' | 'face_mm' } | null {
	if (format === 'vertical') return null;
	if (settled(room_cm2) > settled(SMALL_PACK_CM2))
		return {
			message: `the ${format} panel is for packs with ${Math.floor(SMALL_PACK_CM2)} cm² to label or less, and this one has ${Math.round(room_cm2)} cm²`,
			field: 'format'
		};
	if (!isMeasured)
		return {
			message: `the ${format} panel is for small packs: say how much of the pack a label could take up`,
			field: 'packArea_cm2'
		};
	if (!face)
		return {
			message: `the ${format} panel is for packs no other fits on: say how large the front is`,
			field: 'face_mm'
		};
	const upright = { ...panel, second: null };
	if (settled(room_cm2) >= settled(SMALLEST_PACK_CM2) && fits(verticalPanel(upright), face))
		return {
			message: `the upright panel fits on the front of this pack: the ${format} one is for packs where it does not`,
			field: 'format'
		};
	if (format === 'linear' && fits(tabularPanel(upright), face))
		return {
			message:
				'the tabular panel fits on the front of this pack: the linear one is for packs where it does not',
			field: 'format'
		};
	return null;
}

/** The panel drawn in a format; the linear one as wide as `width_pt`. */
export function drawUsPanel(content: PanelContent, format: UsFormat, width_pt?: number): Drawing {
	if (format === 'tabular') return tabularPanel(content);
	if (format === 'linear') return linearPanel(content, width_pt);
	return verticalPanel(content);
}
