import { describe, expect, it } from 'vitest';
import { blocksOf, design, given } from '../testing/label.ts';
import { factsOf } from '../testing/recipe.ts';
import { BLANK_PROFILE } from '../profile/profile.ts';
import { rulesOf } from '../rules/index.ts';
import { claimsIn } from './claims.ts';
import { toAsk } from './to-ask.ts';

describe('claims in the words of a label', () => {
	it.each([
		['Low-fat roti', ['Low-fat']],
		['reduced in salt', ['reduced in salt']],
		['a good source of fibre', ['good source of']],
		['sugar-free', ['sugar-free']],
		['no added sugar', ['no added sugar']],
		['Good for the heart', ['Good for']],
		['Healthy breakfast roti', ['Healthy']],
		// Words that only look like one
		['Warm it on a low flame', []],
		['Keep the lid light', []],
		['made by hand, without haste', []],
		['the flower', []]
	])('“%s”: %j', (text, claims) => expect(claimsIn([text]).nutrition).toEqual(claims));

	it.each([
		['Gluten-free roti', ['Gluten-free']],
		['free from milk', ['free from milk', 'free from'].slice(0, 1)],
		['contains no nuts', ['contains no nuts']],
		['dairy free', ['dairy free']],
		['milk roti', []]
	])('“%s” is free of: %j', (text, claims) => expect(claimsIn([text]).freeOf).toEqual(claims));
});

describe('a claim on a label', () => {
	const profile = { ...BLANK_PROFILE, panelExempt: true };
	const fields = (more: Parameters<typeof design>[0]) =>
		blocksOf(given(), more, profile).map((block) => block.field);

	it('ends the exemption from the panel', () => {
		expect(fields({ leavePanelOut: true })).toEqual([]);
		expect(fields({ leavePanelOut: true, name: 'Low fat roti' })).toEqual(['leavePanelOut']);
		expect(fields({ name: 'Low fat roti' })).toEqual([]);
		expect(fields({ leavePanelOut: true, wording: { flour: 'healthy wheat flour' } })).toEqual([
			'leavePanelOut'
		]);
	});

	it('of being free of an allergen waits, for nothing here bears it out', () => {
		expect(fields({ storage: 'Milk-free. Keep dry.' })).toEqual(['storage']);
	});

	it('is to be asked about where it stands, and keeps nothing back', () => {
		const of = given();
		const asked = toAsk('us', factsOf(of), design({ finishing: 'Good for a week' }));
		expect(asked.map(({ field }) => field)).toEqual(['finishing']);
		expect(asked[0]?.message).toContain('“Good for”');
		expect(toAsk('us', factsOf(of), design())).toEqual([]);
	});
});

describe('what an ingredient list is to be asked about', () => {
	const [us, eu] = [rulesOf('us'), rulesOf('eu')];
	it('US: what preserves says so, isolated fibre and sulphites', () => {
		expect(us.asksOfStatement('Flour, calcium propionate.')).toEqual([
			'calcium propionate preserves: the list says what it is for, such as “calcium propionate (a preservative)”'
		]);
		expect(us.asksOfStatement('Flour, calcium propionate (a preservative).')).toEqual([]);
		expect(us.asksOfStatement('Flour, inulin.')).toHaveLength(1);
		expect(us.asksOfStatement('Flour, sodium metabisulfite.')).toHaveLength(1);
		expect(us.asksOfStatement('Flour, water, salt.')).toEqual([]);
	});

	it('EU and UK: additives under their category, and how far an oil was hydrogenated', () => {
		expect(eu.asksOfStatement('**Rye** flour, sodium bicarbonate.')).toHaveLength(1);
		expect(eu.asksOfStatement('**Rye** flour, raising agent: sodium bicarbonate.')).toEqual([]);
		expect(eu.asksOfStatement('**Rye** flour, hydrogenated palm oil.')).toEqual([
			'a hydrogenated oil is called fully or partly hydrogenated'
		]);
		expect(eu.asksOfStatement('**Rye** flour, partly hydrogenated palm oil.')).toEqual([]);
	});

	it('UK: white flour that lists nothing of what the law adds', () => {
		const asked = (list: string) =>
			eu.asksOfStatement(list).some((each) => each.includes('flour is fortified'));
		expect(asked('**Wheat** flour, water, salt.')).toBe(true);
		expect(asked('**Wheat** flour (**wheat** flour, calcium carbonate, iron, niacin, thiamin), water.')).toBe(
			false
		);
		expect(asked('Wholemeal **wheat** flour, water.')).toBe(false);
		expect(asked('**Rye** flour, water.')).toBe(false);
	});
});
