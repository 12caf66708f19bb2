import { AsyncLocalStorage } from 'node:async_hooks';
import { cut } from '$core/measure/text.ts';
import { newId, utcNow } from '../rows.ts';
import type { Database } from './connection.ts';

/** Who does something now, on which device, and what it is called. */
export interface Acting {
	kitchenId: string;
	membershipId: string;
	deviceId: string | null;
	what: string;
	path: string;
	/** What it is done to, by the name people know. */
	ofWhat: (db: Database) => Promise<string>;
}

interface Deed extends Acting {
	id: string;
	/** What a form says of itself, where its address names nothing. */
	said: string;
	/** Whether a transaction of it is committed: what it did next is of the same deed. */
	isKept: boolean;
}

const acting = new AsyncLocalStorage<Deed>();

/** Runs what somebody does: whatever is written meanwhile carries the deed. */
export function whileActing<R>(by: Acting, act: () => R): R {
	return acting.run({ ...by, id: newId(), said: '', isKept: false }, act);
}

/** Who does something now; undefined where nobody is asked for. */
export const actingNow = (): Readonly<Acting> | undefined => acting.getStore();

/** Says whom or what is meant by what is being done, in words people know, before it is put down. */
export function isOf(words: string): void {
	const deed = acting.getStore();
	if (deed) deed.ofWhat = () => Promise.resolve(cut(words, MOST_OF_WHAT));
}

/** Notes what a form says of what it is about, for a deed whose address names nothing. */
export function isSaidOf(words: string): void {
	const deed = acting.getStore();
	if (deed) deed.said = cut(words, MOST_OF_WHAT);
}

const MOST_OF_WHAT = 200;

/**
 * Puts the deed that is going on down in the transaction that does it, and has the connection know it: rows that
 * say whose they are take it from there. What it gives is to be called once all of it is committed.
 */
export async function asDeed(transaction: Database): Promise<() => void> {
	const deed = acting.getStore();
	await transaction.raw('SET @deed = ?', [deed?.id ?? null]);
	if (!deed || deed.isKept) return () => undefined;
	await transaction('deeds')
		.insert({
			id: deed.id,
			kitchen_id: deed.kitchenId,
			membership_id: deed.membershipId,
			device_id: deed.deviceId,
			done_at: utcNow(),
			what: deed.what,
			path: deed.path,
			of_what: (await deed.ofWhat(transaction)) || deed.said
		})
		.onConflict('id')
		.ignore();
	return () => (deed.isKept = true);
}

/** Puts down what somebody did where no request of theirs said who they are: that they came in. */
export async function noteDeed(
	db: Database,
	deed: Omit<Acting, 'ofWhat'> & { ofWhat?: string; fromWhere?: string }
): Promise<void> {
	await db('deeds').insert({
		id: newId(),
		kitchen_id: deed.kitchenId,
		membership_id: deed.membershipId,
		device_id: deed.deviceId,
		done_at: utcNow(),
		what: deed.what,
		path: deed.path,
		of_what: deed.ofWhat ?? '',
		from_where: deed.fromWhere ?? ''
	});
}
