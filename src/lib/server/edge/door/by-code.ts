import { error, type RequestEvent } from '@sveltejs/kit';
import type { AtDevice } from '../../../ui/people/at-device.ts';
import { refuse } from '../../errors.ts';
import { getKitchen } from '../../kitchens.ts';
import { devicesBy, type LetIn } from '../../people/devices.ts';
import { mayTry } from '../../people/limits.ts';
import { byCodeIn, personByCode } from '../../people/memberships.ts';
import { comeIn } from './come-in.ts';

/** The shared device that asks; a page that says so where it is none. */
async function sharedDevice({ db, deviceToken }: App.Locals): Promise<LetIn> {
	const devices = deviceToken === null ? [] : await devicesBy(db, deviceToken);
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
export async function atDevice(locals: App.Locals): Promise<AtDevice> {
	const { kitchenId, name } = await sharedDevice(locals);
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
	const device = await sharedDevice(event.locals);
	const wasRight = await mayTry(db, `code ${device.id} ${id}`, event.getClientAddress());
	const personId = await personByCode(db, device.kitchenId, id, code);
	if (personId === null) return refuse('code', 'this is not their code');
	await wasRight();
	await comeIn(event, { personId, cameBy: 'code', kitchenId: device.kitchenId, deviceId: device.id });
}
