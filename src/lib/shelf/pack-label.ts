import { rulesOf } from '$core/rules/index.ts';
import { readPrinted, type LabelReading, type Printed } from '$core/rules/pack-label.ts';
import { readGrams } from '$core/measure/reading.ts';
import type { Problem } from '$core/problem.ts';
import type { IngredientDraft } from './ingredient-draft.ts';

/** What a typed pack label comes to, and what of it cannot be read, by field. */
export function readLabelDraft(label: IngredientDraft['label']): {
	reading: LabelReading | null;
	/** Serving of a label per serving. */
	serving_g: number | null;
	/** What keeps the label from being read. */
	errors: Problem[];
} {
	if (label.kind === '') return { reading: null, serving_g: null, errors: [] };
	const { lines, perServing, read: readLabel } = rulesOf(label.kind).packLabel;
	const errors: Problem[] = [];
	const printed: Record<string, Printed> = {};
	for (const line of lines) {
		const typed = label.printed[line] ?? '';
		if (typed.trim() === '') continue;
		const read = readPrinted(typed);
		if (read) printed[line] = read;
		else
			errors.push({
				path: `label.printed.${line}`,
				message: 'type the figure as printed: 12, <1 or less than 1'
			});
	}
	if (!perServing)
		return { reading: errors.length > 0 ? null : readLabel(printed, 100), serving_g: null, errors };
	const serving = readGrams(label.serving);
	if (!serving.ok || serving.value <= 0)
		errors.push({
			path: 'label.serving',
			message: serving.ok ? 'must be more than 0 g' : serving.message
		});
	if (!serving.ok || errors.length > 0) return { reading: null, serving_g: null, errors };
	return { reading: readLabel(printed, serving.value), serving_g: serving.value, errors };
}
