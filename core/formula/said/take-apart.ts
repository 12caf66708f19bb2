import {
	addends,
	EACH,
	isMeasured,
	quantityAtStart,
	timesQuantity,
	together,
	unitAlone,
	withoutHolder,
	type Quantity
} from '../../measure/quantity.ts';
import type { Amount } from '../../measure/amount.ts';
import { temperatureSaid } from '../../measure/temperature.ts';
import { CONTAINERS, unitAtStart } from '../../measure/units.ts';
import type { Use } from '../types.ts';
import { useSaid } from './uses.ts';

/** A line taken apart: how much, how else it was said, and of what. */
export interface SaidLine {
	/** Amounts that go together: `1 cup + 2 tbsp`. Empty when the line says none. */
	quantities: Quantity[];
	/** The same again in other units: `(180 ml)`. */
	otherwise: Quantity[];
	/** What is kept back of it: `keep half a cup back`. */
	keptBack: Quantity | null;
	/** The words that name the ingredient. */
	name: string;
	/** What stands after the name or in parentheses, and may say it more exactly. */
	detail: string;
	/** What was said beside: warm, sifted, about, to taste. */
	notes: string[];
	use: Use | null;
	temperature_c: number | null;
}

const HEDGE =
	/^(?:just\s+)?(?:about|approx(?:\.|imately)?|around|roughly|circa|ca\.?|etwa|env(?:\.|iron)?|unos|unas|aprox\.?|maybe|perhaps|say|some\s(?=\d)|up to|at least|at most|~|≈|\+\/-)\s*/i;

/** `a bit less than a cup`: below what is said, and how far down that may be. */
const LESS =
	/^(?:(?:just|only|a\s+(?:little|bit|touch|shade|smidge)|slightly|somewhat|a\s+little\s+bit)\s+)?(?:less\s+than|under|below|short\s+of|shy\s+of)\s+|^(?:almost|nearly|not\s+quite|barely|scarcely|hardly)\s+/i;
const MORE =
	/^(?:(?:just|a\s+(?:little|bit|touch|shade|smidge)|slightly|somewhat|a\s+little\s+bit)\s+)?(?:more\s+than|over|above)\s+/i;
/** How far a bit less or a bit more may be from what it is less or more than. */
const A_BIT = 0.2;

const UNCOUNTED =
	/\b(?:to taste|as per taste|according to taste|as needed|as required|as necessary|(?:as )?(?:much )?as (?:it|the dough|they) (?:takes?|needs?|will take|wants?)|to (?:bring|pull) (?:it|the dough|everything) together|to (?:make|form|get) (?:a|an) [\p{L} -]*dough|to bind(?: it)?|if needed|if desired|optional|nach geschmack|al gusto|au go[uû]t|q\.?\s?s\.?|quanto basta|q\.?b\.?)(?![\p{L}])/giu;

const SOME =
	/^(?:some|(?:just\s+)?a\s+(?:very\s+)?(?:little|bit|tiny bit|touch|few|lot|trace|film|smear|scraping|lick)|little|plenty|enough|as much|extra|more|un poco|un peu|un po['’]?|etwas|ein wenig|ein bisschen|um pouco|biraz|thod[aei]|sedikit|kidogo)\s+(?!(?:(?:less|more)\s+than|under|over|below|above|short|shy)\b)(?:(?:of|de|di|d['’])\s*)?(?=\S)/i;

