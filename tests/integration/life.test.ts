import { beforeAll, describe, expect, it, vi } from 'vitest';
import type { RequestEvent } from '@sveltejs/kit';
import { beyondLimits } from '$lib/server/edge/limits.ts';
import { closeKitchen, openAgain } from '$lib/server/life/close.ts';
import { countUsage, keptLimits, limitsOf, most } from '$lib/server/life/limits.ts';
import { beginLeaving, deletionsBy, removeForGood } from '$lib/server/life/remove.ts';
import { askedInThisMinute, countRequest, requestsKnown, settle } from '$lib/server/life/requests.ts';
import { leftOf, tablesWithKitchens } from '$lib/server/life/rows.ts';
import { nearLimits } from '$lib/kitchen/limits.ts';
import { dayIn } from '$lib/day.ts';
import { createKitchen, getKitchen, theKitchen } from '$lib/server/kitchens.ts';
import { join, kitchensOf } from '$lib/server/people/memberships.ts';
import { own } from '$lib/server/people/own-kitchen.ts';
import { makePerson } from '$lib/server/people/persons.ts';
import { beginSession, findSession } from '$lib/server/people/sessions.ts';
import { beginPractice } from '$lib/server/practice/begin.ts';
import { newId } from '$lib/server/rows.ts';
import { demoLoaded, KITCHEN, makeRoti, useBench } from './kitchen.ts';

const bench = useBench();
const day = (zone: string) => dayIn(zone, new Date());
let kitchenId = '';
let personId = '';
let otherId = '';
const practiceId = newId();

beforeAll(async () => {
	await demoLoaded(bench.db);
	({ id: kitchenId } = await theKitchen(bench.db));
	personId = await makePerson(bench.db, { name: 'Wren', login: 'wren', password: 'three plain words' });
	await join(bench.db, kitchenId, { personId, name: 'Wren', role: 'owner', span: null });
	otherId = await createKitchen(bench.db, { ...KITCHEN, name: 'Next door' });
	await own(bench.db, otherId, { personId, name: 'Wren' });
	await makeRoti({ ...bench, kitchen: await getKitchen(bench.db, otherId) }, 'next door');
	// Somebody practises beside it.
	await beginSession(bench.db, { personId, cameBy: 'demo', kitchenId, deviceId: null });
	const session = await bench.db('sessions').where('person_id', personId).first('id');
	await beginPractice(
		bench.db,
		await theKitchen(bench.db),
		{ personId, name: 'Wren', sessionId: session?.id ?? '' },
		{ id: practiceId, exercise: 'salt', seed: 3, batchId: '' }
	);
}, 120_000);

/** Every row of a kitchen, counted table by table. */
async function rowsOf(id: string): Promise<Record<string, number>> {
	const counts: Record<string, number> = {};
	for (const table of await tablesWithKitchens(bench.db)) {
		const [row] = await bench.db(table).where('kitchen_id', id).count<{ rows: number }[]>({ rows: '*' });
		if (row && row.rows > 0) counts[table] = row.rows;
	}
	return counts;
}

