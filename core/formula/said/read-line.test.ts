import { describe, expect, it } from 'vitest';
import { Matcher } from '../../composition/match.ts';
import { withOwnMeasures, type OwnMeasure } from '../../composition/own-measures.ts';
import { readLine } from './read-line.ts';

const OWN: OwnMeasure[] = [
	{ name: 'spoon', kind: null, millilitres: 12, grams: null },
	{ name: 'spoon', kind: 'flour', millilitres: null, grams: 9 },
	{ name: 'blue mug', kind: null, millilitres: 180, grams: null }
];
const THINGS = [
	{ id: 'flour', name: 'Flour', kind: 'flour', cup: 125 },
	{ id: 'sugar', name: 'Sugar', kind: 'sweetener', cup: 200 }
] as const;
const matcher = new Matcher(THINGS, { closed: true });
const context = {
	matcher,
	isName: (name: string) => matcher.match(name).state !== 'none',
	measuresOf: (id: string) => {
		const { kind, cup } = THINGS.find((each) => each.id === id) ?? THINGS[0];
		return withOwnMeasures({ cup: { grams: cup, low: cup, high: cup } }, kind, OWN, 'metric');
	},
	ownUnits: ['spoon', 'blue mug'],
	set: 'metric'
} as const;

describe('a line said with a measure of one’s own', () => {
	it.each([
		// 2 · 9 g, as weighed with flour
		['2 spoons of flour', 'flour', 2, 'spoon', 18],
		['2 of my spoons of flour', 'flour', 2, 'spoon', 18],
		// 12 mL · 200 g ÷ 250 mL
		['my spoon of sugar', 'sugar', 1, 'spoon', 9.6],
		// 2 · 180 mL · 125 g ÷ 250 mL
		['2 blue mugs of flour', 'flour', 2, 'blue mug', 180],
		['a blue mug flour', 'flour', 1, 'blue mug', 90]
	])('%j is %s, %d %s, %d g', (text, ingredient, amount, unit, grams) => {
		expect(readLine(text, context)).toMatchObject({ ingredient, amount, unit, grams, doubts: [] });
	});

	it('is no fixed amount where nobody gave it', () => {
		expect(readLine('a glass of sugar', context)).toMatchObject({ grams: null, doubts: ['vague-unit'] });
	});
});
