import QRCode from 'qrcode';
import { saving, withDraft } from '$lib/server/edge/actions.ts';
import { isOf } from '$lib/server/db/acting.ts';
import { memberIn } from '$lib/server/edge/door/door.ts';
import { mustBeProved } from '$lib/server/edge/door/proof.ts';
import {
	changeForm,
	codeForm,
	deviceForm,
	helperForm,
	idOnlyForm,
	inviteForm,
	letInForm,
	spanOf
} from '$lib/server/edge/people.ts';
import { changeDevice, deviceNamed, listDevices, putDeviceOut } from '$lib/server/people/devices.ts';
import { addHelper } from '$lib/server/people/helper.ts';
import {
	changeRole,
	endMembership,
	giveCode,
	listMembers,
	memberNamed
} from '$lib/server/people/memberships.ts';
import { listPairings, makePairing, pairingNamed, withdrawPairing } from '$lib/server/people/pairings.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals }) => {
	const { db, kitchen } = locals;
	const [members, devices, pairings] = await Promise.all([
		listMembers(db, kitchen.id),
		listDevices(db, kitchen.id),
		listPairings(db, kitchen.id)
	]);
	const { id } = memberIn(locals);
	return { members, devices, pairings, myId: id, hereId: locals.who?.device?.id ?? null };
};

/** An address to open, and as a picture a camera reads. */
async function codeAt(origin: string, path: string): Promise<{ address: string; picture: string }> {
	const address = `${origin}${path}`;
	return { address, picture: await QRCode.toDataURL(address, { margin: 1, width: 320 }) };
}

export const actions: Actions = {
	invite: (event) =>
		withDraft(event.request, inviteForm, async ({ id, name, role, ...days }) => {
			const { locals, url } = event;
			const { kitchenId, id: by } = memberIn(locals);
			const span = spanOf({ role, ...days });
			// Whoever owns the kitchen can do all of it, and put out who invited them.
			if (role === 'owner') mustBeProved(event);
			isOf(`${name}, as ${role}`);
			const code = await makePairing(locals.db, kitchenId, by, { kind: 'person', role, span, name }, id);
			return { code: await codeAt(url.origin, `/door/invited/${code}`) };
		}),
	letIn: ({ locals, request, url }) =>
		withDraft(request, letInForm, async ({ id, name, kind }) => {
			const { kitchenId, id: by } = memberIn(locals);
			isOf(`${name}, ${kind}`);
			const code = await makePairing(
				locals.db,
				kitchenId,
				by,
				{ kind: 'device', deviceKind: kind, name },
				id
			);
			return { code: await codeAt(url.origin, `/door/let-in/${code}`) };
		}),
	helper: saving(helperForm, async ({ locals: { db, kitchen } }, form) => {
		isOf(`${form.name}, as ${form.role}`);
		await addHelper(db, kitchen.id, form);
	}),
	change: saving(changeForm, async ({ locals: { db, kitchen } }, { id, role, version, ...days }) => {
		isOf(`${await memberNamed(db, kitchen.id, id)}, now ${role}`);
		await changeRole(db, kitchen.id, { id, role, version, span: spanOf({ role, ...days }) });
	}),
	code: saving(codeForm, async ({ locals: { db, kitchen } }, { id, code }) => {
		isOf(`${await memberNamed(db, kitchen.id, id)}${code === '' ? ', taken away' : ''}`);
		await giveCode(db, kitchen.id, id, code);
	}),
	end: saving(idOnlyForm, async ({ locals: { db, kitchen } }, { id }) => {
		isOf(await memberNamed(db, kitchen.id, id));
		await endMembership(db, kitchen.id, id);
	}),
	device: saving(deviceForm, async ({ locals: { db, kitchen } }, { id, name, idle }) => {
		isOf(`${name}, locked after ${idle} min`);
		await changeDevice(db, kitchen.id, { id, name, idle_min: idle });
	}),
	putOut: saving(idOnlyForm, async ({ locals: { db, kitchen } }, { id }) => {
		isOf(await deviceNamed(db, kitchen.id, id));
		await putDeviceOut(db, kitchen.id, id);
	}),
	withdraw: saving(idOnlyForm, async ({ locals: { db, kitchen } }, { id }) => {
		isOf(await pairingNamed(db, kitchen.id, id));
		await withdrawPairing(db, kitchen.id, id);
	})
};