describe('what a kitchen takes of its installation', () => {
	it('is counted row by row, and said from four fifths on', async () => {
		const usage = await countUsage(bench.db, kitchenId);
		const counted = await rowsOf(kitchenId);
		// The count itself is a row that was not there yet, and so is that it was changed.
		delete counted.kitchen_usage;
		if (counted.changes) counted.changes -= 1;
		expect(usage.rows).toBe(Object.values(counted).reduce((sum, rows) => sum + rows, 0));
		expect(usage.bytes).toBeGreaterThan(300 * usage.rows);
		const limits = await limitsOf(bench.db, kitchenId);
		expect(limits.rows).toEqual({ has: usage.rows, most: 5_000_000 });
		expect(nearLimits(limits)).toEqual([]);
		const of = (rows: number, bytes: number) =>
			nearLimits({ rows: { has: rows, most: 100 }, bytes: { has: bytes, most: 100 } });
		expect(of(79, 79)).toEqual([]);
		expect(of(80, 79)).toEqual([{ name: 'rows', share: 0.8 }]);
		expect(nearLimits({ requests: { has: 9600, most: 12_000 } })).toEqual([{ name: 'requests', share: 0.8 }]);
		expect(of(80, 120).map(({ name }) => name)).toEqual(['bytes', 'rows']);
	});

	it('goes by what whoever runs it says, and by the usual where that is no number', () => {
		vi.stubEnv('KITCHEN_ROWS', '1000');
		expect(most('KITCHEN_ROWS')).toBe(1000);
		expect(keptLimits({ rows: 800, bytes: 0 }).rows).toEqual({ has: 800, most: 1000 });
		for (const no of ['0', '-5', 'many', '1.5', '']) {
			vi.stubEnv('KITCHEN_ROWS', no);
			expect(most('KITCHEN_ROWS')).toBe(5_000_000);
		}
		vi.unstubAllEnvs();
	});

	it('at the limit nothing new is begun, what is begun goes on to a tenth beyond, and all of it can be taken away', async () => {
		const { rows } = await countUsage(bench.db, kitchenId);
		const status = async (most: number, id: string, method = 'POST') => {
			vi.stubEnv('KITCHEN_ROWS', String(most));
			const request = new Request('http://127.0.0.1/', { method });
			const event = { locals: { db: bench.db }, request, route: { id } } as unknown as RequestEvent;
			return (await beyondLimits(event, kitchenId))?.status ?? null;
		};
		const [under, at, far] = [rows + 1, rows, Math.floor(rows / 1.2)];
		for (const id of ['/formulas', '/shelf/import', '/batches/new'])
			expect([await status(under, id), await status(at, id), await status(at, id, 'GET')]).toEqual([
				null,
				507,
				null
			]);
		for (const id of ['/sales/entries.json', '/batches/[id]/entries.json'])
			expect([await status(at, id), await status(far, id)]).toEqual([null, 507]);
		for (const id of ['/kitchen/data', '/kitchen/data/restore', '/jobs/[job]', '/me'])
			expect(await status(far, id)).toBeNull();
		vi.stubEnv('KITCHEN_REQUESTS', '1');
		expect(await status(under, '/formulas', 'GET')).toBe(429);
		vi.unstubAllEnvs();
	});

	it('counts requests of all processes in a minute, each once', async () => {
		const now = Date.parse('2026-04-05T10:00:30Z');
		const of = `kitchen ${otherId}` as const;
		expect(countRequest(bench.db, of, now)).toBe(1);
		expect(countRequest(bench.db, of, now)).toBe(2);
		await settle(bench.db, now);
		// Another process counted five.
		await bench
			.db('request_counts')
			.where('of_whom', of)
			.update({ number: bench.db.raw('number + 5') });
		expect(countRequest(bench.db, of, now)).toBe(3);
		await settle(bench.db, now);
		expect(await askedInThisMinute(bench.db, of, now)).toBe(8);
		expect(countRequest(bench.db, of, now)).toBe(9);
		expect(requestsKnown(of, now)).toBe(9);
		expect(requestsKnown(of, now + 60_000)).toBe(1);
		// The next minute begins anew.
		await settle(bench.db, now);
		expect(countRequest(bench.db, of, now + 60_000)).toBe(1);
		await settle(bench.db, now + 60_000);
	});
});

