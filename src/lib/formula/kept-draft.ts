import {
	freshKey,
	plainDraft,
	productDraft,
	shownGrams,
	stepDraft,
	type FormulaDraft,
	type LineDraft
} from './draft.ts';
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
	const { draft } = formula;
	return draft
		? {
				...draft,
				version: formula.version,
				lines: distinct(draft.lines),
				steps: distinct(draft.steps)
			}
		: keptDraft(formula);
}

/** Whether something was typed in the sheet that is not in the version kept last. */
export const isTyped = (formula: Formula): boolean =>
	formula.draft !== null && plainDraft(formulaDraft(formula)) !== plainDraft(keptDraft(formula));

/** Rows each with a key of its own: pages tell them apart by it, and what was kept may give one twice. */
function distinct<R extends { key: string }>(rows: readonly R[]): R[] {
	const taken = new Set<string>();
	return rows.map((row) => {
		const own = taken.has(row.key) ? { ...row, key: freshKey() } : row;
		taken.add(own.key);
		return own;
	});
}
