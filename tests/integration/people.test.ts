import { generate, generateSecret } from 'otplib';
import { beforeAll, describe, expect, it } from 'vitest';
import { whileActing } from '$lib/server/db/acting.ts';
import { inTransaction } from '$lib/server/db/transaction.ts';
import { Refused } from '$lib/server/errors.ts';
import { createKitchen } from '$lib/server/kitchens.ts';
import { comeAgain } from '$lib/server/people/again.ts';
import { doneBy, listDeeds } from '$lib/server/people/deeds.ts';
import { devicesBy, letDeviceIn, listDevices, putDeviceOut } from '$lib/server/people/devices.ts';
import { erasePerson } from '$lib/server/people/erase.ts';
import { firstOwner } from '$lib/server/people/first.ts';
import { addHelper } from '$lib/server/people/helper.ts';
import { takeAsKnown, takeAsNew } from '$lib/server/people/invited.ts';
import { mayTry, Wait } from '$lib/server/people/limits.ts';
import {
	byCodeIn,
	changeRole,
	endMembership,
	giveCode,
	join,
	kitchensOf,
	listMembers,
	personByCode
} from '$lib/server/people/memberships.ts';
import { whatIsMine } from '$lib/server/people/mine.ts';
import { findPairing, listPairings, makePairing, withdrawPairing } from '$lib/server/people/pairings.ts';
import { changePassword, makePerson, mustKnow, personBy } from '$lib/server/people/persons.ts';
import { codesLeft, makeRecoveryCodes } from '$lib/server/people/recovery.ts';
import { isSecond, beginSecond, takeUpSecond } from '$lib/server/people/second.ts';
import { newToken, tokenHash } from '$lib/server/people/secrets.ts';
import { beginSession, endSessions, findSession, listSessions } from '$lib/server/people/sessions.ts';
import { newId } from '$lib/server/rows.ts';
import { eraseCustomer } from '$lib/server/sales/erase.ts';
import { keepSale } from '$lib/server/sales/keep.ts';
import { KITCHEN, makeRoti, recordRoti, useBench } from './kitchen.ts';
import { oneSale } from '../../scripts/lib/one-sale.ts';

const bench = useBench();
const TODAY = '2026-04-05';
const today = () => TODAY;
const PASSWORD = 'three plain words';
let count = 0;
/** Somebody with a login, in the kitchen of the tests. */
async function somebody(role: 'owner' | 'maker' | 'seller' = 'maker', kitchenId = bench.kitchen.id) {
	count += 1;
	const login = `person${count}`;
	const personId = await makePerson(bench.db, { name: `Person ${count}`, login, password: PASSWORD });
	const id = await join(bench.db, kitchenId, { personId, name: `Person ${count}`, role, span: null });
	return { personId, login, id };
}
const session = (personId: string, more: { deviceId?: string; cameBy?: 'code' } = {}) =>
	beginSession(bench.db, {
		personId,
		cameBy: more.cameBy ?? 'password',
		kitchenId: bench.kitchen.id,
		deviceId: more.deviceId ?? null
	});
const found = (token: string) => findSession(bench.db, token, today);
const ago = (minutes: number) =>
	new Date(Date.now() - minutes * 60_000).toISOString().replace('T', ' ').replace('Z', '');

describe('the first of an installation', () => {
	it('owns a kitchen, and nobody is first after them, not of two at once', async () => {
		const first = (login: string) =>
			firstOwner(bench.db, {
				name: 'Tansy',
				login,
				password: PASSWORD,
				kitchen: 'Own bench',
				take: '',
				timeZone: 'Europe/Lisbon'
			});
		await expect(
			firstOwner(bench.db, {
				name: 'Tansy',
				login: 'tansy',
				password: 'short',
				kitchen: 'Own bench',
				take: '',
				timeZone: ''
			})
		).rejects.toThrow(/at least 12/);
		expect(await bench.db('persons').where('login', 'tansy').first()).toBeUndefined();
		const { personId, kitchenId } = await first('tansy');
		expect(await kitchensOf(bench.db, personId, today)).toMatchObject([
			{ id: kitchenId, name: 'Own bench', role: 'owner', isEmpty: true }
		]);
		await expect(first('late')).rejects.toThrow(/somebody was first/);
	});
});

