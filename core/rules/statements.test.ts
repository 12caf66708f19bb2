import { describe, expect, it } from 'vitest';
import type { Ingredient, Line, Part, RulesName } from '../formula/types.ts';
import { readParts } from '../formula/parts.ts';
import { dough, factsOf, flour, ingredient, per100g, recipe, surface, water } from '../testing/recipe.ts';
import { emphasised, withAllergensSeen } from './eu/emphasis.ts';
import { isNamed } from './eu/named.ts';
import { saysAllergen } from './may-contain.ts';

const salt = ingredient('salt', { kind: 'salt' });
const lard = ingredient('lard', { kind: 'fat' });
const powder = ingredient('powder', {
	name: 'Baking powder',
	kind: 'leavening',
	parts: [{ name: 'sodium bicarbonate' }, { name: 'cornstarch' }]
});

function facts(
	ingredients: Ingredient[],
	lines: Line[],
	rules: RulesName = 'us',
	name = 'Plain roti',
	finished = 42
) {
	return factsOf(
		recipe({ rules, ingredients, formula: { name, lines }, batch: { finishedWeights_g: [finished] } })
	);
}

describe('US ingredient statement', () => {
	it('goes by weight, with the small ones gathered when there are two', () => {
		// total 1662: 2 % is 33.24
		expect(
			facts(
				[flour, water, lard, salt, powder],
				[dough('salt', 20), dough('flour', 1000), dough('powder', 12), dough('lard', 60), dough('water', 570)]
			).statement
		).toBe(
			'Bread flour, water, lard, contains 2% or less of: salt, baking powder (sodium bicarbonate, cornstarch).'
		);
	});

	it('one small ingredient stays in the list', () => {
		expect(
			facts([flour, water, salt], [dough('flour', 1000), dough('water', 600), dough('salt', 20)]).statement
		).toBe('Bread flour, water, salt.');
	});

	it('exactly 2 % is small', () => {
		// 1000 + 560 + 32 + 8 = 1600; 32 is 2 %
		expect(
			facts(
				[flour, water, salt, lard],
				[dough('flour', 1000), dough('water', 560), dough('salt', 32), dough('lard', 8)]
			).statement
		).toBe('Bread flour, water, contains 2% or less of: salt, lard.');
		expect(
			facts(
				[flour, water, salt, lard],
				[dough('flour', 1000), dough('water', 559), dough('salt', 33), dough('lard', 8)]
			).statement
		).toBe('Bread flour, water, salt, lard.');
	});

	it('all uses of an ingredient count together, and what was wiped away does not', () => {
		const lines: Line[] = [
			dough('flour', 1000),
			dough('water', 600),
			dough('salt', 40),
			surface('lard', 'griddle', 100, 30),
			surface('lard', 'brushing', 20)
		];
		// lard 50 g on the pieces, salt 40 g · (balls / dough)
		expect(facts([flour, water, salt, lard], lines).statement).toBe('Bread flour, water, lard, salt.');
	});

	it('equal label names are one entry, whatever their letters; ties keep the order of the formula', () => {
		const other = ingredient('other', { name: 'House flour', kind: 'flour', label: { us: 'Bread Flour' } });
		const rye = ingredient('rye', { name: 'Rye', kind: 'flour' });
		expect(
			facts(
				[flour, other, rye, water],
				[dough('rye', 600), dough('flour', 300), dough('other', 300), dough('water', 600)]
			).statement
		).toBe('Rye, bread flour, water.');
	});

	it('parts take the place of a typed parenthesis and nest', () => {
		const mix = ingredient('mix', {
			label: { us: 'seed mix (seeds)' },
			parts: [{ name: 'sesame' }, { name: 'crackers', parts: [{ name: 'wheat flour' }, { name: 'salt' }] }]
		});
		expect(
			facts([mix, water, flour], [dough('mix', 1000), dough('flour', 500), dough('water', 400)]).statement
		).toBe('Seed mix (sesame, crackers (wheat flour, salt)), bread flour, water.');
	});
});

