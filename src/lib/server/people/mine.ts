import type { Database } from '../db/connection.ts';
import { NotFound } from '../errors.ts';
import { listPasskeys } from './passkeys.ts';

/** Everything that is kept of a person, in a form other programs read; no secret is in it. */
export async function whatIsMine(db: Database, personId: string): Promise<object> {
	const person = await db('persons').where('id', personId).first('name', 'login', 'created_at');
	if (!person) throw new NotFound('this person is not here');
	const [memberships, sessions, deeds, practised] = await Promise.all([
		db('memberships as m')
			.join('kitchens as k', 'k.id', 'm.kitchen_id')
			.where('m.person_id', personId)
			.whereNull('k.practice_of')
			.orderBy('m.id')
			.select({ kitchen: 'k.name', role: 'm.role', since: 'm.created_at', ended: 'm.ended_at' }),
		db('sessions as s')
			.leftJoin('devices as d', 'd.id', 's.device_id')
			.where('s.person_id', personId)
			.orderBy('s.id')
			.select({ cameBy: 's.came_by', from: 's.created_at', lastUsed: 's.used_at', device: 'd.name' }),
		db('deeds as e')
			.join('memberships as m', 'm.id', 'e.membership_id')
			.join('kitchens as k', 'k.id', 'e.kitchen_id')
			.where('m.person_id', personId)
			.orderBy('e.id')
			.select({ at: 'e.done_at', kitchen: 'k.name', what: 'e.what', of: 'e.of_what' }),
		db('practice_tries')
			.where('person_id', personId)
			.orderBy('id')
			.select({ exercise: 'exercise', begun: 'begun_at', finished: 'finished_at' })
	]);
	return {
		squareBatchPerson: 1,
		...person,
		memberships,
		passkeys: (await listPasskeys(db, personId)).map(({ name, createdAt }) => ({ name, createdAt })),
		sessions,
		deeds,
		practised
	};
}
