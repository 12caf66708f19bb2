import { beforeAll, describe, expect, it } from 'vitest';
import { readArchive } from '$lib/server/archive/read.ts';
import { writeArchive } from '$lib/server/archive/write.ts';
import type { JobKind } from '$lib/jobs/types.ts';
import { TAKEABLE } from '$lib/sales/past.ts';
import { madeOnce } from '$lib/server/db/once.ts';
import { askJobWith } from '$lib/server/jobs/given.ts';
import { previewPastSales } from '$lib/server/sales/past/import.ts';
import { endJob } from '$lib/server/jobs/end.ts';
import { closeKitchen } from '$lib/server/life/close.ts';
import { beginLeaving } from '$lib/server/life/remove.ts';
import { leftOf } from '$lib/server/life/rows.ts';
import {
	askJob,
	forgetOldJobs,
	goOnWith,
	jobOf,
	jobsOf,
	rowOf,
	stopJob,
	type Asking
} from '$lib/server/jobs/jobs.ts';
import { dropParts, PartsWriter, readParts } from '$lib/server/jobs/parts.ts';
import { runNextJob } from '$lib/server/jobs/run.ts';
import { giveBack, holdOn, MOST_TRIES, stillHas, takeJob, type Taken } from '$lib/server/jobs/take.ts';
import { belongs, join, kitchensOf } from '$lib/server/people/memberships.ts';
import { makePerson } from '$lib/server/people/persons.ts';
import { createKitchen, theKitchen } from '$lib/server/kitchens.ts';
import { newId } from '$lib/server/rows.ts';
import { demoLoaded, emptied, KITCHEN, useBench } from './kitchen.ts';

const bench = useBench();
let personId: string;
let archive: Uint8Array;

beforeAll(async () => {
	await demoLoaded(bench.db);
	const kitchen = await theKitchen(bench.db);
	archive = new Uint8Array(
		await new Response(writeArchive(bench.db, kitchen, new Date('2026-04-05T10:00:00Z'))).arrayBuffer()
	);
	personId = await makePerson(bench.db, { name: 'Tansy', login: 'jobs', password: 'three plain words' });
}, 120_000);

/** The kitchen that work is asked for in, by one who owns it. */
async function ownKitchen(): Promise<string> {
	const { id } = await theKitchen(bench.db);
	if (!(await belongs(bench.db, id, personId)))
		await join(bench.db, id, { personId, name: 'Tansy', role: 'owner', span: null });
	return id;
}

/** A kitchen of somebody's that an archive is brought in from, beside what comes in. */
const BESIDE = 'Beside';
async function beside(): Promise<string> {
	const id = await createKitchen(bench.db, { ...KITCHEN, name: BESIDE });
	await join(bench.db, id, { personId, name: 'Tansy', role: 'owner', span: null });
	return id;
}
const kitchensNow = async () =>
	(await kitchensOf(bench.db, personId, () => '2026-04-05'))
		.filter(({ name }) => name !== BESIDE)
		.map(({ id }) => id);

async function asked(kind: JobKind, of: object = {}): Promise<string> {
	const id = newId();
	const kitchenId = await ownKitchen();
	await askJob(bench.db, { id, kitchenId, personId, kind, name: 'x', asked: of });
	return id;
}
/** A job whose file is still being sent, by a process that says so for so many seconds more. */
async function coming(seconds: number, kind: JobKind = 'restore'): Promise<Asking> {
	const kitchenId = await ownKitchen();
	const asking = { id: newId(), kitchenId, personId, kind, name: 'x', asked: { name: 'Tansy' } };
	await madeOnce(bench.db, { table: 'jobs', kitchenId, id: asking.id }, (db) =>
		db('jobs').insert({
			...rowOf(asking),
			state: 'coming',
			tries: 1,
			taken_until: db.raw('UTC_TIMESTAMP(3) + INTERVAL ? SECOND', [seconds]) as never
		})
	);
	return asking;
}
const partsOf = async (jobId: string): Promise<string> => {
	const rows = await bench.db('job_parts').where('job_id', jobId).orderBy('number').pluck<Buffer[]>('bytes');
	return Buffer.concat(rows).toString();
};
/** As if the process that has a job were gone for longer than it holds it. */
const leaseOver = (id: string) =>
	bench
		.db('jobs')
		.where('id', id)
		.update({ taken_until: bench.db.raw('UTC_TIMESTAMP(3) - INTERVAL 1 SECOND') });
