import { describe, expect, it } from 'vitest';
import { gramsOf, measuresInSet, measuresText, readMeasures, weightOf, type Measures } from './convert.ts';
import { unitNamed } from './units.ts';

const unit = (name: string) => {
	const found = unitNamed(name);
	if (!found) throw new Error(`no unit ${name}`);
	return found;
};
const FLOUR: Measures = { cup: { grams: 128, low: 120, high: 144 } };
const amount = (value: number, low = value, high = value) => ({ value, low, high });

describe('grams of a measure', () => {
	it('of a weight need no measure of the ingredient', () => {
		expect(weightOf(unit('kg'), {}, 'us')).toEqual({ grams: 1000, low: 1000, high: 1000 });
	});

	it('of a spoon follow from the cup: 16 tablespoons and 48 teaspoons', () => {
		// 128 / 16 = 8, 120 / 16 = 7.5, 144 / 16 = 9
		expect(weightOf(unit('tbsp'), FLOUR, 'us')).toMatchObject({ grams: 8, low: 7.5, high: 9 });
		// 128 / 48
		expect(weightOf(unit('tsp'), FLOUR, 'us')?.grams).toBeCloseTo(2.6667, 4);
	});

	it('of a metric cup and spoon follow each other too', () => {
		// 15 / 250 of 125
		expect(weightOf(unit('tbsp'), { cup: { grams: 125, low: 125, high: 125 } }, 'metric')?.grams).toBeCloseTo(
			7.5,
			9
		);
	});

	it('of a spoon follow the other spoon before the cup', () => {
		const both: Measures = { ...FLOUR, tsp: { grams: 3, low: 3, high: 3 } };
		// 3 teaspoons are a tablespoon: 9, not the 8 of the cup.
		expect(weightOf(unit('tbsp'), both, 'us')?.grams).toBeCloseTo(9, 9);
	});

	it('of a package are those of the packet it is', () => {
		const yeast: Measures = { packet: { grams: 7, low: 7, high: 7 } };
		expect(weightOf(unit('package'), yeast, 'us')?.grams).toBe(7);
		expect(weightOf(unit('packet'), yeast, 'us')?.grams).toBe(7);
	});

	it.each(['each', 'handful', 'clove'])('of %j are not known without a measure of it', (name) => {
		expect(weightOf(unit(name), FLOUR, 'us')).toBeNull();
	});

	it('are not known of an ingredient nobody measured', () => {
		expect(weightOf(unit('cup'), {}, 'us')).toBeNull();
		expect(gramsOf(amount(2), unit('cup'), {}, 'us')).toBeNull();
	});

	it('of an amount carry both ranges', () => {
		// 2 to 3 cups at 120 to 144: from 2 · 120 to 3 · 144, and 2.5 · 128 in the middle.
		expect(gramsOf(amount(2.5, 2, 3), unit('cup'), FLOUR, 'us')).toEqual({ grams: 320, low: 240, high: 432 });
	});
});

describe('measures', () => {
	it('of another set of cups hold by volume', () => {
		// 250 / 236.588 of 128; a packet is a packet.
		const metric = measuresInSet({ ...FLOUR, packet: { grams: 7, low: 7, high: 7 } }, 'us', 'metric');
		expect(metric.cup?.grams).toBeCloseTo((128 * 250) / 236.588, 9);
		expect(metric.packet?.grams).toBe(7);
	});

	it('of the same set are as they were', () => {
		expect(measuresInSet(FLOUR, 'us', 'us')).toBe(FLOUR);
	});

	it('are written as they are read', () => {
		const text = 'cup:125:118-145;tbsp:8:7-9';
		expect(measuresText(readMeasures(text))).toBe(text);
		expect(readMeasures('each:50')).toEqual({ each: { grams: 50, low: 50, high: 50 } });
		expect(readMeasures('')).toEqual({});
	});
});
