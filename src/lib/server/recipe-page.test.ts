import { describe, expect, it } from 'vitest';
import { writeRecipeJsonLd } from '$core/file/recipe-jsonld.ts';
import { factsOf, recipe } from '$core/testing/recipe.ts';
import { readRecipe } from './recipe-page.ts';

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
		expect(readRecipe(JSON.stringify(said))).toEqual({
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
		expect(readRecipe(source)).toMatchObject({ ok: true, value: { lines: { length: 3 } } });
	});
	it.each([
		['not JSON', 'neither JSON'],
		['{"@type":"Person"}', 'no schema.org Recipe'],
		['{"@type":"Recipe","name":"x"}', 'no "recipeIngredient"']
	])('%s is refused', (source, message) => {
		const read = readRecipe(source);
		expect(read.ok ? '' : read.problems[0]?.message).toContain(message);
	});
	it('is found in a page whose other scripts, comments and attributes look like it', () => {
		const page = [
			'<!-- <script type="application/ld+json">{"@type":"Recipe"}</script> -->',
			'<p title=\'<script type="application/ld+json">\'>bread</p>',
			'<script>const a = "<b>";</script>',
			`<SCRIPT id=x TYPE='application/ld+json'>${JSON.stringify(said)}</SCRIPT>`
		].join('\n');
		expect(readRecipe(page)).toMatchObject({ ok: true, value: { lines: { length: 3 } } });
	});

	it('reads marks of every kind in its text, once', () => {
		const recipeIngredient = [
			'&#189;&nbsp;cup caf&eacute; cr&egrave;me',
			'2 &lt; 3 &amp;amp; more',
			'1 &#x1F95A;'
		];
		const read = readRecipe(JSON.stringify({ '@type': 'Recipe', recipeIngredient }));
		expect(read.ok && read.value.lines).toEqual(['½ cup café crème', '2 < 3 &amp; more', '1 🥚']);
	});

	it('is what was written, read back', () => {
		const made = recipe({ pack: { pieces: 6 } });
		const read = readRecipe(writeRecipeJsonLd(made, factsOf(made), ['Mix', 'Rest 20 min']));
		expect(read.ok && read.value.lines).toEqual(['1000 g Bread flour', '600 g Water']);
	});
});

describe('a page that is made to hurt', () => {
	const MANY = 60_000;
	// Each is read in one pass: where reading took the square of it, this test would not end in its time.
	it.each([
		'<',
		'<a ',
		'<script ',
		'<script type="application/ld+json">',
		'<div>',
		'<!--',
		'<a b="',
		'</a>',
		'&amp'
	])('%s, very often, is no recipe', (piece) => {
		expect(readRecipe(piece.repeat(MANY)).ok).toBe(false);
		const lines = { '@type': 'Recipe', recipeIngredient: [`1 cup flour${piece.repeat(MANY)}`] };
		expect(readRecipe(JSON.stringify(lines)).ok).toBe(true);
	});

	it('is not followed deeper than people write', () => {
		const nested = (open: string, close: string) => `${open.repeat(MANY)}${close.repeat(MANY)}`;
		expect(readRecipe(nested('[', ']')).ok).toBe(false);
		const steps = `${'{"itemListElement":'.repeat(MANY)}"Mix"${'}'.repeat(MANY)}`;
		const read = readRecipe(
			`{"@type":"Recipe","recipeIngredient":["1 cup flour"],"recipeInstructions":${steps}}`
		);
		expect(read).toMatchObject({ ok: true, value: { steps: [] } });
	});
});