describe('a password', () => {
	it('lets in who has it, and tells nothing of who is here', async () => {
		const { personId, login } = await somebody();
		expect(await personBy(bench.db, login, PASSWORD)).toEqual({ id: personId, hasSecond: false });
		expect(await personBy(bench.db, login, 'another plain word')).toBeNull();
		expect(await personBy(bench.db, 'nobody', PASSWORD)).toBeNull();
	});

	it('is changed by who knows it', async () => {
		const { personId, login } = await somebody();
		const to = (now: string, password: string) =>
			changePassword(bench.db, personId, { now, password }, { sessionId: 'one', from: '10.1.1.9' });
		await expect(to('wrong wrong wrong', 'four other plain words')).rejects.toThrow(/not your password/);
		await expect(to(PASSWORD, 'short')).rejects.toThrow(/at least 12/);
		await to(PASSWORD, 'four other plain words');
		expect(await personBy(bench.db, login, PASSWORD)).toBeNull();
		expect(await personBy(bench.db, login, 'four other plain words')).not.toBeNull();
	});

	it('is asked for once more before what is dear, and not for ever', async () => {
		const { personId } = await somebody();
		const know = (password: string, sessionId = 'one') =>
			mustKnow(bench.db, personId, password, { sessionId, from: '10.1.1.9' });
		await know(PASSWORD);
		for (let nth = 0; nth < 4; nth++)
			await expect(know('not these words')).rejects.toThrow(/not your password/);
		// Once it was right the count begins anew; after five that were wrong even the right one waits.
		await know(PASSWORD);
		for (let nth = 0; nth < 5; nth++)
			await expect(know('not these words')).rejects.toThrow(/not your password/);
		await expect(know(PASSWORD)).rejects.toBeInstanceOf(Wait);
		// Who guesses with a session they took holds up that one alone.
		await know(PASSWORD, 'another');
	});

	it('has a second factor that counts once', async () => {
		const { personId, login } = await somebody();
		const { secret, picture } = await beginSecond(bench.db, personId, login);
		expect(picture).toMatch(/^data:image\/png/);
		await expect(takeUpSecond(bench.db, personId, '12')).rejects.toThrow(/not the code/);
		// The secret is the server's own: a code of another is none.
		await expect(
			takeUpSecond(bench.db, personId, await generate({ secret: generateSecret() }))
		).rejects.toThrow(/not the code/);
		await takeUpSecond(bench.db, personId, await generate({ secret }));
		const kept = await bench.db('persons').where('id', personId).first('second_secret', 'second_pending');
		expect(kept?.second_secret).toMatch(/^s1\./);
		expect(kept?.second_secret).not.toContain(secret);
		expect(kept?.second_pending).toBeNull();
		await expect(takeUpSecond(bench.db, personId, await generate({ secret }))).rejects.toThrow(/begin/);
		expect((await personBy(bench.db, login, PASSWORD))?.hasSecond).toBe(true);
		// The code it was taken up by is used; so is every one of its step.
		expect(await isSecond(bench.db, personId, await generate({ secret }))).toBe(false);
		await bench.db('persons').where('id', personId).update({ second_step: 1 });
		const code = await generate({ secret });
		expect(await Promise.all([1, 2].map(() => isSecond(bench.db, personId, code)))).toContain(false);
		expect(await isSecond(bench.db, personId, '000000')).toBe(false);
	});

	it('that is forgotten is mended by a recovery code, once, and all sessions end', async () => {
		const { personId, login } = await somebody();
		const token = await session(personId);
		const codes = await makeRecoveryCodes(bench.db, personId);
		expect(codes).toHaveLength(8);
		expect(codes[0]).toMatch(/^([a-z2-9]{5}-){3}[a-z2-9]{5}$/);
		const again = (code: string, password = 'four other plain words') =>
			comeAgain(bench.db, { login, code, password });
		await expect(again('abcde-abcde-abcde-abcde')).rejects.toThrow(/do not go together/);
		await expect(
			comeAgain(bench.db, { login: 'nobody', code: codes[0] ?? '', password: PASSWORD })
		).rejects.toThrow(/do not go together/);
		// A password that will not do uses no code up.
		await expect(again(codes[0] ?? '', 'short')).rejects.toThrow(/at least 12/);
		expect(await codesLeft(bench.db, personId)).toBe(8);
		// However it is typed.
		expect(await again(` ${(codes[0] ?? '').toUpperCase().replaceAll('-', ' ')}`)).toBe(personId);
		await expect(again(codes[0] ?? '')).rejects.toThrow(/was used/);
		expect(await codesLeft(bench.db, personId)).toBe(7);
		expect(await found(token)).toEqual({ who: null, why: 'ended' });
	});

	it('may be tried a few times, then after a growing wait, also by a hundred at once', async () => {
		const tryAs = (of: string, from: string, device: string | null = null) =>
			mayTry(bench.db, { by: 'password', of, from, device });
		const tries = await Promise.allSettled(Array.from({ length: 30 }, () => tryAs('guess', '10.1.1.1')));
		// Five, however many come at one moment: the fifth begins the first wait.
		expect(tries.filter(({ status }) => status === 'fulfilled')).toHaveLength(5);
		await expect(tryAs('guess', '10.1.1.1')).rejects.toBeInstanceOf(Wait);
		// From elsewhere, and on a device of one's own, the same name is not held up.
		await tryAs('guess', '10.1.1.2');
		await tryAs('guess', '10.1.1.1', 'a device that was let in');
		// Another name is not held up, and one that was right starts anew.
		const right = await tryAs('somebody else', '10.1.1.2');
		for (let nth = 0; nth < 3; nth++) await tryAs('somebody else', '10.1.1.2');
		await right();
		for (let nth = 0; nth < 4; nth++) await tryAs('somebody else', '10.1.1.2');
		// One address, whoever it says it is.
		const many = async () => {
			for (let nth = 0; nth < 70; nth++) await tryAs(`name ${nth}`, '10.1.1.3');
		};
		await expect(many()).rejects.toThrow(/too many tries: wait/);
		// Who is let in there, has a recovery code or a passkey is not held by that.
		await tryAs('somebody else', '10.1.1.3', 'theirs');
		await mayTry(bench.db, { by: 'recovery', of: 'somebody else', from: '10.1.1.3' });
		await mayTry(bench.db, { by: 'passkey', of: 'credential', from: '10.1.1.3' });
		// From everywhere together one name is tried a hundred times an hour, and its own devices go on.
		const spread = async () => {
			for (let nth = 0; nth < 110; nth++) await tryAs('spread', `10.2.${nth}.1`);
		};
		await expect(spread()).rejects.toBeInstanceOf(Wait);
		await tryAs('spread', '10.3.1.1', 'theirs');
		// Nothing of who it was is kept.
		const keys = await bench.db('rate_limits').pluck('key');
		expect(keys.filter((key) => /guess|10\.1/.test(key))).toEqual([]);
	});
});

