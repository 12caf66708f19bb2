import { folded } from '../measure/units.ts';
import type { OtherNames } from './names/other-names.ts';
import { DESCRIPTIONS, KIND_WORDS } from './names/words.ts';

/** Something that can be meant by a name in a line. */
export interface Nameable {
	id: string;
	name: string;
	other?: OtherNames;
}

/** What a name means: one thing, one of several, or nothing known. */
export type Match = { state: 'one'; id: string } | { state: 'several'; ids: string[] } | { state: 'none' };

interface Phrase {
	id: string;
	words: string[];
	/** Means its ingredient even where others share it. */
	foremost: boolean;
	not: readonly string[];
}

/** Words of a name, folded, without plurals and in English where they name a kind, so that they compare. */
export function wordsOf(text: string): string[] {
	return folded(text)
		.replace(/[’']/g, ' ')
		.split(/[^\p{L}\p{N}%]+/u)
		.filter(Boolean)
		.map((word) => KIND_WORDS[word] ?? singular(word));
}

/** `berries` → `berry`, `leaves` → `leaf`, `seeds` → `seed`; what ends in a double s stays. */
function singular(word: string): string {
	if (word.length > 4 && word.endsWith('ies')) return `${word.slice(0, -3)}y`;
	if (word.length > 4 && word.endsWith('ves')) return `${word.slice(0, -3)}f`;
	if (word.length > 4 && /(?:ch|sh|x|o)es$/.test(word)) return word.slice(0, -2);
	if (word.length > 3 && word.endsWith('s') && !/(?:ss|us|is)$/.test(word)) return word.slice(0, -1);
	return word;
}

/** Whether two words are the same but for a slip of the pen: more letters forgive more. */
export function isSlipOf(word: string, meant: string): boolean {
	if (word === meant) return true;
	const longest = Math.max(word.length, meant.length);
	if (longest < 5 || word[0] !== meant[0]) return false;
	return distanceWithin(word, meant, longest >= 9 ? 2 : 1);
}

/** Whether so few letters added, dropped, changed or swapped turn one word into the other. */
function distanceWithin(a: string, b: string, most: number): boolean {
	if (Math.abs(a.length - b.length) > most) return false;
	let before: number[] = [];
	let last = Array.from({ length: b.length + 1 }, (_, index) => index);
	for (let i = 1; i <= a.length; i++) {
		const row = [i];
		for (let j = 1; j <= b.length; j++) {
			const same = a[i - 1] === b[j - 1] ? 0 : 1;
			row[j] = Math.min((last[j] ?? 0) + 1, (row[j - 1] ?? 0) + 1, (last[j - 1] ?? 0) + same);
			if (i > 1 && j > 1 && a[i - 1] === b[j - 2] && a[i - 2] === b[j - 1])
				row[j] = Math.min(row[j] ?? 0, (before[j - 2] ?? 0) + 1);
		}
		before = last;
		last = row;
	}
	return (last[b.length] ?? most + 1) <= most;
}

/**
 * Finds what names in lines mean among some ingredients. In a `closed` world, a kitchen's own shelf, a
 * kind named alone means the only one there is; in an open one it stays a question.
 */
export class Matcher {
	readonly #phrases: Phrase[];
	readonly #closed: boolean;
	readonly #remembered: ReadonlyMap<string, string>;

	constructor(
		things: readonly Nameable[],
		options: { closed?: boolean; remembered?: ReadonlyMap<string, string> } = {}
	) {
		this.#closed = options.closed ?? false;
		this.#remembered = options.remembered ?? new Map();
		this.#phrases = things.flatMap(({ id, name, other }) => {
			const said = other?.names ?? [];
			// The name itself counts when it is what a person would say: reference rows are named as in a table.
			return [...(this.#closed || said.length === 0 ? [`!${name}`] : []), ...said].map((phrase) => ({
				id,
				words: wordsOf(phrase.replace('!', '')),
				foremost: phrase.startsWith('!'),
				not: other?.not ?? []
			}));
		});
	}

	/** What `name` means; `detail` (after a comma, in parentheses) may say it more exactly. */
	match(name: string, detail = ''): Match {
		const remembered = this.#remembered.get(rememberedName(name));
		if (remembered !== undefined) return { state: 'one', id: remembered };
		const said = wordsOf(name);
		if (said.length === 0) return { state: 'none' };
		const all = [...said, ...wordsOf(detail)];
		const whole = this.#whole(said, all);
		if (whole.state !== 'none') return whole;
		const less = this.#lessExact(said);
		return less.state === 'none' ? this.#eitherOf(name) : less;
	}

	/** `oil or ghee`: what either side can be, and nobody has said which. */
	#eitherOf(name: string): Match {
		const sides = name.split(/\s+(?:or|oder|ou|o)\s+|\s*\/\s*/i);
		if (sides.length < 2) return { state: 'none' };
		const matches = sides.map((side) => this.match(side));
		if (matches.some((match) => match.state === 'none')) return { state: 'none' };
		const ids = new Set(
			matches.flatMap((match) =>
				match.state === 'one' ? [match.id] : match.state === 'several' ? match.ids : []
			)
		);
		const [only] = ids;
		return ids.size === 1 && only !== undefined
			? { state: 'one', id: only }
			: { state: 'several', ids: [...ids] };
	}

	/** Names that are wholly said, the longest and most exactly spelled first. */
	#whole(said: readonly string[], all: readonly string[]): Match {
		let best: { score: number; phrases: Phrase[] } = { score: 0, phrases: [] };
		for (const phrase of this.#phrases) {
			const score = scoreOf(phrase, said, all);
			if (score === 0 || score < best.score) continue;
			if (score > best.score) best = { score, phrases: [] };
			best.phrases.push(phrase);
		}
		return decided(best.phrases);
	}

	/** What a kind named alone can be: `oil` is the end of every oil's name. */
	#lessExact(said: readonly string[]): Match {
		const telling = said.filter((word) => !DESCRIPTIONS.has(word));
		if (telling.length === 0) return { state: 'none' };
		const meant = this.#phrases.filter(
			({ words, not }) =>
				// `huile d'olive` does not end in what it is.
				!words.some((word) => CONNECTING.includes(word)) &&
				telling.every((word) => words.some((known) => isSlipOf(word, known))) &&
				telling.some((word) => isSlipOf(word, words.at(-1) ?? '')) &&
				!said.some((word) => not.includes(word))
		);
		const match = decided(meant);
		if (match.state === 'one' && !this.#closed) return { state: 'several', ids: [match.id] };
		return match;
	}
}

