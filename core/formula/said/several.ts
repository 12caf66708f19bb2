import { useSaid } from './uses.ts';
import { takeApart, type SaidLine } from './take-apart.ts';

/** One line of a sentence that says several. */
export interface SaidPart {
	text: string;
	said: SaidLine;
}

/** Most lines a sentence is looked through for, and the longest sentence. */
const MOST_PARTS = 12;
const LONGEST = 300;
const MOST_JOINTS = 8;

/** Where one line may end and the next begin. */
const JOINTS =
	/\s*[;,]\s*(?:(?:plus|and|with|then)\s+|\+\s*)?|\s+(?:plus|and|with|y|et|und|&)\s+|\s*\+\s*/giu;

/** `more for dusting`, `a little extra`: of the same as before. */
const MORE =
	/^(?:(?:an?|some|a\s+(?:little|bit|touch))\s+)?(?:bit\s+|little\s+)?(?:more|extra|additional)\b/i;
const OF_THE_SAME = /\b(?:extra|more|additional|another|of (?:it|the same))\b/giu;

/**
 * The lines a sentence says: `4 cups flour plus a quarter cup extra for dusting` is two of one flour, `500 g flour, 10 g
 * salt` two of two. One where it says one, or where it cannot be told.
 */
export function partsSaid(text: string, isKnown: (said: SaidLine) => boolean): SaidPart[] {
	const said = takeApart(text);
	if (text.length > LONGEST) return [{ text, said }];
	const under = underHeading(text, said, isKnown);
	if (under) return under;
	const each = eachOf(text, isKnown);
	if (each) return each;
	const bare = withoutAmounts(text, said, isKnown);
	if (bare) return bare;
	const parts: SaidPart[] = [];
	let rest = text;
	while (parts.length < MOST_PARTS) {
		const split = firstSplit(rest, isKnown, parts.at(-1)?.said.name ?? null);
		if (!split) break;
		parts.push(split.part);
		rest = split.rest;
	}
	if (parts.length === 0) return [{ text, said }];
	return [...parts, lastOf(rest, parts.at(-1)?.said ?? said)];
}

/** `Dough: 500 g flour`: what is said under a heading on the same line. */
function underHeading(text: string, said: SaidLine, isKnown: (said: SaidLine) => boolean): SaidPart[] | null {
	const below = /^[^\d:½⅓⅔¼¾⅛]{2,40}:\s*(?=\S)/u.exec(text);
	if (!below || isKnown(said)) return null;
	const parts = partsSaid(text.slice(below[0].length), isKnown);
	const [first] = parts;
	return first && first.said.quantities.length > 0 && isKnown(first.said)
		? parts.map((part) => (parts.length === 1 ? { ...part, text } : part))
		: null;
}

/** `1 tsp each salt and sugar`: as much of each. */
function eachOf(text: string, isKnown: (said: SaidLine) => boolean): SaidPart[] | null {
	const found = /^(.+?)\s+(?:each\s+(?:of\s+)?|of\s+each\s+of\s+)(.+)$/i.exec(text);
	const names = (found?.[2] ?? '').split(/\s*,\s*(?:and\s+)?|\s+(?:and|&)\s+/i);
	if (!found || names.length < 2 || names.length > MOST_PARTS) return null;
	const parts = names.map((name) => partOf(`${found[1] ?? ''} ${name}`));
	return parts.every(({ said }) => said.quantities.length > 0 && isKnown(said)) ? parts : null;
}

const partOf = (text: string): SaidPart => ({ text, said: takeApart(text) });

/** `salt and pepper`: two things of which nobody says how much. */
function withoutAmounts(
	text: string,
	said: SaidLine,
	isKnown: (said: SaidLine) => boolean
): SaidPart[] | null {
	if (said.quantities.length > 0 || isKnown(said)) return null;
	const parts = text.split(/\s*,\s*(?:and\s+)?|\s+(?:and|&)\s+/i).map(partOf);
	const areLines =
		parts.length > 1 && parts.length <= MOST_PARTS && parts.every((part) => isKnown(part.said));
	return areLines ? parts : null;
}

/** The rest of a sentence; where it names nothing, it is of the same as before. */
function lastOf(text: string, before: SaidLine): SaidPart {
	const said = takeApart(text);
	return isOfTheSame(said)
		? { text, said: { ...said, name: before.name, detail: before.detail } }
		: { text, said };
}

/** Whether nothing is named but that it is more. */
const isOfTheSame = ({ name }: SaidLine): boolean => name.replace(OF_THE_SAME, '').trim() === '';

function firstSplit(
	text: string,
	isKnown: (said: SaidLine) => boolean,
	before: string | null
): { part: SaidPart; rest: string } | null {
	for (const joint of [...text.matchAll(JOINTS)].slice(0, MOST_JOINTS)) {
		const left = text.slice(0, joint.index);
		const right = text.slice(joint.index + joint[0].length);
		if (left.trim() === '' || right.trim() === '' || isInside(text, joint.index)) continue;
		const first = takeApart(left);
		if (first.quantities.length === 0) continue;
		const named = isOfTheSame(first) && before !== null ? { ...first, name: before } : first;
		if (named.name === '' || !isKnown(named)) continue;
		if (begins(right, isKnown)) return { part: { text: left, said: named }, rest: right };
	}
	return null;
}

/** Whether a text begins a line of its own: more of the same for a use, or an amount of something known. */
function begins(text: string, isKnown: (said: SaidLine) => boolean): boolean {
	if (MORE.test(text))
		return useSaid(text) !== null || /^(?:more|extra)\s*(?:as needed|if needed)?$/i.test(text);
	const next = takeApart(text.replace(/^(?:about|another)\s+/i, ''));
	if (next.quantities.length === 0) return false;
	// `2 cups, 250 g`: the same amount again names nothing.
	if (isOfTheSame(next)) return next.use !== null && next.use !== 'dough';
	return isKnown(firstOf(next));
}

/** The name up to where another line may begin. */
function firstOf(said: SaidLine): SaidLine {
	const [name = ''] = said.name.split(JOINTS);
	return { ...said, name };
}

/** Whether a place stands inside parentheses. */
function isInside(text: string, at: number): boolean {
	const before = text.slice(0, at);
	return before.split('(').length > before.split(')').length;
}
