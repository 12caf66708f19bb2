import { createServer } from 'node:net';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openDatabase, urlOf, type Database } from '$lib/server/db/connection.ts';
import { takeTurn } from '$lib/server/db/upgrade/lock.ts';
import { oneConnection } from '$lib/server/db/upgrade/one-connection.ts';
import { ownKitchens } from '$lib/server/people/demo.ts';
import { demoLoaded, useBench } from './kitchen.ts';

const bench = useBench();
let quick: Database;
beforeAll(() => {
	quick = openDatabase(urlOf(bench.db), { max: 1, statement_ms: 300 });
});
afterAll(() => quick.destroy());

describe('a statement that is not answered in time', () => {
	it('fails, and its connection is let go of: the next has another', async () => {
		const connection = async () => {
			const [[row]] = (await quick.raw('SELECT CONNECTION_ID() AS id')) as [{ id: number }[]];
			return row?.id;
		};
		const before = await connection();
		await expect(quick.raw('SELECT SLEEP(5)')).rejects.toMatchObject({ code: 'PROTOCOL_SEQUENCE_TIMEOUT' });
		expect(await connection()).not.toBe(before);
	});

	it('ends its transaction, of which nothing is kept', async () => {
		const renaming = quick.transaction(async (transaction) => {
			await transaction('kitchens').where('id', bench.kitchen.id).update({ name: 'Half done' });
			await transaction.raw('SELECT SLEEP(5)');
		});
		await expect(renaming).rejects.toThrow();
		const name = async () => (await bench.db('kitchens').where('id', bench.kitchen.id).first('name'))?.name;
		expect(await name()).toBe(bench.kitchen.name);
	});

	it('is none where nothing listens: that is said within the time a connection may take', async () => {
		const frozen = createServer().listen(0, '127.0.0.1');
		await new Promise((resolve) => frozen.once('listening', resolve));
		const { port } = frozen.address() as { port: number };
		const db = openDatabase(`mysql://a:b@127.0.0.1:${port}/x`, { statement_ms: 300 });
		await expect(db.raw('SELECT 1')).rejects.toMatchObject({ code: 'ETIMEDOUT' });
		await db.destroy();
		frozen.close();
	}, 20_000);
});

describe('what only one does at a time', () => {
	it('is waited for, and goes on when whoever had the turn is gone', async () => {
		const [first, second] = [oneConnection(bench.db), oneConnection(bench.db)];
		await takeTurn(first, 'restore');
		const order: string[] = [];
		const waiting = takeTurn(second, 'restore').then(() => order.push('second'));
		await new Promise((resolve) => setTimeout(resolve, 600));
		order.push('first done');
		await first.destroy();
		await waiting;
		await second.destroy();
		expect(order).toEqual(['first done', 'second']);
	});
});

describe('a kitchen that is not the demo’s', () => {
	it('is told of before everything is emptied, and the demo’s own is not', async () => {
		expect(await ownKitchens(bench.db)).toEqual([bench.kitchen.name]);
		await demoLoaded(bench.db);
		expect(await ownKitchens(bench.db)).toEqual([]);
	}, 120_000);
});