const mine = () => Promise.resolve(true);
const bytesOf = async (kitchenId: string, jobId: string): Promise<Uint8Array> => {
	const pieces: Uint8Array[] = [];
	for await (const piece of readParts(bench.db, { kitchenId, jobId, side: 'out' })) pieces.push(piece);
	return Buffer.concat(pieces);
};

describe('what is put down in parts', () => {
	it('comes out as it went in, whatever the pieces were, and no part is larger than a mebibyte', async () => {
		const { id: kitchenId } = await theKitchen(bench.db);
		const jobId = await asked('archive');
		const writer = new PartsWriter(bench.db, { kitchenId, jobId, side: 'out' }, mine);
		// 700,000 and 1,400,000 bytes and 3: two whole parts of 1,048,576 and a rest of 2,851.
		const pieces = [700_000, 1_400_000, 3].map((size, at) => new Uint8Array(size).fill(at + 1));
		for (const piece of pieces) await writer.write(piece);
		await writer.end();
		expect(writer.bytes).toBe(2_100_003);
		const sizes = await bench.db.raw(
			'SELECT LENGTH(bytes) AS size FROM job_parts WHERE job_id = ? ORDER BY number',
			[jobId]
		);
		expect((sizes as [{ size: number }[]])[0].map(({ size }) => size)).toEqual([1_048_576, 1_048_576, 2_851]);
		expect(Buffer.compare(await bytesOf(kitchenId, jobId), Buffer.concat(pieces))).toBe(0);
		await dropParts(bench.db, jobId);
		expect(await bytesOf(kitchenId, jobId)).toHaveLength(0);
		await stopJob(bench.db, personId, jobId);
	});
});

describe('a job that is given a file', () => {
	const sent = (text: string) => [new TextEncoder().encode(text)];

	it('is put down anew by the form sent again, where the process that put it down is gone', async () => {
		const asking = await coming(-1);
		await new PartsWriter(
			bench.db,
			{ kitchenId: asking.kitchenId, jobId: asking.id, side: 'in' },
			mine
		).write(new Uint8Array(2_000_000));
		await askJobWith(bench.db, asking, sent('all of it'));
		expect((await jobOf(bench.db, personId, asking.id)).state).toBe('waiting');
		expect(await partsOf(asking.id)).toBe('all of it');
		await stopJob(bench.db, personId, asking.id);
	});

	it('is waited for while its process lives, and is one', async () => {
		const asking = { ...(await coming(-1)), id: newId() };
		let goOn: () => void = () => undefined;
		const open = new Promise<void>((resolve) => (goOn = resolve));
		async function* slowly(): AsyncGenerator<Uint8Array> {
			yield* sent('the first ');
			await open;
			yield* sent('half and the other');
		}
		const first = askJobWith(bench.db, asking, slowly());
		const isComing = async () => (await bench.db('jobs').where('id', asking.id).first('state'))?.state;
		await expect.poll(isComing).toBe('coming');
		let isThere = false;
		const second = askJobWith(bench.db, asking, sent('sent again')).then(() => (isThere = true));
		await new Promise((resolve) => setTimeout(resolve, 700));
		expect(isThere).toBe(false);
		goOn();
		await Promise.all([first, second]);
		expect(await partsOf(asking.id)).toBe('the first half and the other');
		await stopJob(bench.db, personId, asking.id);
	});

	it('is the second’s where the first stood still too long: the first adds nothing to it, nor takes it away', async () => {
		const asking = { ...(await coming(-1)), id: newId() };
		let goOn: () => void = () => undefined;
		const open = new Promise<void>((resolve) => (goOn = resolve));
		async function* late(): AsyncGenerator<Uint8Array> {
			await open;
			yield new Uint8Array(3_000_000);
		}
		const first = askJobWith(bench.db, asking, late());
		const isComing = async () => (await bench.db('jobs').where('id', asking.id).first('state'))?.state;
		await expect.poll(isComing).toBe('coming');
		await leaseOver(asking.id);
		await askJobWith(bench.db, asking, sent('the second'));
		goOn();
		await first;
		expect((await jobOf(bench.db, personId, asking.id)).state).toBe('waiting');
		expect(await partsOf(asking.id)).toBe('the second');
		await stopJob(bench.db, personId, asking.id);
	});

	it('of which nothing is left where what comes breaks off', async () => {
		const asking = { ...(await coming(-1)), id: newId() };
		async function* broken(): AsyncGenerator<Uint8Array> {
			yield new Uint8Array(2_000_000);
			await Promise.reject(new Error('the line is gone'));
		}
		await expect(askJobWith(bench.db, asking, broken())).rejects.toThrow('the line is gone');
		await expect(jobOf(bench.db, personId, asking.id)).rejects.toThrow('not here');
		expect(await partsOf(asking.id)).toBe('');
	});
});

