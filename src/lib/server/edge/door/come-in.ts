import type { RequestEvent } from '@sveltejs/kit';
import { dayNow } from '../../../day.ts';
import type { CameBy } from '../../../people/types.ts';
import { noteDeed } from '../../db/acting.ts';
import type { Database } from '../../db/connection.ts';
import { refuse } from '../../errors.ts';
import { devicesBy, letDeviceIn, usedFrom, usualName } from '../../people/devices.ts';
import { kitchensOf } from '../../people/memberships.ts';
import { beginSession, endSessions } from '../../people/sessions.ts';
import { newToken } from '../../people/secrets.ts';
import { giveTokens } from './cookies.ts';

/** How somebody comes in, and where they want to be. */
interface ComingIn {
	personId: string;
	cameBy: CameBy;
	/** In the kitchen they were in last, where none is named. */
	kitchenId?: string;
	/** The device, where it is known to be let in; else it is let in as the person's own. */
	deviceId?: string;
}

/**
 * The token of the device that asks, where it is one of ours: one that was made up, or is put into a browser by somebody
 * else, is none. Used from elsewhere than before it is changed.
 */
export async function deviceHere({
	locals,
	cookies,
	url,
	getClientAddress
}: RequestEvent): Promise<string | null> {
	const { db, deviceToken } = locals;
	if (deviceToken === null) return null;
	const next = await usedFrom(db, deviceToken, getClientAddress());
	if (next !== null) {
		giveTokens(cookies, url, { device: next });
		locals.deviceToken = next;
		return next;
	}
	return (await devicesBy(db, deviceToken)).length > 0 ? deviceToken : null;
}

/**
 * Lets somebody in who has proved who they are: a session of their own, in a kitchen, on this device; the one before
 * on this browser ends. Throws `Refused` where the device was put out.
 */
export async function comeIn(
	event: RequestEvent,
	{ personId, cameBy, kitchenId, deviceId }: ComingIn
): Promise<void> {
	const { locals, cookies, url } = event;
	const { db } = locals;
	const device = (await deviceHere(event)) ?? newToken();
	const at = await placeOf(event, { personId, device, kitchenId, deviceId });
	if (locals.who) await endSessions(db, { id: locals.who.session.id });
	const session = await beginSession(db, {
		personId,
		cameBy,
		kitchenId: at?.kitchenId ?? null,
		deviceId: at?.deviceId ?? null
	});
	giveTokens(cookies, url, { session, device });
	if (at)
		await noteDeed(db, {
			kitchenId: at.kitchenId,
			membershipId: at.membershipId,
			deviceId: at.deviceId,
			what: WORDS[cameBy],
			path: '/door',
			fromWhere: event.getClientAddress()
		});
}

const WORDS: Record<CameBy, string> = {
	password: 'came in by a password',
	passkey: 'came in by a passkey',
	code: 'came in by a short code',
	pairing: 'came in on a new device',
	demo: 'came in as in the demo'
};

interface Place {
	kitchenId: string;
	membershipId: string;
	deviceId: string;
}

/** The kitchen somebody comes into and the device as it is known there; null where they belong to none. */
async function placeOf(
	event: RequestEvent,
	of: { personId: string; device: string; kitchenId?: string | undefined; deviceId?: string | undefined }
): Promise<Place | null> {
	const { db } = event.locals;
	const mine = await kitchensOf(db, of.personId, dayNow);
	const wanted = of.kitchenId ?? (await lastKitchenOf(db, of.personId));
	const kitchen = mine.find(({ id }) => id === wanted) ?? (of.kitchenId === undefined ? mine[0] : undefined);
	if (!kitchen) return null;
	return placeIn(event, kitchen.id, of);
}

/** The same in a kitchen somebody is known to belong to. */
async function placeIn(
	event: RequestEvent,
	kitchenId: string,
	{ personId, device, deviceId }: { personId: string; device: string; deviceId?: string | undefined }
): Promise<Place> {
	const { db } = event.locals;
	const membership = await db('memberships')
		.where({ kitchen_id: kitchenId, person_id: personId })
		.first('id');
	const membershipId = membership?.id ?? '';
	const as =
		deviceId ??
		(await letDeviceIn(db, kitchenId, {
			token: device,
			name: usualName(event.request.headers.get('user-agent') ?? ''),
			kind: 'own',
			isKept: true,
			membershipId
		}));
	if (as === null)
		refuse('', 'this device was put out of the kitchen: its owner can let it in again by a new code');
	return { kitchenId, membershipId, deviceId: as };
}

/** Where somebody was last, on any device. */
async function lastKitchenOf(db: Database, personId: string): Promise<string | undefined> {
	const row = await db('sessions')
		.where('person_id', personId)
		.whereNotNull('kitchen_id')
		.orderBy('used_at', 'desc')
		.first('kitchen_id');
	return row?.kitchen_id ?? undefined;
}

/** Opens another of a person's kitchens on this device alone. Throws `Refused` where it is none of theirs. */
export async function openHere(event: RequestEvent, kitchenId: string): Promise<void> {
	const { locals, cookies, url } = event;
	const { db, who } = locals;
	if (!who) return refuse('', 'come in first');
	const mine = await kitchensOf(db, who.personId, dayNow);
	if (!mine.some(({ id }) => id === kitchenId)) refuse('', 'this is none of your kitchens');
	const known = await deviceHere(event);
	const device = known ?? newToken();
	const { deviceId } = await placeIn(event, kitchenId, { personId: who.personId, device });
	await db('sessions').where('id', who.session.id).update({ kitchen_id: kitchenId, device_id: deviceId });
	// A stream's answer has gone by now; a browser that is in has its token already.
	if (known === null) giveTokens(cookies, url, { device });
}
