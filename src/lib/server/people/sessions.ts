import { RIGHTS_IN_PRACTICE, RIGHTS_OF, rightsOf, type Role } from '../../people/roles.ts';
import type { CameBy, Membership, Who } from '../../people/types.ts';
import type { Database } from '../db/connection.ts';
import { inTransaction } from '../db/transaction.ts';
import { tellOfAccess } from '../feed/tell.ts';
import { msOf, newId, utcAt, utcNow } from '../rows.ts';
import { newToken, tokenHash } from './secrets.ts';

const MINUTE_MS = 60_000;
const DAY_MS = 24 * 60 * MINUTE_MS;
/** On a device of one's own: unused for so long it ends, and in any case after so long. */
const IDLE_MS = 7 * DAY_MS;
const LONGEST_MS = 30 * DAY_MS;
/** By a short code on a shared device: for the day, and locked when nobody works at it (`devices.idle_min`). */
const CODE_LONGEST_MS = DAY_MS / 2;
/** A token is changed so often. */
const ROTATE_MS = DAY_MS;
/** What was sent with the token before is still taken so long after the new one came into use. */
const GRACE_MS = MINUTE_MS;
/** That somebody is there is written down so often at most. */
const NOTED_MS = MINUTE_MS;
/** Clocks of processes may differ by so much. */
const SKEW_MS = MINUTE_MS;

/** What somebody comes in by that is a proof of who they are: their own key. */
const PROVES: readonly CameBy[] = ['password', 'passkey'];

/** Begins a session; its token, which is nowhere kept. */
export async function beginSession(
	db: Database,
	{ personId, cameBy, kitchenId, deviceId }: NewSession
): Promise<string> {
	const token = newToken();
	const now = Date.now();
	await inTransaction(db, (transaction) =>
		transaction('sessions').insert({
			id: newId(),
			person_id: personId,
			token_hash: tokenHash(token),
			kitchen_id: kitchenId,
			device_id: deviceId,
			came_by: cameBy,
			created_at: utcAt(now),
			used_at: utcAt(now),
			rotated_at: utcAt(now),
			proved_at: PROVES.includes(cameBy) ? utcAt(now) : null,
			ends_at: utcAt(now + (cameBy === 'code' ? CODE_LONGEST_MS : LONGEST_MS))
		})
	);
	return token;
}

export interface NewSession {
	personId: string;
	cameBy: CameBy;
	kitchenId: string | null;
	deviceId: string | null;
}

/** Who a token is of; or why nobody: it is none, it ended, its device was put out, or nobody worked at it. */
export type Found =
	{ who: Who; newToken: string | null } | { who: null; why: 'unknown' | 'ended' | 'put out' | 'idle' };

interface SessionRow {
	id: string;
	person_id: string;
	token_hash: string;
	previous_hash: string | null;
	previous_ends_at: string | null;
	came_by: CameBy;
	used_at: string;
	rotated_at: string;
	proved_at: string | null;
	ends_at: string;
	ended_at: string | null;
	kitchen_id: string | null;
	practice_id: string | null;
	practice_membership: string | null;
	person: string;
	login: string | null;
	is_demo: number;
	membership_id: string | null;
	as_name: string | null;
	role: Role | null;
	reads_from: string | null;
	reads_to: string | null;
	until_day: string | null;
	membership_ended: string | null;
	time_zone: string | null;
	kitchen_state: string | null;
	device_id: string | null;
	device: string | null;
	device_kind: 'own' | 'shared' | null;
	idle_min: number | null;
	put_out_at: string | null;
}

/** Sessions with all that is asked of them. */
const sessionRows = (db: Database) =>
	db('sessions as s')
		.join('persons as p', 'p.id', 's.person_id')
		.leftJoin('memberships as m', (on) =>
			on.on('m.kitchen_id', 's.kitchen_id').andOn('m.person_id', 's.person_id')
		)
		.leftJoin('memberships as pm', (on) =>
			on.on('pm.kitchen_id', 's.practice_id').andOn('pm.person_id', 's.person_id')
		)
		.leftJoin('kitchens as k', 'k.id', 's.kitchen_id')
		.leftJoin('devices as d', 'd.id', 's.device_id')
		.select<SessionRow[]>({
			id: 's.id',
			person_id: 's.person_id',
			token_hash: 's.token_hash',
			previous_hash: 's.previous_hash',
			previous_ends_at: 's.previous_ends_at',
			came_by: 's.came_by',
			used_at: 's.used_at',
			rotated_at: 's.rotated_at',
			proved_at: 's.proved_at',
			ends_at: 's.ends_at',
			ended_at: 's.ended_at',
			kitchen_id: 's.kitchen_id',
			practice_id: 's.practice_id',
			practice_membership: 'pm.id',
			person: 'p.name',
			login: 'p.login',
			is_demo: 'p.is_demo',
			membership_id: 'm.id',
			as_name: 'm.name',
			role: 'm.role',
			reads_from: 'm.reads_from',
			reads_to: 'm.reads_to',
			until_day: 'm.until_day',
			membership_ended: 'm.ended_at',
			time_zone: 'k.time_zone',
			kitchen_state: 'k.state',
			device_id: 'd.id',
			device: 'd.name',
			device_kind: 'd.kind',
			idle_min: 'd.idle_min',
			put_out_at: 'd.put_out_at'
		});

