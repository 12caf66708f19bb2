import { COMPOSITION_KEYS, type CompositionKey } from '$core/composition/nutrients.ts';
import type { Kind } from '$core/composition/kinds.ts';
import { partsText } from '$core/formula/parts.ts';
import { freshKey, shownGrams } from '../formula/draft.ts';
import type { StoredComposition } from './composition.ts';
import type { ShelfIngredient } from './ingredient.ts';

/** How a pack's label gives its figures: per serving on a US panel, per 100 g in an EU or UK table. */
export type LabelKind = '' | 'us' | 'eu';

/** An ingredient as it is typed. */
export interface IngredientDraft {
	id: string;
	version: number;
	name: string;
	kind: Kind;
	labelUs: string;
	labelEu: string;
	parts: string;
	allergens: string[];
	/** Which of these come from a highly refined oil. */
	refined: string[];
	/** What its pack says it may contain. */
	mayContain: string[];
	confirmed: boolean;
	evidence: string;
	per100g: Record<CompositionKey, string>;
	source: StoredComposition['source'];
	sourceNote: string;
	sourceOn: string;
	/** Expanded uncertainty of a laboratory's values, percent. */
	uncertainty: string;
	/** A pack label typed as printed; without a kind the values are typed per 100 g. */
	label: { kind: LabelKind; serving: string; printed: Record<string, string> };
	/** Lines of a mix of one's own; null for what is bought. */
	mix: { key: string; ingredient: string; grams: string }[] | null;
	portion: string;
}

const compositionDraft = (value: (key: CompositionKey) => number | null | undefined) =>
	Object.fromEntries(COMPOSITION_KEYS.map((key) => [key, String(value(key) ?? '')])) as Record<
		CompositionKey,
		string
	>;

function labelDraft(composition: StoredComposition): IngredientDraft['label'] {
	const { printed, serving_g } = composition;
	if (!printed) return { kind: '', serving: '', printed: {} };
	return {
		kind: serving_g === null ? 'eu' : 'us',
		serving: shownGrams(serving_g),
		printed: { ...printed }
	};
}

/** The draft of an ingredient already on the shelf. */
export function ingredientDraft(ingredient: ShelfIngredient): IngredientDraft {
	return {
		id: ingredient.id,
		version: ingredient.version,
		name: ingredient.name,
		kind: ingredient.kind,
		labelUs: ingredient.labelUs,
		labelEu: ingredient.labelEu,
		parts: partsText(ingredient.parts),
		allergens: [...ingredient.allergens],
		refined: [...ingredient.refined],
		mayContain: [...ingredient.mayContain],
		confirmed: ingredient.confirmedOn !== null,
		evidence: ingredient.evidence,
		per100g: compositionDraft((key) => ingredient.composition.per100g[key]),
		source: ingredient.composition.source,
		sourceNote: ingredient.composition.sourceNote,
		sourceOn: ingredient.composition.sourceOn ?? '',
		uncertainty: String(ingredient.composition.uncertainty_percent ?? ''),
		label: labelDraft(ingredient.composition),
		mix:
			ingredient.mix?.map((line) => ({
				key: freshKey(),
				ingredient: line.ingredient,
				grams: shownGrams(line.grams)
			})) ?? null,
		portion: shownGrams(ingredient.portion_g)
	};
}

/** An empty draft with the id the ingredient will have; a mix begins with one line. */
export function newIngredientDraft(id: string, isMix: boolean): IngredientDraft {
	return {
		id,
		version: 1,
		name: '',
		kind: isMix ? 'compound' : 'flour',
		labelUs: '',
		labelEu: '',
		parts: '',
		allergens: [],
		refined: [],
		mayContain: [],
		confirmed: false,
		evidence: '',
		per100g: compositionDraft(() => null),
		source: isMix ? 'mix' : 'pack',
		sourceNote: '',
		sourceOn: '',
		uncertainty: '',
		label: { kind: '', serving: '', printed: {} },
		mix: isMix ? [{ key: freshKey(), ingredient: '', grams: '' }] : null,
		portion: ''
	};
}