describe('a job', () => {
	it('writes no part of what another took up', async () => {
		const id = await asked('archive');
		const { id: kitchenId } = await theKitchen(bench.db);
		const first = await takeJob(bench.db);
		await leaseOver(id);
		const second = await takeJob(bench.db);
		if (!first || !second) throw new Error('not taken');
		const writerOf = (job: Taken) =>
			new PartsWriter(bench.db, { kitchenId, jobId: id, side: 'out' }, (at) => stillHas(at, job));
		await expect(writerOf(first).write(new Uint8Array(1_048_576))).rejects.toThrow('another');
		expect(await bytesOf(kitchenId, id)).toHaveLength(0);
		await writerOf(second).write(new Uint8Array(1_048_576));
		expect(await bytesOf(kitchenId, id)).toHaveLength(1_048_576);
		await stopJob(bench.db, personId, id);
		await dropParts(bench.db, id);
	});

	it('is taken once, by one, and asked for twice it is one', async () => {
		const id = await asked('archive', { withCustomers: true });
		const { id: kitchenId } = await theKitchen(bench.db);
		await askJob(bench.db, { id, kitchenId, personId, kind: 'archive', name: 'x', asked: {} });
		const taken = await Promise.all(Array.from({ length: 5 }, () => takeJob(bench.db)));
		expect(taken.filter((job) => job !== null).map((job) => job.id)).toEqual([id]);
		await stopJob(bench.db, personId, id);
	});

	it('whose process is gone is taken up by another, and the first writes nothing more of it', async () => {
		const id = await asked('archive', { withCustomers: true });
		const first = await takeJob(bench.db);
		expect(first?.tries).toBe(1);
		// Held, nobody else takes it.
		expect(await takeJob(bench.db)).toBeNull();
		await leaseOver(id);
		const second = await takeJob(bench.db);
		expect(second).toMatchObject({ id, tries: 2 });
		if (!first || !second) throw new Error('not taken');
		expect(await holdOn(bench.db, first, { done: 5, of: 10 })).toBe(false);
		expect(await endJob(bench.db, first, 'done', { said: 'late' })).toBe(false);
		expect(await holdOn(bench.db, second, { done: 7, of: 10 })).toBe(true);
		expect(await jobOf(bench.db, personId, id)).toMatchObject({ state: 'running', done: 7, of: 10 });
		// A process that ends in order leaves it at once, and that is no failed try.
		await giveBack(bench.db, second);
		expect(await takeJob(bench.db)).toMatchObject({ id, tries: 2 });
		await stopJob(bench.db, personId, id);
	});

	it('that ended three processes is not begun again', async () => {
		const id = await asked('archive', { withCustomers: true });
		for (let time = 0; time < MOST_TRIES; time++) {
			await takeJob(bench.db);
			await leaseOver(id);
		}
		expect(await runNextJob(bench.db)).toBe(true);
		const job = await jobOf(bench.db, personId, id);
		expect(job.state).toBe('failed');
		expect(job.outcome?.problem).toContain('begun 3 times');
	});

	it('is seen by who asked for it, and by nobody else', async () => {
		const id = await asked('archive', { withCustomers: true });
		const other = await makePerson(bench.db, { name: 'Late', login: 'other', password: 'three plain words' });
		await expect(jobOf(bench.db, other, id)).rejects.toThrow('not here');
		await expect(stopJob(bench.db, other, id)).rejects.toThrow('not here');
		const { id: kitchenId } = await theKitchen(bench.db);
		expect((await jobsOf(bench.db, kitchenId, personId)).map((job) => job.id)).toContain(id);
		expect(await jobsOf(bench.db, kitchenId, other)).toEqual([]);
		await stopJob(bench.db, personId, id);
	});

	it('that still comes is not taken; that never came whole is let go of after an hour, an old one after a day', async () => {
		const { id } = await coming(-1);
		const { id: slow } = await coming(2 * 3600);
		expect(await takeJob(bench.db)).toBeNull();
		const hours = (count: number) => Date.now() + count * 3_600_000;
		await forgetOldJobs(bench.db, hours(0.9));
		expect((await jobOf(bench.db, personId, id)).state).toBe('coming');
		await forgetOldJobs(bench.db, hours(1.1));
		await expect(jobOf(bench.db, personId, id)).rejects.toThrow('not here');
		// A slow line that still sends it is not gone.
		expect((await jobOf(bench.db, personId, slow)).state).toBe('coming');
		await stopJob(bench.db, personId, slow);
		const over = await asked('archive', {});
		await stopJob(bench.db, personId, over);
		await forgetOldJobs(bench.db, hours(23.9));
		expect((await jobOf(bench.db, personId, over)).state).toBe('stopped');
		await forgetOldJobs(bench.db, hours(24.1));
		await expect(jobOf(bench.db, personId, over)).rejects.toThrow('not here');
	});
});

