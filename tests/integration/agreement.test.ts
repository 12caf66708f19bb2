import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { measuredOf, packsMade } from '$core/bench/batch.ts';
import { benchOf } from '$core/bench/bench.ts';
import type { Entry } from '$core/bench/entries.ts';
import { event, weighing } from '$core/testing/entries.ts';
import { benchBatch, oncePerId } from '$lib/batch/bench/bench-batch.ts';
import { keepEntries } from '$lib/server/bench/entries.ts';
import { entriesOf } from '$lib/server/bench/rows.ts';
import { createBatch } from '$lib/server/batches/create.ts';
import { getBatch } from '$lib/server/batches/read.ts';
import { listSummaries } from '$lib/server/batches/standing.ts';
import { newId, type Row } from '$lib/server/rows.ts';
import { makeRoti, useBench } from './kitchen.ts';

const bench = useBench();

/** What a device does next: of which line, how much, and which of its own earlier entries it means. */
const STEP = fc.record({
	does: fc.constantFrom('line', 'ball', 'dough', 'count', 'reject', 'correct', 'void'),
	at: fc.nat(3),
	grams: fc.integer({ min: 1, max: 900 }),
	count: fc.option(fc.nat(30)),
	of: fc.constantFrom('balls', 'rejects', 'sellable', 'packs', 'loose')
});
type Step = typeof STEP extends fc.Arbitrary<infer T> ? T : never;
const DEVICE = fc.record({
	/** Hours its clock is wrong. */
	skew_h: fc.integer({ min: -30, max: 30 }),
	steps: fc.array(STEP, { minLength: 1, maxLength: 8 })
});

/** The entries a device makes, on its own clock. */
function entriesOfDevice({ skew_h, steps }: { skew_h: number; steps: Step[] }, lines: string[]): Entry[] {
	const made: Entry[] = [];
	const began = Date.parse('2026-04-05T08:00:00Z') + skew_h * 3_600_000;
	for (const [index, step] of steps.entries()) {
		const at = new Date(began + index * 60_000).toISOString();
		const readings = made.filter((entry) => entry.kind === 'weighing');
		const before = readings[step.at % Math.max(1, readings.length)];
		const happened = made.filter(
			(entry) => entry.kind === 'event' && entry.happening.name === 'piece rejected'
		);
		const reject = happened[step.at % Math.max(1, happened.length)];
		if (step.does === 'line')
			made.push(weighing({ at, what: 'line', lineId: lines[step.at % 3] ?? '', grams: step.grams }));
		else if (step.does === 'ball') made.push(weighing({ at, grams: step.grams }));
		else if (step.does === 'dough') made.push(weighing({ at, what: 'dough', grams: step.grams }));
		else if (step.does === 'count')
			made.push(event({ name: 'counted', of: step.of as 'balls', count: step.count }, { at }));
		else if (step.does === 'reject') made.push(event({ name: 'piece rejected', reason: 'torn' }, { at }));
		else if (step.does === 'correct' && before)
			made.push(weighing({ ...before, at, id: newId(), grams: step.grams, corrects: before.id }));
		else if (step.does === 'void' && reject) made.push(event({ name: 'void' }, { at, voids: reject.id }));
	}
	return made;
}

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
					expect([Number(row.packs_made), Number(row.packs_left)]).toEqual([
						packsMade(measured),
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
						finishedWeights_g: server.finishedWeights_g
					});
				}
			),
			{ numRuns: Number(process.env.AGREEMENT_RUNS ?? 20), endOnFailure: true }
		);
	});
});
