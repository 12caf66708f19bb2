import { beforeAll, describe, expect, it } from 'vitest';
import Joi from 'joi';
import { isOf, whileActing } from '$lib/server/db/acting.ts';
import { inTransaction } from '$lib/server/db/transaction.ts';
import { withDraft } from '$lib/server/edge/actions.ts';
import { comeAgain } from '$lib/server/people/again.ts';
import { listDeeds } from '$lib/server/people/deeds.ts';
import { addDemoPeople, demoPeople } from '$lib/server/people/demo.ts';
import {
	devicesBy,
	deviceOf,
	letDeviceIn,
	putDeviceOut,
	takeNewToken,
	usedFrom
} from '$lib/server/people/devices.ts';
import { addHelper } from '$lib/server/people/helper.ts';
import { createKitchen } from '$lib/server/kitchens.ts';
import { failuresNoted, noteFailed } from '$lib/server/people/failed.ts';
import { firstOwner } from '$lib/server/people/first.ts';
import { mayTry, Wait } from '$lib/server/people/limits.ts';
import { dropShortCode, giveCode, join, shortCodesOf } from '$lib/server/people/memberships.ts';
import { beginKitchen } from '$lib/server/people/own-kitchen.ts';
import { findPairing, makePairing } from '$lib/server/people/pairings.ts';
import { passkeyOptions } from '$lib/server/people/passkeys.ts';
import { changePassword, makePerson } from '$lib/server/people/persons.ts';
import { isProved, noteProof } from '$lib/server/people/proof.ts';
import { makeRecoveryCodes } from '$lib/server/people/recovery.ts';
import { sealSeconds } from '$lib/server/people/second.ts';
import { newToken, tokenHash } from '$lib/server/people/secrets.ts';
import { beginSession, findSession, sessionNow } from '$lib/server/people/sessions.ts';
import { newId } from '$lib/server/rows.ts';
import { emptied, KITCHEN, useBench } from './kitchen.ts';

const bench = useBench();
const PASSWORD = 'three plain words';
const ALL = { by: '', device: '', from: '', to: '', words: '' };
const EVER = { from: null, to: null };
let count = 0;

async function somebody(role: 'owner' | 'maker' = 'owner') {
	const login = `door${(count += 1)}`;
	const personId = await makePerson(bench.db, { name: login, login, password: PASSWORD });
	const id = await join(bench.db, bench.kitchen.id, { personId, name: login, role, span: null });
	return { personId, login, id };
}

describe('what else lets somebody in', () => {
	it('ends with the password: sessions, invitations and codes for devices, at once; short codes are listed', async () => {
		const owner = await somebody();
		const place = { personId: owner.personId, kitchenId: bench.kitchen.id, deviceId: null };
		const here = await beginSession(bench.db, { ...place, cameBy: 'password' });
		const there = await beginSession(bench.db, { ...place, cameBy: 'passkey' });
		const invitation = await makePairing(bench.db, bench.kitchen.id, owner.id, {
			kind: 'person',
			role: 'owner',
			span: null,
			name: 'Sage'
		});
		await giveCode(bench.db, bench.kitchen.id, owner.id, '4711');
		const now = (await findSession(bench.db, here, () => '2026-12-01')).who;
		await changePassword(
			bench.db,
			owner.personId,
			{ now: PASSWORD, password: 'four other plain words' },
			{ sessionId: now?.session.id ?? '', from: '192.0.2.1' }
		);
		expect((await findSession(bench.db, here, () => '2026-12-01')).who).not.toBeNull();
		expect((await findSession(bench.db, there, () => '2026-12-01')).who).toBeNull();
		await expect(findPairing(bench.db, invitation)).rejects.toThrow(/does not count/);
		const codes = await shortCodesOf(bench.db, owner.personId);
		expect(codes).toEqual([{ id: owner.id, kitchen: bench.kitchen.name }]);
		await expect(dropShortCode(bench.db, (await somebody()).personId, owner.id)).rejects.toThrow(/not here/);
		await dropShortCode(bench.db, owner.personId, owner.id);
		expect(await shortCodesOf(bench.db, owner.personId)).toEqual([]);
	});

	it('ends with a recovery too', async () => {
		const owner = await somebody();
		const [code = ''] = await makeRecoveryCodes(bench.db, owner.personId);
		const letIn = await makePairing(bench.db, bench.kitchen.id, owner.id, {
			kind: 'device',
			deviceKind: 'own',
			name: 'Phone'
		});
		await comeAgain(bench.db, { login: owner.login, code, password: 'four other plain words' });
		await expect(findPairing(bench.db, letIn)).rejects.toThrow(/does not count/);
	});
});

