import { listSummaries } from '$lib/server/batches/standing.ts';
import { trendsOf } from '$lib/server/batches/trends.ts';
import { orNotFound } from '$lib/server/edge/actions.ts';
import { listEquipment } from '$lib/server/equipment.ts';
import { getFormula } from '$lib/server/formulas/read.ts';
import type { PageServerLoad } from './$types';

/** So many batches are drawn: more dots than these nobody tells apart. */
const SHOWN = 70;

/** How a formula's batches went, and what was otherwise when a figure moved. */
export const load: PageServerLoad = async ({ locals: { db, kitchen }, params }) => {
	const formula = await orNotFound(getFormula(db, kitchen.id, params.id));
	const [batches, equipment] = await Promise.all([
		listSummaries(db, kitchen, { formulaId: formula.id, newest: SHOWN }),
		listEquipment(db, kitchen.id)
	]);
	const names = new Map(equipment.map(({ id, name }) => [id, name]));
	return {
		formula: { id: formula.id, name: formula.name },
		trends: trendsOf(batches, (id) => names.get(id) ?? 'other equipment')
	};
};
