import { sourceKey } from '../../../core/allergens/contact.ts';
import { batchDraft } from '../../../src/lib/batch/draft.ts';
import { getBatch } from '../../../src/lib/server/batches/read.ts';
import { contactOfBatch } from '../../../src/lib/server/contact/read.ts';
import { recordCleans } from '../../../src/lib/server/contact/cleans.ts';
import { newId } from '../../../src/lib/server/rows.ts';
import type { Making } from './form.ts';
import type { Subjects } from './subjects.ts';

/** Forms of `/batches`. */
export function batchesForms({
	day,
	of,
	fresh,
	product,
	equipment,
	plan,
	record,
	whole,
	db,
	kitchen
}: Subjects): Record<string, Making> {
	return {
		'/batches/new default': async () => ({
			isNew: true,
			draft: { id: newId(), productId: await product(), madeOn: day, factor: '1' }
		}),
		'/batches/[id] record': whole,
		'/batches/[id] close': async () => {
			const { id, draft } = await whole();
			await record(id, draft);
			const { version } = await getBatch(db, kitchen, id);
			return { id, draft: { version, reason: 'a trial' } };
		},
		'/batches/[id] correct': async () => {
			const row = await db('batches').where(of).whereNotNull('closed_at').orderBy('id', 'desc').first('id');
			const batch = await getBatch(db, kitchen, String(row?.id));
			return {
				id: batch.id,
				draft: { ...batchDraft(batch), note: fresh('seen again'), reason: 'seen again' }
			};
		},
		'/batches/[id] minutes': async () => ({ id: await plan(), draft: { heat: '40', hands: '90' } }),
		'/batches/[id] clean': async () => ({
			id: await plan(),
			isNew: true,
			draft: { id: newId(), equipment: [await equipment()], cleanedOn: day, at: '09:30', how: 'washed' }
		}),
		'/batches/[id] voidClean': async () => {
			const id = newId();
			await recordCleans(db, kitchen.id, id, {
				equipment: [await equipment()],
				cleanedOn: day,
				at: '09:30',
				how: 'washed'
			});
			return { id: await plan(), draft: { id, reason: 'was not done' } };
		},
		'/batches/[id] decide': async () => {
			for (const { id } of await db('batches').where(of).orderBy('id').select('id')) {
				const { open, declined } = await contactOfBatch(db, kitchen, await getBatch(db, kitchen, id));
				const [found] = [...open, ...declined];
				if (!found) continue;
				const source = sourceKey(found.source);
				return {
					id,
					draft: { allergen: found.allergen, answer: 'declined', source, reason: fresh('washed') }
				};
			}
			throw new Error('nothing came along with any batch');
		}
	};
}
