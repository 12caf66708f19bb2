import QRCode from 'qrcode';
import { saving, withDraft } from '$lib/server/edge/actions.ts';
import { memberIn } from '$lib/server/edge/door/door.ts';
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
import { changeDevice, listDevices, putDeviceOut } from '$lib/server/people/devices.ts';
import { addHelper } from '$lib/server/people/helper.ts';
import { changeRole, endMembership, giveCode, listMembers } from '$lib/server/people/memberships.ts';
import { listPairings, makePairing, withdrawPairing } from '$lib/server/people/pairings.ts';
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
	invite: ({ locals, request, url }) =>
		withDraft(request, inviteForm, async ({ name, role, ...days }) => {
			const { kitchenId, id } = memberIn(locals);
			const span = spanOf({ role, ...days });
			const code = await makePairing(locals.db, kitchenId, id, { kind: 'person', role, span, name });
			return { code: await codeAt(url.origin, `/door/invited/${code}`) };
		}),
	letIn: ({ locals, request, url }) =>
		withDraft(request, letInForm, async ({ name, kind }) => {
			const { kitchenId, id } = memberIn(locals);
			const code = await makePairing(locals.db, kitchenId, id, { kind: 'device', deviceKind: kind, name });
			return { code: await codeAt(url.origin, `/door/let-in/${code}`) };
		}),
	helper: saving(helperForm, async ({ locals: { db, kitchen } }, form) => {
		await addHelper(db, kitchen.id, form);
	}),
	change: saving(changeForm, async ({ locals: { db, kitchen } }, { id, role, version, ...days }) => {
		await changeRole(db, kitchen.id, { id, role, version, span: spanOf({ role, ...days }) });
	}),
	code: saving(codeForm, async ({ locals: { db, kitchen } }, { id, code }) => {
		await giveCode(db, kitchen.id, id, code);
	}),
	end: saving(idOnlyForm, async ({ locals: { db, kitchen } }, { id }) => {
		await endMembership(db, kitchen.id, id);
	}),
	device: saving(deviceForm, async ({ locals: { db, kitchen } }, { id, name, idle }) => {
		await changeDevice(db, kitchen.id, { id, name, idle_min: idle });
	}),
	putOut: saving(idOnlyForm, async ({ locals: { db, kitchen } }, { id }) => {
		await putDeviceOut(db, kitchen.id, id);
	}),
	withdraw: saving(idOnlyForm, async ({ locals: { db, kitchen } }, { id }) => {
		await withdrawPairing(db, kitchen.id, id);
	})
};
