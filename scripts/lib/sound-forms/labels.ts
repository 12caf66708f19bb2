import { newId } from '../../../src/lib/server/rows.ts';
import type { Making } from './form.ts';
import type { Subjects } from './subjects.ts';

/** Forms of `/labels`. */
export function labelsForms({
	day,
	product,
	label,
	approved,
	shelfTest,
	decision
}: Subjects): Record<string, Making> {
	return {
		'/labels/[id] print': async () => {
			const { id, revision } = await approved();
			return { id, isNew: true, draft: { id: newId(), revision, batch: '', copies: '1' } };
		},
		'/labels/[id] take': async () => {
			const { id, revision } = await approved();
			return { id, isNew: true, draft: { id: newId(), revision, batch: '', copies: '1' } };
		},
		'/labels/[id] roll': async () => ({
			id: await product(),
			draft: { width: '127', height: '190', labels: '500' }
		}),
		'/labels/[id] save': async () => {
			const { id, draft } = await label();
			return { id, draft };
		},
		'/labels/[id] check': async () => ({
			id: await product(),
			isNew: true,
			draft: { id: newId(), declared: '300', lot: '20', packs: '301 302 303' }
		}),
		'/labels/[id] shelfTest': async () => ({
			id: await product(),
			isNew: true,
			draft: { id: newId(), of: 'baked', madeOn: day, keptHow: 'in a bag' }
		}),
		'/labels/[id] shelfDay': async () => {
			const id = await product();
			return {
				id,
				isNew: true,
				draft: { id: newId(), test: await shelfTest(id), day: '1', isGood: true, found: 'soft', picture: '' }
			};
		},
		'/labels/[id] decide': async () => ({ id: await product(), ...(await decision()) }),
		'/labels/[id] approve': async () => {
			const { id, version } = await label();
			return { id, draft: { version } };
		}
	};
}
