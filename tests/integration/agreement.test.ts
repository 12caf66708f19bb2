import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { measuredOf } from '$core/bench/batch.ts';
import { benchOf } from '$core/bench/bench.ts';
import type { Entry } from '$core/bench/entries.ts';
import { benchBatch, oncePerId } from '$lib/batch/bench/bench-batch.ts';
import { keepEntries } from '$lib/server/bench/entries.ts';
import { entriesOf } from '$lib/server/bench/rows.ts';
import { createBatch } from '$lib/server/batches/create.ts';
import { getBatch } from '$lib/server/batches/read.ts';
import { listSummaries } from '$lib/server/batches/standing.ts';
import { newId, type Row } from '$lib/server/rows.ts';
import { DEVICE, entriesOfDevice } from './drawn-entries.ts';
import { makeRoti, useBench } from './kitchen.ts';

const bench = useBench();

describe('page, desk and server', () => {
	it('say the same of any entries of two devices, whatever their clocks, in any order and sent twice', async () => {
		const { productId } = await makeRoti(bench, 'Agreed');
		const { db, kitchen } = bench;
		await fc.assert(
			fc.asyncProperty(
				DEVICE,
				DEVICE,
				fc.array(fc.nat(1), { minLength: 16, maxLength: 16 }),
				async (one, other, turns) => {
					const id = await createBatch(db, kitchen, newId(), { productId, madeOn: '2026-04-05', factor: 1 });
					const planned = await getBatch(db, kitchen, id);
					const lines = planned.lines.map((line) => line.id);
					const queues = [entriesOfDevice(one, lines), entriesOfDevice(other, lines)];
					const refused = new Set<string>();
					/** As each page has them: what it made itself, and what it was told. */
					const pages: [Entry[], Entry[]] = [[...(queues[0] ?? [])], [...(queues[1] ?? [])]];
					const send = async (sent: Entry[]) => {
						const { answers, added } = await keepEntries(db, kitchen, id, sent);
						for (const answer of answers)
							if (answer.kept) refused.delete(answer.id);
							else refused.add(answer.id);
						for (const page of pages) page.push(...added);
					};
					const sent: Entry[][] = [];
					for (const turn of turns) {
						const queue = queues[turn] ?? [];
						if (queue.length === 0) continue;
						const some = queue.splice(0, 1 + (turn % 2));
						sent.push(some);
						await send(some);
					}
					for (const queue of queues) if (queue.length > 0) await send(queue.splice(0));
					// The answers were lost: all of it comes once more, and what was refused may be kept by now.
					for (const some of sent.toReversed()) await send(some);

					const kept = await entriesOf(db, kitchen.id, id);
					expect(kept.map((entry) => entry.number)).toEqual(kept.map((_, index) => index + 1));
					const fold = benchOf(kept);
					const measured = measuredOf(fold);
					const server = await getBatch(db, kitchen, id);
					expect(server).toMatchObject(measured);
					for (const page of pages) {
						const there = oncePerId(page).filter((entry) => !refused.has(entry.id));
						expect(benchBatch(planned, benchOf(there))).toMatchObject({
							...measured,
							lines: server.lines,
							recipe: server.recipe,
							packsMade: server.packsMade,
							recorded: server.recorded
						});
					}
					const row = (await db('batches').where({ id }).first('packs_made', 'packs_left')) as Row;
					// Counted, and made up of loose ones.
					const made = (fold.counted.packs ?? 0) + fold.shortPacks.length;
					expect([server.packsMade, Number(row.packs_made), Number(row.packs_left)]).toEqual([
						made,
						made,
						server.packsLeft
					]);
					const [summary] = (await listSummaries(db, kitchen, { newest: 500 })).filter(
						(each) => each.id === id
					);
					expect(summary).toMatchObject({ packsMade: server.packsMade, packsLeft: server.packsLeft });
					expect(summary?.standing).toMatchObject({
						recorded: server.recorded,
						closings: server.closings,
						cookLoss: server.facts?.yield.cookLoss ?? null,
						ballWeights_g: server.ballWeights_g,
						finishedWeights_g: server.finishedWeights_g,
						shortPacks: fold.shortPacks
					});
				}
			),
			{ numRuns: Number(process.env.AGREEMENT_RUNS ?? 20), endOnFailure: true }
		);
	});
});
