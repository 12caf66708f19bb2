import { COMPOSITION_KEYS, mostPer100g } from '$core/composition/nutrients.ts';
import { roundTo } from '$core/measure/round.ts';
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
	if (!perServing) {
		const reading = errors.length > 0 ? null : readLabel(printed, 100);
		errors.push(...impossible(reading, lines, ''));
		return { reading: errors.length > 0 ? null : reading, serving_g: null, errors };
	}
	const serving = readGrams(label.serving);
	if (!serving.ok || serving.value <= 0)
		errors.push({
			path: 'label.serving',
			message: serving.ok ? 'must be more than 0 g' : serving.message
		});
	if (!serving.ok || errors.length > 0) return { reading: null, serving_g: null, errors };
	const reading = readLabel(printed, serving.value);
	errors.push(...impossible(reading, lines, ` of a serving of ${serving.value} g`));
	return { reading: errors.length > 0 ? null : reading, serving_g: serving.value, errors };
}

/** Figures that come to more than there is in 100 g: a 3 typed for a 30, of the figure or of the serving. */
function impossible(reading: LabelReading | null, lines: readonly string[], of: string): Problem[] {
	return COMPOSITION_KEYS.flatMap((key) => {
		const value = reading?.per100g[key];
		if (value == null || value <= mostPer100g(key)) return [];
		const line = lines.includes(key)
			? key
			: key === 'sodium_mg' && lines.includes('salt_g')
				? 'salt_g'
				: null;
		return [
			{
				path: line === null ? 'label.serving' : `label.printed.${line}`,
				message: `comes to ${roundTo(value, 0.1)} in 100 g${of}, more than can be: look at both again`
			}
		];
	});
}
