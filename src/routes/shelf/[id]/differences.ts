import type { IngredientDraft } from '$lib/shelf/ingredient-draft.ts';

/** What two drafts of an ingredient say differently, in words. */
export function ingredientDifferences(
	yours: IngredientDraft,
	theirs: IngredientDraft
): { what: string; yours: string; theirs: string }[] {
	const flat = (draft: IngredientDraft): Record<string, string> => ({
		name: draft.name,
		kind: draft.kind,
		'label (US)': draft.labelUs,
		'label (EU, UK)': draft.labelEu,
		parts: draft.parts,
		allergens: draft.allergens.join(', '),
		'highly refined': draft.refined.join(', '),
		'may contain': draft.mayContain.join(', '),
		confirmed: draft.confirmed ? 'yes' : 'no',
		evidence: draft.evidence,
		source: `${draft.source} ${draft.sourceNote} ${draft.sourceOn}`.trim(),
		'pack label': Object.entries(draft.label.printed)
			.map(([key, value]) => `${key} ${value}`)
			.join(', '),
		'lines of the mix': (draft.mix ?? []).map((line) => line.grams).join(' + '),
		'one jar': draft.portion,
		...draft.per100g
	});
	const [mine, other] = [flat(yours), flat(theirs)];
	return Object.keys(mine)
		.filter((key) => mine[key] !== other[key])
		.map((what) => ({ what, yours: mine[what] ?? '', theirs: other[what] ?? '' }));
}
