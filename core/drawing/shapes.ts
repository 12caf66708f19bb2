/** Points in a millimetre: 72 to the inch of 25.4 mm. */
export const PT_PER_MM = 72 / 25.4;

export interface TextStyle {
	weight: 400 | 700;
	italic?: boolean;
	/** Not to be printed yet: an unknown figure, drawn so that it is seen. */
	waits?: boolean;
}

/** A stretch of text in one style. */
export interface Run extends TextStyle {
	text: string;
}

/** A filled bar: every rule of a panel is one. */
export interface Bar {
	kind: 'bar';
	x_pt: number;
	y_pt: number;
	width_pt: number;
	height_pt: number;
}

/** Text from its left end on its baseline. */
export interface Text extends Run {
	kind: 'text';
	x_pt: number;
	baseline_pt: number;
	size_pt: number;
}

export type Shape = Bar | Text;

/** Where the figures of one panel line are, for pointing at it. */
export interface DrawnLine {
	key: string;
	y_pt: number;
	height_pt: number;
	/** Where the panel is no wider than a part of the drawing: its left edge and width. */
	x_pt?: number;
	width_pt?: number;
}

/**
 * What is to be drawn, in points from the top left: the one description that the screen, the PDF and
 * the printer take.
 */
export interface Drawing {
	width_pt: number;
	height_pt: number;
	shapes: Shape[];
	lines: DrawnLine[];
}
