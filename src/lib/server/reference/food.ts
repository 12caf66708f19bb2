import { cut } from '$core/measure/text.ts';
import { readFoodData } from '$core/composition/food-data.ts';
import { compositionProblems } from '$core/composition/checks.ts';
import { measuresInSet } from '$core/measure/convert.ts';
import type { Kind } from '$core/composition/kinds.ts';
import type { Database } from '../db/connection.ts';
import { inTransaction } from '../db/transaction.ts';
import { Refused } from '../errors.ts';
import { freeName } from '../formulas/drafts.ts';
import { addIngredient, listIngredients } from '../ingredients.ts';
import type { Kitchen } from '../../kitchen/types.ts';
import { setMeasures } from '../measures.ts';

/**
 * Puts one food of the public US food composition database on the shelf, from the JSON it exports; the
 * ingredient's id. Its allergens are not in that JSON, so they wait to be confirmed. Throws `Refused`.
 */
export async function shelveFood(
	db: Database,
	kitchen: Kitchen,
	document: unknown,
	kind: Kind
): Promise<string> {
	const food = readFoodData(document);
	if (!food.ok) throw new Refused(food.problems);
	const { name, number, dataType, per100g, measures, ingredientText } = food.value;
	const problems = compositionProblems(per100g);
	if (problems.length > 0) throw new Refused(problems.map(({ message }) => ({ path: '', message })));
	const names = (await listIngredients(db, kitchen.id)).map((ingredient) => ingredient.name);
	return inTransaction(db, async (transaction) => {
		const id = await addIngredient(transaction, kitchen.id, {
			name: freeName(cut(name, 150), names),
			kind,
			labelUs: '',
			labelEu: '',
			parts: [],
			allergens: [],
			confirmedOn: null,
			evidence: '',
			per100g,
			source: 'reference',
			sourceNote: cut(
				['public US food composition database', dataType, number, ingredientText && 'branded']
					.filter(Boolean)
					.join(', '),
				200
			)
		});
		await setMeasures(
			transaction,
			kitchen.id,
			id,
			measuresInSet(measures, 'us', kitchen.measureSet),
			'reference'
		);
		return id;
	});
}
