import { setTimeout } from 'node:timers/promises';
import type { Database } from '../db/connection.ts';
import { log, logged } from '../edge/log.ts';
import { madeOnce } from '../db/once.ts';
import { isDuplicate } from '../errors.ts';
import { rowOf, type Asking } from './jobs.ts';
import { dropParts, PartsWriter } from './parts.ts';
import { heldUntil } from './take.ts';

/** Whoever sends says this often that it still does: several times in the time it is held. */
const HOLD_EVERY_MS = 3000;
/** Who waits for another that sends the same looks again so often. */
const LOOK_EVERY_MS = 500;

/**
 * Puts a job down with what it is given, piece by piece as it comes; it is taken once all of it is there. Sent again, it
 * is the job it was: while another process still puts it down it is waited for, and where that one is gone it is put down
 * anew. Where what comes breaks off nothing is left of it.
 */
export async function askJobWith(
	db: Database,
	asking: Asking,
	pieces: AsyncIterable<Uint8Array> | Iterable<Uint8Array>
): Promise<void> {
	const { id, kitchenId } = asking;
	const isNew = await madeOnce(db, { table: 'jobs', kitchenId, id }, (transaction) =>
		transaction('jobs').insert(coming(transaction, asking))
	);
	const turn = isNew ? 1 : await beginComing(db, asking);
	if (turn === null) return;
	const mine = { id, state: 'coming', tries: turn };
	const isHeld = async (at: Database) =>
		(await at('jobs')
			.where(mine)
			.update({ taken_until: heldUntil(at) })) === 1;
	const holding = setInterval(() => {
		isHeld(db).catch((error: unknown) => log.warn({ error: logged(error) }, 'a job could not be held'));
	}, HOLD_EVERY_MS);
	try {
		const parts = new PartsWriter(db, { kitchenId, jobId: id, side: 'in' }, isHeld);
		for await (const piece of pieces) await parts.write(piece);
		await parts.end();
		// Stopped meanwhile, or another's: it stays as it is.
		await db('jobs').where(mine).update({ state: 'waiting', tries: 0, taken_until: null });
	} catch (error) {
		// Its parts go with it. What was stopped meanwhile, or is another's by now, is seen where the job is seen.
		const gone = await db('jobs').where(mine).delete();
		if (gone === 0 && (await db('jobs').where('id', id).first('id'))) return;
		throw error;
	} finally {
		clearInterval(holding);
	}
}

/** The how-manieth time this is begun, by whoever puts it down now; null where it is down already. */
async function beginComing(db: Database, asking: Asking): Promise<number | null> {
	const { id } = asking;
	for (;;) {
		const row = await db('jobs')
			.where('id', id)
			.first<{ state: string; tries: number; isHeld: 0 | 1 } | undefined>(
				'state',
				'tries',
				db.raw('COALESCE(taken_until > UTC_TIMESTAMP(3), 0) AS isHeld')
			);
		if (!row) {
			if (await putFirst(db, asking)) return 1;
			continue;
		}
		if (row.state !== 'coming') return null;
		if (row.isHeld) {
			await setTimeout(LOOK_EVERY_MS);
			continue;
		}
		const tries = row.tries + 1;
		const isMine = await db('jobs')
			.where({ id, state: 'coming', tries: row.tries })
			.update({ tries, taken_until: heldUntil(db) });
		if (isMine === 0) continue;
		await dropParts(db, id);
		return tries;
	}
}

/** A job of which what it is given is still on its way. */
const coming = (db: Database, asking: Asking) => ({
	...rowOf(asking),
	state: 'coming',
	tries: 1,
	taken_until: heldUntil(db) as never
});

/** Whether it was put down now: another may have been first. */
async function putFirst(db: Database, asking: Asking): Promise<boolean> {
	try {
		await db('jobs').insert(coming(db, asking));
		return true;
	} catch (error) {
		if (isDuplicate(error)) return false;
		throw error;
	}
}
