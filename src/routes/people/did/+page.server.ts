import { deedsAsked } from '$lib/server/edge/deeds.ts';
import { DEEDS_AT_ONCE, listDeeds } from '$lib/server/people/deeds.ts';
import { listDevices } from '$lib/server/people/devices.ts';
import { everybody } from '$lib/server/people/memberships.ts';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals: { db, kitchen }, url }) => {
	const { of, bounds, before } = deedsAsked(url.searchParams, kitchen.timeZone);
	const [deeds, people, devices] = await Promise.all([
		listDeeds(db, kitchen.id, of, bounds, before),
		everybody(db, kitchen.id),
		listDevices(db, kitchen.id)
	]);
	return {
		deeds,
		asked: of,
		more: deeds.length === DEEDS_AT_ONCE ? (deeds.at(-1)?.id ?? null) : null,
		people,
		devices: devices.map(({ id, name }) => ({ id, name }))
	};
};
