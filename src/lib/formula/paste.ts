import type { LineReading } from '$core/formula/said/read-line.ts';
import type { Ingredient } from '$core/formula/types.ts';
import { readGrams } from '$core/measure/reading.ts';
import { emptyLine, shownGrams, type LineDraft } from './draft.ts';
import { applySaid, splitSaid } from './said.ts';

/** What a paste holds: lines for the sheet, and what is to be done with them where it tells that too. */
export interface Pasted {
	lines: LineDraft[];
	steps: string[];
}

/** A heading is short, has no number, and ends in a colon or is shouted. */
const HEADING = /^(?:[^\d]{2,40}:|[^\d\p{Ll}]{3,40})$/u;
const METHOD =
	/^(?:the\s+)?(?:method|directions?|instructions?|preparation|procedure|steps|to make)\b\s*:?$/i;
const INGREDIENTS = /^(?:the\s+)?ingredients?\b\s*:?$/i;
/** What a recipe tells of itself beside its lines. */
const ABOUT_IT =
	/^(?:(?:makes|serves|servings|yields?)\b|(?:prep(?:aration)?|cook(?:ing)?|total|resting|active)\s+time\b|(?:difficulty|course|cuisine)\b)/i;
const NUMBERING = /^\s*(?:step\s+)?\d{1,2}\s*[.):]\s*/i;

/**
 * Lines from what was pasted: one a row as people say them, under their headings; or the columns of another sheet, a
 * name and grams. What follows a heading for the method are steps.
 */
export function readPaste(
	text: string,
	stage: string,
	readingOf: (said: string) => LineReading | null,
	ingredients: readonly Ingredient[]
): Pasted {
	const pasted: Pasted = { lines: [], steps: [] };
	let at = stage;
	let isMethod = false;
	for (const row of text.split(/\r?\n/)) {
		const cells = row.split('\t').map((cell) => cell.trim());
		const [first = '', ...others] = cells;
		if (cells.every((cell) => cell === '')) continue;
		const isAlone = others.every((cell) => cell === '');
		if (isAlone && METHOD.test(first)) isMethod = true;
		else if (isMethod) pasted.steps.push(cells.filter(Boolean).join(' ').replace(NUMBERING, ''));
		else if (isAlone && HEADING.test(first)) at = INGREDIENTS.test(first) ? at : stageNamed(first);
		else if (isAlone && (INGREDIENTS.test(first) || ABOUT_IT.test(first))) continue;
		else pasted.lines.push(...linesOf(cells, at, readingOf, ingredients));
	}
	return pasted;
}

function stageNamed(heading: string): string {
	const name = heading.replace(/^for the /i, '').replace(/:$/, '');
	const plain = name === name.toUpperCase() ? name.toLowerCase() : name;
	return plain.charAt(0).toUpperCase() + plain.slice(1);
}

function linesOf(
	cells: string[],
	stage: string,
	readingOf: (said: string) => LineReading | null,
	ingredients: readonly Ingredient[]
): LineDraft[] {
	const [first = '', ...others] = cells;
	const line = emptyLine(stage);
	const weight = others.find((cell) => cell !== '' && readGrams(cell).ok);
	if (weight !== undefined) {
		const named = ingredients.find((each) => each.name.toLowerCase() === first.toLowerCase());
		const reading = readingOf(first);
		line.said = named ? '' : first;
		line.ingredient = named?.id ?? reading?.ingredient ?? '';
		const grams = readGrams(weight);
		line.grams = grams.ok ? shownGrams(grams.value) : weight;
		return [line];
	}
	line.said = cells.filter(Boolean).join(' ');
	const reading = readingOf(line.said);
	if (reading && reading.lines.length > 0) return splitSaid(line, reading);
	applySaid(line, reading);
	return [line];
}