describe('a session', () => {
	it('is of a person in a kitchen, and only its hash is kept', async () => {
		const { personId, id } = await somebody('seller');
		const token = await session(personId);
		const { who } = await found(token);
		expect(who?.membership).toMatchObject({ id, role: 'seller', kitchenId: bench.kitchen.id });
		expect(who?.rights).toEqual(['hear', 'labels', 'sell']);
		expect(await bench.db('sessions').where('token_hash', token).first()).toBeUndefined();
		expect(await bench.db('sessions').where('token_hash', tokenHash(token)).first()).toBeDefined();
		expect(await found(newToken())).toEqual({ who: null, why: 'unknown' });
	});

	it.each([
		['unused for a week', { used_at: ago(7 * 24 * 60 + 1) }, 'ended'],
		['unused for a little less', { used_at: ago(7 * 24 * 60 - 1) }, null],
		['a month old', { ends_at: ago(0) }, 'ended'],
		['ended', { ended_at: ago(0) }, 'ended']
	])('%s', async (_, change, why) => {
		const { personId } = await somebody();
		const token = await session(personId);
		await bench.db('sessions').where('token_hash', tokenHash(token)).update(change);
		const answer = await found(token);
		expect(answer.who === null ? answer.why : null).toBe(why);
	});

	it('changes its token once a day: the one before counts until the new one is used, and a moment longer', async () => {
		const { personId } = await somebody();
		const token = await session(personId);
		const row = bench.db('sessions').where('person_id', personId);
		await row.clone().update({ rotated_at: ago(24 * 60 + 1), used_at: ago(5) });
		const answer = await found(token);
		if (!answer.who || answer.newToken === null) throw new Error('no new token');
		const fresh = answer.newToken;
		// The answer with the new one may have been lost: for however long, the old one is all the browser has.
		await row.clone().update({ rotated_at: ago(60), used_at: ago(60) });
		expect((await found(token)).who).not.toBeNull();
		// The new one is used: what was on its way with the old one is still taken, for a minute.
		expect((await found(fresh)).who).not.toBeNull();
		expect((await found(token)).who).not.toBeNull();
		// After it, whoever has the old one has no business, though its person is at work this very moment.
		await row.clone().update({ previous_ends_at: ago(0) });
		expect((await found(fresh)).who).not.toBeNull();
		expect(await found(token)).toEqual({ who: null, why: 'ended' });
		expect(await found(fresh)).toEqual({ who: null, why: 'ended' });
	});

	it('is seen and ended by its person, and by nobody else', async () => {
		const [mine, other] = [await somebody(), await somebody()];
		const [here, there] = [await session(mine.personId), await session(mine.personId)];
		const theirs = await session(other.personId);
		const now = await found(here);
		const thisId = now.who?.session.id ?? '';
		const list = await listSessions(bench.db, mine.personId, thisId);
		expect(list.map(({ isThis }) => isThis).sort()).toEqual([false, true]);
		const [another] = list.filter(({ isThis }) => !isThis);
		await endSessions(bench.db, { id: another?.id ?? '', person_id: other.personId });
		expect((await found(there)).who).not.toBeNull();
		await endSessions(bench.db, { person_id: mine.personId }, thisId);
		expect((await found(there)).who).toBeNull();
		expect((await found(here)).who).not.toBeNull();
		expect((await found(theirs)).who).not.toBeNull();
	});
});

