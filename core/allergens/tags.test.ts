import { describe, expect, it } from 'vitest';
import { allergenName, sourceWords } from './contact-words.ts';
import { rulesOf } from '../rules/index.ts';
import { declaredName, NAMED_TAGS, PLAIN_TAGS, readTag } from './tags.ts';

describe('an allergen tag', () => {
	it.each(PLAIN_TAGS)('%s stands alone', (tag) => {
		expect(readTag(tag)).toEqual({ group: tag, species: null });
		expect(readTag(`${tag}:kind`)).toBeNull();
	});

	it.each(NAMED_TAGS)('%s needs the kind', (tag) => {
		expect(readTag(tag)).toBeNull();
		expect(readTag(`${tag}:`)).toBeNull();
		expect(readTag(`${tag}: `)).toBeNull();
		expect(readTag(`${tag}:some kind`)).toEqual({ group: tag, species: 'some kind' });
	});

	it.each(['', 'gluten', 'Wheat', 'nuts', 'constructor'])('%j is none', (tag) => {
		expect(readTag(tag)).toBeNull();
	});

	it('is declared by the kind where there is one, each word begun large', () => {
		expect(declaredName({ group: 'wheat', species: null })).toBe('Wheat');
		expect(declaredName({ group: 'treenut', species: 'brazil nut' })).toBe('Brazil Nut');
		expect(allergenName('treenut:macadamia')).toBe('Macadamia');
		// What no rule knows is shown as it is, and never left out.
		expect(allergenName('something else')).toBe('something else');
	});
});

describe('what need not be declared', () => {
	it.each(['us', 'eu'] as const)('names the rule that says so (%s)', (rules) => {
		expect(rulesOf(rules).exemptions.length).toBeGreaterThan(0);
		for (const { what, source } of rulesOf(rules).exemptions) {
			expect(what).not.toBe('');
			expect(source).toMatch(/\d/);
		}
	});
});

describe('where a possible allergen comes from', () => {
	const nameOf = (id: string) => ({ bowl: 'Large bowl', plate: 'Hot plate' })[id] ?? id;
	const day = {
		kind: 'day' as const,
		batchId: 'B',
		batchCode: '260314-2',
		from: { batchId: 'A', code: '260314-1', name: 'Sesame flatbread' },
		equipment: ['bowl', 'plate'],
		orderKnown: true
	};
	it('is said with the batch before it and what both touched', () => {
		const words = sourceWords({ allergen: 'sesame', source: day } as never, nameOf);
		expect(words).toBe(
			'Sesame was handled in Sesame flatbread 260314-1 on the same large bowl and hot plate before batch 260314-2, with no clean recorded in between'
		);
	});
	it('does not say which came first where nobody noted it', () => {
		const words = sourceWords({ allergen: 'sesame', source: { ...day, orderKnown: false } } as never, nameOf);
		expect(words).toContain('which came first was not noted');
	});
	it('of a pack or of the kitchen says so', () => {
		expect(
			sourceWords({ allergen: 'milk', source: { kind: 'ingredient', name: 'Oats' } } as never, nameOf)
		).toBe('the pack of Oats says it may contain Milk');
		expect(
			sourceWords({ allergen: 'milk', source: { kind: 'kitchen', why: 'a shared fridge' } } as never, nameOf)
		).toBe('Milk is about in the kitchen: a shared fridge');
	});
});
