import type { Source } from './composition.ts';
import { dayText } from '../format.ts';

/** Where an ingredient's values come from, as the shelf has it. */
export interface ValueSource {
	source: Source;
	note: string;
	on: string | null;
}

/** The sources a person may name, best first, in words. */
export const SOURCE_WORDS: Record<Exclude<Source, 'mix'>, string> = {
	laboratory: 'a laboratory’s report, per 100 g',
	specification: 'a supplier’s specification, per 100 g',
	pack: 'the pack’s own label',
	reference: 'a reference table (typical values)',
	estimate: 'an estimate'
};

/** How far a source is to be trusted, in a few words. */
export const SOURCE_GRADES: Record<Source, string> = {
	laboratory: 'measured',
	specification: 'stated by the supplier',
	pack: 'printed on the pack, so rounded',
	reference: 'typical: your pack may differ',
	estimate: 'a guess: replace it',
	mix: 'as good as its own lines'
};

/** The source with its note and day. */
export function sourceText({ source, note, on }: ValueSource): string {
	const words = source === 'mix' ? 'its own lines' : SOURCE_WORDS[source];
	return [words, note, on ? dayText(on) : ''].filter(Boolean).join(', ');
}

/** The source of each ingredient's values, by its id. */
export function sourcesOf(
	compositions: Iterable<{
		ingredientId: string;
		source: Source;
		sourceNote: string;
		sourceOn: string | null;
	}>
): Record<string, ValueSource> {
	return Object.fromEntries(
		[...compositions].map(({ ingredientId, source, sourceNote, sourceOn }) => [
			ingredientId,
			{ source, note: sourceNote, on: sourceOn }
		])
	);
}