describe('US allergens', () => {
	const topping = ingredient('topping', {
		allergens: ['sesame', 'treenut:brazil nut', 'rye', 'coconut', 'milk']
	});
	it('major ones only, in the order of the statement and of the compound', () => {
		const { allergens } = facts(
			[topping, flour, water],
			[dough('topping', 2000), dough('flour', 1000), dough('water', 600)]
		);
		expect(allergens).toEqual({
			contains: ['Sesame', 'Brazil Nut', 'Milk', 'Wheat'],
			text: 'Contains: Sesame, Brazil Nut, Milk, Wheat.',
			unconfirmed: []
		});
	});

	it('fish and shellfish by their own names; molluscs are no major allergen there', () => {
		const sea = ingredient('sea', { allergens: ['fish:cod', 'crustacean:shrimp', 'mollusc:squid'] });
		expect(
			facts([sea, water, flour], [dough('flour', 1000), dough('sea', 10), dough('water', 600)]).allergens
				.contains
		).toEqual(['Wheat', 'Cod', 'Shrimp']);
	});

	it('nothing to declare prints nothing', () => {
		const corn = { ...flour, allergens: [] };
		expect(facts([corn, water], [dough('flour', 1000), dough('water', 600)]).allergens).toEqual({
			contains: [],
			text: null,
			unconfirmed: []
		});
	});

	it('unconfirmed ones are named, if they have some mass', () => {
		const b = ingredient('b', { allergens: null });
		const a = ingredient('a', { allergens: null });
		const none = ingredient('none', { allergens: null });
		expect(
			facts(
				[flour, water, b, a, none],
				[dough('flour', 1000), dough('b', 1), dough('a', 1), dough('none', 0), dough('water', 600)]
			).allergens.unconfirmed
		).toEqual(['a', 'b']);
	});

	it('a surface material that is said to leave nothing is still declared, last', () => {
		const butter = ingredient('butter', { allergens: ['milk'] });
		const wiped = facts(
			[flour, water, butter],
			[surface('butter', 'griddle', 10, 0), dough('flour', 1000), dough('water', 600)]
		);
		expect(wiped.allergens.contains).toEqual(['Wheat', 'Milk']);
		expect(wiped.statement).toBe('Bread flour, water.');
	});
});