/**
 * Reads what a session's token stands for now, and notes that somebody is there: not where a page asks by itself, with
 * nobody's hand at it.
 */
export async function findSession(
	db: Database,
	token: string,
	today: (zone: string) => string,
	{ isTouch = true }: { isTouch?: boolean } = {}
): Promise<Found> {
	const hash = tokenHash(token);
	const [row] = await sessionRows(db).where('s.token_hash', hash).orWhere('s.previous_hash', hash);
	if (!row) return { who: null, why: 'unknown' };
	const now = Date.now();
	const why = whyOver(row, now);
	if (why !== null) return { who: null, why };
	if (row.token_hash !== hash && (await isTakenAgain(db, row, now))) return { who: null, why: 'ended' };
	const fresh = row.token_hash === hash && isTouch ? await noted(db, row, now) : null;
	return { who: whoOf(row, today), newToken: fresh };
}

/** Why a session lets nobody in any more; null while it does. */
function whyOver(row: SessionRow, now: number): 'put out' | 'ended' | 'idle' | null {
	if (row.put_out_at !== null) return 'put out';
	if (row.ended_at !== null || msOf(row.ends_at) < now || msOf(row.used_at) + IDLE_MS < now) return 'ended';
	// Whoever is in on a device that several share, by whatever: the next at it is somebody else.
	// A clock that was put back keeps no device open for longer: what was last touched in time to come is idle.
	const since_ms = now - msOf(row.used_at);
	const isIdle =
		row.device_kind === 'shared' && (since_ms > Number(row.idle_min) * MINUTE_MS || since_ms < -SKEW_MS);
	return isIdle ? 'idle' : null;
}

/** Who a session is of now, by its id: for what goes on after its request was let in. Null once it is over. */
export async function sessionNow(
	db: Database,
	id: string,
	today: (zone: string) => string
): Promise<Who | null> {
	const [row] = await sessionRows(db).where('s.id', id);
	return row && whyOver(row, Date.now()) === null ? whoOf(row, today) : null;
}

/** The token before was sent, after the new one had long been in use: somebody else may have it. The session ends. */
async function isTakenAgain(db: Database, row: SessionRow, now: number): Promise<boolean> {
	// Until the new one is used its answer may have been lost on the way: the old one is all there is.
	if (row.previous_ends_at === null || msOf(row.previous_ends_at) > now) return false;
	await endSessions(db, { id: row.id });
	return true;
}

/** Notes that somebody is there; the token of now on, where it is time for another. */
async function noted(db: Database, row: SessionRow, now: number): Promise<string | null> {
	if (msOf(row.rotated_at) + ROTATE_MS < now) return rotate(db, row.id, row.token_hash);
	const isFirstUse = row.previous_hash !== null && row.previous_ends_at === null;
	if (isFirstUse || msOf(row.used_at) + NOTED_MS < now)
		await db('sessions')
			.where('id', row.id)
			.update({
				used_at: utcAt(now),
				// What was on its way with the old one is still taken for a moment.
				...(isFirstUse ? { previous_ends_at: utcAt(now + GRACE_MS) } : {})
			});
	return null;
}

/** Gives a session another token; null where somebody else just did. */
export async function rotate(db: Database, id: string, hash: string): Promise<string | null> {
	const token = newToken();
	const now = utcNow();
	const changed = await db('sessions')
		.where({ id, token_hash: hash })
		.update({
			token_hash: tokenHash(token),
			previous_hash: hash,
			previous_ends_at: null,
			rotated_at: now,
			used_at: now
		});
	return changed === 1 ? token : null;
}

