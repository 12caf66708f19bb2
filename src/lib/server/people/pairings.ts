import type { Role } from '../../people/roles.ts';
import type { OpenPairing, Span } from '../../people/member.ts';
import type { Database } from '../db/connection.ts';
import { madeOnce } from '../db/once.ts';
import { inTransaction } from '../db/transaction.ts';
import { NotFound } from '../errors.ts';
import { newId, utcAt, utcNow } from '../rows.ts';
import { newToken, tokenHash } from './secrets.ts';

const MINUTE_MS = 60_000;
/** So long a code that is pointed a camera at counts, and an invitation that is sent to somebody. */
const DEVICE_MS = 10 * MINUTE_MS;
const PERSON_MS = 48 * 60 * MINUTE_MS;

/** What a code lets in. */
export type Pairing = {
	id: string;
	kitchenId: string;
	kitchen: string;
	by: string;
	byId: string;
	name: string;
} & ({ kind: 'device'; deviceKind: 'own' | 'shared' } | { kind: 'person'; role: Role; span: Span | null });

/** What is asked for with a new code. */
export type NewPairing =
	| { kind: 'device'; deviceKind: 'own' | 'shared'; name: string }
	| { kind: 'person'; role: Role; span: Span | null; name: string };

/**
 * Makes a code that counts once and not for long; it is nowhere kept. Asked for again by the same form it is the same
 * invitation under another code: the one before may never have been seen.
 */
export async function makePairing(
	db: Database,
	kitchenId: string,
	membershipId: string,
	wanted: NewPairing,
	id = newId()
): Promise<string> {
	const code = newToken();
	const now = Date.now();
	const isDevice = wanted.kind === 'device';
	const isNew = await madeOnce(db, { table: 'pairings', kitchenId, id }, (transaction) =>
		transaction('pairings').insert({
			id,
			kitchen_id: kitchenId,
			code_hash: tokenHash(code),
			kind: wanted.kind,
			device_kind: isDevice ? wanted.deviceKind : null,
			role: isDevice ? null : wanted.role,
			name: wanted.name,
			reads_from: isDevice ? null : (wanted.span?.from ?? null),
			reads_to: isDevice ? null : (wanted.span?.to ?? null),
			until_day: isDevice ? null : (wanted.span?.until ?? null),
			membership_id: membershipId,
			created_at: utcAt(now),
			ends_at: utcAt(now + (isDevice ? DEVICE_MS : PERSON_MS))
		})
	);
	if (!isNew)
		await inTransaction(db, (transaction) =>
			transaction('pairings')
				.where({ id, kitchen_id: kitchenId, membership_id: membershipId })
				.whereNull('used_at')
				.update({ code_hash: tokenHash(code) })
		);
	return code;
}

interface PairingRow {
	id: string;
	kitchen_id: string;
	kitchen: string;
	by: string;
	by_id: string;
	name: string;
	kind: 'device' | 'person';
	device_kind: 'own' | 'shared' | null;
	role: Role | null;
	reads_from: string | null;
	reads_to: string | null;
	until_day: string | null;
}

/** What a code lets in, while it counts: who made it has to be an owner still. Throws `NotFound`. */
export async function findPairing(db: Database, code: string): Promise<Pairing> {
	const [row] = await db('pairings as c')
		.join('kitchens as k', 'k.id', 'c.kitchen_id')
		.join('memberships as m', 'm.id', 'c.membership_id')
		.where('c.code_hash', tokenHash(code))
		.whereNull('c.used_at')
		.where('c.ends_at', '>', utcNow())
		.where('m.role', 'owner')
		.whereNull('m.ended_at')
		.select<PairingRow[]>({
			id: 'c.id',
			kitchen_id: 'c.kitchen_id',
			kitchen: 'k.name',
			by: 'm.name',
			by_id: 'm.id',
			name: 'c.name',
			kind: 'c.kind',
			device_kind: 'c.device_kind',
			role: 'c.role',
			reads_from: 'c.reads_from',
			reads_to: 'c.reads_to',
			until_day: 'c.until_day'
		});
	if (!row) throw new NotFound('this code does not count, or no more: ask for another');
	const common = {
		id: row.id,
		kitchenId: row.kitchen_id,
		kitchen: row.kitchen,
		by: row.by,
		byId: row.by_id,
		name: row.name
	};
	if (row.kind === 'device') return { ...common, kind: 'device', deviceKind: row.device_kind ?? 'shared' };
	const { reads_from: from, reads_to: to, until_day: until } = row;
	const span = from !== null && to !== null && until !== null ? { from, to, until } : null;
	return { ...common, kind: 'person', role: row.role ?? 'seller', span };
}

/** Uses a code up, within the transaction that does what it is for. Throws `NotFound` where another was first. */
export async function usePairing(db: Database, { id, kitchenId }: Pairing): Promise<void> {
	const changed = await db('pairings')
		.where({ kitchen_id: kitchenId, id })
		.whereNull('used_at')
		.update({ used_at: utcNow() });
	if (changed === 0) throw new NotFound('this code was used: ask for another');
}

export async function listPairings(db: Database, kitchenId: string): Promise<OpenPairing[]> {
	const rows = await db('pairings')
		.where('kitchen_id', kitchenId)
		.whereNull('used_at')
		.where('ends_at', '>', utcNow())
		.orderBy('id')
		.select('id', 'kind', 'name', 'role', 'ends_at');
	return rows.map((row) => ({
		id: row.id,
		kind: row.kind as OpenPairing['kind'],
		name: row.name,
		role: row.role as Role | null,
		endsAt: row.ends_at
	}));
}

/** For whom or what a code is; '' where there is none by that id. */
export async function pairingNamed(db: Database, kitchenId: string, id: string): Promise<string> {
	return (await db('pairings').where({ kitchen_id: kitchenId, id }).first('name'))?.name ?? '';
}

/** Has a code count no more. */
export async function withdrawPairing(db: Database, kitchenId: string, id: string): Promise<void> {
	await inTransaction(db, (transaction) =>
		transaction('pairings')
			.where({ kitchen_id: kitchenId, id })
			.whereNull('used_at')
			.update({ used_at: utcNow() })
	);
}