describe('EU statement', () => {
	const wheat = { ...flour, label: { us: null, eu: 'wheat flour' } };
	it('counts water as what is left, and emphasises allergens', () => {
		// a piece: 31.25 g flour, 18.75 g water; finished 42 g leaves 10.75 g of water
		const { statement, allergens } = facts([wheat, water], [dough('flour', 1000), dough('water', 600)], 'eu');
		expect(statement).toBe('**Wheat** flour, water.');
		expect(allergens).toEqual({ contains: ['Wheat'], text: null, unconfirmed: [] });
	});

	it('leaves water out at 5 % of the finished piece or less', () => {
		// 31.25 g of flour; finished 32.8947… leaves exactly 5 %
		const at = (finished: number) =>
			facts([wheat, water], [dough('flour', 1000), dough('water', 600)], 'eu', 'Plain', finished).statement;
		expect(at(31.25 / 0.95)).toBe('**Wheat** flour.');
		expect(at(33)).toBe('**Wheat** flour, water.');
	});

	const beet = ingredient('beet', { name: 'Beet', kind: 'produce', label: { eu: 'beetroot' } });
	it('an ingredient in the food’s name carries its weight as mixed over the finished weight', () => {
		// 160 of 1600 g, 5 g of a ball of 50: of the 42 g it finishes at, 11.9 %
		expect(
			facts(
				[wheat, water, beet],
				[dough('flour', 1000), dough('water', 440), dough('beet', 160)],
				'eu',
				'Beet roti'
			).statement
		).toBe('**Wheat** flour, water, beetroot (12%).');
	});
	it('above 100 %, alone or together, it is the grams used for 100 g', () => {
		const maize = ingredient('maize', { name: 'Masa', kind: 'flour', label: { eu: 'maize flour' } });
		// What is not water here is the least a piece can come to: both are wet.
		const wet = (of: Ingredient): Ingredient => ({ ...of, per100g: per100g({ water_g: 60 }) });
		const at = (maize_g: number, beet_g: number, finished: number) =>
			facts(
				[wet(maize), wet(beet), water],
				[dough('maize', maize_g), dough('beet', beet_g), dough('water', 1000 - maize_g - beet_g)],
				'eu',
				'Corn and beet tortilla',
				finished
			).statement;
		// Of a ball of 50 g that finishes at 40 g: 32 and 8 g are 80 and 20 %, which is 100
		expect(at(640, 160, 40)).toBe('Maize flour (80%), beetroot (20%).');
		// 33 and 8 g: 82.5 and 20 %, together above it
		expect(at(660, 160, 40)).toBe('Maize flour (83 g per 100 g), beetroot (20 g per 100 g).');
		// 45 g: 112.5 %, above it alone
		expect(at(900, 0.1, 40)).toBe('Maize flour (113 g per 100 g), beetroot (0 g per 100 g).');
	});
	it.each([
		['maize flour', 'Corn tortilla', true],
		['potatoes', 'Potato bread', true],
		['oats', 'Oat roti', true],
		['wholemeal wheat flour', 'Whole wheat pita', true],
		['buttermilk', 'Butter roti', false],
		['buckwheat flour', 'Wheat roti', false],
		['salt', 'Plain roti', false]
	])('%s is named by %s: %s', (name, food, is) => {
		expect(isNamed(name, food)).toBe(is);
	});

	it('an allergen that no word shows stands after it in brackets', () => {
		const seen = withAllergensSeen;
		expect(seen('ghee', ['milk'])).toBe('ghee (**milk**)');
		expect(seen('butter (cream, salt)', ['milk'])).toBe('butter (cream, salt) (**milk**)');
		expect(seen('whey powder (milk)', ['milk'])).toBe('whey powder (**milk**)');
		expect(seen('worcester sauce', ['fish:anchovy', 'barley'])).toBe(
			'worcester sauce (**fish**, **barley**)'
		);
		expect(seen('frangipane', ['treenut:almond', 'egg'])).toBe('frangipane (**almond**, **eggs**)');
		expect(seen('coconut cream', ['coconut'])).toBe('coconut cream');
	});
	it('what only touched the pieces stands at the end where its allergen is seen nowhere else', () => {
		const masa = ingredient('masa', { name: 'Masa', kind: 'flour', allergens: [] });
		const ghee = ingredient('ghee', { kind: 'fat', allergens: ['milk'] });
		const oil = ingredient('oil', { kind: 'fat', allergens: [] });
		const touched = (id: string) => surface(id, 'dusting', 20, 0);
		const on = (ingredients: Ingredient[], lines: Line[]) => facts([water, ...ingredients], lines, 'eu');
		expect(
			on(
				[masa, wheat, ghee, oil],
				[dough('masa', 1000), dough('water', 600), touched('flour'), touched('ghee'), touched('oil')]
			)
		).toMatchObject({
			statement: 'Masa, water, **wheat** flour, ghee (**milk**).',
			allergens: { contains: ['Wheat', 'Milk'] }
		});
		expect(on([wheat], [dough('flour', 1000), dough('water', 600), touched('flour')]).statement).toBe(
			'**Wheat** flour, water.'
		);
	});

	it('emphasises whole words of the ingredient’s own allergens', () => {
		expect(emphasised('buckwheat, wheat flour', ['wheat'])).toBe('buckwheat, **wheat** flour');
		expect(emphasised('coconut milk', ['coconut'])).toBe('coconut milk');
		expect(emphasised('almonds, fully refined soya oil', ['treenut:almond'])).toBe(
			'**almonds**, fully refined soya oil'
		);
	});

	it('without a finished weight there is none', () => {
		expect(factsOf(recipe({ rules: 'eu', batch: {} }))).toMatchObject({ statement: null, table: null });
	});
});

