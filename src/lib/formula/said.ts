import type { Ingredient, Use } from '$core/formula/types.ts';
import type { LineReading } from '$core/formula/said/read-line.ts';
import { readGrams } from '$core/measure/reading.ts';
import { roundTo } from '$core/measure/round.ts';
import { emptyLine, shownGrams, type LineDraft } from './draft.ts';

/** What a sheet shows of grams that were worked out: tenths, hundredths under 10 g. */
const shownStep = (grams: number) => (grams < 10 ? 0.01 : 0.1);
const worked = (grams: number) => roundTo(grams, shownStep(grams));

/** Uses that a line's own words tell. */
const USE_WORDS: [RegExp, Use][] = [
	[/\b(?:for|to) (?:dust|dusting)|on the board|for rolling/i, 'dusting'],
	[/\bbetween (?:the )?layers|for (?:the )?layers|layering/i, 'layering'],
	[/\b(?:for|to) brush(?:ing)?|brushed/i, 'brushing'],
	[/\b(?:for|to) (?:the )?(?:pan|griddle|frying|fry)\b|in the pan/i, 'griddle'],
	[/\b(?:for|to) (?:grease|greasing|oil) the bowl|in the bowl/i, 'bowl'],
	[/\bon top|for (?:topping|sprinkling|garnish)|to (?:garnish|sprinkle)/i, 'garnish']
];

/** The use a line's words tell; dough where they tell none. */
export function saidUse(text: string): Use {
	return USE_WORDS.find(([words]) => words.test(text))?.[1] ?? 'dough';
}

/** Sets a line by what was said of it: ingredient where it is known, grams where they follow, the use its words tell. */
export function applySaid(line: LineDraft, reading: LineReading | null): void {
	if (!reading) return;
	if (reading.ingredient !== null) line.ingredient = reading.ingredient;
	const use = saidUse(reading.text);
	if (use !== 'dough') line.use = use;
	line.toWeigh = reading.doubts.includes('no-amount');
	if (reading.grams === null) {
		line.low_g = line.high_g = null;
		if (line.toWeigh) line.grams = '';
		return;
	}
	const kept = reading.keptBack_g;
	// What is kept back may go in and is not planned to: the whole is the most.
	line.grams = shownGrams(worked(reading.grams - (kept ?? 0)));
	line.most = kept === null ? '' : shownGrams(worked(reading.grams));
	const isRange = reading.gramsLow !== reading.gramsHigh;
	line.low_g = isRange && reading.gramsLow !== null ? worked(reading.gramsLow) : null;
	line.high_g = isRange && reading.gramsHigh !== null ? worked(reading.gramsHigh) : null;
}

/**
 * Lines from what was pasted: one a row as people say them, under headings that end in a colon; or the
 * columns of another sheet, a name and grams.
 */
export function linesFromPaste(
	text: string,
	stage: string,
	readingOf: (said: string) => LineReading | null,
	ingredients: readonly Ingredient[]
): LineDraft[] {
	let at = stage;
	return text.split(/\r?\n/).flatMap((row): LineDraft[] => {
		const cells = row.split('\t').map((cell) => cell.trim());
		const [first = '', ...others] = cells;
		if (cells.every((cell) => cell === '')) return [];
		if (others.every((cell) => cell === '') && /^[^\d]{2,40}:$/.test(first)) {
			at = first.replace(/^for the /i, '').replace(/:$/, '');
			at = at.charAt(0).toUpperCase() + at.slice(1);
			return [];
		}
		const line = emptyLine(at);
		const named = ingredients.find((each) => each.name.toLowerCase() === first.toLowerCase());
		const weight = others.find((cell) => cell !== '' && readGrams(cell).ok);
		if (weight !== undefined) {
			const reading = readingOf(first);
			line.said = named ? '' : first;
			line.ingredient = named?.id ?? reading?.ingredient ?? '';
			const grams = readGrams(weight);
			line.grams = grams.ok ? shownGrams(grams.value) : weight;
			return [line];
		}
		line.said = cells.filter(Boolean).join(' ');
		applySaid(line, readingOf(line.said));
		return [line];
	});
}
