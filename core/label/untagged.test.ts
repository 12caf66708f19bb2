import { describe, expect, it } from 'vitest';
import { readParts } from '../formula/parts.ts';
import { rulesOf } from '../rules/index.ts';
import { ingredient } from '../testing/recipe.ts';
import { untaggedWords } from './untagged.ts';

const words = (us: string, allergens: string[] | null, rules: 'us' | 'eu' = 'us') =>
	untaggedWords(ingredient('one', { label: { us, eu: us }, allergens }), rulesOf(rules));

describe('a label name that names an allergen', () => {
	it('has it among the confirmed ones, or one of the two is wrong', () => {
		expect(words('butter (milk)', ['milk'])).toEqual([]);
		expect(words('butter (milk)', [])).toEqual(['milk']);
		expect(words('soybean oil, egg white', ['egg'])).toEqual(['soybean']);
	});
	it('also in a part of it', () => {
		const parts = readParts('cream (milk), salt');
		const spread = ingredient('spread', { parts: parts.ok ? parts.value : [], allergens: [] });
		expect(untaggedWords(spread, rulesOf('us'))).toEqual(['milk']);
	});
	it('is not asked for while nobody confirmed the list', () => {
		expect(words('milk', null)).toEqual([]);
	});
	it('is of the rule set: rye is not a major allergen in the US', () => {
		expect(words('rye flour', [], 'us')).toEqual([]);
		expect(words('rye flour', [], 'eu')).toEqual(['rye']);
	});
	it.each(['coconut milk', 'oat milk', 'buckwheat flour', 'eggplant', 'milkfish', 'almond milk'])(
		'%s names none',
		(name) => {
			expect(words(name, [])).toEqual([]);
		}
	);
});
