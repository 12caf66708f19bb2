import type { LineReading } from '$core/formula/said/read-line.ts';
import { roundTo } from '$core/measure/round.ts';
import { emptyLine, shownGrams, type LineDraft } from './draft.ts';

/** What a sheet shows of grams that were worked out: tenths, hundredths under 10 g. */
const shownStep = (grams: number) => (grams < 10 ? 0.01 : 0.1);
const worked = (grams: number) => roundTo(grams, shownStep(grams));

/** Grams as they stand in the line once they are read; what is kept back may go in and is not planned to. */
const planned = (reading: LineReading): string =>
	reading.grams === null ? '' : shownGrams(worked(reading.grams - (reading.keptBack_g ?? 0)));

/** What leaves the amount to the batch: none is said, or one that nobody could weigh again. */
const LEFT_TO_THE_BATCH = ['no-amount', 'vague-unit', 'no-density'] as const;

/**
 * Sets a line by what is said of it now; `before` is what was said until now. What came from those words goes with
 * them, what a person set by hand stays: an ingredient as long as the same thing is named.
 */
export function applySaid(
	line: LineDraft,
	reading: LineReading | null,
	before: LineReading | null = null
): void {
	if (!reading) {
		if (before) clear(line);
		return;
	}
	line.ingredient = reading.ingredient ?? chosen(line, reading, before);
	if (reading.use !== null) line.use = reading.use;
	else if (before?.use !== null && before?.use === line.use) line.use = 'dough';
	noteTemperature(line, reading, before);
	const isOwn = !before || line.grams !== planned(before);
	line.toWeigh = LEFT_TO_THE_BATCH.some((doubt) => reading.doubts.includes(doubt)) && reading.grams === null;
	if (reading.grams === null) {
		line.low_g = line.high_g = null;
		if (line.toWeigh || !isOwn) line.grams = line.most = '';
		return;
	}
	line.grams = planned(reading);
	// The whole is the most where some is kept back.
	line.most = reading.keptBack_g === null ? '' : shownGrams(worked(reading.grams));
	const isRange = reading.gramsLow !== reading.gramsHigh;
	line.low_g = isRange && reading.gramsLow !== null ? worked(reading.gramsLow) : null;
	line.high_g = isRange && reading.gramsHigh !== null ? worked(reading.gramsHigh) : null;
}

/** The ingredient a person chose, where what is said now can still be it. */
function chosen(line: LineDraft, reading: LineReading, before: LineReading | null): string {
	if (reading.name === '' || before?.name === reading.name) return line.ingredient;
	if (reading.candidates.length > 0)
		return reading.candidates.includes(line.ingredient) ? line.ingredient : '';
	return before ? '' : line.ingredient;
}

/** A temperature that is said is noted at the line, and goes when it is said no more. */
function noteTemperature(line: LineDraft, reading: LineReading, before: LineReading | null): void {
	const words = (of: LineReading | null) =>
		of?.temperature_c == null ? '' : `at ${roundTo(of.temperature_c, 1)} °C`;
	if (line.note === '' || line.note === words(before)) line.note = words(reading);
}

function clear(line: LineDraft): void {
	const { key, stage } = line;
	Object.assign(line, { ...emptyLine(stage), key });
}

/** The lines that one sentence says, each as it would be typed; the first keeps the place of the line given. */
export function splitSaid(line: LineDraft, reading: LineReading): LineDraft[] {
	return reading.lines.map((each, nth) => {
		const part = nth === 0 ? { ...line, said: each.text } : { ...emptyLine(line.stage), said: each.text };
		if (nth === 0) part.ingredient = part.grams = part.most = '';
		applySaid(part, each);
		// Of the same as the first, which may have been chosen by hand.
		if (part.ingredient === '' && each.name === reading.name) part.ingredient = line.ingredient;
		return part;
	});
}
