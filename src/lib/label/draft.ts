import type { DateKind, LabelDesign } from '$core/label/content.ts';
import type { RulesName } from '$core/formula/types.ts';
import { US_FORMATS, type UsFormat } from '$core/rules/us/format/index.ts';
import { SHEETS } from '$core/label/sheets.ts';
import { readCount, readGrams, readNumber } from '$core/measure/reading.ts';
import { shownGrams } from '../formula/draft.ts';

/** A label's design as it is typed. */
export interface LabelDraft {
	/** The product and the rule set. */
	id: string;
	version: number;
	name: string;
	declared: string;
	wording: Record<string, string>;
	storage: string;
	finishing: string;
	maker: string;
	address: string;
	localSentence: string;
	food: string;
	leavePanelOut: boolean;
	packArea: string;
	/** Of the front of the pack, mm. */
	faceWidth: string;
	faceHeight: string;
	barcode: string;
	bestBeforeDays: string;
	dateKind: DateKind | null;
	defrosted: boolean | null;
	shelfLifeTest: string;
	price: string;
	width: string;
	height: string;
	format: UsFormat;
}

/** Tells the labels of a product under each rule set apart. */
export const draftId = (productId: string, rules: RulesName): string => `${productId}-${rules}`;

/** The draft of a saved design. */
export function labelDraft(id: string, version: number, design: LabelDesign): LabelDraft {
	const { declared_g, bestBeforeDays, size, wording, packArea_cm2, face_mm, ...words } = design;
	return {
		id,
		version,
		...words,
		wording: { ...wording },
		declared: shownGrams(declared_g),
		packArea: packArea_cm2 === null ? '' : String(packArea_cm2),
		faceWidth: face_mm === null ? '' : String(face_mm.width_mm),
		faceHeight: face_mm === null ? '' : String(face_mm.height_mm),
		bestBeforeDays: bestBeforeDays === null ? '' : String(bestBeforeDays),
		width: String(size.width_mm),
		height: String(size.height_mm)
	};
}

/** Narrower or lower than this a label says nothing; what is being typed is not taken before. */
const LEAST_MM = 20;

/** The design a draft stands for while it is typed; what cannot be read yet stays as it was saved. */
export function typedDesign(draft: LabelDraft, saved: LabelDesign): LabelDesign {
	const {
		declared,
		bestBeforeDays,
		width,
		height,
		packArea,
		faceWidth,
		faceHeight,
		id: _id,
		version: _version,
		...words
	} = draft;
	const [faceWide, faceHigh] = [readNumber(faceWidth), readNumber(faceHeight)];
	const [area, grams, days] = [readNumber(packArea), readGrams(declared), readCount(bestBeforeDays)];
	const side_mm = (typed: string, saved_mm: number) => {
		const read = readNumber(typed);
		return read.ok && read.value >= LEAST_MM ? read.value : saved_mm;
	};
	return {
		...words,
		barcode: words.barcode.replace(/[\s-]/g, ''),
		packArea_cm2: packArea.trim() === '' ? null : area.ok ? area.value : saved.packArea_cm2,
		face_mm:
			faceWide.ok && faceHigh.ok && faceWide.value > 0 && faceHigh.value > 0
				? { width_mm: faceWide.value, height_mm: faceHigh.value }
				: null,
		declared_g: declared.trim() === '' ? null : grams.ok ? Math.floor(grams.value) : saved.declared_g,
		bestBeforeDays: bestBeforeDays.trim() === '' ? null : days.ok ? days.value : saved.bestBeforeDays,
		size: {
			width_mm: side_mm(width, saved.size.width_mm),
			height_mm: side_mm(height, saved.size.height_mm)
		}
	};
}

export const FORMAT_WORDS: Record<UsFormat, string> = {
	vertical: 'standard, upright',
	tabular: 'tabular, for small packs',
	linear: 'linear, for the smallest'
};
export const FORMAT_OPTIONS = US_FORMATS.map((value) => ({ value, text: FORMAT_WORDS[value] }));

/** Sizes of the sheets, and a free one, for choosing. */
export const SIZE_OPTIONS = [
	...SHEETS.map(({ name, label }) => ({ value: `${label.width_mm}x${label.height_mm}`, text: name })),
	{ value: '101.6x152.4', text: 'Roll, 101.6 × 152.4 mm' },
	{ value: '', text: 'another size' }
];