describe('a device', () => {
	it('of a kitchen is let in once, locked when nobody is at it, and put out with what was on it', async () => {
		const [owner, maker] = [await somebody('owner'), await somebody()];
		const token = newToken();
		const device = { token, name: 'Tablet', kind: 'shared' as const, membershipId: owner.id };
		const ids = await Promise.all([1, 2, 3].map(() => letDeviceIn(bench.db, bench.kitchen.id, device)));
		expect(new Set(ids).size).toBe(1);
		const [deviceId = ''] = ids.map(String);
		await giveCode(bench.db, bench.kitchen.id, maker.id, '4711');
		expect(await byCodeIn(bench.db, bench.kitchen.id)).toContainEqual({
			id: maker.id,
			name: expect.any(String) as string,
			role: 'maker'
		});
		expect(await personByCode(bench.db, bench.kitchen.id, maker.id, '4712')).toBeNull();
		expect(await personByCode(bench.db, bench.kitchen.id, owner.id, '4711')).toBeNull();
		expect(await personByCode(bench.db, bench.kitchen.id, maker.id, '4711')).toBe(maker.personId);
		const by = await session(maker.personId, { deviceId, cameBy: 'code' });
		const row = bench.db('sessions').where('token_hash', tokenHash(by));
		await row.clone().update({ used_at: ago(9) });
		expect((await found(by)).who).not.toBeNull();
		await row.clone().update({ used_at: ago(11) });
		expect(await found(by)).toEqual({ who: null, why: 'idle' });
		// Touched in time to come: a clock was put back, and keeps nothing open.
		await row.clone().update({ used_at: ago(-60) });
		expect(await found(by)).toEqual({ who: null, why: 'idle' });
		await row.clone().update({ used_at: ago(0) });
		await putDeviceOut(bench.db, bench.kitchen.id, deviceId);
		expect(await found(by)).toEqual({ who: null, why: 'put out' });
		expect(await letDeviceIn(bench.db, bench.kitchen.id, device)).toBeNull();
		expect(await devicesBy(bench.db, token)).toMatchObject([{ id: deviceId, isPutOut: true }]);
		expect((await listDevices(bench.db, bench.kitchen.id)).find(({ id }) => id === deviceId)).toMatchObject({
			name: 'Tablet',
			lastBy: expect.any(String) as string
		});
		await expect(putDeviceOut(bench.db, bench.kitchen.id, deviceId)).rejects.toThrow(/put out before/);
	});
});