describe('work that is done', () => {
	it('an archive: begun again it is whole, and none of the first try is in it', async () => {
		const kitchen = await theKitchen(bench.db);
		const id = await asked('archive', { withCustomers: true });
		const first = await takeJob(bench.db);
		const writer = new PartsWriter(bench.db, { kitchenId: kitchen.id, jobId: id, side: 'out' }, mine);
		await writer.write(new Uint8Array(3_000_000).fill(7));
		await writer.end();
		expect(first?.id).toBe(id);
		await leaseOver(id);
		expect(await runNextJob(bench.db)).toBe(true);
		const job = await jobOf(bench.db, personId, id);
		expect(job.state).toBe('done');
		const bytes = await bytesOf(kitchen.id, id);
		expect(job.outcome?.file?.bytes).toBe(bytes.length);
		// Who asked for it came in since.
		const others = async (of: Uint8Array) =>
			(await readArchive(of)).manifest.tables.filter(({ name }) => name !== 'memberships');
		expect(await others(bytes)).toEqual(await others(archive));
		expect(await runNextJob(bench.db)).toBe(false);
	}, 120_000);

	it('a restore whose process is killed is taken up by another: every row once, and its owner', async () => {
		await emptied(bench.db);
		personId = await makePerson(bench.db, { name: 'Tansy', login: 'again', password: 'three plain words' });
		const kitchenId = (await readArchive(archive)).manifest.kitchen.id;
		const id = newId();
		const job = { id, kitchenId: await beside(), personId, kind: 'restore', name: 'an archive' } as const;
		await askJobWith(bench.db, { ...job, asked: { name: 'Tansy' } }, [archive]);
		// Killed in the middle: what it had put in is there, and nobody sees it.
		await takeJob(bench.db);
		await bench.db('kitchens').insert({
			id: kitchenId,
			name: 'half',
			town: '',
			time_zone: 'UTC',
			currency: 'USD',
			rules: 'us',
			created_at: '2026-01-01 00:00:00.000',
			state: 'arriving'
		});
		expect(await kitchensNow()).toEqual([]);
		expect((await theKitchen(bench.db)).name).toBe(BESIDE);
		await leaseOver(id);
		expect(await runNextJob(bench.db)).toBe(true);
		expect(await jobOf(bench.db, personId, id)).toMatchObject({ state: 'done', outcome: { kitchenId } });
		expect(await kitchensNow()).toEqual([kitchenId]);
		for (const { name, rows } of (await readArchive(archive)).manifest.tables) {
			const [row] = await bench
				.db(name)
				.where(name === 'kitchens' ? 'id' : 'kitchen_id', kitchenId)
				.count<{ rows: number }[]>({ rows: '*' });
			// Who brought it in is one more of its members.
			expect([name, Number(row?.rows)]).toEqual([name, name === 'memberships' ? rows + 1 : rows]);
		}
		// What it was given is let go of.
		expect(await bench.db('job_parts').where('job_id', id).first('number')).toBeUndefined();
	}, 120_000);

	it('a restore that is refused says why, and nothing of it stays', async () => {
		const id = newId();
		const job = { id, kitchenId: await beside(), personId, kind: 'restore', name: 'an archive' } as const;
		await askJob(bench.db, { ...job, asked: { name: 'Tansy' } });
		const sent = new PartsWriter(bench.db, { kitchenId: job.kitchenId, jobId: id, side: 'in' }, mine);
		await sent.write(archive);
		await sent.end();
		expect(await runNextJob(bench.db)).toBe(true);
		const over = await jobOf(bench.db, personId, id);
		expect(over.state).toBe('failed');
		expect(over.outcome?.problem).toContain('is on this machine already');
		expect(await bench.db('job_parts').where('job_id', id).first('number')).toBeUndefined();
	}, 60_000);

	it('that is stopped when all of it was done is said to be done: what is in the kitchen is there', async () => {
		await emptied(bench.db);
		personId = await makePerson(bench.db, { name: 'Tansy', login: 'late', password: 'three plain words' });
		const id = newId();
		const job = { id, kitchenId: await beside(), personId, kind: 'restore', name: 'an archive' } as const;
		await askJobWith(bench.db, { ...job, asked: { name: 'Tansy' } }, [archive]);
		const running = runNextJob(bench.db);
		// Its owner belongs to it: from here on nothing is taken back.
		const isOwned = async () => (await kitchensNow()).length > 0;
		await expect.poll(isOwned, { timeout: 60_000, interval: 2 }).toBe(true);
		await bench
			.db('jobs')
			.where({ id, state: 'running' })
			.update({ state: 'stopped', taken_by: null, taken_until: null, ended_at: '2026-04-05 10:00:00.000' });
		await running;
		expect((await jobOf(bench.db, personId, id)).state).toBe('done');
		expect(await isOwned()).toBe(true);
	}, 120_000);

	it('that is stopped is over at whoever has it, and leaves nothing', async () => {
		await emptied(bench.db);
		personId = await makePerson(bench.db, { name: 'Tansy', login: 'stops', password: 'three plain words' });
		const id = newId();
		const job = { id, kitchenId: await beside(), personId, kind: 'restore', name: 'an archive' } as const;
		await askJob(bench.db, { ...job, asked: { name: 'Tansy' } });
		const sent = new PartsWriter(bench.db, { kitchenId: job.kitchenId, jobId: id, side: 'in' }, mine);
		await sent.write(archive);
		await sent.end();
		const running = runNextJob(bench.db);
		await expect
			.poll(async () => (await bench.db('kitchens').where('state', 'arriving').first('id')) !== undefined, {
				timeout: 30_000
			})
			.toBe(true);
		await stopJob(bench.db, personId, id);
		await running;
		expect((await jobOf(bench.db, personId, id)).state).toBe('stopped');
		expect(await bench.db('kitchens').pluck('name')).toEqual([BESIDE]);
		expect(await bench.db('weighings').first('id')).toBeUndefined();
		expect(await bench.db('job_parts').where('job_id', id).first('number')).toBeUndefined();
	}, 120_000);
});

