import { ROLL, SHEETS } from '$core/label/sheets.ts';
import type { LabelRevision } from '../../label/types.ts';
import { refuse } from '../errors.ts';
import type { PrintedOn } from '../print/pdf.ts';

/** What labels of a revision are to be drawn on. Refuses a sheet of another size, or a place it has not. */
export function placeOf(
	{ content: { size } }: Pick<LabelRevision, 'content'>,
	{ on, start }: { on: string; start: number }
): PrintedOn {
	const sheet = SHEETS.find((each) => each.id === on);
	if (!sheet) return ROLL;
	if (sheet.label.width_mm !== size.width_mm || sheet.label.height_mm !== size.height_mm)
		refuse('', 'this label has another size than the places of the sheet');
	if (start > sheet.columns * sheet.rows)
		refuse('start', `the sheet has ${sheet.columns * sheet.rows} places`);
	return { sheet, start };
}
