import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { readArchive } from '$lib/server/archive/read.ts';
import { restoreKitchen } from '$lib/server/archive/restore.ts';
import { getBatch } from '$lib/server/batches/read.ts';
import { listSummaries } from '$lib/server/batches/standing.ts';
import { getKitchen } from '$lib/server/kitchens.ts';
import { useBench } from './kitchen.ts';

const bench = useBench();
const file = (name: string) => readFileSync(new URL(`../fixtures/kitchen-at-0056${name}`, import.meta.url));

/** How each batch of the kitchen stood when the archive was written, before its entries had numbers. */
interface Figures {
	code: string;
	packsMade: number;
	packsLeft: number;
	weighed: [number | null, number | null][];
	closings: string[];
	yield: object | null;
	cost: object | null;
	statement: string | null;
	contains: string[] | null;
}

describe('the archive of a kitchen from before entries had numbers', () => {
	it('shows the same figures: weighings, counts, packs, yields, costs, statements, closings', async () => {
		const figures = JSON.parse(file('.figures.json').toString()) as Figures[];
		const id = await restoreKitchen(bench.db, await readArchive(new Uint8Array(file('.zip'))));
		const kitchen = await getKitchen(bench.db, id);
		const ids = (await bench.db('batches').where('kitchen_id', id).orderBy('id').pluck('id')) as string[];
		expect(ids).toHaveLength(figures.length);
		const summaries = new Map(
			(await listSummaries(bench.db, kitchen, { newest: 1000 })).map((each) => [each.code, each])
		);
		for (const [index, before] of figures.entries()) {
			const batch = await getBatch(bench.db, kitchen, ids[index] ?? '');
			const { weighed, closings, yield: yields, cost, statement, contains, ...rest } = before;
			expect(batch, before.code).toMatchObject(rest);
			expect(
				batch.lines.map((line) => [line.weighed_g, line.weighedUptake_g]),
				before.code
			).toEqual(weighed);
			expect(
				batch.closings.map(({ state }) => state),
				before.code
			).toEqual(closings);
			expect(batch.facts?.yield ?? null, before.code).toEqual(yields);
			expect(batch.facts?.cost ?? null, before.code).toEqual(cost);
			expect(batch.facts?.statement ?? null, before.code).toEqual(statement);
			expect(batch.facts?.allergens.contains ?? null, before.code).toEqual(contains);
			expect(summaries.get(before.code), before.code).toMatchObject({
				packsMade: before.packsMade,
				packsLeft: before.packsLeft
			});
		}
	}, 120_000);
});