/** How the memory of a kitchen's corrections keys a name. */
export function rememberedName(name: string): string {
	return wordsOf(name).join(' ');
}

const CONNECTING = ['of', 'de', 'd', 'di'];

/** How well a phrase is said: 0 when it is not, or when what is left over makes it something else. */
function scoreOf(phrase: Phrase, said: readonly string[], all: readonly string[]): number {
	if (phrase.words.length === 0 || all.some((word) => phrase.not.includes(word))) return 0;
	const covered = new Set<string>();
	let exact = 0;
	for (const word of phrase.words) {
		const equal = all.includes(word) ? word : undefined;
		const slip = equal ?? all.find((each) => isSlipOf(each, word));
		if (slip === undefined) return 0;
		covered.add(slip);
		if (equal) exact++;
	}
	if (!said.some((word) => covered.has(word))) return 0;
	const leftOver = said.filter((word) => !covered.has(word) && !DESCRIPTIONS.has(word));
	return leftOver.length > 0 ? 0 : phrase.words.length * 10 + exact;
}

function decided(phrases: readonly Phrase[]): Match {
	const ids = [...new Set(phrases.map((phrase) => phrase.id))];
	const [only] = ids;
	if (only === undefined) return { state: 'none' };
	if (ids.length === 1) return { state: 'one', id: only };
	const foremost = [...new Set(phrases.filter((phrase) => phrase.foremost).map((phrase) => phrase.id))];
	return foremost.length === 1 && foremost[0] !== undefined
		? { state: 'one', id: foremost[0] }
		: { state: 'several', ids };
}
