import { getKitchen } from '../../../src/lib/server/kitchens.ts';
import { beginPractice } from '../../../src/lib/server/practice/begin.ts';
import { newId } from '../../../src/lib/server/rows.ts';
import type { Making } from './form.ts';
import type { Subjects } from './subjects.ts';

/** Forms of `/practice`. */
export function practiceForms({ db, kitchen }: Subjects): Record<string, Making> {
	const salt = { exercise: 'salt', seed: 11, batchId: '' };
	/** A kitchen in which an exercise is begun. */
	const begun = async () => {
		const id = newId();
		const person = await db('memberships')
			.where('kitchen_id', kitchen.id)
			.whereNotNull('person_id')
			.first('person_id');
		const who = { personId: person?.person_id ?? '', name: 'Somebody', sessionId: newId() };
		await beginPractice(db, kitchen, who, { id, ...salt });
		return getKitchen(db, id);
	};
	return {
		'/practice begin': async () => ({ draft: { id: newId(), ...salt }, isNew: true }),
		'/practice leave': async () => ({ draft: {} }),
		'/practice/finish default': async () => ({
			draft: { claims: [{ slip: 'none', subject: null }] },
			kitchen: await begun()
		})
	};
}
