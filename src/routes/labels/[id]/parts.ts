import { partOfField, type LabelPartName } from '$core/label/parts.ts';
import type { LabelDesign } from '$core/label/content.ts';
import type { LabelDraft } from '$lib/label/draft.ts';

/** Each part of the bag as it is called where it is changed: in words no field of it is called by, to be told apart by ear. */
export const PART_WORDS: Record<LabelPartName, string> = {
	name: 'The title',
	list: 'What is in it',
	contact: 'What may have come along',
	keeping: 'Keeping and finishing',
	sentence: 'What your authority asks',
	maker: 'Who makes it',
	date: 'The date',
	barcode: 'Price and barcode',
	panel: 'The panel',
	quantity: 'How much it holds',
	pack: 'Size and pack'
};

/** What is typed apart from what it says of the design. */
const FIELD_OF: Partial<Record<keyof LabelDraft, keyof LabelDesign>> = {
	declared: 'declared_g',
	packArea: 'packArea_cm2',
	faceWidth: 'face_mm',
	faceHeight: 'face_mm',
	width: 'size',
	height: 'size'
};

/** The part in which what was refused is typed; null where it is about all of it. */
export function partOfPath(path: string): LabelPartName | null {
	const [typed = ''] = path.split('.');
	if (typed === '' || typed === 'version') return null;
	return partOfField(FIELD_OF[typed as keyof LabelDraft] ?? (typed as keyof LabelDesign));
}
