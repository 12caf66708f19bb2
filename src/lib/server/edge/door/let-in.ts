import type { RequestEvent } from '@sveltejs/kit';
import { noteDeed } from '../../db/acting.ts';
import { inTransaction } from '../../db/transaction.ts';
import { refuse } from '../../errors.ts';
import { letDeviceIn, takeNewToken } from '../../people/devices.ts';
import { findPairing, usePairing } from '../../people/pairings.ts';
import { endSessions } from '../../people/sessions.ts';
import { comeIn } from './come-in.ts';
import { giveTokens } from './cookies.ts';

/**
 * Lets the device that asks into the kitchen a code is for; where it goes then. A device of one's own comes in as who
 * made the code, a shared one waits for a short code. Throws `NotFound`, `Refused`.
 */
export async function letInByCode(event: RequestEvent, code: string, name: string): Promise<string> {
	const { locals, cookies, url } = event;
	const { db } = locals;
	// Made here and now: what the browser brings may be known to somebody else.
	const token = await takeNewToken(db, locals.deviceToken);
	const { kitchenId, byId, deviceKind, deviceId } = await inTransaction(db, async (transaction) => {
		const pairing = await findPairing(transaction, code);
		if (pairing.kind !== 'device') return refuse('', 'this code lets no device in');
		await usePairing(transaction, pairing);
		const id = await letDeviceIn(transaction, pairing.kitchenId, {
			token,
			name,
			kind: pairing.deviceKind,
			membershipId: pairing.byId
		});
		return {
			...pairing,
			deviceId: id ?? refuse('', 'this device was put out: open the address of its code again')
		};
	});
	await noteDeed(db, {
		kitchenId,
		membershipId: byId,
		deviceId,
		what: 'let a device in',
		path: '/people',
		ofWhat: name,
		fromWhere: event.getClientAddress()
	});
	giveTokens(cookies, url, { device: token });
	if (deviceKind === 'shared') {
		if (locals.who) await endSessions(db, { id: locals.who.session.id });
		giveTokens(cookies, url, { session: null });
		return '/door/who';
	}
	const person = await db('memberships').where({ kitchen_id: kitchenId, id: byId }).first('person_id');
	if (!person?.person_id) return refuse('', 'who made this code left the kitchen');
	locals.deviceToken = token;
	await comeIn(event, { personId: person.person_id, cameBy: 'pairing', kitchenId, deviceId });
	return '/';
}
