import type { Device } from '../../people/member.ts';
import type { Database } from '../db/connection.ts';
import { inTransaction } from '../db/transaction.ts';
import { NotFound } from '../errors.ts';
import { tellOfAccess } from '../feed/tell.ts';
import { newId, utcAt, utcNow } from '../rows.ts';
import { addressKey } from './limits.ts';
import { newToken, tokenHash } from './secrets.ts';

/** The devices of a kitchen, those that are in first. */
export async function listDevices(db: Database, kitchenId: string): Promise<Device[]> {
	const rows = await db('devices as d')
		.leftJoin('memberships as m', 'm.id', 'd.membership_id')
		.where('d.kitchen_id', kitchenId)
		.orderByRaw('d.put_out_at IS NOT NULL, d.id DESC')
		.limit(MOST_LISTED)
		.select<
			{
				id: string;
				name: string;
				kind: 'own' | 'shared';
				idle_min: number;
				created_at: string;
				put_out_at: string | null;
				of: string | null;
			}[]
		>('d.id', 'd.name', 'd.kind', 'd.idle_min', 'd.created_at', 'd.put_out_at', 'm.name as of');
	const used = await db('sessions as s')
		.join('persons as p', 'p.id', 's.person_id')
		.whereIn(
			's.device_id',
			rows.map(({ id }) => id)
		)
		.orderBy('s.used_at')
		.select<{ device_id: string; used_at: string; by: string }[]>('s.device_id', 's.used_at', 'p.name as by');
	const last = new Map(used.map((row) => [row.device_id, row]));
	return rows.map((row) => ({
		id: row.id,
		name: row.name,
		kind: row.kind,
		of: row.of ?? '',
		idle_min: row.idle_min,
		createdAt: row.created_at,
		lastSeen: last.get(row.id)?.used_at ?? null,
		lastBy: last.get(row.id)?.by ?? null,
		putOutAt: row.put_out_at
	}));
}

const MOST_LISTED = 200;

/** A device that was let into a kitchen, by its token. */
export interface LetIn {
	id: string;
	kitchenId: string;
	kind: 'own' | 'shared';
	name: string;
	isPutOut: boolean;
}

/** The devices a token is of, one for each kitchen it was let into; the newest first. */
export async function devicesBy(db: Database, token: string): Promise<LetIn[]> {
	const hash = tokenHash(token);
	const rows = await db('devices')
		.where('token_hash', hash)
		// The one before counts until the new one came into use: its answer may have been lost on the way.
		.orWhere(
			(before) =>
				void before
					.where('previous_hash', hash)
					.where(
						(still) => void still.whereNull('previous_ends_at').orWhere('previous_ends_at', '>', utcNow())
					)
		)
		.orderBy('id', 'desc')
		.select('id', 'kitchen_id', 'kind', 'name', 'put_out_at');
	return rows.map((row) => ({
		id: row.id,
		kitchenId: row.kitchen_id,
		kind: row.kind as LetIn['kind'],
		name: row.name,
		isPutOut: row.put_out_at !== null
	}));
}

/** The device of a token, where it was let into a kitchen somebody by that name belongs to; null where it was not. */
export async function deviceOf(db: Database, token: string | null, login: string): Promise<string | null> {
	if (token === null) return null;
	const row = await db('devices as d')
		.join('memberships as m', 'm.kitchen_id', 'd.kitchen_id')
		.join('persons as p', 'p.id', 'm.person_id')
		.where({ 'd.token_hash': tokenHash(token), 'p.login': login })
		.whereNull('d.put_out_at')
		.whereNull('m.ended_at')
		.first<{ id: string } | undefined>('d.id');
	return row?.id ?? null;
}

/** What was sent with the token before is still taken so long after the new one came into use. */
const GRACE_MS = 60_000;

/**
 * Notes from where a device's token is used. From elsewhere than before it is changed: the new one, which is nowhere
 * kept; null where it stays. One that was changed long ago and comes back is had by two: the device is put out for both.
 */
export async function usedFrom(db: Database, token: string, address: string): Promise<string | null> {
	const hash = tokenHash(token);
	const seen_from = addressKey(address);
	return inTransaction(db, async (transaction) => {
		const now = utcNow();
		await transaction('devices')
			.where('previous_hash', hash)
			.where('previous_ends_at', '<', now)
			.whereNull('put_out_at')
			.update({ put_out_at: now });
		const rows = await transaction('devices')
			.where('token_hash', hash)
			.whereNull('put_out_at')
			.forUpdate()
			.select('id', 'seen_from', 'previous_hash', 'previous_ends_at');
		if (rows.length === 0) return null;
		const ids = rows.map(({ id }) => id);
		if (rows.some((row) => row.previous_hash !== null && row.previous_ends_at === null)) {
			const previous_ends_at = utcAt(Date.now() + GRACE_MS);
			await transaction('devices').whereIn('id', ids).update({ previous_ends_at });
		}
		if (rows.every((row) => row.seen_from === seen_from)) return null;
		if (rows.every((row) => row.seen_from === '')) {
			await transaction('devices').whereIn('id', ids).update({ seen_from });
			return null;
		}
		const next = newToken();
		await transaction('devices')
			.whereIn('id', ids)
			.update({ token_hash: tokenHash(next), previous_hash: hash, previous_ends_at: null, seen_from });
		return next;
	});
}