describe('who asked for work and may not have it any more', () => {
	it('has it ended while it is done, and takes nothing of what was done before', async () => {
		await demoLoaded(bench.db);
		personId = await makePerson(bench.db, { name: 'Tansy', login: 'demoted', password: 'three plain words' });
		const before = await asked('archive', { withCustomers: true });
		expect(await runNextJob(bench.db)).toBe(true);
		expect((await jobOf(bench.db, personId, before)).state).toBe('done');
		const id = await asked('archive', { withCustomers: true });
		await bench.db('memberships').where('person_id', personId).update({ role: 'maker' });
		expect(await runNextJob(bench.db)).toBe(true);
		expect(await bench.db('jobs').where('id', id).first('state')).toEqual({ state: 'stopped' });
		expect(await bench.db('job_parts').where('job_id', id).first('number')).toBeUndefined();
		for (const of of [before, id])
			await expect(jobOf(bench.db, personId, of)).rejects.toThrow('this work is not here');
		await bench.db('memberships').where('person_id', personId).delete();
	}, 120_000);
});

describe('a deletion', () => {
	it('is brought to its end: it is not stopped, and one that failed goes on, whenever', async () => {
		await demoLoaded(bench.db);
		personId = await makePerson(bench.db, { name: 'Tansy', login: 'leaves', password: 'three plain words' });
		const id = await asked('remove', { name: 'Tansy' });
		await expect(stopJob(bench.db, personId, id)).rejects.toThrow('brought to its end');
		await expect(goOnWith(bench.db, personId, id)).rejects.toThrow('nothing to go on with');
		// Of a kitchen that is not leaving it fails in words.
		expect(await runNextJob(bench.db)).toBe(true);
		expect(await jobOf(bench.db, personId, id)).toMatchObject({
			state: 'failed',
			outcome: { problem: 'close the kitchen first' }
		});
		await forgetOldJobs(bench.db, Date.now() + 100 * 3_600_000);
		await goOnWith(bench.db, personId, id);
		const { name, id: kitchenId } = await theKitchen(bench.db);
		await closeKitchen(bench.db, kitchenId);
		await beginLeaving(bench.db, kitchenId, name);
		expect(await runNextJob(bench.db)).toBe(true);
		expect(await jobOf(bench.db, personId, id)).toMatchObject({ state: 'done', outcome: { kitchenId } });
		expect(await leftOf(bench.db, kitchenId)).toEqual([]);
	}, 120_000);
});

