import { describe, expect, it } from 'vitest';
import { derive } from '$core/derive.ts';
import type { Facts } from '$core/facts.ts';
import { readRecipe } from '$core/file/read.ts';
import { writeRecipe } from '$core/file/write.ts';
import type { Recipe } from '$core/formula/types.ts';
import { dough, flour, recipe, water, surface } from '$core/testing/recipe.ts';
import { getBatch } from '$lib/server/batches/read.ts';
import { Refused } from '$lib/server/errors.ts';
import { fileName, formulaRecipe, importRecipe } from '$lib/server/files.ts';
import { listIngredients } from '$lib/server/ingredients.ts';
import { makeRoti, useBench } from './kitchen.ts';

const bench = useBench();

/** The facts without what names ingredients by id: ids are the kitchen's own. */
function factsOf(given: Recipe): Facts {
	const outcome = derive(given);
	if (!outcome.ok) throw new Error(JSON.stringify(outcome.problems));
	return JSON.parse(
		given.ingredients.reduce(
			(text, ingredient) => text.replaceAll(JSON.stringify(ingredient.id), JSON.stringify(ingredient.name)),
			JSON.stringify(outcome.value)
		)
	) as Facts;
}

const measured = recipe({
	ingredients: [
		{
			...flour,
			label: { us: 'enriched flour (wheat flour, niacin)', eu: null },
			parts: [{ name: 'wheat flour', parts: [{ name: 'wheat', parts: [] }] }],
			price: { amount: '24.50', grams: 22680, usable: 0.97 }
		},
		{ ...water, allergens: null }
	],
	formula: {
		name: 'File roti',
		lines: [
			dough('flour', 1000.5, 'Dry'),
			dough('water', 600.25),
			{ ...surface('flour', 'dusting', 60, 26.5), stage: 'Board' }
		]
	},
	piece: { one: 'roti', many: 'roti', category: 'flatbread', ballWeight_g: 60, count: 26 },
	batch: {
		doughWeight_g: 1590,
		mixGap: 'residue',
		ballWeights_g: [60, 60.5, 59.9],
		finishedWeights_g: [52, 52.4],
		rejects: 1
	},
	pack: { pieces: 6, materials: [{ name: 'bag', cost: '0.11' }] }
});

describe('a Square Batch file', () => {
	it('of a formula goes out and comes in again the same', async () => {
		const { formulaId } = await makeRoti(bench, 'Out and in');
		const out = await formulaRecipe(bench.db, bench.kitchen, formulaId);
		const read = readRecipe(writeRecipe(out));
		if (!read.ok) throw new Error(JSON.stringify(read.problems));
		const shelf = (await listIngredients(bench.db, bench.kitchen.id)).length;
		const { formulaId: second, batchId, added } = await importRecipe(bench.db, bench.kitchen, read.value);
		const again = await formulaRecipe(bench.db, bench.kitchen, second);
		// The shelf held every ingredient just so, so the file is the same but for the name, which was taken.
		expect(added).toEqual([]);
		expect((await listIngredients(bench.db, bench.kitchen.id)).length).toBe(shelf);
		expect({ ...again, formula: { ...again.formula, name: out.formula.name } }).toEqual(out);
		expect(again.formula.name).toBe('Out and in 2');
		expect(batchId).toBeNull();
	});

	it('with what was measured becomes a batch that derives the same', async () => {
		const { batchId, added } = await importRecipe(bench.db, bench.kitchen, measured);
		expect(added).toEqual(['Bread flour', 'Water']);
		const batch = await getBatch(bench.db, bench.kitchen, batchId ?? '');
		expect(factsOf(batch.recipe)).toEqual(factsOf(measured));
		// And once more from its own file.
		const read = readRecipe(writeRecipe(batch.recipe));
		if (!read.ok) throw new Error(JSON.stringify(read.problems));
		const second = await importRecipe(bench.db, bench.kitchen, read.value);
		const again = await getBatch(bench.db, bench.kitchen, second.batchId ?? '');
		const strip = ({ recipe: each }: typeof again) => ({ ...each, formula: { ...each.formula, name: '' } });
		expect(strip(again)).toEqual(strip(batch));
	});

	it('in another currency is refused, and nothing of a refused one stays', async () => {
		const shelf = (await listIngredients(bench.db, bench.kitchen.id)).length;
		await expect(importRecipe(bench.db, bench.kitchen, { ...measured, currency: 'EUR' })).rejects.toThrow(
			Refused
		);
		const impossible = { ...measured, measured: { ...measured.measured, finishedWeights_g: [5] } };
		await expect(
			importRecipe(bench.db, bench.kitchen, {
				...impossible,
				ingredients: measured.ingredients.map((each) => ({ ...each, name: `${each.name} of nowhere` }))
			})
		).rejects.toThrow(Refused);
		expect((await listIngredients(bench.db, bench.kitchen.id)).length).toBe(shelf);
	});

	it('is named after its formula', () => {
		expect(fileName('Café roti, 2 × folded')).toBe('cafe-roti-2-folded.squarebatch.json');
		expect(fileName('फुल्का')).toBe('formula.squarebatch.json');
	});
});
