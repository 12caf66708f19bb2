import { describe, expect, it } from 'vitest';
import { recipe } from '../testing/recipe.ts';
import { documentOf } from './write.ts';
import { checkRecipe, readRecipe } from './read.ts';

const sound = documentOf(recipe({ batch: { finishedWeights_g: [42] } }));
const first = sound.ingredients[0];
const line = sound.formula.lines[0];
if (!first || !line) throw new Error('the recipe is empty');
const refusal = (document: unknown) => {
	const read = checkRecipe(document);
	return read.ok ? null : read.problems;
};

describe('what a file may hold', () => {
	it('is 200 lines', () => {
		const lines = (count: number) => ({
			...sound,
			formula: { ...sound.formula, lines: Array(count).fill(line) as (typeof line)[] }
		});
		expect(refusal(lines(200))).toBeNull();
		expect(refusal(lines(201))).toEqual([
			{ path: 'formula.lines', message: '201 lines are more than the 200 a file may hold' }
		]);
	});
	it('is 500 ingredients', () => {
		const ingredients = (count: number) => ({
			...sound,
			ingredients: [
				...sound.ingredients,
				...Array.from({ length: count - sound.ingredients.length }, (_, at) => ({
					...first,
					id: `more-${at}`
				}))
			]
		});
		expect(refusal(ingredients(500))).toBeNull();
		expect(refusal(ingredients(501))?.[0]?.path).toBe('ingredients');
	});
	it('is parts nested 8 deep, and very deep ones are refused as well', () => {
		const nested = (depth: number): unknown =>
			Array.from({ length: depth }).reduce<unknown[]>((parts) => [{ name: 'mix', parts }], []);
		const with_ = (depth: number) => ({
			...sound,
			ingredients: [{ ...first, parts: nested(depth) }, ...sound.ingredients.slice(1)]
		});
		expect(refusal(with_(8))).toBeNull();
		expect(refusal(with_(9))).toEqual([
			{ path: 'ingredients[0].parts', message: 'parts are nested more than 8 deep' }
		]);
		expect(refusal(with_(100_000))?.[0]?.path).toBe('ingredients[0].parts');
	});
	it('is 4 MiB of UTF-8', () => {
		const most = 4 * 1024 * 1024;
		const text = JSON.stringify(sound);
		const padded = (bytes: number) => text + ' '.repeat(bytes - text.length);
		expect(readRecipe(padded(most)).ok).toBe(true);
		expect(readRecipe(padded(most + 1))).toEqual({
			ok: false,
			problems: [{ path: '', message: 'the file is larger than 4 MiB' }]
		});
		// Two bytes each in UTF-8
		expect(readRecipe('é'.repeat(most / 2 + 1))).toMatchObject({ problems: [{ message: /larger/ }] });
	});
});

describe('what was refined and what was added', () => {
	const oil = { ...first, allergens: ['soy'], refined: ['soy'], added: ['iron_mg'] };
	it('is read, and written again', () => {
		const read = checkRecipe({ ...sound, ingredients: [oil, ...sound.ingredients.slice(1)] });
		expect(read).toMatchObject({
			ok: true,
			value: { ingredients: [{ refined: ['soy'], added: ['iron_mg'] }, {}] }
		});
		if (read.ok)
			expect(documentOf(read.value).ingredients[0]).toMatchObject({ refined: ['soy'], added: ['iron_mg'] });
	});
	it('is refused where it names no allergen or no nutrient', () => {
		const wrong = { ...first, refined: ['oil'], added: ['iron'] };
		expect(
			refusal({ ...sound, ingredients: [wrong, ...sound.ingredients.slice(1)] })?.map(({ path }) => path)
		).toEqual(['ingredients[0].refined[0]', 'ingredients[0].added[0]']);
	});
});