describe('past sales', () => {
	it('come in as a job, all of them once: begun again after it was done, it finds that it was', async () => {
		await demoLoaded(bench.db);
		const kitchen = await theKitchen(bench.db);
		personId = await makePerson(bench.db, { name: 'Tansy', login: 'sales', password: 'three plain words' });
		const membershipId = await join(bench.db, kitchen.id, {
			personId,
			name: 'Tansy',
			role: 'owner',
			span: null
		});
		const rows = Array.from(
			{ length: 400 },
			(_, nth) => `2026-01-${String(1 + (nth % 28)).padStart(2, '0')},Old roti,2,5.00`
		);
		const text = ['day,what,packs,price', ...rows].join('\n');
		const options = { order: 'year-month-day', channel: 'Old stall', fromBatches: false } as const;
		const planned = await previewPastSales(bench.db, kitchen, text, options);
		const lines = planned.filter(({ state }) => TAKEABLE.includes(state)).map(({ line }) => line);
		expect(lines).toHaveLength(400);
		const id = newId();
		const asking = { id, kitchenId: kitchen.id, personId, kind: 'sales import', name: '400 rows' } as const;
		const asked = { options, lines, membershipId };
		const given = [new TextEncoder().encode(text)];
		await askJobWith(bench.db, { ...asking, asked }, given);
		// The form sent twice is one job.
		await askJobWith(bench.db, { ...asking, asked }, given);
		expect(await runNextJob(bench.db)).toBe(true);
		expect(await jobOf(bench.db, personId, id)).toMatchObject({
			state: 'done',
			outcome: { said: '400 rows brought in, 800 packs.' }
		});
		const kept = () => bench.db('sales').where({ kitchen_id: kitchen.id, channel: 'Old stall' }).pluck('id');
		expect(await kept()).toHaveLength(400);
		// It is known who did it.
		const deed = await bench
			.db('deeds')
			.where({ kitchen_id: kitchen.id, membership_id: membershipId })
			.first('what');
		expect(deed?.what).toBe('brought in past sales');
		// Killed between the rows and saying so: whoever begins it again adds nothing.
		await bench.db('jobs').where('id', id).update({ state: 'waiting', ended_at: null, outcome: null });
		await bench
			.db('job_parts')
			.insert({
				kitchen_id: kitchen.id,
				job_id: id,
				side: 'in',
				number: 0,
				bytes: Buffer.from(text) as never
			})
			.onConflict(['job_id', 'side', 'number'])
			.ignore();
		expect(await runNextJob(bench.db)).toBe(true);
		expect((await jobOf(bench.db, personId, id)).outcome?.said).toContain('here already');
		expect(await kept()).toHaveLength(400);
	}, 120_000);
});