/** Gives a device that is let in anew a token of its own: in other kitchens it goes on by that, and by no other. */
export async function takeNewToken(db: Database, before: string | null): Promise<string> {
	const next = newToken();
	if (before !== null)
		await inTransaction(db, (transaction) =>
			transaction('devices')
				.where('token_hash', tokenHash(before))
				.whereNull('put_out_at')
				.update({ token_hash: tokenHash(next), previous_hash: null, previous_ends_at: null })
		);
	return next;
}

export interface NewDevice {
	token: string;
	name: string;
	kind: 'own' | 'shared';
	/** Whose it is, or who let it in. */
	membershipId: string;
	/** One that is known here stays what it is: a shared tablet is no one's own as somebody comes in by a password. */
	isKept?: boolean;
}

/** Lets a device into a kitchen, or finds it where it is in already; its id, and null where it was put out. */
export async function letDeviceIn(
	db: Database,
	kitchenId: string,
	{ token, name, kind, membershipId, isKept = false }: NewDevice
): Promise<string | null> {
	const token_hash = tokenHash(token);
	return inTransaction(db, async (transaction) => {
		// Of two that come at once the second finds what the first put there.
		await transaction('devices')
			.insert({
				id: newId(),
				kitchen_id: kitchenId,
				name,
				kind,
				token_hash,
				membership_id: membershipId,
				created_at: utcNow()
			})
			.onConflict(['kitchen_id', 'token_hash'])
			.ignore();
		const device = await transaction('devices')
			.where({ kitchen_id: kitchenId, token_hash })
			.forUpdate()
			.first('id', 'kind', 'put_out_at');
		if (!device || device.put_out_at !== null) return null;
		if (device.kind !== kind && !isKept)
			await transaction('devices')
				.where({ kitchen_id: kitchenId, id: device.id })
				.update({ kind, name, membership_id: membershipId });
		return device.id;
	});
}

/** Puts a device out: its sessions end, and what it keeps is cleared when it next speaks. */
export async function putDeviceOut(db: Database, kitchenId: string, id: string): Promise<void> {
	await inTransaction(db, async (transaction) => {
		const changed = await transaction('devices')
			.where({ kitchen_id: kitchenId, id })
			.whereNull('put_out_at')
			.update({ put_out_at: utcNow() });
		if (changed === 0) throw new NotFound('this device is not here, or was put out before');
		await tellOfAccess(transaction, [kitchenId]);
	});
}

/** What a device of a kitchen is called; '' where there is none by that id. */
export async function deviceNamed(db: Database, kitchenId: string, id: string): Promise<string> {
	return (await db('devices').where({ kitchen_id: kitchenId, id }).first('name'))?.name ?? '';
}

/** Names a device, and says after how many minutes without a touch a shared one is locked. */
export async function changeDevice(
	db: Database,
	kitchenId: string,
	{ id, name, idle_min }: { id: string; name: string; idle_min: number }
): Promise<void> {
	await inTransaction(db, async (transaction) => {
		const changed = await transaction('devices')
			.where({ kitchen_id: kitchenId, id })
			.update({ name, idle_min });
		if (changed === 0) throw new NotFound('this device is not here');
	});
}

const KINDS: [pattern: RegExp, word: string][] = [
	[/iPad|Tablet|Android(?!.*Mobile)/, 'tablet'],
	[/iPhone|Mobile/, 'phone'],
	[/CrOS|Windows|Macintosh|Linux/, 'computer']
];
const BROWSERS: [pattern: RegExp, word: string][] = [
	[/Firefox\//, 'Firefox'],
	[/Edg\//, 'Edge'],
	[/Chrom(e|ium)\//, 'Chrome'],
	[/Safari\//, 'Safari']
];

/** What a device is called until somebody names it, from what its browser says of itself. */
export function usualName(userAgent: string): string {
	const of = (list: [RegExp, string][]) => list.find(([pattern]) => pattern.test(userAgent))?.[1];
	const browser = of(BROWSERS);
	return `${of(KINDS) ?? 'device'}${browser ? ` with ${browser}` : ''}`;
}
