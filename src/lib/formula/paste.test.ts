import { describe, expect, it } from 'vitest';
import { shelfContext, type NamedIngredient } from './line-context.ts';
import { readLine } from '$core/formula/said/read-line.ts';
import { readPaste } from './paste.ts';

const SHELF: NamedIngredient[] = [
	{
		id: 'flour',
		name: 'Bread flour',
		kind: 'flour',
		referenceId: 'flour-bread-enriched',
		measures: { cup: { grams: 130, low: 120, high: 150 } }
	},
	{
		id: 'salt',
		name: 'Sea salt',
		kind: 'salt',
		referenceId: 'salt',
		measures: { tsp: { grams: 6, low: 5.5, high: 6.3 } }
	},
	{
		id: 'water',
		name: 'Water',
		kind: 'water',
		referenceId: 'water',
		measures: { cup: { grams: 236.6, low: 236.6, high: 236.6 } }
	}
];
const context = shelfContext(SHELF, [], 'us', []);
const pasted = (text: string) => {
	const { lines, steps } = readPaste(text, 'Dough', (said) => readLine(said, context), SHELF as never[]);
	return {
		lines: lines.map(({ stage, said, ingredient, grams }) => [stage, said, ingredient, grams]),
		steps
	};
};

describe('a recipe that is pasted', () => {
	it('whole is its lines under their headings, and what is done is its steps', () => {
		const { lines, steps } = pasted(
			[
				'Makes 12 tortillas',
				'Prep time: 20 min',
				'INGREDIENTS',
				'• 3 cups bread flour, divided',
				'2) 1 cup water at 40 degrees',
				'',
				'FOR THE BOARD:',
				'½ cup bread flour plus more for dusting',
				'Method:',
				'1. Mix.',
				'Step 2: Rest 30 minutes.'
			].join('\r\n')
		);
		// 3 · 130, 236.6, 0.5 · 130
		expect(lines).toEqual([
			['Dough', '• 3 cups bread flour, divided', 'flour', '390'],
			['Dough', '2) 1 cup water at 40 degrees', 'water', '236.6'],
			['Board', '½ cup bread flour', 'flour', '65'],
			['Board', 'more for dusting', 'flour', '']
		]);
		expect(steps).toEqual(['Mix.', 'Rest 30 minutes.']);
	});
	it('in columns is the name and the weight of each row', () => {
		expect(pasted('sea salt\t12,5 g\nbread flour\t\t400').lines).toEqual([
			['Dough', '', 'salt', '12.5'],
			['Dough', '', 'flour', '400']
		]);
	});
	it('has no heading in a line with a colon and a number', () => {
		expect(pasted('Bread flour 500 g:').lines).toHaveLength(1);
	});
});
