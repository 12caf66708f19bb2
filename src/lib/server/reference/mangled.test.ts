import { cases } from '$core/testing/cases.ts';
import fc from 'fast-check';
import { expect, it } from 'vitest';
import { wordsOf } from '$core/composition/match.ts';
import { REFERENCE_NAMES } from '$core/composition/names/index.ts';
import { readLine, type LineReading } from '$core/formula/said/read-line.ts';
import { referenceContext } from './context.ts';
import { PHRASINGS } from './lines.corpus.ts';

const COUNT = cases(10_000);
const SEED = 14;
const context = referenceContext();

/** Words that make something else of what they stand beside. */
const OTHER_FOODS = [
	'almond',
	'oat',
	'peanut',
	'vegan',
	'sour',
	'mustard',
	'cashew',
	'ragi',
	'cream',
	'bean'
];

/** What can happen to a line on its way: a letter lost, doubled, changed or swapped; a word lost, put in, or moved. */
const slip = fc.record({
	how: fc.constantFrom('drop', 'double', 'change', 'swap', 'loseWord', 'putIn', 'moveWord', 'join'),
	at: fc.nat(1000),
	by: fc.nat(1000)
});
type Slip = { how: string; at: number; by: number };

function mangled(line: string, { how, at, by }: Slip): string {
	const letters = [...line];
	const i = at % Math.max(1, letters.length);
	const words = line.split(' ');
	const w = at % words.length;
	const letter = String.fromCodePoint(97 + (by % 26));
	if (how === 'drop') letters.splice(i, 1);
	else if (how === 'double') letters.splice(i, 0, letters[i] ?? '');
	else if (how === 'change') letters[i] = letter;
	else if (how === 'swap') letters.splice(i, 2, letters[i + 1] ?? '', letters[i] ?? '');
	else {
		if (how === 'loseWord') words.splice(w, 1);
		else if (how === 'putIn') words.splice(w, 0, OTHER_FOODS[by % OTHER_FOODS.length] ?? '');
		else if (how === 'moveWord') words.splice(by % words.length, 0, ...words.splice(w, 1));
		else words.splice(w, 2, `${words[w] ?? ''}${words[w + 1] ?? ''}`);
		return words.join(' ');
	}
	return letters.join('');
}

/** Whether all words of one of its names are said, letter by letter; what yeast comes in says which it is. */
function isSaid(id: string, { name, text }: LineReading): boolean {
	const said = new Set([...wordsOf(text), ...wordsOf(name)]);
	const isNamed = (REFERENCE_NAMES[id]?.names ?? []).some((each) =>
		wordsOf(each.replace(/^[!?]/, '')).every((word) => said.has(word))
	);
	const isInPackets = /packet|sachet|envelope|paket|cake/i.test(text);
	return isNamed || (id.startsWith('yeast-') && said.has('yeast') && isInPackets);
}

/** What a reading takes for certain, though nobody said it. */
const notSaid = (reading: LineReading): string[] =>
	[reading, ...reading.lines]
		.filter(({ ingredient }) => ingredient !== null && !isSaid(ingredient, reading))
		.map(({ text, ingredient }) => `${text}: ${ingredient ?? ''}`);

it('10,000 mangled lines never yield an ingredient whose words were not said', () => {
	const lines = fc.sample(
		fc.record({
			line: fc.constantFrom(...PHRASINGS.map(([text]) => text)),
			slips: fc.array(slip, { minLength: 1, maxLength: 3 })
		}),
		{ numRuns: COUNT, seed: SEED }
	);
	const wrong: string[] = [];
	let known = 0;
	for (const { line, slips } of lines) {
		const text = slips.reduce(mangled, line);
		const reading = readLine(text, context);
		if (reading.ingredient !== null) known++;
		wrong.push(...notSaid(reading));
	}
	expect(wrong).toEqual([]);
	// Most slips leave the name alone: a reader that knows nothing would pass too.
	expect(known).toBeGreaterThan(COUNT / 8);
});

it.each(['almond', 'oat', 'peanut', 'vegan', 'mustard', 'cashew', 'soy'])(
	'%s before a name makes it something else',
	(food) => {
		for (const name of ['milk', 'butter', 'flour', 'oil', 'water', 'yogurt', 'salt', 'ghee'])
			if (
				`${food} ${name}` !== 'oat flour' &&
				`${food} ${name}` !== 'peanut oil' &&
				`${food} ${name}` !== 'soy oil'
			)
				expect(readLine(`1 cup ${food} ${name}`, context).ingredient, name).toBeNull();
	}
);