function whoOf(row: SessionRow, today: (zone: string) => string): Who {
	const own = membershipOf(row, today);
	// In practice they are in a kitchen of its own, for as long as they belong to the one it is beside.
	const practice = own && practiceOf(row, own);
	const membership = practice ? practice.membership : own;
	return {
		personId: row.person_id,
		name: membership?.name ?? row.person,
		login: row.login,
		isDemo: row.is_demo === 1,
		session: { id: row.id, cameBy: row.came_by, provedAt: row.proved_at },
		membership,
		practice: practice && { besideId: practice.besideId },
		device:
			row.device_id === null
				? null
				: {
						id: row.device_id,
						name: row.device ?? '',
						kind: row.device_kind ?? 'own',
						idle_min: Number(row.idle_min)
					},
		isClosed: own !== null && row.kitchen_state === 'closed',
		rights: practice ? RIGHTS_IN_PRACTICE : own ? rightsOf(own.role, row.came_by === 'code') : []
	};
}

/** What somebody is in the practice kitchen their session is in; null where it is in none, or they may not make. */
function practiceOf(
	{ practice_id: kitchenId, practice_membership: id }: SessionRow,
	own: Membership
): { besideId: string; membership: Membership } | null {
	if (kitchenId === null || id === null || !RIGHTS_OF[own.role].includes('make')) return null;
	return {
		besideId: own.kitchenId,
		membership: { id, kitchenId, name: own.name, role: 'maker', span: null }
	};
}

/** What somebody is in the kitchen that is open on the device; null once that ended. */
function membershipOf(row: SessionRow, today: (zone: string) => string): Membership | null {
	const { membership_id: id, role, kitchen_id: kitchenId } = row;
	if (id === null || role === null || kitchenId === null || row.membership_ended !== null) return null;
	// One that leaves has nobody in it any more.
	if (row.kitchen_state !== 'open' && row.kitchen_state !== 'closed') return null;
	const { reads_from: from, reads_to: to, until_day: until } = row;
	const span = from !== null && to !== null && until !== null ? { from, to, until } : null;
	if (span && today(row.time_zone ?? 'UTC') > span.until) return null;
	return { id, kitchenId, name: row.as_name ?? row.person, role, span };
}

/**
 * Locks a session on a shared device now, as if nobody had touched it for as long as it waits: what goes on as it stops,
 * and whoever is next comes in by themselves.
 */
export async function lockSession(
	db: Database,
	{ session, device, membership }: Pick<Who, 'session' | 'device' | 'membership'>
): Promise<void> {
	if (device?.kind !== 'shared') return;
	await inTransaction(db, async (transaction) => {
		const row = await transaction('devices').where('id', device.id).first('idle_min');
		const used_at = utcAt(Date.now() - ((row?.idle_min ?? 0) + 1) * MINUTE_MS);
		await transaction('sessions').where('id', session.id).update({ used_at });
		await tellOfAccess(transaction, [membership?.kitchenId ?? null]);
	});
}

/** Ends sessions, all that are as said and not over; how many. */
export async function endSessions(db: Database, of: Record<string, string>, but?: string): Promise<number> {
	return inTransaction(db, async (transaction) => {
		const those = () => {
			const all = transaction('sessions').where(of).whereNull('ended_at');
			return but === undefined ? all : all.whereNot('id', but);
		};
		const open = await those().select('kitchen_id', 'practice_id');
		const ended = await those().update({ ended_at: utcNow() });
		await tellOfAccess(
			transaction,
			open.flatMap((row) => [row.kitchen_id, row.practice_id])
		);
		return ended;
	});
}

/** A session as its person sees it. */
export interface MySession {
	id: string;
	cameBy: CameBy;
	device: string;
	kitchen: string;
	createdAt: string;
	usedAt: string;
	isThis: boolean;
}

/** The sessions of a person that are not over, the one used last first. */
export async function listSessions(db: Database, personId: string, thisId: string): Promise<MySession[]> {
	const now = Date.now();
	const rows = await db('sessions as s')
		.leftJoin('devices as d', 'd.id', 's.device_id')
		.leftJoin('kitchens as k', 'k.id', 's.kitchen_id')
		.where('s.person_id', personId)
		.whereNull('s.ended_at')
		.where('s.ends_at', '>', utcAt(now))
		.where('s.used_at', '>', utcAt(now - IDLE_MS))
		.orderBy('s.used_at', 'desc')
		.select<
			{
				id: string;
				came_by: CameBy;
				created_at: string;
				used_at: string;
				device: string | null;
				kitchen: string | null;
			}[]
		>({
			id: 's.id',
			came_by: 's.came_by',
			created_at: 's.created_at',
			used_at: 's.used_at',
			device: 'd.name',
			kitchen: 'k.name'
		});
	return rows.map((row) => ({
		id: row.id,
		cameBy: row.came_by,
		device: row.device ?? 'a device',
		kitchen: row.kitchen ?? '',
		createdAt: row.created_at,
		usedAt: row.used_at,
		isThis: row.id === thisId
	}));
}
