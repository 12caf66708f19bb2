import loadHighs from 'highs';
import { beforeAll, expect, it } from 'vitest';
import { solverBy, type Solver } from '../reformulate/program.ts';
import { reformulate } from '../reformulate/reformulate.ts';
import { dough, flour, ingredient, per100g, recipe, water } from '../testing/recipe.ts';
import { readReformulate } from './reformulate-request.ts';
import { writeRecipe } from './write.ts';

const file = JSON.parse(
	writeRecipe(
		recipe({
			ingredients: [
				flour,
				water,
				ingredient('salt', { kind: 'salt', per100g: per100g({ sodium_mg: 38758 }) })
			],
			formula: { name: 'Roti', lines: [dough('flour', 1000), dough('water', 600), dough('salt', 20)] }
		})
	)
) as object;
const asked = { file, free: [{ line: 2, low_g: 0, high_g: 40 }], targets: [], step_g: 1, windows: null };
let solve: Solver;
beforeAll(async () => {
	const highs = await loadHighs();
	solve = solverBy((text, options) => highs.solve(text, options));
});
/** Where what is asked cannot be, as `npm run reformulate` names it. */
const problems = (more: object): string[] => {
	const read = readReformulate(JSON.stringify({ ...asked, ...more }));
	if (!read.ok) return read.problems.map(({ path }) => path);
	const outcome = reformulate(read.value.recipe, read.value.wish, solve);
	return outcome.ok ? [] : outcome.problems.map(({ path }) => path);
};

it('takes what can be asked', () => {
	expect(problems({})).toEqual([]);
	expect(problems({ windows: 'roti', ballWeight_g: { low: 50, high: 51 } })).toEqual([]);
	expect(
		problems({ targets: [{ figure: 'sodium_mg', per: 'serving', atMost: 140, as: 'printed' }] })
	).toEqual([]);
});

it('says where what cannot be asked stands', () => {
	expect(problems({ free: [{ line: 3 }] })).toEqual(['free[0].line']);
	expect(problems({ free: [{ line: 2, low_g: 5, high_g: 4 }] })).toEqual(['free[0].high_g']);
	expect(problems({ windows: 'pancake' })).toEqual(['windows']);
	// Not a whole gram between them.
	expect(problems({ ballWeight_g: { low: 50.2, high: 50.8 } })).toEqual(['ballWeight_g']);
	expect(problems({ targets: [{ figure: 'sodium_mg' }] })).toEqual(['targets[0]']);
	expect(problems({ targets: [{ figure: 'water_g', as: 'printed', atMost: 1 }] })).toEqual(['targets[0]']);
	expect(problems({ targets: [{ figure: 'cost', atMost: '0,09' }] })).toEqual(['targets[0].atMost']);
	expect(problems({ extra: 1 })).toEqual(['extra']);
	expect(problems({ file: { ...file, rules: 'xx' } })).toEqual(['file.rules']);
});
