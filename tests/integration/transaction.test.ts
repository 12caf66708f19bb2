import { describe, expect, it } from 'vitest';
import { insertOnce } from '$lib/server/db/once.ts';
import { inTransaction } from '$lib/server/db/transaction.ts';
import { isDuplicate } from '$lib/server/errors.ts';
import { newId, utcNow } from '$lib/server/rows.ts';
import { makeRoti, useBench } from './kitchen.ts';

const bench = useBench();
const nameOf = async (id: string) =>
	String((await bench.db('ingredients').where({ id }).first('name'))?.name ?? '');
const rename = (db: typeof bench.db, id: string, name: string) =>
	db('ingredients').where({ id }).update({ name });
/** A promise and what ends it. */
function signal() {
	let give: () => void = () => undefined;
	const given = new Promise<void>((resolve) => (give = resolve));
	return { given, give };
}

describe('a transaction', () => {
	it('that stood in another’s way is run again: both are kept', async () => {
		const { flour, productId } = await makeRoti(bench, 'Deadlocked');
		const reprice = (db: typeof bench.db, price: string) =>
			db('products').where({ id: productId }).update({ price });
		const [first, second] = [signal(), signal()];
		let runs = 0;
		// Each has locked what the other needs next.
		const one = inTransaction(bench.db, async (db) => {
			runs++;
			await rename(db, flour, 'Deadlocked flour, 1.0000');
			first.give();
			await second.given;
			await reprice(db, '1.00');
		});
		const other = inTransaction(bench.db, async (db) => {
			runs++;
			await first.given;
			await reprice(db, '2.00');
			second.give();
			await rename(db, flour, 'Deadlocked flour, 2.0000');
		});
		await Promise.all([one, other]);
		expect(runs).toBeGreaterThan(2);
		// Whichever came last stands, and it stands whole.
		const price = String((await bench.db('products').where({ id: productId }).first('price'))?.price);
		expect(await nameOf(flour)).toBe(`Deadlocked flour, ${price}`);
	});

	it('finds after waiting for a lock what the other has committed', async () => {
		const { flour } = await makeRoti(bench, 'Waited');
		const [locked, begun] = [signal(), signal()];
		const first = inTransaction(bench.db, async (db) => {
			await db('ingredients').where({ id: flour }).forUpdate().first('id');
			locked.give();
			await begun.given;
			await rename(db, flour, 'Waited flour, later');
		});
		const second = inTransaction(bench.db, async (db) => {
			// A first reading, from before the other is done: a snapshot would stay at it.
			await db('ingredients').where({ id: flour }).first('name');
			await locked.given;
			begun.give();
			await db('ingredients').where({ id: flour }).forUpdate().first('id');
			return (await db('ingredients').where({ id: flour }).first('name'))?.name;
		});
		await first;
		expect(await second).toBe('Waited flour, later');
	});

	it('within another is part of it: all of it or nothing', async () => {
		const { flour, water } = await makeRoti(bench, 'Nested');
		await expect(
			inTransaction(bench.db, async (outer) => {
				await rename(outer, flour, 'never kept');
				await inTransaction(outer, (inner) => rename(inner, water, 'nor this'));
				throw new Error('changed my mind');
			})
		).rejects.toThrow('changed my mind');
		expect([await nameOf(flour), await nameOf(water)]).toEqual(['Nested flour', 'Nested water']);
	});

	it('gives up what is no fault of another’s at once', async () => {
		let runs = 0;
		await expect(
			inTransaction(bench.db, async (db) => {
				runs++;
				await db('ingredients').where('no_such_column', 1).first();
			})
		).rejects.toThrow('no_such_column');
		expect(runs).toBe(1);
	});
});

describe('a row whose id came with its form', () => {
	const equipment = (id: string, name: string) => ({
		id,
		kitchen_id: bench.kitchen.id,
		name,
		created_at: utcNow()
	});

	it('is kept once, sent at once or later', async () => {
		const id = newId();
		await Promise.all([1, 2, 3].map(() => insertOnce(bench.db, 'equipment', equipment(id, 'Griddle'))));
		await insertOnce(bench.db, 'equipment', equipment(id, 'Another name, sent later'));
		expect(await bench.db('equipment').where({ id }).pluck('name')).toEqual(['Griddle']);
	});

	it('that takes another’s name is an error, not taken for the same', async () => {
		await insertOnce(bench.db, 'equipment', equipment(newId(), 'Bowl'));
		await expect(insertOnce(bench.db, 'equipment', equipment(newId(), 'Bowl'))).rejects.toSatisfy(
			isDuplicate
		);
	});
});
