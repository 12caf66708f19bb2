import { describe, expect, it } from 'vitest';
import { allergensText, readAllergens } from './list.ts';

describe('a list of allergens as it is typed', () => {
	it.each([
		['wheat, milk', ['wheat', 'milk']],
		['Wheat; SOYA ; treenut: almond', ['wheat', 'soy', 'treenut:almond']],
		['none', []],
		['', []],
		['-', []],
		['soy, soybeans', ['soy']]
	])('%j is %j', (text, tags) => {
		expect(readAllergens(text)).toEqual({ ok: true, value: tags });
	});

	it.each([
		['wheat, unicorn', '"unicorn" is no allergen known here'],
		['treenut', 'say which treenut, such as treenut:almond'],
		['nuts', 'say which nut'],
		['gluten', 'say which grain'],
		['none, wheat', '"none" is no allergen known here'],
		['constructor', 'is no allergen known here']
	])('%j is refused by its word', (text, says) => {
		const read = readAllergens(text);
		expect(read.ok ? '' : read.message).toContain(says);
	});

	it('is written as it is read', () => {
		expect(allergensText(['wheat', 'treenut:almond'])).toBe('wheat, treenut:almond');
		expect(readAllergens(allergensText([]))).toEqual({ ok: true, value: [] });
	});
});
