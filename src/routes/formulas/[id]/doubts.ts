import type { Doubt, LineReading } from '$core/formula/said/read-line.ts';
import { readGrams } from '$core/measure/reading.ts';
import type { LineDraft } from '$lib/formula/draft.ts';
import { referenceMatcher } from '$lib/formula/line-context.ts';

type Words = (reading: LineReading) => string;

const WORDS: Record<Doubt, Words> = {
	'no-amount': () => 'no amount: the batch weighs it',
	'vague-unit': (reading) => `a ${reading.unit ?? 'measure'} is no fixed amount: weigh it once`,
	'unknown-unit': (reading) => `“${reading.unit ?? ''}” is no unit known here`,
	'unknown-ingredient': (reading) =>
		reading.name ? `“${reading.name}” is not on the shelf: choose what is meant` : 'no ingredient named',
	'no-density': (reading) => `nobody has said what a ${reading.unit ?? 'measure'} of it weighs: weigh one`,
	'volume-conflict': () => 'the two amounts differ by more than 10 %: the surer one counts',
	'ambiguous-ingredient': (reading) => `“${reading.name}” is not said exactly: which is it?`
};

/** What is doubtful about a line as it stands: what a person has settled by hand is no doubt any more. */
export function doubtWords(
	reading: LineReading,
	line: Pick<LineDraft, 'ingredient' | 'grams' | 'toWeigh'>
): string[] {
	const typed = readGrams(line.grams);
	const settled = new Set<Doubt>();
	if (line.ingredient !== '') settled.add('unknown-ingredient').add('ambiguous-ingredient');
	if (typed.ok) settled.add('no-amount').add('vague-unit').add('unknown-unit').add('no-density');
	const words = reading.doubts.filter((doubt) => !settled.has(doubt)).map((doubt) => WORDS[doubt](reading));
	const planned = reading.grams === null ? null : reading.grams - (reading.keptBack_g ?? 0);
	if (typed.ok && planned !== null && Math.abs(typed.value - planned) > Math.max(0.06, planned * 0.001))
		words.push(`set to ${line.grams.trim()} by hand`);
	return words;
}

/** Most rows offered at a line. */
const MOST_OFFERED = 6;

/**
 * The shipped rows that a name the shelf does not know can mean, best first; `isSure` where it is one of them and
 * nothing else.
 */
export function referencesFor(name: string): { ids: string[]; isSure: boolean } {
	if (!name) return { ids: [], isSure: false };
	const match = referenceMatcher().match(name);
	if (match.state === 'one') return { ids: [match.id], isSure: true };
	return { ids: match.state === 'several' ? match.ids.slice(0, MOST_OFFERED) : [], isSure: false };
}
