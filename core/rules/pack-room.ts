/** The front of a pack: the side it is shown by, and its largest. */
export interface PackFace {
	width_mm: number;
	height_mm: number;
}

/** What a pack offers a label. */
export interface PackRoom {
	/** Surface that a label could take up. */
	room_cm2: number;
	/** Whether somebody said so; else it is the label's own. */
	isMeasured: boolean;
	/** Null while nobody said how large it is. */
	face: PackFace | null;
}

const MM2_PER_CM2 = 100;

export const area_cm2 = ({ width_mm, height_mm }: PackFace): number => (width_mm * height_mm) / MM2_PER_CM2;
