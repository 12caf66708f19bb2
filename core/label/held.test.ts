import { describe, expect, it } from 'vitest';
import { unsaid } from './held.ts';

const batch = {
	ingredients: ['flour', 'water', 'butter'],
	contains: ['Wheat', 'Milk'],
	names: { flour: 'Bread flour', water: 'Water', butter: 'Butter' }
};

describe('what a batch holds that its label does not say', () => {
	it('is nothing where the label says all of it, and may be more', () => {
		const said = { ingredients: ['flour', 'water', 'butter', 'salt'], contains: ['Milk', 'Wheat', 'Sesame'] };
		expect(unsaid(batch, said)).toEqual([]);
	});
	it('is an allergen, and an ingredient', () => {
		expect(unsaid(batch, { ingredients: ['flour', 'water'], contains: ['Wheat'] })).toEqual([
			'its label does not say Milk',
			'its label does not list Butter'
		]);
	});
	it('is an allergen that came with an ingredient later', () => {
		expect(unsaid(batch, { ingredients: ['flour', 'water', 'butter'], contains: ['Wheat'] })).toEqual([
			'its label does not say Milk'
		]);
	});
	it('is everything without a label', () => {
		expect(unsaid(batch, null)).toEqual(['no label was approved for it']);
	});
});
