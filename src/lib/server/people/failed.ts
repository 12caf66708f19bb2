import { noteDeed } from '../db/acting.ts';
import type { Database } from '../db/connection.ts';
import { log, logged } from '../edge/log.ts';
import { OPEN } from '../kitchens.ts';
import type { Trying } from './limits.ts';

const WORDS: Record<Trying['by'], string> = {
	password: 'failed to come in by a password',
	second: 'failed to come in: the app’s code was wrong',
	code: 'failed to come in by a short code',
	recovery: 'failed to come in by a recovery code',
	passkey: 'failed to come in by a passkey',
	confirm: 'failed to prove who they are'
};

/** A try that failed: by what, from where, and as whom where there is such a person. */
export interface Failed {
	by: Trying['by'];
	from: string;
	personId: string | null;
	/** The one kitchen it was at, where it was at a device of one; else all the person is in hear of it. */
	kitchenId?: string;
	deviceId?: string | null;
}

const going = new Set<Promise<void>>();

/**
 * Notes that somebody failed to prove who they are, as a deed of each kitchen they belong to, with where from. The answer
 * does not wait for it: its time says nothing of whether there is such a person.
 */
export function noteFailed(db: Database, failed: Failed): void {
	log.warn({ by: failed.by, from: failed.from }, 'somebody failed to come in');
	if (failed.personId === null) return;
	const noting = note(db, failed.personId, failed).catch((error: unknown) =>
		log.error({ error: logged(error) }, 'a failed try could not be noted')
	);
	going.add(noting);
	void noting.finally(() => going.delete(noting));
}

/** Waits until what failed so far is noted. */
export async function failuresNoted(): Promise<void> {
	await Promise.all(going);
}

async function note(
	db: Database,
	personId: string,
	{ by, from, kitchenId, deviceId = null }: Failed
): Promise<void> {
	const of = db('memberships as m')
		.join('kitchens as k', 'k.id', 'm.kitchen_id')
		.where('m.person_id', personId)
		.whereNull('m.ended_at')
		.whereNull('k.practice_of')
		.whereIn('k.state', [...OPEN]);
	if (kitchenId !== undefined) void of.where('k.id', kitchenId);
	const theirs = await of.select<{ id: string; kitchen_id: string }[]>('m.id', 'm.kitchen_id');
	for (const { id, kitchen_id } of theirs)
		await noteDeed(db, {
			kitchenId: kitchen_id,
			membershipId: id,
			deviceId: kitchenId === undefined ? null : deviceId,
			what: WORDS[by],
			path: '/door',
			fromWhere: from
		});
}
