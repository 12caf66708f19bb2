import { mean } from '$core/measure/round.ts';
import type { Kitchen } from '../../kitchen/types.ts';
import type { Database } from '../db/connection.ts';
import { listFormulas } from '../formulas/read.ts';
import { groupBy } from '../rows.ts';
import { cookLossHistory } from './history.ts';
import { recentTelling } from './standing.ts';

/** Mean cook loss of a kitchen's own formulas, by their family; a formula without weighed batches says nothing. */
export async function familyLosses(
	db: Database,
	kitchen: Pick<Kitchen, 'id'>
): Promise<[family: string, loss: number][]> {
	const [formulas, batches] = await Promise.all([listFormulas(db, kitchen.id), recentTelling(db, kitchen)]);
	const history = cookLossHistory(batches);
	const byFamily = groupBy(
		formulas.filter(({ family }) => family !== ''),
		({ family }) => family
	);
	return [...byFamily].flatMap(([family, of]): [string, number][] => {
		const loss = mean(of.flatMap(({ id }) => history.get(id) ?? []));
		return loss === null ? [] : [[family, loss]];
	});
}
