import { describe, expect, it } from 'vitest';
import { calories, panelLine, type PanelKey } from './panel.ts';

const amount = (key: PanelKey, value: number) => panelLine(key, value).amount;
const dv = (key: PanelKey, value: number) => panelLine(key, value).dv;

describe('calories', () => {
	it.each([
		[4.99, '0'],
		[5, '5'],
		[47.4, '45'],
		[47.5, '50'],
		[50, '50'],
		[50.1, '50'], // above 50 by tens
		[54.9, '50'],
		[55, '60'],
		[142.5, '140'],
		[145, '150']
	])('%d prints %s', (value, text) => expect(calories(value)).toBe(text));
});

describe.each(['totalFat', 'saturatedFat', 'transFat'] as const)('%s', (key) => {
	it.each([
		[0, '0g'],
		[0.49, '0g'],
		[0.5, '0.5g'],
		[0.74, '0.5g'],
		[0.75, '1g'],
		[4.74, '4.5g'],
		[4.75, '5g'],
		[4.99, '5g'],
		[5, '5g'],
		[5.49, '5g'],
		[5.5, '6g']
	])('%d prints %s', (value, text) => expect(amount(key, value)).toBe(text));
});

describe('cholesterol', () => {
	it.each([
		[1.99, '0mg'],
		[2, 'less than 5mg'],
		[5, 'less than 5mg'],
		[5.01, '5mg'],
		[7.4, '5mg'],
		[7.5, '10mg']
	])('%d prints %s', (value, text) => expect(amount('cholesterol', value)).toBe(text));
});

describe('sodium', () => {
	it.each([
		[4.99, '0mg'],
		[5, '5mg'],
		[137.5, '140mg'],
		[140, '140mg'],
		[140.1, '140mg'], // above 140 by tens
		[144.9, '140mg'],
		[145, '150mg']
	])('%d prints %s', (value, text) => expect(amount('sodium', value)).toBe(text));
});

describe.each(['totalCarbohydrate', 'dietaryFiber', 'totalSugars', 'addedSugars', 'protein'] as const)(
	'%s',
	(key) => {
		it.each([
			[0.49, '0g'],
			[0.5, 'less than 1g'],
			[0.99, 'less than 1g'],
			[1, '1g'],
			[1.49, '1g'],
			[1.5, '2g']
		])('%d prints %s', (value, text) => expect(amount(key, value)).toBe(text));
	}
);

describe('vitamins and minerals', () => {
	it.each([
		['vitaminD', 0.04, '0mcg'],
		['vitaminD', 0.05, '0.1mcg'],
		['iron', 2.25, '2.3mg'],
		['iron', 1.96, '2mg'],
		['calcium', 14.9, '10mg'],
		['calcium', 15, '20mg'],
		['potassium', 4.9, '0mg'],
		['potassium', 5, '10mg']
	] as const)('%s %d prints %s', (key, value, text) => expect(amount(key, value)).toBe(text));

	// calcium: 13 mg is 1 % of its Daily Value
	it.each([
		[1.99, '0%'],
		[2, '2%'],
		[2.99, '2%'],
		[3, '4%'], // 3 is half way between 2 and 4: away from zero
		[9, '10%'],
		[10, '10%'],
		[10.1, '10%'], // above 10 by fives
		[12.5, '15%'],
		[50, '50%'],
		[50.1, '50%'], // above 50 by tens
		[54.9, '50%'],
		[55, '60%']
	])('%d percent of the Daily Value prints %s', (percent, text) => {
		expect(dv('calcium', percent * 13)).toBe(text);
		expect(dv('vitaminD', percent * 0.2)).toBe(text);
		expect(dv('iron', percent * 0.18)).toBe(text);
		expect(dv('potassium', percent * 47)).toBe(text);
	});
});

describe('% Daily Value', () => {
	it.each([
		['totalFat', 78],
		['saturatedFat', 20],
		['cholesterol', 300],
		['sodium', 2300],
		['totalCarbohydrate', 275],
		['dietaryFiber', 28],
		['addedSugars', 50]
	] as const)('%s: %d is 100 %%, to the nearest 1 %%', (key, whole) => {
		expect(dv(key, whole)).toBe('100%');
		expect(dv(key, whole * 0.0149)).toBe('1%');
		expect(dv(key, whole * 0.015)).toBe('2%');
	});

	it('is of the unrounded amount', () => {
		// 0.4 g of fat prints 0 g and is still 0.51 % → 1 %
		expect(panelLine('totalFat', 0.4)).toEqual({ amount: '0g', dv: '1%' });
	});

	it.each(['transFat', 'totalSugars', 'protein'] as const)('%s prints none', (key) => {
		expect(dv(key, 10)).toBeNull();
	});

	it('an unknown value prints nothing', () => {
		expect(panelLine('iron', null)).toEqual({ amount: null, dv: null });
	});
});
