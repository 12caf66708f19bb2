import type { Role } from '../../people/roles.ts';
import type { MyKitchen } from '../../people/types.ts';
import type { Member, Span } from '../../people/member.ts';
import type { Database } from '../db/connection.ts';
import { inTransaction } from '../db/transaction.ts';
import { NotFound, refuse } from '../errors.ts';
import { OPEN } from '../kitchens.ts';
import { tellOfAccess } from '../feed/tell.ts';
import { newId, utcNow } from '../rows.ts';
import { shortCodeProblem } from './passwords.ts';
import { chosenHash, isChosen } from './secrets.ts';

/** As what somebody comes into a kitchen. */
export interface Joining {
	personId: string;
	name: string;
	role: Role;
	span: Span | null;
}

const spanColumns = (span: Span | null) => ({
	reads_from: span?.from ?? null,
	reads_to: span?.to ?? null,
	until_day: span?.until ?? null
});

/** Takes somebody into a kitchen, or back into it; the id of the membership. */
export async function join(
	db: Database,
	kitchenId: string,
	{ personId, name, role, span }: Joining,
	newMembership = newId()
): Promise<string> {
	return inTransaction(db, async (transaction) => {
		const before = await transaction('memberships')
			.where({ kitchen_id: kitchenId, person_id: personId })
			.forUpdate()
			.first('id', 'role', 'ended_at');
		if (!before) {
			const id = newMembership;
			await transaction('memberships').insert({
				id,
				kitchen_id: kitchenId,
				person_id: personId,
				name,
				role,
				...spanColumns(span),
				created_at: utcNow()
			});
			return id;
		}
		if (before.ended_at === null) refuse('', 'you belong to this kitchen already');
		await transaction('memberships')
			.where({ kitchen_id: kitchenId, id: before.id })
			.update({ role, name, ...spanColumns(span), ended_at: null, version: transaction.raw('version + 1') });
		return before.id;
	});
}

interface MemberRow {
	id: string;
	name: string;
	role: Role;
	reads_from: string | null;
	reads_to: string | null;
	until_day: string | null;
	code_hash: string | null;
	version: number;
	login: string | null;
	second_secret: string | null;
	last: string | null;
}

/** Who belongs to a kitchen, owners first. */
export async function listMembers(db: Database, kitchenId: string): Promise<Member[]> {
	const last = db.raw<string>(
		'(SELECT MAX(s.used_at) FROM sessions AS s WHERE s.person_id = m.person_id AND s.kitchen_id = m.kitchen_id) AS last'
	);
	const rows = await db('memberships as m')
		.leftJoin('persons as p', 'p.id', 'm.person_id')
		.where('m.kitchen_id', kitchenId)
		.whereNull('m.ended_at')
		.whereNotNull('m.person_id')
		.orderBy([{ column: 'm.role' }, { column: 'm.name' }])
		.select({
			id: 'm.id',
			name: 'm.name',
			role: 'm.role',
			reads_from: 'm.reads_from',
			reads_to: 'm.reads_to',
			until_day: 'm.until_day',
			code_hash: 'm.code_hash',
			version: 'm.version',
			login: 'p.login',
			second_secret: 'p.second_secret'
		})
		.select<MemberRow[]>(last);
	return rows.map((row) => ({
		id: row.id,
		name: row.name,
		role: row.role,
		span:
			row.reads_from !== null && row.reads_to !== null && row.until_day !== null
				? { from: row.reads_from, to: row.reads_to, until: row.until_day }
				: null,
		hasLogin: row.login !== null,
		hasCode: row.code_hash !== null,
		hasSecond: row.second_secret !== null,
		lastSeen: row.last,
		version: row.version
	}));
}

interface KitchenRow {
	id: string;
	name: string;
	town: string;
	role: Role;
	until_day: string | null;
	zone: string;
	first: string | null;
}

/** The kitchens a person belongs to. */
export async function kitchensOf(
	db: Database,
	personId: string,
	day: (zone: string) => string
): Promise<MyKitchen[]> {
	const rows = await db('memberships as m')
		.join('kitchens as k', 'k.id', 'm.kitchen_id')
		.where('m.person_id', personId)
		.whereNull('m.ended_at')
		.whereNull('k.practice_of')
		.whereIn('k.state', [...OPEN])
		.orderBy('k.id')
		.select({
			id: 'k.id',
			name: 'k.name',
			town: 'k.town',
			role: 'm.role',
			until_day: 'm.until_day',
			zone: 'k.time_zone'
		})
		.select<KitchenRow[]>(
			db.raw('(SELECT MIN(i.id) FROM ingredients AS i WHERE i.kitchen_id = k.id) AS first')
		);
	return rows
		.filter((row) => row.until_day === null || day(row.zone) <= row.until_day)
		.map(({ id, name, town, role, first }) => ({ id, name, town, role, isEmpty: first === null }));
}

/** Refuses what would leave a kitchen without an owner; the members are held until the transaction ends. */
async function keepAnOwner(db: Database, kitchenId: string, id: string): Promise<void> {
	const owners = await db('memberships')
		.where({ kitchen_id: kitchenId, role: 'owner' })
		.whereNull('ended_at')
		.whereNotNull('person_id')
		.forUpdate()
		.pluck<string[]>('id');
	if (owners.length === 1 && owners[0] === id)
		refuse('', 'somebody has to own the kitchen: make another its owner first');
}

