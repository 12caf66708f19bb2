import { error, type RequestEvent } from '@sveltejs/kit';
import type { AtDevice } from '../../../ui/people/at-device.ts';
import { refuse } from '../../errors.ts';
import { getKitchen } from '../../kitchens.ts';
import { devicesBy, type LetIn } from '../../people/devices.ts';
import { noteFailed } from '../../people/failed.ts';
import { mayTry } from '../../people/limits.ts';
import { byCodeIn, personByCode, personOf } from '../../people/memberships.ts';
import { comeIn, deviceHere } from './come-in.ts';

/** The shared device that asks; a page that says so where it is none. */
async function sharedDevice(event: RequestEvent): Promise<LetIn> {
	const token = await deviceHere(event);
	const devices = token === null ? [] : await devicesBy(event.locals.db, token);
	const shared = devices.find((device) => device.kind === 'shared' && !device.isPutOut);
	return (
		shared ??
		error(404, {
			message: 'This is no shared device.',
			remedy: 'The owner of the kitchen lets one in under People.'
		})
	);
}

/** Who can come in at the device that asks. */
export async function atDevice(event: RequestEvent): Promise<AtDevice> {
	const { locals } = event;
	const { kitchenId, name } = await sharedDevice(event);
	const [kitchen, people] = await Promise.all([
		getKitchen(locals.db, kitchenId),
		byCodeIn(locals.db, kitchenId)
	]);
	return { kitchen: kitchen.name, device: name, people };
}

/** Lets somebody in by their short code, at the device it is for and nowhere else. Throws `Refused`. */
export async function comeByCode(
	event: RequestEvent,
	{ id, code }: { id: string; code: string }
): Promise<void> {
	const { db } = event.locals;
	const device = await sharedDevice(event);
	const from = event.getClientAddress();
	const wasRight = await mayTry(db, { by: 'code', of: id, from, device: device.id });
	const personId = await personByCode(db, device.kitchenId, id, code);
	if (personId === null) {
		const meant = await personOf(db, device.kitchenId, id);
		const at = { kitchenId: device.kitchenId, deviceId: device.id };
		noteFailed(db, { by: 'code', from, personId: meant, ...at });
		return refuse('code', 'this is not their code');
	}
	await wasRight();
	await comeIn(event, { personId, cameBy: 'code', kitchenId: device.kitchenId, deviceId: device.id });
}
