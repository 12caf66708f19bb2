import type { Ingredient } from '$core/formula/types.ts';
import { USE_WORDS, type FormulaDraft } from '$lib/formula/draft.ts';

/** What two drafts of a formula say differently, in words. */
export function formulaDifferences(
	yours: FormulaDraft,
	theirs: FormulaDraft,
	ingredients: readonly Ingredient[]
): { what: string; yours: string; theirs: string }[] {
	const name = (id: string) =>
		ingredients.find((ingredient) => ingredient.id === id)?.name ?? 'no ingredient';
	const flat = (draft: FormulaDraft): [string, string][] => [
		['name', draft.name],
		['weight between bowl and dough', draft.mixGap],
		...draft.lines.map((line, index): [string, string] => [
			`line ${index + 1}`,
			[
				line.said && `“${line.said}”`,
				name(line.ingredient),
				USE_WORDS[line.use],
				`${line.grams} g`,
				line.uptake && `${line.uptake} g stays`,
				line.most && `up to ${line.most} g`,
				line.stage,
				line.note
			]
				.filter(Boolean)
				.join(', ')
		]),
		['family', draft.family],
		['choices', Object.values(draft.choices).join(', ')],
		...draft.steps.map((step, index): [string, string] => [
			`step ${index + 1}`,
			[step.kind, step.text, step.low, step.high, step.temperature, step.cue].filter(Boolean).join(', ')
		]),
		['one piece', draft.product.pieceOne],
		['several pieces', draft.product.pieceMany],
		['kind of bread', draft.product.category],
		['ball weight', draft.product.ballWeight],
		['pieces in a pack', draft.product.packPieces],
		['pieces in a serving', draft.product.servingPieces],
		['price', draft.product.price],
		['materials', draft.product.materials.map((material) => `${material.name} ${material.cost}`).join(', ')]
	];
	const [mine, other] = [new Map(flat(yours)), new Map(flat(theirs))];
	return [...new Set([...mine.keys(), ...other.keys()])]
		.map((what) => ({ what, yours: mine.get(what) ?? '', theirs: other.get(what) ?? '' }))
		.filter((row) => row.yours !== row.theirs);
}
