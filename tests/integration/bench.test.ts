import { entriesOf } from '$lib/server/bench/rows.ts';
import { describe, expect, it } from 'vitest';
import type { Step } from '$core/formula/process.ts';
import type { EventEntry, WeighingEntry } from '$core/bench/entries.ts';
import { event, weighing } from '$core/testing/entries.ts';
import { createBatch } from '$lib/server/batches/create.ts';
import { closeBatch } from '$lib/server/batches/close.ts';
import { getBatch } from '$lib/server/batches/read.ts';
import { keepEach, keepEntries } from '$lib/server/bench/entries.ts';
import { stationFacts } from '$lib/server/bench/station.ts';
import { runningSteps } from '$lib/server/bench/timers.ts';
import { newId } from '$lib/server/rows.ts';
import { makeRoti, useBench } from './kitchen.ts';

const bench = useBench();

const REST: Step = {
	kind: 'rest',
	text: 'Cover and rest',
	minutesLow: 20,
	minutesHigh: 30,
	temperature_c: null,
	cue: ''
};

/** A planned batch, and how it stands after entries. */
async function begun(name: string) {
	const { productId } = await makeRoti(bench, name, [REST]);
	const plan = { productId, madeOn: '2026-04-05', factor: 1 };
	const id = await createBatch(bench.db, bench.kitchen, newId(), plan);
	return {
		id,
		keep: async (...entries: (WeighingEntry | EventEntry)[]) =>
			(await keepEntries(bench.db, bench.kitchen, id, entries)).answers,
		now: () => getBatch(bench.db, bench.kitchen, id)
	};
}

