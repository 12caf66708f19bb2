import { assembleDay } from '$core/planning/assemble.ts';
import { sumOf } from '$core/measure/round.ts';
import { dayWishOf } from '../../plan/day-wish.ts';
import { missingOf, type Needed, type ToBuy } from '../../plan/shopping.ts';
import type { Kitchen } from '../../kitchen/types.ts';
import type { KeptPlan, PlanBasis, TakenTask } from '../../plan/types.ts';
import { recentTelling } from '../batches/standing.ts';
import type { Database } from '../db/connection.ts';
import { listFormulas } from '../formulas/read.ts';
import { listIngredients } from '../ingredients.ts';
import { lotKey, materialOf } from '../lots/draw.ts';
import { stockItems } from '../lots/outlook.ts';
import { lotsOnHand } from '../lots/read.ts';
import { pricePacks } from '../prices.ts';
import { groupBy } from '../rows.ts';
import { doughOf } from './dough.ts';

/**
 * What the batches of a plan need that are not begun yet, against what is there and no other batch needs, by name. Of a
 * plan that was taken as it was taken; else as it is wished.
 */
export async function shoppingOf(
	db: Database,
	kitchen: Kitchen,
	basis: PlanBasis,
	plan: KeptPlan
): Promise<ToBuy[]> {
	const of = plan.taken ?? { basis, wish: plan.wish, tasks: [] as TakenTask[] };
	const { makes } = assembleDay(dayWishOf(of.basis, of.wish, kitchen.timeZone));
	const [formulas, recent, ingredients, lots, prices] = await Promise.all([
		listFormulas(db, kitchen.id),
		recentTelling(db, kitchen),
		listIngredients(db, kitchen.id),
		lotsOnHand(db, kitchen.id),
		pricePacks(db, kitchen.id)
	]);
	const stock = new Map((await stockItems(db, kitchen.id, lots)).map((item) => [item.key, item]));
	const needs = new Map<string, Needed[]>();
	const need = (key: string, at_min: number, amount: number) => {
		if (amount > 0) needs.set(key, [...(needs.get(key) ?? []), { at_min, amount }]);
	};
	for (const make of makes) {
		// What is begun is a batch: its needs are among those of the batches.
		if (plan.batches[make.id]) continue;
		const dough = doughOf(make, formulas, recent);
		if (!dough) continue;
		const { product, lines, factor } = dough;
		const at_min = of.tasks.find(({ key }) => key.startsWith(`${make.id} `))?.start_min ?? 0;
		for (const [ingredient, all] of groupBy(lines, (line) => line.ingredient))
			need(ingredient, at_min, factor * sumOf(all, ({ used_g }) => used_g));
		for (const { name } of product.materials) need(lotKey(null, name), at_min, make.packs);
	}
	const names = new Map(ingredients.map(({ id, name }) => [id, name]));
	return [...needs]
		.map(([key, all]): ToBuy => {
			const item = stock.get(key);
			const ingredientId = names.has(key) ? key : null;
			const free = item ? Math.max(0, item.onHand - item.planned) : null;
			const supplier =
				lots.findLast((lot) => lotKey(lot.ingredientId, lot.name) === key && lot.supplier !== '')?.supplier ??
				prices.find((price) => price.ingredientId === key && price.supplier !== '')?.supplier ??
				'';
			return {
				key,
				ingredientId,
				name: names.get(key) ?? materialOf(key),
				unit: ingredientId === null ? 'pieces' : 'g',
				free,
				supplier,
				...missingOf(free, all)
			};
		})
		.filter(({ name }) => name !== '')
		.sort((a, b) => a.supplier.localeCompare(b.supplier) || a.name.localeCompare(b.name));
}
