import type { Device } from '../../people/member.ts';
import type { Database } from '../db/connection.ts';
import { inTransaction } from '../db/transaction.ts';
import { NotFound } from '../errors.ts';
import { newId, utcNow } from '../rows.ts';
import { tokenHash } from './secrets.ts';

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
	const rows = await db('devices')
		.where('token_hash', tokenHash(token))
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
	});
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
