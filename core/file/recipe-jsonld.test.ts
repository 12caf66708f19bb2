import { describe, expect, it } from 'vitest';
import { factsOf, recipe } from '../testing/recipe.ts';
import { readRecipeJsonLd, writeRecipeJsonLd } from './recipe-jsonld.ts';

const said = {
	'@context': 'https://schema.org',
	'@type': 'Recipe',
	name: 'Soft &amp; plain roti',
	recipeYield: ['12', '12 roti'],
	recipeIngredient: ['2 cups atta', '&frac12; tsp salt', ' <b>3/4 cup</b> warm water '],
	recipeInstructions: [
		{ '@type': 'HowToStep', text: 'Mix.' },
		{ '@type': 'HowToSection', itemListElement: [{ '@type': 'HowToStep', text: 'Rest.' }] }
	]
};

describe('schema.org Recipe in', () => {
	it('gives its lines as they were written, without markup', () => {
		expect(readRecipeJsonLd(JSON.stringify(said))).toEqual({
			ok: true,
			value: {
				name: 'Soft & plain roti',
				lines: ['2 cups atta', '½ tsp salt', '3/4 cup warm water'],
				steps: ['Mix.', 'Rest.'],
				yield: '12'
			}
		});
	});
	it.each([
		['in a list', JSON.stringify([{ '@type': 'WebPage' }, said])],
		[
			'in a graph',
			JSON.stringify({ '@graph': [{ '@type': 'Person' }, { ...said, '@type': ['Thing', 'Recipe'] }] })
		],
		['in a page', `<html><script type="application/ld+json">${JSON.stringify(said)}</script></html>`]
	])('is found %s', (_, source) => {
		expect(readRecipeJsonLd(source)).toMatchObject({ ok: true, value: { lines: { length: 3 } } });
	});
	it.each([
		['not JSON', 'neither JSON'],
		['{"@type":"Person"}', 'no schema.org Recipe'],
		['{"@type":"Recipe","name":"x"}', 'no "recipeIngredient"']
	])('%s is refused', (source, message) => {
		const read = readRecipeJsonLd(source);
		expect(read.ok ? '' : read.problems[0]?.message).toContain(message);
	});
});

describe('schema.org Recipe out', () => {
	const made = recipe({ pack: { pieces: 6 } });
	const written = JSON.parse(writeRecipeJsonLd(made, factsOf(made), ['Mix', 'Rest 20 min']));
	it('carries the lines in grams and the nutrition of one piece', () => {
		expect(written).toMatchObject({
			'@type': 'Recipe',
			name: 'Plain roti',
			recipeYield: '32 roti', // 1600 / 50
			recipeIngredient: ['1000 g Bread flour', '600 g Water'],
			nutrition: {
				servingSize: '1 roti (42 g)',
				proteinContent: '3.8 g', // 50/1600 · 1000 · 12 % = 3.75
				calories: '111 calories' // 4·3.75 + 4·22.5 + 9·0.625 = 110.625
			}
		});
		expect(written.recipeInstructions).toHaveLength(2);
	});
	it('reads back as the same lines', () => {
		const read = readRecipeJsonLd(JSON.stringify(written));
		expect(read.ok && read.value.lines).toEqual(['1000 g Bread flour', '600 g Water']);
	});
});