describe('a proof of who somebody is', () => {
	it('is made by coming in with a key of their own, counts for ten minutes, and is made again', async () => {
		const { personId } = await somebody();
		const place = { personId, kitchenId: bench.kitchen.id, deviceId: null };
		const of = async (token: string) => (await findSession(bench.db, token, () => '2026-12-01')).who;
		const byPassword = await of(await beginSession(bench.db, { ...place, cameBy: 'password' }));
		expect(byPassword && isProved(byPassword)).toBe(true);
		const at = Date.parse(`${byPassword?.session.provedAt?.replace(' ', 'T')}Z`);
		expect(byPassword && isProved(byPassword, at + 10 * 60_000 - 1)).toBe(true);
		expect(byPassword && isProved(byPassword, at + 10 * 60_000)).toBe(false);
		// A clock put back by an hour makes it no longer: what lies in time to come is no proof.
		expect(byPassword && isProved(byPassword, at - 3_600_000)).toBe(false);
		for (const cameBy of ['pairing', 'code'] as const) {
			const token = await beginSession(bench.db, { ...place, cameBy });
			const who = await of(token);
			expect(who && isProved(who)).toBe(false);
			await noteProof(bench.db, who?.session.id ?? '');
			const after = await of(token);
			expect(after && isProved(after)).toBe(true);
		}
	});
});

describe('a device that several share', () => {
	it('is locked after its minutes for whoever is in, by whatever, and no page keeps it open by itself', async () => {
		const { personId, id } = await somebody();
		const token = newToken();
		const deviceId = await letDeviceIn(bench.db, bench.kitchen.id, {
			token,
			name: 'Shared',
			kind: 'shared',
			membershipId: id
		});
		const today = () => '2026-12-01';
		for (const cameBy of ['password', 'passkey', 'code'] as const) {
			const session = await beginSession(bench.db, {
				personId,
				cameBy,
				kitchenId: bench.kitchen.id,
				deviceId
			});
			const { who } = await findSession(bench.db, session, today);
			const used = (minutes: number) =>
				bench
					.db('sessions')
					.where('id', who?.session.id ?? '')
					.update({
						used_at: new Date(Date.now() - minutes * 60_000).toISOString().slice(0, -1).replace('T', ' ')
					});
			await used(9);
			// What a page asks by itself is no touch: the minutes go on.
			expect((await findSession(bench.db, session, today, { isTouch: false })).who).not.toBeNull();
			await used(11);
			expect(await findSession(bench.db, session, today)).toEqual({ who: null, why: 'idle' });
			expect(await sessionNow(bench.db, who?.session.id ?? '', today)).toBeNull();
		}
		// One's own device is not.
		const own = await beginSession(bench.db, {
			personId,
			cameBy: 'password',
			kitchenId: bench.kitchen.id,
			deviceId: null
		});
		const twoDaysAgo = new Date(Date.now() - 2 * 86_400_000).toISOString().slice(0, -1).replace('T', ' ');
		await bench.db('sessions').where('token_hash', tokenHash(own)).update({ used_at: twoDaysAgo });
		expect((await findSession(bench.db, own, today)).who).not.toBeNull();
	});
});

describe('a device’s token', () => {
	const device = (token: string, name: string) =>
		somebody().then(({ id }) =>
			letDeviceIn(bench.db, bench.kitchen.id, { token, name, kind: 'shared', membershipId: id })
		);

	it('is changed when it is used from elsewhere; the one before counts until the new one is used', async () => {
		const first = newToken();
		const id = await device(first, 'Tablet');
		expect(await usedFrom(bench.db, first, '192.0.2.1')).toBeNull();
		expect(await usedFrom(bench.db, first, '192.0.2.1')).toBeNull();
		const second = await usedFrom(bench.db, first, '192.0.2.2');
		expect(second).not.toBeNull();
		// Its answer may have been lost on the way: the old one is all the tablet has.
		expect(await devicesBy(bench.db, first)).toMatchObject([{ id }]);
		expect(await usedFrom(bench.db, first, '192.0.2.2')).toBeNull();
		expect(await usedFrom(bench.db, second ?? '', '192.0.2.2')).toBeNull();
		expect(await devicesBy(bench.db, second ?? '')).toMatchObject([{ id, isPutOut: false }]);
		// A minute later the one before is had by somebody else: the device is put out for both.
		await bench
			.db('devices')
			.where('id', id ?? '')
			.update({ previous_ends_at: '2026-01-01 00:00:00.000' });
		expect(await devicesBy(bench.db, first)).toEqual([]);
		await usedFrom(bench.db, first, '192.0.2.9');
		expect(await devicesBy(bench.db, second ?? '')).toMatchObject([{ id, isPutOut: true }]);
	});

	it('is made when the device is let in: one that was put into its browser before lets nobody in', async () => {
		const planted = newToken();
		const id = await device(planted, 'Known to another');
		const fresh = await takeNewToken(bench.db, planted);
		expect(fresh).not.toBe(planted);
		expect(await devicesBy(bench.db, planted)).toEqual([]);
		expect(await devicesBy(bench.db, fresh)).toMatchObject([{ id }]);
		expect(await takeNewToken(bench.db, newToken())).toMatch(/^[\w-]{43}$/);
	});

	it('says whether somebody has been let in here, of who belongs to its kitchen and while it is in', async () => {
		const token = newToken();
		const id = await device(token, 'Own phone');
		const { login } = await somebody();
		expect(await deviceOf(bench.db, token, login)).toBe(id);
		expect(await deviceOf(bench.db, token, 'nobody')).toBeNull();
		expect(await deviceOf(bench.db, newToken(), login)).toBeNull();
		await putDeviceOut(bench.db, bench.kitchen.id, id ?? '');
		expect(await deviceOf(bench.db, token, login)).toBeNull();
	});
});

