import { folded } from '../measure/units.ts';
import { EVERYDAY } from './names/everyday.ts';
import type { OtherNames } from './names/other-names.ts';
import { DESCRIPTIONS, KIND_WORDS } from './names/words.ts';

/** Something that can be meant by a name in a line. */
export interface Nameable {
	id: string;
	name: string;
	other?: OtherNames;
}

/** What a name means: one thing, one of several, or nothing known. */
export type Match =
	| { state: 'one'; id: string }
	/** `bySlip`: where nothing is spelled so, and only something near it is known. */
	| { state: 'several'; ids: string[]; bySlip?: true }
	| { state: 'none' };

interface Phrase {
	id: string;
	/** Its place among all, by its thing and within it. */
	at: [thing: number, nth: number];
	words: string[];
	/** Means its ingredient even where others share it. */
	foremost: boolean;
	/** Is how its kind is called, of which there are others: among all there is, it stays a question. */
	ofAKind: boolean;
	not: readonly string[];
}

const KIND_OF = new Map(Object.entries(KIND_WORDS));

/** Words of a name as they are written, folded. */
const plainWords = (text: string): string[] =>
	folded(text)
		.replace(/[’']/g, ' ')
		.split(/[^\p{L}\p{N}%]+/u)
		.filter(Boolean);

/** What is said every day in other languages, by its words: one of them or several stand for the English ones. */
const SAID_IN_ENGLISH = new Map(
	Object.values(EVERYDAY).flatMap((meanings) =>
		Object.entries(meanings).flatMap(([english, said]) =>
			said.map((name): [string, string[]] => [plainWords(name).join(' '), english.split(' ')])
		)
	)
);
const MOST_WORDS = Math.max(...[...SAID_IN_ENGLISH.keys()].map((name) => name.split(' ').length));

/** Words of a name, folded, without plurals and in English where they name what is in every bread, so that they compare. */
export function wordsOf(text: string): string[] {
	const plain = plainWords(text);
	const words: string[] = [];
	for (let at = 0; at < plain.length;) {
		let count = Math.min(MOST_WORDS, plain.length - at);
		while (count > 0 && !SAID_IN_ENGLISH.has(plain.slice(at, at + count).join(' '))) count--;
		const word = plain[at] ?? '';
		const english = SAID_IN_ENGLISH.get(plain.slice(at, at + count).join(' '));
		words.push(...(english ?? [KIND_OF.get(word) ?? singular(word)]));
		at += Math.max(count, 1);
	}
	return words;
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

/** How a name stands in what is known of an ingredient: `!salt` is it foremost, `?milk` is one of its kind. */
const MARKS = /^[!?]/;

/**
 * Finds what names in lines mean among some ingredients. A name counts as meant only where all of it is said and
 * nothing else beside; a part of a name, a kind, or a slip of the pen is a question with its candidates, best first.
 */
export class Matcher {
	readonly #remembered: ReadonlyMap<string, string>;
	/** Phrases by each of their words. */
	readonly #byWord = new Map<string, Phrase[]>();
	/** Words of all phrases by their first letter, for finding slips. */
	readonly #words = new Map<string, string[]>();

	constructor(
		things: readonly Nameable[],
		options: { closed?: boolean; remembered?: ReadonlyMap<string, string> } = {}
	) {
		const isClosed = options.closed ?? false;
		this.#remembered = options.remembered ?? new Map();
		const phrases = things.flatMap(({ id, name, other }, of): Phrase[] => {
			const said = other?.names ?? [];
			// The name itself counts when it is what a person would say: reference rows are named as in a table.
			return [...(isClosed || said.length === 0 ? [`!${name}`] : []), ...said].map((phrase, nth) => ({
				at: [of, nth],
				id,
				words: wordsOf(phrase.replace(MARKS, '')),
				foremost: phrase.startsWith('!'),
				// Whoever has one milk on the shelf means it; among all milks there are, it is asked.
				ofAKind: phrase.startsWith('?') && !isClosed,
				not: other?.not ?? []
			}));
		});
		for (const phrase of phrases)
			for (const word of new Set(phrase.words))
				this.#byWord.set(word, [...(this.#byWord.get(word) ?? []), phrase]);
		for (const word of this.#byWord.keys()) {
			const first = word[0] ?? '';
			this.#words.set(first, [...(this.#words.get(first) ?? []), word]);
		}
	}

	/** What `name` means; `detail` (after a comma, in parentheses) may say it more exactly. */
	match(name: string, detail = ''): Match {
		const remembered = this.#remembered.get(rememberedName(name));
		if (remembered !== undefined) return { state: 'one', id: remembered };
		const said = wordsOf(name);
		if (said.length === 0) return { state: 'none' };
		// What stands beside says more where all of it is one name: `flour (half bread, half whole wheat)` is neither.
		const beside = detail.split(/[,;()]/).map(wordsOf);
		const either = this.#eitherOf(name);
		if (either.state !== 'none') return either;
		const whole = this.#whole(said, beside, (word) => [word]);
		if (whole.state !== 'none') return whole;
		const less = this.#lessExact(said, (word) => [word]);
		if (less.state !== 'none') return asked(less);
		const slips = new Map([...said, ...beside.flat()].map((word) => [word, this.#slipsOf(word)]));
		const meantBy = (word: string) => slips.get(word) ?? [word];
		const slipped = this.#whole(said, beside, meantBy);
		const near = asked(slipped.state === 'none' ? this.#lessExact(said, meantBy) : slipped);
		return near.state === 'several' ? { ...near, bySlip: true } : near;
	}

	/** Phrases that have a word that may be meant, in their order. */
	#phrasesOf(words: readonly string[], meantBy: MeantBy): Phrase[] {
		const found = new Set(words.flatMap(meantBy).flatMap((word) => this.#byWord.get(word) ?? []));
		return [...found].sort((a, b) => a.at[0] - b.at[0] || a.at[1] - b.at[1]);
	}

	/** Words that are known and that a word may be a slip of. */
	#slipsOf(word: string): string[] {
		return (this.#words.get(word[0] ?? '') ?? []).filter((known) => isSlipOf(word, known));
	}

	/** `oil or ghee`: what either side can be, and nobody has said which. */
	#eitherOf(name: string): Match {
		const sides = name.split(/\s+(?:or|oder|ou|o)\s+|\s*\/\s*/i);
		if (sides.length < 2 || sides.length > MOST_SIDES) return { state: 'none' };
		const matches = sides.map((side) => this.match(side));
		if (matches.some((match) => match.state === 'none')) return { state: 'none' };
		const ids = new Set(matches.flatMap(idsOf));
		const [only] = ids;
		return ids.size === 1 && only !== undefined && matches.some(({ state }) => state === 'one')
			? { state: 'one', id: only }
			: { state: 'several', ids: [...ids] };
	}

	/** Names that are wholly said, the longest and most exactly spelled first. */
	#whole(said: readonly string[], beside: readonly string[][], meantBy: MeantBy): Match {
		let best: { score: number; phrases: Phrase[] } = { score: 0, phrases: [] };
		for (const phrase of this.#phrasesOf(said, meantBy)) {
			const score = scoreOf(phrase, said, beside, meantBy);
			if (score === 0 || score < best.score) continue;
			if (score > best.score) best = { score, phrases: [] };
			best.phrases.push(phrase);
		}
		const match = decided(best.phrases);
		const isOfAKind = best.phrases.some(
			({ id, ofAKind }) => match.state === 'one' && id === match.id && ofAKind
		);
		return isOfAKind ? asked(match) : match;
	}

	/** What a kind named alone can be: `oil` is the end of every oil's name. */
	#lessExact(said: readonly string[], meantBy: MeantBy): Match {
		const telling = said.filter((word) => !DESCRIPTIONS.has(word));
		if (telling.length === 0) return { state: 'none' };
		const meant = this.#phrasesOf(telling, meantBy).filter(
			({ words, not }) =>
				// `huile d'olive` does not end in what it is.
				!words.some((word) => CONNECTING.includes(word)) &&
				telling.every((word) => meantBy(word).some((known) => words.includes(known))) &&
				telling.some((word) => meantBy(word).includes(words.at(-1) ?? '')) &&
				!said.some((word) => not.includes(word)) &&
				!(telling.length === 1 && isMadeOfAnother(words))
		);
		return decided(meant);
	}
}

type MeantBy = (word: string) => string[];

const MOST_SIDES = 4;

const idsOf = (match: Match): string[] =>
	match.state === 'one' ? [match.id] : match.state === 'several' ? match.ids : [];

/** The same as a question. */
const asked = (match: Match): Match =>
	match.state === 'one' ? { state: 'several', ids: [match.id] } : match;

/** Coconut milk is no milk, and peanut butter no butter. */
const isMadeOfAnother = (words: readonly string[]): boolean =>
	words.at(-1) === 'oil'
		? words.includes('butter')
		: ['milk', 'butter', 'cream', 'yogurt', 'cheese'].includes(words.at(-1) ?? '') &&
			words.some((word) => OTHERS.has(word));
const OTHERS = new Set(
	'coconut almond oat soy soya rice peanut cashew hazelnut nut cocoa apple butter tartaric'.split(' ')
);

/** How the memory of a kitchen's corrections keys a name. */
export function rememberedName(name: string): string {
	return wordsOf(name).join(' ');
}

const CONNECTING = ['of', 'de', 'd', 'di'];

/** How well a phrase is said: 0 when it is not, or when what is left over makes it something else. */
function scoreOf(
	phrase: Phrase,
	said: readonly string[],
	beside: readonly (readonly string[])[],
	meantBy: MeantBy
): number {
	if (phrase.words.length === 0) return 0;
	if ([said, ...beside].some((words) => words.some((word) => phrase.not.includes(word)))) return 0;
	const covered = new Set<string>();
	let exact = 0;
	const all = [...said, ...beside.flat()];
	for (const word of phrase.words) {
		const isMeant = (each: string) => each === word || meantBy(each).includes(word);
		const by = all.includes(word) ? word : all.find(isMeant);
		if (by === undefined) return 0;
		covered.add(by);
		if (by === word) exact++;
	}
	if (!said.some((word) => covered.has(word))) return 0;
	const isLeft = (word: string) => !covered.has(word) && !DESCRIPTIONS.has(word);
	if (said.some(isLeft)) return 0;
	const needed = beside.filter((words) => words.some((word) => covered.has(word) && !said.includes(word)));
	if (needed.some((words) => words.some(isLeft))) return 0;
	return phrase.words.length * 10 + exact;
}

function decided(phrases: readonly Phrase[]): Match {
	const ids = [...new Set(phrases.map((phrase) => phrase.id))];
	const foremost = [...new Set(phrases.filter((phrase) => phrase.foremost).map((phrase) => phrase.id))];
	const [only] = foremost.length === 1 ? foremost : ids;
	if (only === undefined) return { state: 'none' };
	if (ids.length === 1 || foremost.length === 1) return { state: 'one', id: only };
	return { state: 'several', ids };
}