describe('a code', () => {
	it('invites one, once, while it counts and its maker owns the kitchen', async () => {
		const owner = await somebody('owner');
		const invite = () =>
			makePairing(bench.db, bench.kitchen.id, owner.id, {
				kind: 'person',
				role: 'seller',
				span: null,
				name: 'Sorrel'
			});
		const code = await invite();
		expect(await bench.db('pairings').where('code_hash', code).first()).toBeUndefined();
		expect(await findPairing(bench.db, code)).toMatchObject({ kind: 'person', role: 'seller' });
		const comers = ['one', 'two'].map((name) =>
			takeAsNew(bench.db, code, { name, login: `comer-${name}`, password: PASSWORD })
		);
		const came = await Promise.allSettled(comers);
		expect(came.map(({ status }) => status).sort()).toEqual(['fulfilled', 'rejected']);
		// Who came second is nobody: their name is free still.
		expect(await bench.db('persons').where('login', 'like', 'comer-%').pluck('id')).toHaveLength(1);
		await expect(findPairing(bench.db, code)).rejects.toThrow(/does not count/);
		// One that is withdrawn, one that is over, one whose maker is no owner any more.
		const [withdrawn, over, last] = [await invite(), await invite(), await invite()];
		const [open] = await listPairings(bench.db, bench.kitchen.id);
		await withdrawPairing(bench.db, bench.kitchen.id, open?.id ?? '');
		await bench
			.db('pairings')
			.where('code_hash', tokenHash(over))
			.update({ ends_at: ago(1) });
		for (const each of [withdrawn, over]) await expect(findPairing(bench.db, each)).rejects.toThrow(/count/);
		const other = await somebody('owner');
		await changeRole(bench.db, bench.kitchen.id, { id: owner.id, role: 'maker', span: null, version: 1 });
		await expect(findPairing(bench.db, last)).rejects.toThrow(/count/);
		expect(other.id).not.toBe(owner.id);
	});

	it('takes somebody who is here into another kitchen, whom it then knows as what they are there', async () => {
		const elsewhere = await createKitchen(bench.db, { ...KITCHEN, name: 'Elsewhere' });
		const there = await somebody('owner', elsewhere);
		const maker = await somebody('maker');
		const code = await makePairing(bench.db, elsewhere, there.id, {
			kind: 'person',
			role: 'inspector',
			span: { from: '2026-01-01', to: '2026-03-31', until: TODAY },
			name: 'Pim'
		});
		expect(await takeAsKnown(bench.db, code, { personId: maker.personId, name: 'Pim' })).toBe(elsewhere);
		const of = (day: string) => kitchensOf(bench.db, maker.personId, () => day);
		expect((await of(TODAY)).map(({ role }) => role)).toEqual(['maker', 'inspector']);
		// An inspector's pass ends by itself.
		expect((await of('2026-04-06')).map(({ role }) => role)).toEqual(['maker']);
		const token = await beginSession(bench.db, {
			personId: maker.personId,
			cameBy: 'password',
			kitchenId: elsewhere,
			deviceId: null
		});
		const on = async (day: string) => (await findSession(bench.db, token, () => day)).who?.membership?.span;
		expect(await on(TODAY)).toEqual({ from: '2026-01-01', to: '2026-03-31', until: TODAY });
		expect(await on('2026-04-06')).toBeUndefined();
	});
});

