import { describe, expect, it } from 'vitest';
import type { Database } from './connection.ts';
import { inTransaction } from './transaction.ts';

/** A database whose transactions end so, one after the other. */
function database(ends: (string | null)[], isTransaction = false): { db: Database; begun: () => number } {
	let begun = 0;
	const transaction = (act: (db: Database) => Promise<unknown>) => {
		const code = ends[begun++] ?? null;
		return code === null ? act(db) : Promise.reject(Object.assign(new Error(code), { code }));
	};
	// Each is told first whose deed it is.
	const raw = () => Promise.resolve([]);
	const db = { isTransaction, transaction, raw } as unknown as Database;
	return { db, begun: () => begun };
}
const run = (db: Database) => inTransaction(db, () => Promise.resolve('done'));

describe('a transaction', () => {
	it('that another was in the way of is run again', async () => {
		const { db, begun } = database(['ER_LOCK_DEADLOCK', 'ER_LOCK_DEADLOCK', null]);
		expect(await run(db)).toBe('done');
		expect(begun()).toBe(3);
	});

	it('is given up after ten times', async () => {
		const { db, begun } = database(Array<string>(19).fill('ER_LOCK_DEADLOCK'));
		await expect(run(db)).rejects.toThrow('ER_LOCK_DEADLOCK');
		expect(begun()).toBe(10);
	});

	it('that failed otherwise is not run again', async () => {
		const { db, begun } = database(['ER_DUP_ENTRY', null]);
		await expect(run(db)).rejects.toThrow('ER_DUP_ENTRY');
		expect(begun()).toBe(1);
	});

	it('within another is part of that one, which is run again as a whole', async () => {
		const { db, begun } = database([], true);
		const failing = () => Promise.reject(Object.assign(new Error('late'), { code: 'ER_LOCK_DEADLOCK' }));
		await expect(inTransaction(db, failing)).rejects.toThrow('late');
		expect(begun()).toBe(0);
	});

	it.each(['ER_LOCK_WAIT_TIMEOUT', 'ER_CHECKREAD'])('is run again after %s too', async (code) => {
		const { db, begun } = database([code, null]);
		expect(await run(db)).toBe('done');
		expect(begun()).toBe(2);
	});
});
