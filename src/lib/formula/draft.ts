import type { WeighedDisc } from '$core/formula/piece.ts';
import type { Choices, Step, StepKind } from '$core/formula/process.ts';
import { CATEGORIES, type Category, type MixGap, type Use } from '$core/formula/types.ts';
import type { Product } from './product.ts';

/** A line as it is typed. `grams` of a surface material is what is used up. */
export interface LineDraft {
	/** Tells lines apart while they move. */
	key: string;
	/** As it was said: `2 ¼ cups bread flour`. */
	said: string;
	ingredient: string;
	use: Use;
	stage: string;
	grams: string;
	/** What stays on the pieces; empty takes the default of its use. */
	uptake: string;
	/** The most that may go in, where some is kept back. */
	most: string;
	note: string;
	/** Range of what was said. */
	low_g: number | null;
	high_g: number | null;
	/** No amount is named: the batch weighs it. */
	toWeigh: boolean;
}

export interface StepDraft {
	key: string;
	kind: StepKind;
	text: string;
	low: string;
	high: string;
	temperature: string;
	cue: string;
}

export interface ProductDraft {
	pieceOne: string;
	pieceMany: string;
	category: Category;
	ballWeight: string;
	packPieces: string;
	/** '' leaves it to the rule's default. */
	servingPieces: string;
	price: string;
	materials: { name: string; cost: string }[];
	diameter: string;
	thickness: string;
	discs: { diameter: string; thickness: string; weight: string }[];
}

/** A formula and one product of it as they are typed. */
export interface FormulaDraft {
	id: string;
	version: number;
	name: string;
	mixGap: MixGap;
	family: string;
	choices: Choices;
	lines: LineDraft[];
	steps: StepDraft[];
	productId: string | null;
	product: ProductDraft;
}

/** What a use means, for where a line has no stage of its own. */
export const USE_WORDS: Record<Use, string> = {
	dough: 'in the dough',
	dusting: 'on the board',
	layering: 'between layers',
	brushing: 'brushed on',
	bowl: 'in the bowl',
	griddle: 'on the griddle',
	garnish: 'on top'
};

export const CATEGORY_WORDS: Record<Category, string> = {
	flatbread: 'flatbread, pita, roti (50 g)',
	tortilla: 'soft tortilla (55 g)',
	'taco-shell': 'hard taco shell (30 g)'
};

export const CATEGORY_OPTIONS = [...CATEGORIES]
	.sort((a, b) => (a === 'flatbread' ? -1 : b === 'flatbread' ? 1 : 0))
	.map((value) => ({ value, text: CATEGORY_WORDS[value] }));

/** Grams as a field shows them: to the thousandth, without idle zeros. */
export const shownGrams = (grams: number | null | undefined): string =>
	grams === null || grams === undefined ? '' : String(Math.round(grams * 1000) / 1000);

let keys = 0;
/** A key no other row of the page has. */
export const freshKey = (): string => `row-${Date.now().toString(36)}-${++keys}`;

/** The draft of a step. */
export function stepDraft(step: Step): StepDraft {
	const shown = (value: number | null) => (value === null ? '' : String(value));
	return {
		key: freshKey(),
		kind: step.kind,
		text: step.text,
		low: shown(step.minutesLow),
		high: shown(step.minutesHigh),
		temperature: shown(step.temperature_c),
		cue: step.cue
	};
}

/** A step that only says what is done. */
export const saidStep = (text = ''): StepDraft => ({
	key: freshKey(),
	kind: 'other',
	text,
	low: '',
	high: '',
	temperature: '',
	cue: ''
});

/** The draft of a product; of none, an empty one. */
export function productDraft(product: Product | undefined): ProductDraft {
	return {
		pieceOne: product?.pieceOne ?? '',
		pieceMany: product?.pieceMany ?? '',
		category: product?.category ?? 'flatbread',
		ballWeight: shownGrams(product?.ballWeight_g),
		packPieces: product ? String(product.packPieces) : '',
		servingPieces: product?.servingPieces ? String(product.servingPieces) : '',
		price: product?.price ?? '',
		materials: product?.materials.map((material) => ({ ...material })) ?? [],
		diameter: shownGrams(product?.diameter_cm),
		thickness: shownGrams(product?.thickness_mm),
		discs: product?.discs.map(discDraft) ?? []
	};
}

const discDraft = (disc: WeighedDisc) => ({
	diameter: String(disc.diameter_cm),
	thickness: String(disc.thickness_mm),
	weight: String(disc.weight_g)
});

/** An empty line for the end of a stage. */
export function emptyLine(stage: string): LineDraft {
	return {
		key: freshKey(),
		said: '',
		ingredient: '',
		use: 'dough',
		stage,
		grams: '',
		uptake: '',
		most: '',
		note: '',
		low_g: null,
		high_g: null,
		toWeigh: false
	};
}

/** An empty draft with the id and name the formula has. */
export function newFormulaDraft(id: string, name: string): FormulaDraft {
	return {
		id,
		version: 1,
		name,
		mixGap: 'residue',
		family: '',
		choices: {},
		lines: [emptyLine('Dry')],
		steps: [],
		productId: null,
		product: productDraft(undefined)
	};
}

/** Whether nothing was entered in a line: it is left out without a word. */
export function isBlank(line: LineDraft): boolean {
	return (
		line.ingredient === '' && line.said.trim() === '' && line.grams.trim() === '' && line.uptake.trim() === ''
	);
}

/** A draft by what it says alone, for telling whether two say the same. */
export const plainDraft = (draft: FormulaDraft): string =>
	JSON.stringify({
		...draft,
		version: 0,
		lines: draft.lines.filter((line) => !isBlank(line)).map(({ key: _key, ...line }) => line),
		steps: draft.steps.map(({ key: _key, ...step }) => step)
	});