describe('a kitchen', () => {
	it('always has an owner', async () => {
		const id = await createKitchen(bench.db, { ...KITCHEN, name: 'Two owners' });
		const [one, other] = [await somebody('owner', id), await somebody('owner', id)];
		const maker = await somebody('maker', id);
		const down = (member: string) =>
			changeRole(bench.db, id, { id: member, role: 'maker', span: null, version: 1 });
		const both = await Promise.allSettled([down(one.id), down(other.id)]);
		expect(both.filter(({ status }) => status === 'rejected')).toHaveLength(1);
		const [left] = (await listMembers(bench.db, id)).filter(({ role }) => role === 'owner');
		await expect(endMembership(bench.db, id, left?.id ?? '')).rejects.toBeInstanceOf(Refused);
		const owner = [one, other].find((each) => each.id === left?.id);
		await expect(erasePerson(bench.db, owner?.personId ?? '')).rejects.toThrow(/has to own/);
		// Of another kitchen nobody is known.
		await expect(endMembership(bench.db, bench.kitchen.id, maker.id)).rejects.toThrow(
			/nobody of this kitchen/
		);
		expect(await personByCode(bench.db, bench.kitchen.id, maker.id, '4711')).toBeNull();
	});

	it('puts somebody out with their sessions and devices', async () => {
		const maker = await somebody();
		await addHelper(bench.db, bench.kitchen.id, { name: 'Helper', role: 'maker', code: '8035' });
		const deviceId = await letDeviceIn(bench.db, bench.kitchen.id, {
			token: newToken(),
			name: 'Their phone',
			kind: 'own',
			membershipId: maker.id
		});
		const token = await session(maker.personId, { deviceId: deviceId ?? '' });
		await endMembership(bench.db, bench.kitchen.id, maker.id);
		expect((await found(token)).who).toBeNull();
		const members = await listMembers(bench.db, bench.kitchen.id);
		expect(members.map(({ id }) => id)).not.toContain(maker.id);
		expect(members.find(({ name }) => name === 'Helper')).toMatchObject({ hasLogin: false, hasCode: true });
	});
});