describe('tries', () => {
	it('a right short code does not forgive the wrong ones before it', async () => {
		const tryCode = () =>
			mayTry(bench.db, { by: 'code', of: newestOf, from: '192.0.2.3', device: 'tablet of this test' });
		const newestOf = newId();
		for (let nth = 0; nth < 3; nth++) await tryCode();
		await (
			await tryCode()
		)();
		// The right one gave its own try back and no other: the next but one wrong one begins a wait.
		await tryCode();
		const fifth = await tryCode();
		await expect(tryCode()).rejects.toBeInstanceOf(Wait);
		await fifth();
		await (
			await tryCode()
		)();
	});

	it('that failed are deeds of every kitchen somebody is in, with where from', async () => {
		const { personId, login } = await somebody();
		noteFailed(bench.db, { by: 'password', from: '192.0.2.44', personId });
		noteFailed(bench.db, { by: 'password', from: '192.0.2.45', personId: null });
		await failuresNoted();
		const [deed, ...more] = (
			await listDeeds(bench.db, bench.kitchen.id, { ...ALL, words: 'failed' }, EVER)
		).filter(({ name }) => name === login);
		expect(deed).toMatchObject({ what: 'failed to come in by a password', fromWhere: '192.0.2.44' });
		expect(more).toEqual([]);
	});
});

describe('what a passkey is asked', () => {
	const SITE = { origin: 'http://localhost:4180', hostname: 'localhost' };
	it('is for the one who asked and for what was asked; kept so', async () => {
		const { challenge } = await passkeyOptions(bench.db, SITE, { name: 'prove', givenTo: 'one session' });
		const row = await bench.db('challenges').where({ challenge }).first();
		expect(row).toMatchObject({ ceremony: 'prove', given_to: tokenHash('one session') });
	});
});

describe('secrets from before they were sealed', () => {
	it('are sealed as the application starts', async () => {
		const { personId } = await somebody();
		await bench.db('persons').where('id', personId).update({ second_secret: 'ABCDEFGHIJKLMNOP' });
		await sealSeconds(bench.db);
		const row = await bench.db('persons').where('id', personId).first('second_secret');
		expect(row?.second_secret).toMatch(/^s1\./);
		await sealSeconds(bench.db);
		expect((await bench.db('persons').where('id', personId).first('second_secret'))?.second_secret).toBe(
			row?.second_secret
		);
	});
});

describe('a deed', () => {
	it('that is told of itself says whom it was about, and no longer than there is room', async () => {
		const { id } = await somebody();
		const acting = {
			kitchenId: bench.kitchen.id,
			membershipId: id,
			deviceId: null,
			what: 'changed what somebody may',
			path: '/people',
			ofWhat: () => Promise.resolve('')
		};
		await whileActing(acting, async () => {
			isOf(`Pim, now owner${'!'.repeat(300)}`);
			await inTransaction(bench.db, (db) => db('memberships').where('id', id).update({ name: 'Somebody' }));
		});
		const [deed] = await listDeeds(bench.db, bench.kitchen.id, { ...ALL, words: 'now owner' }, EVER);
		expect(deed?.ofWhat).toMatch(/^Pim, now owner!+/);
	});

	it('says by its form what it is about, where its address names nothing, and never a customer', async () => {
		const { id } = await somebody();
		const acting = {
			kitchenId: bench.kitchen.id,
			membershipId: id,
			deviceId: null,
			what: 'noted equipment',
			path: '/kitchen',
			ofWhat: () => Promise.resolve('')
		};
		const schema = Joi.object({ name: Joi.string(), customer: Joi.string() });
		const send = (draft: object) => {
			const form = new FormData();
			form.set('draft', JSON.stringify(draft));
			return whileActing(acting, () =>
				withDraft(new Request('http://here', { method: 'POST', body: form }), schema, () =>
					inTransaction(bench.db, (db) => db('memberships').where('id', id).update({ name: 'Somebody' }))
				)
			);
		};
		await send({ name: 'Steel bowl', customer: 'Zebedee' });
		await send({ customer: 'Zebedee' });
		const deeds = await listDeeds(bench.db, bench.kitchen.id, { ...ALL, words: 'noted equipment' }, EVER);
		expect(deeds.map(({ ofWhat }) => ofWhat)).toEqual(['', 'Steel bowl']);
	});
});