describe('entries', () => {
	it('sent twice, together or apart, are kept once and come back as they were', async () => {
		const { id, keep } = await begun('Sent twice');
		const sent = [weighing(), event({ name: 'piece rejected', reason: 'torn' })];
		await Promise.all([keep(...sent), keep(...sent)]);
		expect(await keep(...sent)).toEqual(sent.map((entry) => ({ id: entry.id, kept: true })));
		expect(await entriesOf(bench.db, bench.kitchen.id, id)).toEqual(
			sent.map((entry, index) => ({ ...entry, number: index + 1 }))
		);
	});

	it('that the server fails on hold up none of the others, and are asked for again', async () => {
		const { id } = await begun('Failed on');
		await bench.db.raw(
			`CREATE TRIGGER fails BEFORE INSERT ON weighings FOR EACH ROW
			BEGIN IF NEW.grams = 66.6 THEN SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = 'not this one'; END IF; END`
		);
		try {
			const ball = (grams: number) => weighing({ what: 'ball', lineId: null, grams });
			const sent = [ball(60), ball(66.6), ball(61)];
			const send = () => keepEach(bench.db, bench.kitchen, id, sent);
			const answers = sent.map((entry, index) =>
				index === 1
					? { id: entry.id, kept: false, again: true, message: 'something failed on the server' }
					: { id: entry.id, kept: true }
			);
			expect(await send()).toMatchObject({ answers, added: [{ grams: 60 }, { grams: 61 }] });
			expect(await send()).toMatchObject({ answers, added: [] });
			expect((await getBatch(bench.db, bench.kitchen, id)).ballWeights_g).toEqual([60, 61]);
		} finally {
			await bench.db.raw('DROP TRIGGER fails');
		}
	});

	it('make the figures of the batch: lines, surface, balls, counts', async () => {
		const { keep, now } = await begun('Weighed at the bench');
		const [flour, water, salt, dusting] = (await now()).lines.map((line) => line.id);
		await keep(
			weighing({ what: 'line', lineId: flour ?? '', grams: 600 }),
			weighing({ what: 'line', lineId: flour ?? '', grams: 401.5 })
		);
		expect((await now()).closings[0]).toMatchObject({ state: 'open', missing: '2 lines not weighed' });
		await keep(
			weighing({ what: 'line', lineId: water ?? '', grams: 600 }),
			weighing({ what: 'line', lineId: salt ?? '', grams: 20 }),
			weighing({ what: 'set out', lineId: dusting ?? '', grams: 200 }),
			weighing({ what: 'returned', lineId: dusting ?? '', grams: 130 }),
			weighing({ what: 'swept', lineId: dusting ?? '', grams: 30 }),
			weighing({ what: 'dough', grams: 1612 }),
			weighing({ grams: 59 }),
			weighing({ grams: 61 }),
			event({ name: 'counted', of: 'balls', count: 26 }),
			event({ name: 'piece rejected', reason: 'burnt' })
		);
		const batch = await now();
		expect(batch.lines.map((line) => [line.weighed_g, line.weighedUptake_g])).toEqual([
			[1001.5, null], // 600 + 401.5
			[600, null],
			[20, null],
			[70, 40] // 200 − 130, less 30 swept
		]);
		expect(batch).toMatchObject({
			doughWeight_g: 1612,
			ballWeights_g: [59, 61],
			ballCount: 26,
			rejects: 1,
			packsMade: 0 // nothing can be sold before packs are counted
		});
		expect(batch.closings[0]).toMatchObject({ state: 'squares', gap: 9.5 }); // 1621.5 − 1612
		await keep(event({ name: 'counted', of: 'packs', count: 4 }));
		expect(await now()).toMatchObject({ packs: 4, packsMade: 4, packsLeft: 4 });
	});

	it('take back and correct, once', async () => {
		const { keep, now } = await begun('Taken back');
		const [ball, reject] = [weighing({ grams: 70 }), event({ name: 'piece rejected', reason: 'raw' })];
		await keep(ball, reject);
		const [first] = await keep(weighing({ grams: 60, corrects: ball.id }));
		const [second] = await keep(weighing({ grams: 61, corrects: ball.id }));
		expect(first).toMatchObject({ kept: true });
		expect(second).toMatchObject({ kept: false, message: 'another device corrected that reading first' });
		await keep(event({ name: 'void' }, { voids: reject.id }));
		expect(await now()).toMatchObject({ ballWeights_g: [60], rejects: 0 });
		const [again] = await keep(event({ name: 'void' }, { voids: reject.id }));
		expect(again).toMatchObject({ kept: false, message: 'another device took that back first' });
	});

	it('that cannot be are refused for themselves and hold up no other', async () => {
		const one = await begun('Refused one');
		const other = await begun('Refused other');
		const ball = weighing();
		await other.keep(ball);
		const foreign = (await other.now()).lines[0]?.id ?? '';
		const answers = await one.keep(
			weighing({ what: 'line', lineId: foreign }),
			weighing({ corrects: ball.id }),
			event({ name: 'void' }, { voids: newId() }),
			event({ name: 'line kept', lineId: foreign }),
			event({ name: 'counted', of: 'balls', count: 1 }),
			event({ name: 'piece rejected', reason: 'torn' }),
			event({ name: 'piece rejected', reason: 'torn' }),
			weighing({ grams: 58 })
		);
		expect(answers.map((answer) => (answer.kept ? 'kept' : answer.message))).toEqual([
			'this line is not of this batch',
			'the reading it corrects is not of this batch',
			'what it takes back is not of this batch',
			'this line is not of this batch',
			'kept',
			'kept',
			'2 rejects are more than the 1 balls that were made: count the balls again',
			'kept'
		]);
		expect(await one.now()).toMatchObject({ ballCount: 1, rejects: 1, ballWeights_g: [58] });
	});

	it('come from a clock that is ahead no later than now', async () => {
		const { id, keep } = await begun('Ahead');
		await keep(weighing({ at: '2099-01-01T00:00:00.000Z' }));
		const [entry] = await entriesOf(bench.db, bench.kitchen.id, id);
		expect(Date.parse(entry?.at ?? '')).toBeLessThanOrEqual(Date.now());
	});

	it('note when the batch was begun, on its own day, in the kitchen’s time, and once', async () => {
		const { keep, now } = await begun('Begun at');
		await keep(weighing({ at: '2026-04-04T09:00:00.000Z' }));
		expect((await now()).beganAt).toBeNull(); // the day before
		await keep(weighing({ at: '2026-04-05T09:05:00.000Z' }));
		expect((await now()).beganAt).toBe('10:05'); // summer time in Lisbon is an hour ahead
		await keep(weighing({ at: '2026-04-05T07:00:00.000Z' }));
		expect((await now()).beganAt).toBe('10:05');
	});

	it('are never edited, and none comes after the batch is closed', async () => {
		const { id, keep, now } = await begun('Closed to entries');
		const before = await now();
		await keep(
			...before.lines
				.slice(0, 3)
				.map((line) => weighing({ what: 'line', lineId: line.id, grams: line.planned_g }))
		);
		await expect(closeBatch(bench.db, bench.kitchen, id, (await now()).version, 'tired')).rejects.toThrow(
			'was not weighed'
		);
		const dusting = before.lines[3]?.id ?? '';
		await keep(
			weighing({ what: 'consumed', lineId: dusting, grams: 60 }),
			weighing({ what: 'finished', grams: 52 })
		);
		await closeBatch(bench.db, bench.kitchen, id, (await now()).version, 'tired');
		const [late] = await keep(weighing());
		expect(late).toMatchObject({ kept: false, message: 'the batch is closed: record it as a correction' });
		await expect(
			bench.db('batch_events').insert({
				id: newId(),
				kitchen_id: bench.kitchen.id,
				batch_id: id,
				name: 'noted',
				data: '{}',
				happened_at: '2026-04-05',
				received_at: '2026-04-05'
			})
		).rejects.toThrow('the batch is closed');
		const other = await begun('Never edited');
		await other.keep(event({ name: 'piece rejected', reason: 'torn' }));
		await expect(
			bench.db('batch_events').where('batch_id', other.id).update({ name: 'noted' })
		).rejects.toThrow('never edited');
		await expect(bench.db('batch_events').where('batch_id', other.id).delete()).rejects.toThrow(
			'never edited'
		);
	});
});

describe('steps', () => {
	it('run from their beginning until they end, over all batches of the kitchen', async () => {
		const { id, keep } = await begun('Stepped');
		const begunAt = new Date(Date.now() - 25 * 60_000).toISOString();
		const start = event({ name: 'step begun', step: 0 }, { at: begunAt });
		await keep(start);
		const mine = async () =>
			(await runningSteps(bench.db, bench.kitchen.id)).filter((step) => step.batchId === id);
		expect(await mine()).toMatchObject([{ step: 0, begunAt, kind: 'rest', minutesLow: 20, minutesHigh: 30 }]);
		await keep(event({ name: 'step ended', step: 0 }));
		expect(await mine()).toEqual([]);
		const again = event({ name: 'step begun', step: 0 }, { at: begunAt });
		await keep(again, event({ name: 'void' }, { voids: again.id }));
		expect(await mine()).toEqual([]);
	});

	it('and the label of the batch come with it', async () => {
		const { now } = await begun('Stationed');
		const facts = await stationFacts(bench.db, bench.kitchen, await now());
		expect(facts.steps.map((step) => step.kind)).toEqual(['rest']);
		expect(facts.label).toBeNull();
		expect(facts.cautions[0]).toMatch(/^Raw flour/);
	});
});