describe('who did what', () => {
	/** Of four packs each. */
	const batches: string[] = [];
	beforeAll(async () => {
		const { productId } = await makeRoti(bench, 'Whose roti');
		for (let nth = 0; nth < 2; nth++) batches.push(await recordRoti(bench, productId));
	});
	const as = <R>(membershipId: string, act: () => Promise<R>) =>
		whileActing(
			{
				kitchenId: bench.kitchen.id,
				membershipId,
				deviceId: null,
				what: 'sold at the stall',
				path: '/sales/entries.json',
				ofWhat: () => Promise.resolve('batch 1')
			},
			act
		);
	let sold = 0;
	const sell = (id: string, customer = '') =>
		keepSale(
			bench.db,
			bench.kitchen.id,
			oneSale({
				id,
				batchId: batches[Math.floor(sold++ / 4)] ?? '',
				soldOn: '2026-01-01',
				channel: 'Door',
				price: '5.00',
				customer
			})
		);
	const asked = { by: '', device: '', from: '', to: '', words: '' };
	const all = { from: null, to: null };

	it('stands with what was done, in the transaction that did it, and is never changed', async () => {
		const seller = await somebody('seller');
		const id = newId();
		await as(seller.id, () => sell(id));
		const row = await bench.db('sales').where('id', id).first('deed_id');
		const by = await doneBy(bench.db, bench.kitchen.id, [row?.deed_id ?? null, null]);
		expect(by.get(row?.deed_id ?? '')).toEqual({
			name: expect.stringMatching(/^Person/) as string,
			device: ''
		});
		const mine = await listDeeds(bench.db, bench.kitchen.id, { ...asked, by: seller.id }, all);
		expect(mine).toMatchObject([{ what: 'sold at the stall', ofWhat: 'batch 1' }]);
		for (const change of [
			bench
				.db('deeds')
				.where('id', row?.deed_id ?? '')
				.update({ what: 'nothing' }),
			bench
				.db('deeds')
				.where('id', row?.deed_id ?? '')
				.delete()
		])
			await expect(change).rejects.toThrow(/never edited/);
		// What nobody of the door did, as a script, is nobody's: also on the connection that was just used.
		const plain = newId();
		await sell(plain);
		expect((await bench.db('sales').where('id', plain).first('deed_id'))?.deed_id).toBeNull();
	});

	it('is not there where nothing came of it', async () => {
		const seller = await somebody('seller');
		await expect(
			as(seller.id, () =>
				inTransaction(bench.db, () => Promise.reject(new Refused([{ path: '', message: 'no' }])))
			)
		).rejects.toThrow('no');
		expect(await listDeeds(bench.db, bench.kitchen.id, { ...asked, by: seller.id }, all)).toEqual([]);
	});

	it('is found by words, a person and days, and not from another kitchen', async () => {
		const seller = await somebody('seller');
		await as(seller.id, () => sell(newId()));
		const find = (more: Partial<typeof asked>, bounds = all) =>
			listDeeds(bench.db, bench.kitchen.id, { ...asked, ...more }, bounds);
		expect((await find({ words: 'STALL' })).length).toBeGreaterThan(0);
		expect(await find({ words: '%' })).toEqual([]);
		expect(await find({ by: seller.id, words: 'priced' })).toEqual([]);
		expect(await find({ by: seller.id }, { from: null, to: ago(60) } as never)).toEqual([]);
		expect(await find({ by: seller.id }, { from: ago(60), to: null } as never)).toHaveLength(1);
		const elsewhere = await createKitchen(bench.db, { ...KITCHEN, name: 'No deeds' });
		expect(await listDeeds(bench.db, elsewhere, { ...asked, by: seller.id }, all)).toEqual([]);
	});

	it('a customer’s name can be erased, and nothing else of a sale', async () => {
		const [one, other] = [newId(), newId()];
		await sell(one, 'Nan Thistle');
		await sell(other, 'Somebody else');
		expect(await eraseCustomer(bench.db, bench.kitchen.id, 'Nan Thistle')).toBe(1);
		const names = await bench.db('sales').whereIn('id', [one, other]).orderBy('id').pluck('customer');
		expect(names).toEqual([expect.stringMatching(/^erased [0-9a-z]{6}$/), 'Somebody else']);
		await expect(eraseCustomer(bench.db, bench.kitchen.id, 'Nan Thistle')).rejects.toThrow(/nobody|anybody/);
		await expect(bench.db('sales').where('id', other).update({ customer: 'Else' })).rejects.toThrow(
			/never edited/
		);
		await expect(
			bench.db('sales').where('id', other).update({ customer: 'erased abc', packs: 9 })
		).rejects.toThrow(/never edited/);
	});

	it('is taken along by who leaves, and stays with the kitchen as of somebody who left', async () => {
		const seller = await somebody('seller');
		await as(seller.id, () => sell(newId()));
		const mine = JSON.stringify(await whatIsMine(bench.db, seller.personId));
		expect(mine).toContain('sold at the stall');
		expect(mine).toContain(seller.login);
		expect(mine).not.toContain('argon2');
		await erasePerson(bench.db, seller.personId);
		expect(await bench.db('persons').where('id', seller.personId).first()).toBeUndefined();
		const left = await listDeeds(bench.db, bench.kitchen.id, { ...asked, by: seller.id }, all);
		expect(left).toMatchObject([{ name: 'somebody who left', what: 'sold at the stall' }]);
	});
});
