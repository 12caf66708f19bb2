import { describe, expect, it } from 'vitest';
import { partsSaid } from './several.ts';

const KNOWN = new Set(['flour', 'water', 'salt', 'sugar', 'ghee', 'sesame seeds', 'pepper']);
const parts = (text: string) =>
	partsSaid(text, ({ name }) => KNOWN.has(name)).map(({ said }) => [
		said.name,
		said.quantities[0]?.amount.value ?? null,
		said.quantities[0]?.unit.name ?? null,
		said.use
	]);

describe('the lines a sentence says', () => {
	it('are two of one ingredient where more of it has a use of its own', () => {
		expect(parts('4 cups flour plus a quarter cup extra for dusting')).toEqual([
			['flour', 4, 'cup', null],
			['flour', 0.25, 'cup', 'dusting']
		]);
		expect(parts('2 tbsp sesame seeds, plus extra to sprinkle')).toEqual([
			['sesame seeds', 2, 'tbsp', null],
			['sesame seeds', null, null, 'garnish']
		]);
	});

	it('are as many as are said with their amounts', () => {
		expect(parts('500 g flour, 300 g water and 10 g salt')).toEqual([
			['flour', 500, 'g', null],
			['water', 300, 'g', null],
			['salt', 10, 'g', null]
		]);
	});

	it('are each of what is said at once', () => {
		expect(parts('1 tsp each salt and sugar')).toEqual([
			['salt', 1, 'tsp', null],
			['sugar', 1, 'tsp', null]
		]);
		expect(parts('salt and pepper')).toEqual([
			['salt', null, null, null],
			['pepper', null, null, null]
		]);
	});

	it('stand under a heading on the same line', () => {
		expect(parts('Dough: 500 g flour')).toEqual([['flour', 500, 'g', null]]);
		expect(parts('salt: 10 g')).toEqual([['salt', 10, 'g', null]]);
	});

	it.each([
		'1 cup and 2 tbsp flour',
		'flour, 2 cups',
		'2 cups flour, sifted',
		'2 cups flour, 250 g',
		'2 cups flour and 3 unicorns',
		'350 g (2 cups plus 1 tbsp) flour',
		'salt and unicorns',
		'1 tsp each salt and unicorns'
	])('is one: %j', (text) => {
		expect(parts(text)).toHaveLength(1);
	});

	it('is not looked for in what is no line', () => {
		expect(parts(`1 cup flour, ${'1 cup water, '.repeat(40)}`)).toHaveLength(1);
	});
});
