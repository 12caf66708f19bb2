import type { Block } from './blocks.ts';

/** The parts of a label that are changed each by itself, in the order of a bag. */
export const LABEL_PARTS = [
	'name',
	'list',
	'contact',
	'keeping',
	'sentence',
	'maker',
	'date',
	'barcode',
	'panel',
	'quantity',
	'pack'
] as const;

export type LabelPartName = (typeof LABEL_PARTS)[number];

/** Which part says a field of the design, or what is decided elsewhere. */
const PART_OF: Record<Exclude<NonNullable<Block['field']>, `wording.${string}`>, LabelPartName> = {
	name: 'name',
	wording: 'list',
	lines: 'list',
	contact: 'contact',
	storage: 'keeping',
	finishing: 'keeping',
	localSentence: 'sentence',
	food: 'sentence',
	profile: 'sentence',
	maker: 'maker',
	address: 'maker',
	bestBeforeDays: 'date',
	dateKind: 'date',
	defrosted: 'name',
	shelfLifeTest: 'date',
	price: 'barcode',
	barcode: 'barcode',
	weights: 'panel',
	leavePanelOut: 'panel',
	format: 'panel',
	declared_g: 'quantity',
	packArea_cm2: 'pack',
	face_mm: 'pack',
	size: 'pack'
};

/** The part of a label in which a field is changed. */
export function partOfField(field: NonNullable<Block['field']>): LabelPartName {
	return field in PART_OF ? PART_OF[field as keyof typeof PART_OF] : 'list';
}

/** The part of a label that something it waits for is missing from: what an ingredient lacks, from the list. */
export const partOfBlock = ({ field }: Pick<Block, 'field'>): LabelPartName =>
	field === null ? 'list' : partOfField(field);

/** What is missing of a label, in words, by the part it is missing from. */
export type Missing = Partial<Record<LabelPartName, string[]>>;

/** What a label waits for, by the part it is missing from. */
export function missingByPart(blocks: readonly Pick<Block, 'field' | 'message'>[]): Missing {
	const missing: Missing = {};
	for (const block of blocks) (missing[partOfBlock(block)] ??= []).push(block.message);
	return missing;
}
