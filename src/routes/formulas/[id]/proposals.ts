import { pieceOfFamily, proposedOf, withProposed, type Proposed } from '$core/formula/propose.ts';
import type { Ingredient, Line } from '$core/formula/types.ts';
import type { FormulaDraft } from '$lib/formula/draft.ts';

/** What the lines of a sheet say of how it is made: what still stands as it was proposed follows them. */
export class Proposals {
	#last: Proposed = { family: null, choices: {} };

	/** Brings a draft's family, choices and names of a piece to what its lines say now. */
	follow(draft: FormulaDraft, lines: readonly Line[], ingredientOf: (id: string) => Ingredient): void {
		const before = this.#last;
		const now = proposedOf(lines, ingredientOf);
		this.#last = now;
		const made = Object.fromEntries(
			Object.entries(draft.choices).filter(
				([key, value]) => before.choices[key as keyof Proposed['choices']] !== value
			)
		);
		draft.choices = withProposed(made, now);
		if (draft.family === (before.family ?? '')) draft.family = now.family ?? '';
		const was = pieceOfFamily(before.family ?? '');
		const { product } = draft;
		if (product.pieceOne !== '' && product.pieceOne !== was.one) return;
		const piece = now.family === null ? null : pieceOfFamily(now.family);
		product.pieceOne = piece?.one ?? '';
		product.pieceMany = piece?.many ?? '';
		if (product.category === was.category && piece) product.category = piece.category;
	}
}