const OF = /^(?:(?:of|de|di|von|du|des|cha|vya|ya|wa)\s+|d['’]\s*)/i;

const BULLET =
	/^(?:[-–—•*·‣▢□☐✓✔▪●○◦➤→>]\s+|[•·‣▢□☐✓✔▪●○◦➤]\s*|\[\s?[xX]?\s?\]\s*|\(?\d{1,2}[.)]\s+(?=[\p{L}\d½⅓⅔¼¾⅛])|\p{L}\)\s+)/u;

/** What a recipe says of how a line is used up, and that changes neither what it is nor how much. */
const DIVIDED = /[,;(]?\s*\b(?:divided|separated into two|in two lots|used separately)\b\s*\)?/i;

const KEEP_BACK =
	/[,;(]?\s*(?:keep(?:ing)?|hold(?:ing)?|reserv(?:e|ing)|sav(?:e|ing))\s+(?:back\s+)?([^,;()]*?)(?:\s+(?:back|aside|in reserve))?\s*\)?$/i;

/** A baker's percentage after a weight is not an amount; `milk 2%` is a name. */
const PERCENT = /(\d\s*(?:g|kg|oz|lb|ml|l))\s+\(?(\d+(?:[.,]\d+)?\s*%)\)?$/i;

const UNREADABLE = /^(?:[-−–]\s*\d|\d+\s*\/\s*0(?!\d))/u;

const COUNTED_FIRST = /^(\p{L}+)\s+(\p{L}+)(?=\s+(?:cha|vya|ya|la|wa|za)\s)/u;
const COUNTS: Partial<Record<string, number>> = {
	kimoja: 1,
	moja: 1,
	viwili: 2,
	mbili: 2,
	vitatu: 3,
	tatu: 3,
	vinne: 4,
	nne: 4,
	vitano: 5,
	tano: 5,
	nusu: 0.5
};

/** A longer text is no line; what it says further on is not looked at. */
const LONGEST = 300;

/** Takes a line apart as a person says it; what cannot be told is left empty, never guessed. */
export function takeApart(line: string): SaidLine {
	const notes: string[] = [];
	let rest = line
		.slice(0, LONGEST)
		.normalize('NFC')
		.replace(/\p{Nd}/gu, inDigits)
		.replace(/\s+/g, ' ')
		.trim()
		.replace(BULLET, '');

	// `vikombe viwili vya unga`: what is counted comes before how many.
	rest = rest.replace(COUNTED_FIRST, (all, unit: string, number: string) => {
		const count = COUNTS[number.toLowerCase()];
		return count !== undefined && unitAtStart(unit) ? `${count} ${unit}` : all;
	});
	const keptBack = takeKeptBack(rest);
	if (keptBack) {
		rest = rest.slice(0, keptBack.from).trim();
		notes.push(keptBack.words);
	}
	const warm = temperatureSaid(rest);
	if (warm) {
		notes.push(warm.words.trim());
		rest = without(rest, warm);
		// The same again in the other scale: `(105 °F / 40 °C)`.
		const again = temperatureSaid(rest);
		if (again) rest = without(rest, again);
	}
	const use = useSaid(rest);
	if (use) {
		notes.push(use.words.toLowerCase());
		rest = without(rest, use).replace(AND_THE, ' ');
	}
	rest = rest.replace(DIVIDED, () => {
		notes.push('divided');
		return ' ';
	});
	rest = rest.replace(UNCOUNTED, (words) => {
		notes.push(words.trim().toLowerCase());
		return ' ';
	});
	rest = rest.replace(PERCENT, (_, weight: string, percent: string) => {
		notes.push(percent);
		return weight;
	});
	// Less than nothing, or a part in no parts: the amount is refused and the name is still read.
	const unreadable = UNREADABLE.test(rest);
	if (unreadable) rest = rest.replace(/^[-−–]\s*|\/\s*0/gu, '');
	rest = rest
		.replace(/\(\s*[/,;]?\s*\)/g, ' ')
		.replace(/\s+/g, ' ')
		.trim()
		.replace(/^[,;:]\s*|\s*[,;]$/g, '');
	const some = SOME.exec(rest);
	if (some) {
		notes.push(
			some[0]
				.replace(/\s+of\s*$/i, '')
				.trim()
				.toLowerCase()
		);
		rest = rest.slice(some[0].length);
	}

	const head = takeHead(rest, notes) ?? takeTail(rest);
	const quantities = unreadable ? [] : (head?.quantities ?? []);
	const { text, otherwise } = takeOtherwise(head ? head.rest : rest, head?.otherwise ?? [], notes);
	// `flour (3 cups)`: what stands in parentheses alone is the amount.
	if (quantities.length === 0 && !unreadable) quantities.push(...otherwise.splice(0, 1));
	const { name, detail } = nameAndDetail(text);
	return {
		...unitFromName(quantities, name),
		otherwise,
		keptBack: keptBack?.quantity ?? null,
		detail,
		notes,
		use: use?.use ?? null,
		temperature_c: warm?.temperature_c ?? null
	};
}

/** A digit of any script as the one it is. */
function inDigits(digit: string): string {
	const code = digit.codePointAt(0) ?? 0;
	if (code < 0x80) return digit;
	// Each script's ten stand together, and its zero where the one before is none.
	let zero = code;
	while (code - zero < 9 && /\p{Nd}/u.test(String.fromCodePoint(zero - 1))) zero--;
	return String(code - zero);
}

/** `for the pan and the bowl`: what else it is for is not its name. */
const AND_THE = /\s+and\s+(?:the|for the|to)\s+\p{L}+(?=\s*(?:$|[,;(]))/iu;

const without = (text: string, { from, to }: { from: number; to: number }): string =>
	`${text.slice(0, from).trimEnd()} ${text.slice(to).trimStart()}`.trim();

/** `2 garlic cloves`: the unit of a bare number may end the name. */
function unitFromName(quantities: Quantity[], name: string): Pick<SaidLine, 'quantities' | 'name'> {
	const [only] = quantities;
	const last = /^(.+)\s(\p{L}+)$/u.exec(name);
	const found = last && unitAtStart(last[2] ?? '');
	if (quantities.length !== 1 || !only || only.unit !== EACH || !found || found.unit.kind !== 'count')
		return { quantities, name };
	return { quantities: [{ ...only, unit: found.unit }], name: last[1] ?? name };
}

interface Taken {
	quantities: Quantity[];
	otherwise: Quantity[];
	rest: string;
}

/** The quantities a line begins with, joined by plus, and the others right after them. */
function takeHead(text: string, notes: string[]): Taken | null {
	let rest = text;
	const bit = LESS.exec(rest) ?? MORE.exec(rest);
	if (bit) rest = rest.slice(bit[0].length);
	const hedge = HEDGE.exec(rest);
	if (hedge) rest = rest.slice(hedge[0].length);
	const first = quantityAtStart(rest, { words: true, bare: true }) ?? unitAlone(rest);
	if (!first) return null;
	if (hedge) notes.push('about');
	notes.push(...first.notes);
	if (bit) {
		notes.push(bit[0].trim().toLowerCase());
		const amount = aBit(first.quantity.amount, LESS.test(bit[0]));
		return {
			quantities: [{ ...first.quantity, amount }],
			otherwise: [],
			rest: rest.slice(first.length)
		};
	}
	rest = rest.slice(first.length);
	const quantities = [first.quantity];
	const otherwise: Quantity[] = [];

	// `2 x 250 g`, `2 14-oz cans`, `1 (14 oz) can`: so many of a weight each.
	if (first.bare) {
		const each = eachWeight(rest);
		if (each)
			return {
				...each,
				rest: withoutHolder(each.rest),
				quantities: [timesQuantity(each.quantity, first.quantity.amount)]
			};
	} else if (CONTAINERS.includes(first.quantity.unit.name)) {
		const inside = parenthesised(rest);
		if (inside && /\beach\b/i.test(inside.words)) {
			const weight = timesQuantity(inside.quantity, first.quantity.amount);
			return { quantities, otherwise: [weight], rest: rest.slice(inside.length) };
		}
	}
	const more = addends(rest, first.quantity);
	quantities.push(...more.quantities);
	rest = rest.slice(more.length);
	if (isMeasured(first.quantity.unit)) rest = withoutHolder(rest);
	for (;;) {
		const other =
			/^\s*(?:\/|=|~|≈|\||,?\s*or\s(?:about\s)?|ou\s|oder\s|o\s|[,–—-]\s*(?:or\s+)?(?:about|approx(?:\.|imately)?|around|roughly|that is|i\.e\.|which is|ca\.)\s|,\s(?=[\d½⅓⅔¼¾⅛]))\s*/i.exec(
				rest
			);
		const same = other ? quantityAtStart(rest.slice(other[0].length), { words: true }) : null;
		if (!other || !same || !isMeasured(same.quantity.unit)) break;
		const also = addends(rest.slice(other[0].length + same.length), same.quantity);
		otherwise.push(together([same.quantity, ...also.quantities]) ?? same.quantity);
		rest = rest.slice(other[0].length + same.length + also.length).replace(/^\s*,\s*(?=of\s)/i, ' ');
	}
	return { quantities, otherwise, rest };
}

/** Somewhat less, or more, than what was said: as a range, its middle the value. */
function aBit({ low, high }: Amount, isLess: boolean): Amount {
	const [from, to] = isLess ? [low * (1 - A_BIT), high] : [low, high * (1 + A_BIT)];
	return { value: (from + to) / 2, low: from, high: to };
}

/** The quantity at the end or after a colon: `flour 500 g`, `eggs: 2`, `eggs x 2`. */
function takeTail(text: string): Taken | null {
	const separators = [
		...text.matchAll(/\s*(?:[:,=–—-]|\.{2,}|\bx\b|×)\s*(?=[\s\d½⅓⅔¼¾⅛])\s*|\s+(?=[\d½⅓⅔¼¾⅛])/gu)
	];
	for (const separator of separators) {
		const at = separator.index + separator[0].length;
		const after = text.slice(at);
		const hedge = HEDGE.exec(after)?.[0].length ?? 0;
		const counts = /[:=×x]/i.test(separator[0]);
		const found =
			quantityAtStart(after.slice(hedge), { bare: counts, words: true }) ?? unitAlone(after.slice(hedge));
		if (!found || separator.index === 0) continue;
		const more = addends(after.slice(hedge + found.length), found.quantity);
		const tail = after.slice(hedge + found.length + more.length);
		if (found.bare && tail.trim() !== '') continue;
		return {
			quantities: [found.quantity, ...more.quantities],
			otherwise: [],
			rest: `${text.slice(0, separator.index)}${tail}`
		};
	}
	return null;
}

/** Quantities said again further on, in parentheses or at the end, and the text without them. */
function takeOtherwise(
	text: string,
	known: Quantity[],
	notes: string[]
): { text: string; otherwise: Quantity[] } {
	const otherwise = [...known];
	let without = text.replace(/\(([^()]*)\)/g, (group, inner: string) => {
		const words = inner.trim().replace(/^(?:or|about|approx\.?|=|~|≈|ca\.?)\s*/i, '');
		const found = quantityAtStart(words);
		if (!found || !isMeasured(found.quantity.unit)) return group;
		// `yeast (or 15 g fresh yeast)`: another amount of another thing says nothing of this one.
		if (/^or\b/i.test(inner.trim()) && /\p{L}/u.test(words.slice(found.length))) {
			notes.push(inner.trim());
			return ' ';
		}
		const more = addends(words.slice(found.length), found.quantity);
		const sum = together([found.quantity, ...more.quantities]);
		const rest = words.slice(found.length + more.length).replace(/^\s*(?:each|total|in all)\b/i, '');
		const second = /^\s*[/,]\s*/.exec(rest);
		const other = second ? quantityAtStart(rest.slice(second[0].length)) : null;
		// A sum of two units cannot be compared as one: it is only a note then.
		if (sum) otherwise.push(sum);
		if (other && isMeasured(other.quantity.unit)) otherwise.push(other.quantity);
		const left = other && second ? rest.slice(second[0].length + other.length) : rest;
		return left.trim() ? ` (${left.trim()})` : ' ';
	});
	const end = /\s*(?:[,/=~≈–—]|\s-\s|\bor\b)\s*((?:about\s+|ca\.?\s+)?[\d½⅓⅔¼¾⅛][^,]*)$/u.exec(without);
	const words = end?.[1]?.replace(HEDGE, '');
	const found = words ? quantityAtStart(words) : null;
	if (end && words && found && isMeasured(found.quantity.unit) && words.slice(found.length).trim() === '') {
		otherwise.push(found.quantity);
		without = without.slice(0, end.index);
	}
	return { text: without.replace(/\s+/g, ' ').trim(), otherwise };
}

/** A weight of each after a bare number, with the container it is the weight of. */
function eachWeight(text: string): { quantity: Quantity; otherwise: Quantity[]; rest: string } | null {
	const times = /^\s*[x×]\s*/i.exec(text);
	if (times) {
		const found = quantityAtStart(text.slice(times[0].length));
		if (found)
			return { quantity: found.quantity, otherwise: [], rest: text.slice(times[0].length + found.length) };
	}
	const inside = parenthesised(text);
	const direct = inside ? null : quantityAtStart(text.trimStart());
	const found = inside ?? direct;
	if (!found || !isMeasured(found.quantity.unit)) return null;
	const from = inside ? inside.length : text.length - text.trimStart().length + found.length;
	const rest = text.slice(from);
	const container = unitAtStart(rest.trimStart());
	if (!container || !CONTAINERS.includes(container.unit.name)) return null;
	return { quantity: found.quantity, otherwise: [], rest: rest.trimStart().slice(container.length) };
}

/** A quantity that stands in parentheses at the start of a text. */
function parenthesised(text: string): { quantity: Quantity; length: number; words: string } | null {
	const group = /^\s*\(([^()]*)\)/.exec(text);
	const words = group?.[1]?.trim().replace(HEDGE, '') ?? '';
	const found = group ? quantityAtStart(words) : null;
	return group && found ? { quantity: found.quantity, length: group[0].length, words } : null;
}

function takeKeptBack(text: string): { quantity: Quantity; from: number; words: string } | null {
	const found = KEEP_BACK.exec(text);
	const inner = found?.[1]?.trim() ?? '';
	const quantity = found ? quantityAtStart(inner, { words: true }) : null;
	if (!found || !quantity || found.index === 0) return null;
	return { quantity: quantity.quantity, from: found.index, words: found[0].replace(/^[,;(\s]+|\)$/g, '') };
}

/** The name up to a comma, a semicolon or a dash, and what stands after it or in parentheses. */
function nameAndDetail(text: string): { name: string; detail: string } {
	const inside: string[] = [];
	const bare = text
		.replace(/\(([^()]*)\)/g, (_, words: string) => {
			inside.push(words.trim());
			return ' ';
		})
		.replace(/^[\s,.:;–—-]+|[\s,.:;–—-]+$/g, '')
		.replace(/\s+/g, ' ')
		.replace(OF, '');
	const cut =
		/\s*(?:[,;:]|\s[–—-]\s|\s\+\s|\bon (?:the )?(?:top|board|griddle)\b|\bin the (?:pan|bowl)\b|\bbetween (?:the )?layers\b|\bto (?:dust|brush|garnish|sprinkle|finish|grease)\b|\bfor\b|\bat \d|\bplus\b)/i.exec(
			bare
		);
	const name = (cut ? bare.slice(0, cut.index) : bare).trim();
	const after = cut
		? bare
				.slice(cut.index)
				.replace(/^[\s,;:–—-]+/, '')
				.trim()
		: '';
	const detail = [after, ...inside].filter(Boolean).join(', ');
	return name ? { name, detail } : { name: detail, detail: '' };
}
