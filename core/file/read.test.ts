import { describe, expect, it } from 'vitest';
import { recipe } from '../testing/recipe.ts';
import { deriveText } from './derive-text.ts';
import { checkRecipe, readRecipe } from './read.ts';
import { writeRecipe } from './write.ts';

type Json = Record<string, unknown>;

/** The plain recipe as a document, changed at a path such as `formula.lines.0.grams`; undefined removes. */
function document(changes: Record<string, unknown> = {}): Json {
	const copy = JSON.parse(
		writeRecipe(recipe({ batch: { finishedWeights_g: [42], rejects: 1 }, pack: { pieces: 6 } }))
	) as Json;
	for (const [path, value] of Object.entries(changes)) {
		const steps = path.split('.');
		const last = steps.pop() ?? '';
		const place = steps.reduce<Json>((object, step) => object[step] as Json, copy);
		if (value === undefined) Reflect.deleteProperty(place, last);
		else place[last] = value;
	}
	return copy;
}
const dusting = (consumed_g: number, uptake_g?: number) => ({
	ingredient: 'flour',
	use: 'dusting',
	consumed_g,
	uptake_g
});
const paths = (changes: Record<string, unknown>) => {
	const outcome = deriveText(JSON.stringify(document(changes)));
	return outcome.ok ? [] : outcome.problems.map((problem) => problem.path);
};

describe('a sound file', () => {
	it('derives', () => expect(paths({})).toEqual([]));

	it('comes back from writing exactly', () => {
		const outcome = readRecipe(writeRecipe(recipe()));
		expect(outcome).toEqual({ ok: true, value: recipe() });
	});

	it('takes a byte order mark', () => expect(readRecipe(`\uFEFF${writeRecipe(recipe())}`).ok).toBe(true));

	it('does without a composition: everything is unknown', () =>
		expect(paths({ 'ingredients.0.per100g': undefined })).toEqual([]));

	it('takes ash, which only the checks use', () =>
		expect(paths({ 'ingredients.0.per100g.ash_g': 0.5 })).toEqual([]));
});