describe('whether a label says an allergen', () => {
	const said = (statement: string, tag: string) =>
		saysAllergen({ declaration: null, mayContain: null, statement }, tag);
	it('is by whichever of its names it is emphasised under', () => {
		expect(said('**Wheat** flour, **eggs**, tahini (**sesame seeds**).', 'egg')).toBe(true);
		expect(said('**Wheat** flour, **eggs**, tahini (**sesame seeds**).', 'sesame')).toBe(true);
		expect(said('**Soya** oil.', 'soy')).toBe(true);
		expect(said('Worcester sauce (**fish**).', 'fish:anchovy')).toBe(true);
	});
	it('is not where the word is not emphasised, or another is', () => {
		expect(said('**Wheat** flour, eggs.', 'egg')).toBe(false);
		expect(said('**Buckwheat** flour.', 'wheat')).toBe(false);
	});
});

describe('highly refined oils', () => {
	const oil = (tag: string) => ({ ...ingredient('oil', { kind: 'fat', allergens: [tag] }), refined: [tag] });
	const contains = (rules: RulesName, tag: string) =>
		facts([flour, water, oil(tag)], [dough('flour', 1000), dough('water', 600), dough('oil', 60)], rules)
			.allergens.contains;
	it('are exempt in the United States, all of them', () => {
		expect(contains('us', 'soy')).toEqual(['Wheat']);
		expect(contains('us', 'peanut')).toEqual(['Wheat']);
	});
	it('only of soya in the EU and UK', () => {
		expect(contains('eu', 'soy')).toEqual(['Wheat']);
		expect(contains('eu', 'peanut')).toEqual(['Wheat', 'Peanut']);
	});
	it('what is not refined keeps its tag, also beside what is', () => {
		const both = { ...ingredient('oil', { kind: 'fat', allergens: ['soy', 'sesame'] }), refined: ['soy'] };
		expect(
			facts([flour, water, both], [dough('flour', 1000), dough('water', 600), dough('oil', 60)], 'us')
				.allergens.contains
		).toEqual(['Wheat', 'Sesame']);
	});
});

describe('records that are one on the label', () => {
	it('water is one, whatever it is called', () => {
		const warm = ingredient('warm', { name: 'Warm water', kind: 'water' });
		// 700 g of water in two is more than 650 g of flour
		expect(
			facts([flour, water, warm], [dough('flour', 650), dough('water', 400), dough('warm', 300)]).statement
		).toBe('Water, bread flour.');
	});
	it('parts of one name are one, with all that either says is in it', () => {
		const mix = (id: string, parts: Part[]) => ingredient(id, { name: 'Spread', kind: 'compound', parts });
		const cream: Part = { name: 'cream', parts: [] };
		const salted: Part = { name: 'Butter', parts: [cream, { name: 'salt', parts: [] }] };
		expect(
			facts(
				[flour, water, mix('a', [{ name: 'butter', parts: [cream] }]), mix('b', [salted, salted])],
				[dough('flour', 1000), dough('water', 600), dough('a', 60), dough('b', 60)]
			).statement
		).toBe('Bread flour, water, spread (butter (cream, salt)).');
	});
});

describe('readParts', () => {
	it('reads a pack’s list, nested', () => {
		expect(readParts('flour (wheat flour, niacin), salt')).toEqual({
			ok: true,
			value: [
				{
					name: 'flour',
					parts: [
						{ name: 'wheat flour', parts: [] },
						{ name: 'niacin', parts: [] }
					]
				},
				{ name: 'salt', parts: [] }
			]
		});
	});
	it.each(['flour (wheat', 'flour) salt', '(wheat)'])('refuses %s', (text) =>
		expect(readParts(text).ok).toBe(false)
	);
});
