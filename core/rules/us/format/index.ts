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

/** The panel drawn in a format; the linear one as wide as `width_pt`. */
export function drawUsPanel(content: PanelContent, format: UsFormat, width_pt?: number): Drawing {
	if (format === 'tabular') return tabularPanel(content);
	if (format === 'linear') return linearPanel(content, width_pt);
	return verticalPanel(content);
}
