import { describe, expect, it } from 'vitest';
import { linesFromPaste, saidUse, applySaid } from './said.ts';
import { emptyLine } from './draft.ts';
import type { LineReading } from '$core/formula/said/read-line.ts';

const reading = (more: Partial<LineReading> = {}): LineReading => ({
	text: '2 cups flour',
	name: 'flour',
	candidates: [],
	ingredient: 'flour',
	amount: 2,
	unit: 'cup',
	grams: 250,
	gramsLow: 250,
	gramsHigh: 250,
	note: null,
	doubts: [],
	keptBack_g: null,
	...more
});

describe('the use that a line tells', () => {
	it.each([
		['flour for dusting', 'dusting'],
		['a little flour, on the board', 'dusting'],
		['ghee between the layers', 'layering'],
		['butter to brush', 'brushing'],
		['oil for the pan', 'griddle'],
		['oil to grease the bowl', 'bowl'],
		['seeds for sprinkling', 'garnish'],
		['bread flour', 'dough']
	])('%j is %s', (text, use) => {
		expect(saidUse(text)).toBe(use);
	});
});

describe('a line set by what was said', () => {
	const set = (of: LineReading | null) => {
		const line = emptyLine('Dry');
		applySaid(line, of);
		return line;
	};
	it('takes ingredient and grams', () => {
		expect(set(reading())).toMatchObject({ ingredient: 'flour', grams: '250', low_g: null, high_g: null });
	});
	it('keeps the range of what was said', () => {
		expect(set(reading({ gramsLow: 236.04, gramsHigh: 290 }))).toMatchObject({ low_g: 236, high_g: 290 });
	});
	it('plans without what is kept back, and keeps the whole as the most', () => {
		// 250 − 30
		expect(set(reading({ keptBack_g: 30 }))).toMatchObject({ grams: '220', most: '250' });
	});
	it('leaves to the batch what names no amount', () => {
		expect(set(reading({ grams: null, doubts: ['no-amount'] }))).toMatchObject({ grams: '', toWeigh: true });
	});
	it('changes nothing where nothing is known', () => {
		const line = emptyLine('Dry');
		applySaid(line, null);
		expect(line).toMatchObject({ ingredient: '', grams: '' });
	});
});

describe('a list that is pasted', () => {
	const pasted = (text: string) =>
		linesFromPaste(text, 'Dough', (said) => reading({ text: said, name: said }), [
			{ id: 'salt', name: 'Sea salt' } as never
		]).map(({ stage, said, ingredient, grams }) => [stage, said, ingredient, grams]);

	it('stands under its headings, blank rows left out', () => {
		expect(pasted('2 cups flour\r\n\r\nFor the filling:\n1 cup beet')).toEqual([
			['Dough', '2 cups flour', 'flour', '250'],
			['Filling', '1 cup beet', 'flour', '250']
		]);
	});
	it('of columns takes the name and the weight of the row', () => {
		expect(pasted('sea salt\t12,5 g\nsome flour\t\t400')).toEqual([
			['Dough', '', 'salt', '12.5'],
			['Dough', 'some flour', 'flour', '400']
		]);
	});
	it('a line with a colon and a number is no heading', () => {
		expect(pasted('Flour 500 g:')).toHaveLength(1);
	});
});