/** Changes as what somebody is in a kitchen. Their sessions go on with the new rights at once. */
export async function changeRole(
	db: Database,
	kitchenId: string,
	{ id, role, span, version }: { id: string; role: Role; span: Span | null; version: number }
): Promise<void> {
	await inTransaction(db, async (transaction) => {
		const member = await memberOf(transaction, kitchenId, id);
		if (member.version !== version) refuse('', 'somebody changed this meanwhile: look at it again');
		if (role !== 'owner') await keepAnOwner(transaction, kitchenId, id);
		await transaction('memberships')
			.where({ kitchen_id: kitchenId, id })
			.update({ role, ...spanColumns(span), version: version + 1 });
		await tellOfAccess(transaction, [kitchenId]);
	});
}

/** Ends a membership, and every session in the kitchen with it. */
export async function endMembership(db: Database, kitchenId: string, id: string): Promise<void> {
	await inTransaction(db, async (transaction) => {
		const { person_id } = await memberOf(transaction, kitchenId, id);
		await keepAnOwner(transaction, kitchenId, id);
		await transaction('memberships')
			.where({ kitchen_id: kitchenId, id })
			.update({ ended_at: utcNow(), code_hash: null, version: transaction.raw('version + 1') });
		if (person_id !== null)
			await transaction('sessions')
				.where({ kitchen_id: kitchenId, person_id })
				.whereNull('ended_at')
				.update({ ended_at: utcNow() });
		await transaction('devices')
			.where({ kitchen_id: kitchenId, membership_id: id, kind: 'own' })
			.whereNull('put_out_at')
			.update({ put_out_at: utcNow() });
		await tellOfAccess(transaction, [kitchenId]);
	});
}

async function memberOf(db: Database, kitchenId: string, id: string) {
	const row = await db('memberships')
		.where({ kitchen_id: kitchenId, id })
		.whereNull('ended_at')
		.forUpdate()
		.first('id', 'person_id', 'version');
	if (!row) throw new NotFound('nobody of this kitchen');
	return row;
}

/** Gives somebody a short code for shared devices; '' takes it away. Throws `Refused` at `code`. */
export async function giveCode(db: Database, kitchenId: string, id: string, code: string): Promise<void> {
	const problem = code === '' ? null : shortCodeProblem(code);
	if (problem !== null) refuse('code', problem);
	const code_hash = code === '' ? null : await chosenHash(code);
	await inTransaction(db, async (transaction) => {
		const { version } = await memberOf(transaction, kitchenId, id);
		await transaction('memberships')
			.where({ kitchen_id: kitchenId, id })
			.update({ code_hash, version: version + 1 });
	});
}

/** Where a person has a short code: the memberships it is of. */
export async function shortCodesOf(
	db: Database,
	personId: string
): Promise<{ id: string; kitchen: string }[]> {
	return db('memberships as m')
		.join('kitchens as k', 'k.id', 'm.kitchen_id')
		.where('m.person_id', personId)
		.whereNull('m.ended_at')
		.whereNotNull('m.code_hash')
		.orderBy('k.id')
		.select<{ id: string; kitchen: string }[]>({ id: 'm.id', kitchen: 'k.name' });
}

/** Takes a short code of one's own away, in whichever kitchen it is. Throws `NotFound`. */
export async function dropShortCode(db: Database, personId: string, id: string): Promise<void> {
	const dropped = await inTransaction(db, (transaction) =>
		transaction('memberships')
			.where({ id, person_id: personId })
			.whereNotNull('code_hash')
			.update({ code_hash: null, version: transaction.raw('version + 1') })
	);
	if (dropped === 0) throw new NotFound('this short code is not here');
}

/** Who can come in at a shared device of a kitchen by a short code. */
export async function byCodeIn(
	db: Database,
	kitchenId: string
): Promise<{ id: string; name: string; role: Role }[]> {
	return db('memberships')
		.where('kitchen_id', kitchenId)
		.whereNull('ended_at')
		.whereNotNull('code_hash')
		.whereNotNull('person_id')
		.whereNot('role', 'inspector')
		.orderBy('name')
		.select<{ id: string; name: string; role: Role }[]>('id', 'name', 'role');
}

/** Whose short code this is: the person; null, after as long a time, where it is not. */
export async function personByCode(
	db: Database,
	kitchenId: string,
	id: string,
	code: string
): Promise<string | null> {
	const row = await db('memberships')
		.where({ kitchen_id: kitchenId, id })
		.whereNull('ended_at')
		.first('code_hash', 'person_id');
	return (await isChosen(row?.code_hash ?? null, code)) ? (row?.person_id ?? null) : null;
}

/** What somebody of a kitchen is called; '' where there is nobody by that id. */
export async function memberNamed(db: Database, kitchenId: string, id: string): Promise<string> {
	return (await db('memberships').where({ kitchen_id: kitchenId, id }).first('name'))?.name ?? '';
}

/** Who somebody of a kitchen is; null where they are nobody any more. */
export async function personOf(db: Database, kitchenId: string, id: string): Promise<string | null> {
	return (await db('memberships').where({ kitchen_id: kitchenId, id }).first('person_id'))?.person_id ?? null;
}

/** Whether somebody is in a kitchen now. */
export async function belongs(db: Database, kitchenId: string, personId: string): Promise<boolean> {
	const row = await db('memberships')
		.where({ kitchen_id: kitchenId, person_id: personId })
		.whereNull('ended_at')
		.first('id');
	return row !== undefined;
}

/** Everybody who ever did something in a kitchen, those who left too. */
export async function everybody(db: Database, kitchenId: string): Promise<{ id: string; name: string }[]> {
	return db('memberships')
		.where('kitchen_id', kitchenId)
		.orderBy('name')
		.select<{ id: string; name: string }[]>('id', 'name');
}
