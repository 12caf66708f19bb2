import { expect, it } from 'vitest';
import { Matcher, wordsOf } from '../match.ts';
import { EVERYDAY } from './everyday.ts';
import { REFERENCE_NAMES } from './index.ts';

/** What every kitchen has a word for. */
const IN_EVERY_BREAD = ['water', 'oil', 'salt', 'sugar', 'yeast', 'yogurt'];
const FLOURS = ['flour', 'atta', 'maida'];
const FATS = ['fat', 'lard', 'ghee', 'butter'];

const matcher = new Matcher(Object.entries(REFERENCE_NAMES).map(([id, other]) => ({ id, name: id, other })));

it('seven languages have their words', () => {
	expect(Object.keys(EVERYDAY)).toEqual([
		'Spanish',
		'Hindi',
		'Urdu',
		'Arabic',
		'Turkish',
		'Indonesian',
		'Swahili'
	]);
});

it.each(Object.entries(EVERYDAY))(
	'%s has what is in every bread, and each word means what it does in English',
	(_, meanings) => {
		const english = Object.keys(meanings);
		expect(english).toEqual(expect.arrayContaining(IN_EVERY_BREAD));
		expect(english.some((name) => FLOURS.includes(name))).toBe(true);
		expect(english.some((name) => FATS.includes(name))).toBe(true);
		for (const [name, said] of Object.entries(meanings))
			for (const word of said) {
				expect([word, wordsOf(word)]).toEqual([word, wordsOf(name)]);
				expect([word, matcher.match(word)]).toEqual([word, matcher.match(name)]);
				expect(matcher.match(word).state, word).not.toBe('none');
			}
	}
);
