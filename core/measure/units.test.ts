import { describe, expect, it } from 'vitest';
import { folded, GRAMS_PER, millilitresOf, unitAtStart, unitNamed } from './units.ts';

describe('a unit at the start of a text', () => {
	it.each([
		['g flour', 'g', 1],
		['gr. flour', 'g', 3],
		['Tbsp. oil', 'tbsp', 5],
		['fl oz milk', 'fl oz', 5],
		['fl. oz. milk', 'fl oz', 7],
		['cucharada sopera de aceite', 'tbsp', 16],
		['cuillère à soupe d’huile', 'tbsp', 16],
		['Esslöffel Öl', 'tbsp', 9],
		['T oil', 'tbsp', 1],
		['t salt', 'tsp', 1],
		['c flour', 'cup', 1],
		['sticks butter', 'stick', 6],
		['handful of seeds', 'handful', 7]
	])('is found in %j: %s', (text, name, length) => {
		const found = unitAtStart(text);
		expect(found?.unit.name).toBe(name);
		expect(found?.length).toBe(length);
	});

	// The first letters of a word are no unit.
	it.each(['garlic', 'lemon', 'tepid water', 'cumin', 'clover honey', '', '12'])('is none in %j', (text) => {
		expect(unitAtStart(text)).toBeNull();
	});

	it('is the whole word where it is asked for as one', () => {
		expect(unitNamed(' grams ')?.name).toBe('g');
		expect(unitNamed('grams of')).toBeNull();
		expect(unitNamed('furlong')).toBeNull();
	});
});

describe('what units hold', () => {
	it.each([
		// Section 2: a US cup is 236.588 mL, with 16 tablespoons and 48 teaspoons in it.
		['cup', 'us', 236.588],
		['tbsp', 'us', 236.588 / 16],
		['tsp', 'us', 236.588 / 48],
		// A pinch is a sixteenth of a teaspoon: 4.92892 / 16.
		['pinch', 'us', 236.588 / 48 / 16],
		['cup', 'metric', 250],
		['tbsp', 'metric', 15],
		['tsp', 'metric', 5],
		['pinch', 'metric', 5 / 16],
		['l', 'metric', 1000],
		['dl', 'us', 100]
	] as const)('a %s of the %s set is %d mL', (unit, set, ml) => {
		expect(millilitresOf(unit, set)).toBeCloseTo(ml, 9);
	});

	it('a weight is no volume', () => {
		expect(millilitresOf('g', 'us')).toBeNull();
	});

	it('a pound is sixteen ounces', () => {
		expect(GRAMS_PER.oz * 16).toBeCloseTo(GRAMS_PER.lb, 9);
	});
});

it('words compare without accents, case and sharp s', () => {
	expect(folded('Weißmehl À la Crème')).toBe('weissmehl a la creme');
});