describe('a kitchen’s end', () => {
	it('is closed before it is deleted, by its name as it is', async () => {
		const { name } = await theKitchen(bench.db);
		await expect(beginLeaving(bench.db, kitchenId, name)).rejects.toThrow('close the kitchen first');
		await closeKitchen(bench.db, kitchenId);
		// Sent twice it is closed, and opened, once.
		const since = await bench.db('kitchens').where('id', kitchenId).first('closed_at');
		await closeKitchen(bench.db, kitchenId);
		expect(await bench.db('kitchens').where('id', kitchenId).first('closed_at')).toEqual(since);
		await openAgain(bench.db, kitchenId);
		await openAgain(bench.db, kitchenId);
		expect(await bench.db('kitchens').where('id', kitchenId).first('state', 'closed_at')).toEqual({
			state: 'open',
			closed_at: null
		});
		await closeKitchen(bench.db, kitchenId);
		await expect(beginLeaving(bench.db, kitchenId, 'Tansy')).rejects.toThrow('type its name as it is');
		// What is evidence is held as ever.
		await expect(bench.db('weighings').where('kitchen_id', kitchenId).limit(1).delete()).rejects.toThrow(
			/never removed/
		);
	});

	it('closed, somebody in it is told so; leaving, nobody is in it', async () => {
		const token = await beginSession(bench.db, { personId, cameBy: 'demo', kitchenId, deviceId: null });
		const who = async () => (await findSession(bench.db, token, day)).who;
		expect(await who()).toMatchObject({ isClosed: true, membership: { kitchenId } });
		const { name } = await theKitchen(bench.db);
		await beginLeaving(bench.db, kitchenId, name);
		expect(await who()).toMatchObject({ isClosed: false, membership: null });
		expect((await kitchensOf(bench.db, personId, day)).map(({ id }) => id)).toEqual([otherId]);
	});

	it('deleted, broken off and begun again, all of it and its practice is gone, nothing of another is touched', async () => {
		const beside = await rowsOf(otherId);
		const before = await rowsOf(kitchenId);
		expect(before.weighings).toBeGreaterThan(500);
		const broken = removeForGood(bench.db, kitchenId, { personId, name: 'Wren' }, (done) => {
			if (done > 1000) throw new Error('killed');
		});
		await expect(broken).rejects.toThrow('killed');
		const seen: [number, number][] = [];
		const deletion = await removeForGood(bench.db, kitchenId, { personId, name: 'Wren' }, (done, of) =>
			seen.push([done, of])
		);
		expect(seen.at(-1)?.[0]).toBe(seen.at(-1)?.[1]);
		// Of both tries together: what went the first time is in the proof too.
		expect(deletion.went.find(({ table }) => table === 'weighings')?.rows).toBeGreaterThanOrEqual(
			before.weighings ?? 0
		);
		expect(deletion.went.every(({ left }) => left === 0)).toBe(true);
		for (const id of [kitchenId, practiceId]) {
			expect(await leftOf(bench.db, id)).toEqual([]);
			expect(await bench.db('kitchens').where({ id }).first('id')).toBeUndefined();
		}
		expect(await rowsOf(otherId)).toEqual(beside);
		// No row anywhere refers to what went.
		const [keys] = (await bench.db.raw(
			`SELECT table_name AS f, column_name AS c, referenced_table_name AS t, referenced_column_name AS k
			FROM information_schema.key_column_usage
			WHERE table_schema = DATABASE() AND referenced_table_name IS NOT NULL`
		)) as [{ f: string; c: string; t: string; k: string }[]];
		expect(keys.length).toBeGreaterThan(100);
		for (const { f, c, t, k } of keys) {
			const [[lost]] = (await bench.db.raw(
				`SELECT COUNT(*) AS rows_lost FROM \`${f}\` f LEFT JOIN \`${t}\` t ON t.\`${k}\` = f.\`${c}\`
				WHERE f.\`${c}\` IS NOT NULL AND t.\`${k}\` IS NULL`
			)) as [[{ rows_lost: number }]];
			expect([f, c, lost.rows_lost]).toEqual([f, c, 0]);
		}
		expect((await deletionsBy(bench.db, personId)).map(({ id }) => id)).toEqual([kitchenId]);
		// A second time it is known to be gone.
		expect(await removeForGood(bench.db, kitchenId, { personId, name: 'Wren' })).toMatchObject({
			id: kitchenId
		});
	}, 120_000);
});
