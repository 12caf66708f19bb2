import { listSummaries } from '$lib/server/batches/standing.ts';
import { describe, expect, it } from 'vitest';
import { isMade, squares } from '$lib/server/batches/history.ts';

import { loadDemoOnce } from '$lib/server/db/demo/load.ts';
import { listFormulas } from '$lib/server/formulas/read.ts';
import { listIngredients } from '$lib/server/ingredients.ts';
import { theKitchen } from '$lib/server/kitchens.ts';
import { listLabels } from '$lib/server/labels/read.ts';
import { labelState } from '$lib/label/types.ts';
import { heldBatch, heldBy } from '$lib/server/labels/held.ts';
import { ALL, ledgerPage } from '$lib/server/sales/ledger.ts';
import { emptied, useBench } from './kitchen.ts';

const bench = useBench();

describe('the demo kitchen', () => {
	it('is loaded once, whole, with its two slips', async () => {
		await emptied(bench.db);
		expect(await loadDemoOnce(bench.db)).toBe(true);
		expect(await loadDemoOnce(bench.db)).toBe(false);
		const kitchen = await theKitchen(bench.db);
		expect(kitchen).toMatchObject({ name: 'Tansy Row Flatbreads', town: 'Oxlip Ferry' });

		const formulas = await listFormulas(bench.db, kitchen.id);
		expect(formulas.map((formula) => [formula.name, formula.products[0]?.packPieces])).toEqual([
			['Beet and cumin roti', 8],
			['Half-and-half tortilla', 12],
			['Sesame layered flatbread', 4],
			['Toasted-oat pita', 5]
		]);
		expect(formulas[0]?.number).toBe(2);

		const batches = await listSummaries(bench.db, kitchen, { newest: 1000 });
		const made = batches.filter(isMade);
		expect(made).toHaveLength(72);
		// One is planned, one on the bench: seventeen of its balls are weighed, and nothing of it can be sold.
		expect(
			batches.flatMap((batch) =>
				isMade(batch) ? [] : [[batch.name, batch.standing.ballWeights_g.length, batch.packsMade]]
			)
		).toEqual([
			['Toasted-oat pita', 17, 0],
			['Beet and cumin roti', 0, 0]
		]);
		const off = made.filter((batch) => !squares(batch));
		expect(
			off.map((batch) => [
				batch.name,
				batch.standing.closings.find((closing) => closing.state === 'off')?.stage
			])
		).toEqual([
			['Sesame layered flatbread', 'divide'],
			['Toasted-oat pita', 'mix']
		]);
		expect(made.every((batch) => batch.packsMade >= 5 && batch.packsLeft >= 0)).toBe(true);

		const shelf = await listIngredients(bench.db, kitchen.id);
		expect(shelf.filter((each) => each.confirmedOn === null).map((each) => each.name)).toEqual([
			'Cumin seed, loose'
		]);
		expect(
			shelf.filter((each) => each.composition.per100g.sugars_g === null).map((each) => each.name)
		).toEqual(['Masa harina, enriched']);
		const labels = await listLabels(bench.db, kitchen);
		expect(labels.map((label) => [label.product.name, labelState(label)])).toEqual([
			['Beet and cumin roti', 'waits'],
			['Half-and-half tortilla', 'out of date'],
			['Sesame layered flatbread', 'approved'],
			['Toasted-oat pita', 'out of date']
		]);
		expect(labels[1]?.changes.map((change) => change.what)).toEqual(['Total Sugars']);
		expect(labels[3]?.changes.map((change) => change.what)).toContain('Sodium');
		expect(labels[0]?.blocks.map((block) => block.message)).toEqual([
			'nobody has confirmed the allergens of Cumin seed, loose'
		]);

		// Every batch that was sold has a label that fits it, but the one that was made with ghee.
		const by = await heldBy(bench.db, kitchen);
		const sold = made.filter((batch) => batch.packsLeft < batch.packsMade);
		const held = await Promise.all(
			sold.map(async ({ id, name }) => ({ name, holds: await heldBatch(bench.db, kitchen, id) }))
		);
		expect(by.revisions.size).toBe(4);
		expect(sold.length).toBeGreaterThan(60);
		expect(held.filter(({ holds }) => holds.length > 0)).toEqual([
			{
				name: 'Half-and-half tortilla',
				holds: [expect.stringMatching(/milk/i), 'its label does not list Ghee']
			}
		]);
		const sales = await ledgerPage(bench.db, kitchen.id, ALL, { most: 5000 });
		expect(sales.length).toBeGreaterThan(150);
		expect(sales.some((sale) => sale.kind === 'void')).toBe(true);
		// Twelve weeks of a kitchen are kept one write after another: a slow machine takes its time.
	}, 300_000);
});
