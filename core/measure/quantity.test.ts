import { describe, expect, it } from 'vitest';
import {
	addends,
	quantityAtStart,
	sameUnitSum,
	timesQuantity,
	together,
	unitAlone,
	withoutHolder,
	type Quantity
} from './quantity.ts';

const said = (text: string, allow = {}) => {
	const found = quantityAtStart(text, allow);
	return found && [found.quantity.amount.value, found.quantity.unit.name];
};
const quantity = (text: string): Quantity => {
	const found = quantityAtStart(text, { words: true, bare: true });
	if (!found) throw new Error(`no quantity in ${text}`);
	return found.quantity;
};

describe('a quantity at the start of a line', () => {
	it.each([
		['2 cups flour', 2, 'cup'],
		['500g flour', 500, 'g'],
		['1-inch piece', null, null],
		['2 heaped tbsp yoghurt', 2, 'tbsp'],
		// Nobody weighs a thousandth of a gram of flour, and nobody kneads a tonne.
		['1,130 g flour', 1130, 'g'],
		['1.130 g flour', 1130, 'g'],
		['1,250 kg flour', 1.25, 'kg'],
		['0,125 g saffron', 0.125, 'g']
	])('%j', (text, value, unit) => {
		expect(said(text)).toEqual(value === null ? null : [value, unit]);
	});

	it.each(['100% flour', '180 °C oven', '00 flour with', '20 percent cream', 'flour 2 cups'])(
		'is none in %j',
		(text) => {
			expect(said(text)).toBeNull();
		}
	);

	it('may be a bare number where that is allowed', () => {
		expect(said('2 eggs')).toBeNull();
		expect(said('2 eggs', { bare: true })).toEqual([2, 'each']);
		expect(said('two eggs', { bare: true })).toBeNull();
		expect(said('two eggs', { bare: true, words: true })).toEqual([2, 'each']);
	});

	it('keeps how full it was as a note', () => {
		expect(quantityAtStart('1 scant cup flour')?.notes).toEqual(['scant']);
	});
});

describe('a unit without a number', () => {
	it.each([
		['pinch of salt', 'pinch'],
		['pinch salt', 'pinch'],
		['heaping tablespoon of honey', 'tbsp'],
		['handful seeds', 'handful']
	])('is one of it: %j', (text, unit) => {
		expect(unitAlone(text)?.quantity).toMatchObject({ amount: { value: 1 }, unit: { name: unit } });
	});

	it.each(['cake flour', 'spoon honey', 'cup flour', 'salt'])('is none in %j', (text) => {
		expect(unitAlone(text)).toBeNull();
	});
});

describe('quantities together', () => {
	it('are added as often as it is said', () => {
		const found = addends(' + 2 tbsp + 1 tsp milk', quantity('1 cup'));
		expect(found.quantities.map(({ unit }) => unit.name)).toEqual(['tbsp', 'tsp']);
	});

	it('without a word between only when the second unit is a smaller one', () => {
		expect(addends(' 4 oz butter', quantity('1 lb')).quantities).toHaveLength(1);
		expect(addends(' 4 cups butter', quantity('1 lb')).quantities).toHaveLength(0);
	});

	it('of weights are grams', () => {
		// 453.59237 + 4 · 28.349523125
		const sum = together([quantity('1 lb'), quantity('4 oz')]);
		expect(sum?.unit.name).toBe('g');
		expect(sum?.amount.value).toBeCloseTo(566.990463, 5);
	});

	it('of one unit keep it, of a weight and a volume are none', () => {
		expect(together([quantity('1 cup'), quantity('2 cups')])).toMatchObject({
			unit: { name: 'cup' },
			amount: { value: 3 }
		});
		expect(together([quantity('1 cup'), quantity('2 g')])).toBeNull();
		expect(sameUnitSum([])).toBeNull();
	});

	it('so many times each', () => {
		expect(timesQuantity(quantity('7 g'), { value: 2, low: 2, high: 2 }).amount.value).toBe(14);
	});
});

it('a container that only holds the amount is left out', () => {
	expect(withoutHolder(' sachet yeast')).toBe(' yeast');
	expect(withoutHolder(' yeast')).toBe(' yeast');
});