describe('what is refused, and where', () => {
	it('text that is not JSON', () => {
		expect(readRecipe('{')).toMatchObject({
			ok: false,
			problems: [{ path: '', message: expect.stringContaining('not JSON') }]
		});
		expect(readRecipe('').ok).toBe(false);
		expect(readRecipe('[]').ok).toBe(false);
		expect(readRecipe('null').ok).toBe(false);
	});

	it.each<[Record<string, unknown>, string]>([
		[{ squareBatch: 2 }, 'squareBatch'],
		[{ squareBatch: '1' }, 'squareBatch'],
		[{ squareBatch: undefined }, 'squareBatch'],
		[{ rules: 'ca' }, 'rules'],
		[{ currency: 'usd' }, 'currency'],
		[{ colour: 1 }, 'colour'],
		[{ 'formula.lines.1.colour': 1 }, 'formula.lines[1].colour'],
		[{ 'ingredients.0.per100g.salt_g': 1 }, 'ingredients[0].per100g.salt_g'],
		[{ 'ingredients.0.kind': 'grain' }, 'ingredients[0].kind'],
		[{ 'ingredients.0.per100g.fat_g': -0.1 }, 'ingredients[0].per100g.fat_g'],
		[{ 'ingredients.0.per100g.fat_g': 100.1 }, 'ingredients[0].per100g.fat_g'],
		[{ 'ingredients.0.per100g.fat_g': '2' }, 'ingredients[0].per100g.fat_g'],
		[{ 'ingredients.0.per100g.sodium_mg': 100001 }, 'ingredients[0].per100g.sodium_mg'],
		[{ 'ingredients.0.allergens': ['gluten'] }, 'ingredients[0].allergens[0]'],
		[{ 'ingredients.0.allergens': ['treenut:'] }, 'ingredients[0].allergens[0]'],
		[{ 'ingredients.0.price.amount': 24.5 }, 'ingredients[0].price.amount'],
		[{ 'ingredients.0.price.amount': '-1' }, 'ingredients[0].price.amount'],
		[{ 'ingredients.0.price.grams': 0 }, 'ingredients[0].price.grams'],
		[{ 'ingredients.0.price.usable': 0 }, 'ingredients[0].price.usable'],
		[{ 'ingredients.0.price.usable': 1.01 }, 'ingredients[0].price.usable'],
		[
			{ 'ingredients.0.parts': [{ name: 'x', parts: [{ nome: 'y' }] }] },
			'ingredients[0].parts[0].parts[0].name'
		],
		[{ 'ingredients.1.id': 'flour', 'formula.lines.1.ingredient': 'flour' }, 'ingredients[1].id'],
		[{ 'formula.lines.1.ingredient': 'milk' }, 'formula.lines[1].ingredient'],
		[{ 'formula.lines.0.grams': -1 }, 'formula.lines[0].grams'],
		[{ 'formula.lines.0.grams': undefined }, 'formula.lines[0].grams'],
		[{ 'formula.lines.0.use': 'sprinkle' }, 'formula.lines[0].use'],
		[{ 'formula.lines.0.consumed_g': 3 }, 'formula.lines[0].consumed_g'],
		[{ 'formula.lines': [] }, 'formula.lines'],
		[{ 'formula.lines': [dusting(5)] }, 'formula.lines'],
		[{ 'formula.lines.2': dusting(5, 5.1) }, 'formula.lines[2].uptake_g'],
		[{ 'formula.lines.2': { ingredient: 'flour', use: 'dusting', grams: 5 } }, 'formula.lines[2].grams'],
		[{ 'piece.ballWeight_g': undefined }, 'piece'],
		[{ 'piece.ballWeight_g': 0 }, 'piece.ballWeight_g'],
		[{ 'piece.count': 1.5 }, 'piece.count'],
		[{ 'piece.count': 33 }, 'piece.count'],
		[{ 'piece.category': 'naan' }, 'piece.category'],
		[{ 'batch.rejects': 33 }, 'batch.rejects'],
		[{ 'batch.rejects': -1 }, 'batch.rejects'],
		[{ 'batch.finishedWeights_g': [42, 0] }, 'batch.finishedWeights_g[1]'],
		[{ 'batch.finishedWeights_g': [20] }, 'batch.finishedWeights_g'],
		[{ 'batch.mixGap': 'steam' }, 'batch.mixGap'],
		[{ 'pack.pieces': 0 }, 'pack.pieces'],
		[{ 'pack.materials': [{ name: 'bag', cost: 0.11 }] }, 'pack.materials[0].cost']
	])('%j at %s', (changes, path) => expect(paths(changes)).toContain(path));

	it('an infinite number', () => {
		const text = JSON.stringify(document()).replace('"grams":1000', '"grams":1e999');
		expect(readRecipe(text)).toMatchObject({ ok: false, problems: [{ path: 'formula.lines[0].grams' }] });
	});

	it('dough lines without grams', () => {
		expect(paths({ 'formula.lines': [{ ingredient: 'flour', use: 'dough', grams: 0 }] })).toContain(
			'formula.lines'
		);
	});
});

describe('all problems at once', () => {
	it('of shape, of references and of what cannot be', () => {
		expect(
			paths({
				rules: 'ca',
				'ingredients.0.per100g.fat_g': -1,
				'formula.lines.1.ingredient': 'milk',
				'formula.lines.0.colour': 1,
				'piece.count': 40,
				'batch.rejects': 41
			}).sort()
		).toEqual([
			'batch.rejects',
			'formula.lines[0].colour',
			'formula.lines[1].ingredient',
			'ingredients[0].per100g.fat_g',
			'piece.count',
			'rules'
		]);
	});

	it('rejects and a finished weight that cannot be, beside a bad currency', () => {
		expect(paths({ currency: '', 'batch.rejects': 33, 'batch.finishedWeights_g': [20] }).sort()).toEqual([
			'batch.finishedWeights_g',
			'batch.rejects',
			'currency'
		]);
	});

	it('leaves alone what an unreadable figure hides', () => {
		// the dough cannot be summed, so neither the balls nor the water are judged
		expect(paths({ 'formula.lines.0.grams': 'a lot', 'batch.finishedWeights_g': [20] })).toEqual([
			'formula.lines[0].grams'
		]);
	});

	it('says each in words that name the figure', () => {
		const outcome = checkRecipe(document({ 'batch.rejects': 33, rules: 'ca' }));
		expect(outcome.ok ? [] : outcome.problems.map((problem) => problem.message)).toEqual([
			'"rules" must be one of: us, eu',
			'33 rejects are more than the 32 pieces made'
		]);
	});
});
