import { describe, expect, it } from 'vitest';
import { ownName, withOwnMeasures, type OwnMeasure } from './own-measures.ts';

/** A cup of 250 mL weighs 125 g: 0.5 g a millilitre. */
const FLOUR = { cup: { grams: 125, low: 115, high: 145 } };
const SPOON: OwnMeasure = { name: 'spoon', kind: null, millilitres: 12, grams: null };
const WEIGHED: OwnMeasure = { name: 'spoonful', kind: 'flour', millilitres: null, grams: 9 };

describe('a measure of one’s own', () => {
	it('is what it weighs with that kind, and otherwise what it holds of it', () => {
		const own = [SPOON, WEIGHED];
		expect(withOwnMeasures(FLOUR, 'flour', own, 'metric').spoon).toEqual({ grams: 9, low: 9, high: 9 });
		// 12 mL · 125 g ÷ 250 mL, and its range from 115 and 145.
		const starch = withOwnMeasures(FLOUR, 'starch', own, 'metric').spoon;
		expect(starch?.grams).toBeCloseTo(6, 9);
		expect(starch?.low).toBeCloseTo(5.52, 9);
		expect(starch?.high).toBeCloseTo(6.96, 9);
	});

	it('says nothing of what has no volume to go by', () => {
		expect(withOwnMeasures({}, 'produce', [SPOON], 'us')).toEqual({});
	});

	it('comes after what the ingredient itself says', () => {
		const measures = { spoon: { grams: 7, low: 7, high: 7 } };
		expect(withOwnMeasures(measures, 'flour', [WEIGHED], 'us').spoon?.grams).toBe(7);
	});

	it.each([
		['Spoonfuls', 'spoon'],
		['vaso', 'glass'],
		['Blue  Mug', 'blue mug']
	])('called %j is %j in lines', (name, called) => {
		expect(ownName(name)).toBe(called);
	});
});
