import { describe, expect, it } from 'vitest';
import { isSlipOf, Matcher, rememberedName, wordsOf, type Nameable } from './match.ts';

const SHELF: Nameable[] = [
	{ id: 'bread', name: 'Bread flour', other: { names: ['!bread flour', 'strong flour', 'flour'] } },
	{ id: 'atta', name: 'Atta, stone-ground', other: { names: ['atta', 'whole wheat flour', 'flour'] } },
	{ id: 'black', name: 'Pepper, black', other: { names: ['!black pepper', '!pepper'], not: ['white'] } },
	{ id: 'white', name: 'Pepper, white', other: { names: ['white pepper', 'pepper'] } },
	{ id: 'olive', name: 'Olive oil', other: { names: ['olive oil', 'oil'] } },
	{ id: 'sesame', name: 'Sesame seed', other: { names: ['sesame', 'sesame seed'] } }
];
const open = new Matcher(SHELF);
const closed = new Matcher(SHELF, { closed: true });

describe('words of a name', () => {
	it.each([
		['Sesame seeds, toasted', ['sesame', 'seed', 'toasted']],
		['Bay leaves', ['bay', 'leaf']],
		['Cherries', ['cherry']],
		['Radishes', ['radish']],
		['Swiss cress', ['swiss', 'cress']]
	])('%j are %j', (text, words) => {
		expect(wordsOf(text)).toEqual(words);
	});
});

describe('a slip of the pen', () => {
	it.each([
		['sesame', 'sesam', true],
		['seasme', 'sesame', true],
		// Nine letters forgive two.
		['cardomon', 'cardamom', false],
		['buttermilk', 'buttermlik', true],
		['cinamonn', 'cinnamon', false],
		// Four letters forgive none, and the first has to be right.
		['salt', 'malt', false],
		['milk', 'silk', false],
		['wheat', 'cheat', false]
	])('%j for %j: %s', (word, meant, is) => {
		expect(isSlipOf(word, meant)).toBe(is);
	});
});

describe('what a name means', () => {
	it.each([
		['bread flour', 'bread'],
		['Strong flour', 'bread'],
		['atta', 'atta'],
		['sesame seeds', 'sesame'],
		// Black is meant where nothing else is said, and never where white is.
		['pepper', 'black'],
		['white pepper', 'white']
	])('%j is one thing', (name, id) => {
		expect(open.match(name)).toEqual({ state: 'one', id });
	});

	it('may be several, and is asked', () => {
		expect(open.match('flour')).toEqual({ state: 'several', ids: ['bread', 'atta'] });
	});

	it.each(['seed', 'seasme seeds', 'sesam'])('is asked where %j is only a part of it or a slip', (name) => {
		expect(open.match(name)).toMatchObject({ state: 'several', ids: ['sesame'] });
		expect(closed.match(name)).toMatchObject({ state: 'several', ids: ['sesame'] });
	});

	it('of a kind is asked among everything, and meant where a shelf has one of it', () => {
		const things = [{ id: 'whole', name: 'Milk, whole', other: { names: ['?milk', 'whole milk'] } }];
		expect(new Matcher(things).match('milk')).toEqual({ state: 'several', ids: ['whole'] });
		expect(new Matcher(things, { closed: true }).match('milk')).toEqual({ state: 'one', id: 'whole' });
	});

	it('is never what it is only the end of', () => {
		const shelf = new Matcher(
			['Coconut milk, canned', 'Peanut butter', 'Butter oil', 'Cream of tartar'].map((name) => ({
				id: name,
				name
			})),
			{ closed: true }
		);
		for (const name of ['milk', 'butter', 'oil', 'cream', 'butter milk powder', 'constructor', '__proto__'])
			expect(shelf.match(name), name).toEqual({ state: 'none' });
	});

	it('is said more exactly by what stands beside it, where all of that is one name', () => {
		expect(open.match('flour', 'strong')).toEqual({ state: 'one', id: 'bread' });
		expect(open.match('flour', 'sifted, strong')).toEqual({ state: 'one', id: 'bread' });
		expect(open.match('flour', 'half strong, half whole wheat')).toMatchObject({ state: 'several' });
		expect(open.match('pepper', 'white')).toEqual({ state: 'one', id: 'white' });
	});

	it.each(['', 'xanthan gum', 'flour tortilla press'])('is nothing known in %j', (name) => {
		expect(open.match(name)).toEqual({ state: 'none' });
	});

	it('is what either side may be where one of two is said', () => {
		expect(open.match('olive oil or sesame')).toEqual({ state: 'several', ids: ['olive', 'sesame'] });
		expect(open.match('atta or whole wheat flour')).toEqual({ state: 'one', id: 'atta' });
		expect(open.match('olive oil or lard')).toEqual({ state: 'none' });
	});

	it('is what was chosen for it before', () => {
		const remembered = new Matcher(SHELF, { remembered: new Map([[rememberedName('Flours'), 'atta']]) });
		expect(remembered.match('flour')).toEqual({ state: 'one', id: 'atta' });
	});
});
