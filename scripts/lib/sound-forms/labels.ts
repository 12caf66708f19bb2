import { NUTRIENTS } from '../../../core/composition/nutrients.ts';
import { newId } from '../../../src/lib/server/rows.ts';
import type { Making } from './form.ts';
import type { Subjects } from './subjects.ts';

/** Every nutrient, and nothing said of it. */
const ofNutrients = () => Object.fromEntries(NUTRIENTS.map((nutrient) => [nutrient, '']));

/** Forms of `/labels`, and of how sure they are. */
export function labelsForms({
	day,
	product,
	label,
	approved,
	shelfTest,
	report,
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
		'/labels/[id] many': async () => {
			const { id, revision } = await approved();
			const draft = { id: newId(), revision, batch: '', copies: '300', on: 'roll', start: '1' };
			return { id, isNew: true, draft };
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
		'/sure/[of]/[id] report': async () => ({
			id: await product(),
			isNew: true,
			draft: {
				id: newId(),
				laboratory: 'Bench analytics',
				reportedOn: day,
				note: 'packs of the day',
				found: { ...ofNutrients(), sodium_mg: '412' },
				uncertainty: { ...ofNutrients(), sodium_mg: '30' }
			}
		}),
		'/sure/[of]/[id] withdraw': async () => {
			const id = await product();
			return { id, draft: { id: await report(id) } };
		},
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