describe('somebody who is added, and a code that is made', () => {
	const twenty = <T>(act: () => Promise<T>) => Promise.all(Array.from({ length: 20 }, act));

	it('by a form that is sent twenty times at once is one; under a key of somebody else it is none', async () => {
		const owner = await somebody();
		const id = newId();
		const name = `Helper ${id}`;
		await twenty(() => addHelper(bench.db, bench.kitchen.id, { id, name, role: 'maker', code: '4711' }));
		expect(await bench.db('memberships').where('name', name).pluck('id')).toEqual([id]);
		expect(await bench.db('persons').where('name', name).pluck('name')).toHaveLength(1);

		const key = newId();
		const wanted = { kind: 'person', role: 'seller', span: null, name: 'Yarrow' } as const;
		const codes = await twenty(() => makePairing(bench.db, bench.kitchen.id, owner.id, wanted, key));
		expect(await bench.db('pairings').where('name', 'Yarrow').pluck('id')).toEqual([key]);
		// One of the answers counts: which of twenty that came at once nobody can say; sent again it is that one.
		const last = await makePairing(bench.db, bench.kitchen.id, owner.id, wanted, key);
		expect((await findPairing(bench.db, last)).name).toBe('Yarrow');
		for (const code of codes) await expect(findPairing(bench.db, code)).rejects.toThrow(/does not count/);

		const other = await createKitchen(bench.db, KITCHEN);
		await expect(addHelper(bench.db, other, { id, name, role: 'maker', code: '4711' })).rejects.toThrow(
			/begun before/
		);
		await expect(makePairing(bench.db, other, owner.id, wanted, key)).rejects.toThrow(/begun before/);
	});
});

describe('the first of an installation', () => {
	beforeAll(() => emptied(bench.db));
	const first = (login: string) =>
		firstOwner(bench.db, {
			name: 'Tansy',
			login,
			password: PASSWORD,
			kitchen: 'Own bench',
			take: '',
			timeZone: 'UTC'
		});

	it('is one, though eight are sent at the same moment, under one name or under eight', async () => {
		const eight = await Promise.allSettled(
			Array.from({ length: 8 }, (_, nth) => first(nth % 2 === 0 ? 'tansy' : `tansy${nth}`))
		);
		expect(eight.filter(({ status }) => status === 'fulfilled')).toHaveLength(1);
		expect(await bench.db('persons').pluck('is_first')).toEqual([1]);
		expect(await bench.db('kitchens').pluck('name')).toEqual(['Own bench']);
		const refused = eight.flatMap((each) =>
			each.status === 'rejected' ? String((each.reason as Error).message) : []
		);
		for (const message of refused) expect(message).toMatch(/somebody was first|is taken/);
	});
});

describe('the people of the demo', () => {
	it('are gone once somebody has a kitchen of their own, and whoever was in as one is out', async () => {
		await emptied(bench.db);
		const demo = await createKitchen(bench.db, KITCHEN);
		await addDemoPeople(bench.db, demo, { from: '2026-01-01', to: '2026-12-31', until: '2099-01-01' });
		const [wren] = await demoPeople(bench.db);
		expect(wren?.name).toBe('Wren');
		const token = await beginSession(bench.db, {
			personId: wren?.id ?? '',
			cameBy: 'demo',
			kitchenId: demo,
			deviceId: null
		});
		// One of the demo's own makes nobody go.
		await beginKitchen(bench.db, newId(), KITCHEN, { personId: wren?.id ?? '', name: 'Wren' });
		expect(await demoPeople(bench.db)).not.toEqual([]);
		const personId = await makePerson(bench.db, { name: 'Tansy', login: 'tansy', password: PASSWORD });
		await beginKitchen(bench.db, newId(), KITCHEN, { personId, name: 'Tansy' });
		expect(await demoPeople(bench.db)).toEqual([]);
		expect(await findSession(bench.db, token, () => '2026-12-01')).toEqual({ who: null, why: 'ended' });
	});
});
