import { freshKey, productDraft, shownGrams, stepDraft, type FormulaDraft, type LineDraft } from './draft.ts';
import type { Formula, FormulaLine } from './types.ts';

/** The draft of a line that was kept. */
export function lineDraft(line: FormulaLine): LineDraft {
	return {
		key: freshKey(),
		said: line.said,
		ingredient: line.ingredient,
		use: line.use,
		stage: line.stage ?? '',
		grams: line.toWeigh ? '' : shownGrams(line.used_g),
		uptake: shownGrams(line.uptake_g),
		most: shownGrams(line.most_g),
		note: line.note,
		low_g: line.low_g,
		high_g: line.high_g,
		toWeigh: line.toWeigh
	};
}

/** The draft of a formula as it was kept last, with its first product. */
export function keptDraft(formula: Formula): FormulaDraft {
	const product = formula.products[0];
	return {
		id: formula.id,
		version: formula.version,
		name: formula.name,
		mixGap: formula.mixGap,
		family: formula.family,
		choices: { ...formula.choices },
		lines: formula.lines.map(lineDraft),
		steps: formula.steps.map(stepDraft),
		productId: product?.id ?? null,
		product: productDraft(product)
	};
}

/** What the sheet opens with: what was being typed, or the version kept last. */
export function formulaDraft(formula: Formula): FormulaDraft {
	return formula.draft ? { ...formula.draft, version: formula.version } : keptDraft(formula);
}
