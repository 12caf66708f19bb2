/** Paper that labels are printed on: sheets of several, by their dimensions in millimetres, or a roll. */
export interface Sheet {
	id: string;
	/** By dimensions, for choosing. */
	name: string;
	page: { width_mm: number; height_mm: number };
	label: { width_mm: number; height_mm: number };
	columns: number;
	rows: number;
	/** From the page's edge to the first label. */
	left_mm: number;
	top_mm: number;
	/** Between labels. */
	gapX_mm: number;
	gapY_mm: number;
}

function centred(
	id: string,
	paper: string,
	page: Sheet['page'],
	label: Sheet['label'],
	columns: number,
	rows: number,
	gaps: { x?: number; y?: number } = {}
): Sheet {
	const [gapX_mm, gapY_mm] = [gaps.x ?? 0, gaps.y ?? 0];
	return {
		id,
		name: `${paper}, ${columns * rows} of ${label.width_mm} × ${label.height_mm} mm`,
		page,
		label,
		columns,
		rows,
		left_mm: (page.width_mm - columns * label.width_mm - (columns - 1) * gapX_mm) / 2,
		top_mm: (page.height_mm - rows * label.height_mm - (rows - 1) * gapY_mm) / 2,
		gapX_mm,
		gapY_mm
	};
}

const LETTER = { width_mm: 215.9, height_mm: 279.4 };
const LETTER_ACROSS = { width_mm: 279.4, height_mm: 215.9 };
const A4 = { width_mm: 210, height_mm: 297 };

/** Sheets by their dimensions. */
export const SHEETS: readonly Sheet[] = [
	centred('letter-2', 'Letter across', LETTER_ACROSS, { width_mm: 127, height_mm: 190.5 }, 2, 1, { x: 6 }),
	centred('letter-4', 'Letter', LETTER, { width_mm: 101.6, height_mm: 127 }, 2, 2, { x: 4 }),
	centred('letter-6', 'Letter', LETTER, { width_mm: 101.6, height_mm: 84.6 }, 2, 3, { x: 4 }),
	centred('a4-4', 'A4', A4, { width_mm: 99, height_mm: 139 }, 2, 2, { x: 2.5 }),
	centred('a4-8', 'A4', A4, { width_mm: 99, height_mm: 67.7 }, 2, 4, { x: 2.5 })
];

/** A roll: each label a page of its own size. */
export const ROLL = 'roll';

/** Sheets that a label of this size fits on, place by place. */
export function sheetsFor(size: { width_mm: number; height_mm: number }): Sheet[] {
	return SHEETS.filter(({ label }) => label.width_mm === size.width_mm && label.height_mm === size.height_mm);
}

/** Where each copy goes: its page and the top left of its place, from place `start` (1 is the first). */
export function places(
	sheet: Sheet,
	start: number,
	copies: number
): { page: number; x_mm: number; y_mm: number }[] {
	const perPage = sheet.columns * sheet.rows;
	return Array.from({ length: copies }, (_, index) => {
		const place = start - 1 + index;
		const onPage = place % perPage;
		return {
			page: Math.floor(place / perPage),
			x_mm: sheet.left_mm + (onPage % sheet.columns) * (sheet.label.width_mm + sheet.gapX_mm),
			y_mm: sheet.top_mm + Math.floor(onPage / sheet.columns) * (sheet.label.height_mm + sheet.gapY_mm)
		};
	});
}
