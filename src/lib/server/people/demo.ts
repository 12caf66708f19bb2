import type { Role } from '../../people/roles.ts';
import type { Database } from '../db/connection.ts';
import type { Span } from '../../people/member.ts';
import { OPEN } from '../kitchens.ts';
import { utcNow } from '../rows.ts';
import { join } from './memberships.ts';
import { makePerson } from './persons.ts';

/** Somebody of the demo, as the door offers them. */
export interface DemoPerson {
	id: string;
	name: string;
	role: Role;
	kitchen: string;
}

const ORDER: readonly Role[] = ['owner', 'maker', 'seller', 'inspector'];

/** Whether somebody who is not of the demo owns a kitchen that can be opened: then the demo's people are gone. */
async function isOwnKitchenHere(db: Database): Promise<boolean> {
	const row = await db('memberships as m')
		.join('persons as p', 'p.id', 'm.person_id')
		.join('kitchens as k', 'k.id', 'm.kitchen_id')
		.where({ 'p.is_demo': false, 'm.role': 'owner' })
		// Who owns a kitchen can come into it.
		.whereNotNull('p.login')
		.whereNull('m.ended_at')
		.whereNull('k.practice_of')
		.whereIn('k.state', [...OPEN])
		.first<{ id: string } | undefined>('m.id');
	return row !== undefined;
}

/** Names of kitchens, closed ones too, that are not the demo's alone: somebody who is not of it belongs there, or nobody of it does. */
export async function ownKitchens(db: Database): Promise<string[]> {
	const kitchens = await db('kitchens')
		.whereNull('practice_of')
		.select<{ id: string; name: string }[]>('id', 'name');
	const members = await db('memberships as m')
		.join('persons as p', 'p.id', 'm.person_id')
		.select<{ kitchen: string; isDemo: number }[]>({ kitchen: 'm.kitchen_id', isDemo: 'p.is_demo' });
	return kitchens
		.filter(({ id }) => {
			const of = members.filter(({ kitchen }) => kitchen === id);
			return of.length === 0 || of.some(({ isDemo }) => isDemo === 0);
		})
		.map(({ name }) => name);
}

/** Has the people of the demo leave for good: somebody has a kitchen of their own now. */
export async function endDemo(db: Database): Promise<void> {
	const people = await db('persons').where('is_demo', true).pluck<string[]>('id');
	await db('sessions').whereIn('person_id', people).whereNull('ended_at').update({ ended_at: utcNow() });
}

/** The people of the demo that still belong to a kitchen, the owner first; none beside a kitchen of somebody's own. */
export async function demoPeople(db: Database): Promise<DemoPerson[]> {
	if (await isOwnKitchenHere(db)) return [];
	const rows = await db('persons as p')
		.join('memberships as m', 'm.person_id', 'p.id')
		.join('kitchens as k', 'k.id', 'm.kitchen_id')
		.where('p.is_demo', true)
		.whereNull('k.practice_of')
		.whereNull('m.ended_at')
		.orderBy('p.id')
		.select<DemoPerson[]>({ id: 'p.id', name: 'p.name', role: 'm.role', kitchen: 'k.name' });
	return rows.toSorted((a, b) => ORDER.indexOf(a.role) - ORDER.indexOf(b.role));
}

/** The people of the demo kitchen. None has a password: they come in on this machine, by the demo's door. */
export async function addDemoPeople(db: Database, kitchenId: string, span: Span): Promise<void> {
	const people: [name: string, role: Role, span: Span | null][] = [
		['Wren', 'owner', null],
		['Pim', 'maker', null],
		['Sorrel', 'seller', null],
		['Inspector', 'inspector', span]
	];
	for (const [name, role, days] of people) {
		const personId = await makePerson(db, { name, login: null, password: null, isDemo: true });
		await join(db, kitchenId, { personId, name, role, span: days });
	}
}
