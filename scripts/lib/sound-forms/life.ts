import { createKitchen, getKitchen } from '../../../src/lib/server/kitchens.ts';
import { askJob } from '../../../src/lib/server/jobs/jobs.ts';
import { closeKitchen } from '../../../src/lib/server/life/close.ts';
import { newId, utcNow } from '../../../src/lib/server/rows.ts';
import type { Making } from './form.ts';
import type { Subjects } from './subjects.ts';

/** Forms about a kitchen as a whole, and about long work. */
export function lifeForms({ db, kitchen }: Subjects): Record<string, Making> {
	const { id: _id, version: _version, ...like } = kitchen;
	/** A kitchen to be closed, opened or deleted: what else is sent goes on in the other. */
	const another = async (isClosed: boolean) => {
		const id = await createKitchen(db, { ...like, name: 'Another' });
		if (isClosed) await closeKitchen(db, id);
		return getKitchen(db, id);
	};
	const job = async (isDone: boolean) => {
		const id = newId();
		const person = await db('memberships')
			.where({ kitchen_id: kitchen.id, name: 'Wren' })
			.whereNotNull('person_id')
			.first('person_id');
		const personId = person?.person_id ?? '';
		await askJob(db, { id, kitchenId: kitchen.id, personId, kind: 'restore', name: 'x', asked: {} });
		if (isDone)
			await db('jobs')
				.where('id', id)
				.update({
					state: 'done',
					ended_at: utcNow(),
					outcome: JSON.stringify({ kitchenId: kitchen.id })
				});
		return id;
	};
	const failedRemoval = async () => {
		const id = await job(false);
		await db('jobs')
			.where('id', id)
			.update({ kind: 'remove', state: 'failed', ended_at: utcNow(), outcome: '{}' });
		return id;
	};
	return {
		'/kitchen/data archive': async () => ({ isNew: true, draft: { id: newId(), withCustomers: true } }),
		'/kitchen/data close': async () => ({ draft: {}, kitchen: await another(false) }),
		'/kitchen/data openAgain': async () => ({ draft: {}, kitchen: await another(true) }),
		'/kitchen/data remove': async () => ({
			isNew: true,
			draft: { id: newId(), name: 'Another' },
			kitchen: await another(true)
		}),
		'/jobs/[job] stop': async () => ({ draft: {}, id: await job(false) }),
		'/jobs/[job] again': async () => ({ draft: {}, id: await failedRemoval() }),
		'/jobs/[job] open': async () => ({ fields: {}, id: await job(true) })
	};
}
