import type { Who } from '../../people/types.ts';
import type { Database } from '../db/connection.ts';
import { inTransaction } from '../db/transaction.ts';
import { msOf, utcNow } from '../rows.ts';

/** So long a proof of who somebody is counts for what is dear. */
const GOOD_MS = 10 * 60_000;
/** Clocks of processes may differ by so much. */
const SKEW_MS = 60_000;

/**
 * Whether somebody proved who they are lately, by their password or a passkey. People of the demo have neither: they
 * come in on this machine alone.
 */
export function isProved({ session: { cameBy, provedAt } }: Pick<Who, 'session'>, now = Date.now()): boolean {
	if (cameBy === 'demo') return true;
	if (provedAt === null) return false;
	// A clock that was put back makes none of it longer: what is to come is no proof.
	const since_ms = now - msOf(provedAt);
	return since_ms < GOOD_MS && since_ms > -SKEW_MS;
}

/** Notes that somebody proved who they are just now. */
export async function noteProof(db: Database, sessionId: string): Promise<void> {
	await inTransaction(db, (transaction) =>
		transaction('sessions').where('id', sessionId).update({ proved_at: utcNow() })
	);
}
