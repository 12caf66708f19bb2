import type { Cost } from '$core/cost/cost.ts';
import type { Facts } from '$core/facts.ts';
import type { Recipe } from '$core/formula/types.ts';
import type { Batch } from '../../batch/types.ts';
import type { FormulaDraft } from '../../formula/draft.ts';
import { labelState, type Label, type SeenLabel } from '../../label/types.ts';
import type { Right } from '../../people/roles.ts';
import type { KeptPlan } from '../../plan/types.ts';
import type { Lot } from '../../shelf/lots.ts';
import { Stale } from '../errors.ts';
import type { News } from '../feed/tell.ts';

/**
 * What somebody is given goes by what they may: what they may not see is not in it, whatever the page would show. One
 * function a shape; a test looks for planted prices, names and grams in everything each role can ask for.
 */

/** Whether who asks may something. */
export const may = ({ who }: Pick<App.Locals, 'who'>, right: Right): boolean =>
	who?.rights.includes(right) ?? false;

/** Who asks may see. */
type Asks = Pick<App.Locals, 'who'>;

const NO_COST: Cost = { batch: null, perPiece: null, perPack: null, unpriced: [] };

/** A recipe, without prices and what materials cost for who may not see costs. */
export function recipeFor(locals: Asks, recipe: Recipe): Recipe {
	if (may(locals, 'costs')) return recipe;
	return {
		...recipe,
		ingredients: recipe.ingredients.map((ingredient) => ({ ...ingredient, price: null })),
		product: { ...recipe.product, materials: [] }
	};
}

/** Facts, without what it costs for who may not see that. */
export const factsFor = <F extends Facts | null>(locals: Asks, facts: F): F =>
	facts === null || may(locals, 'costs') ? facts : { ...facts, cost: NO_COST };

/** A batch and its closings, without costs for who may not see them. */
export function batchFor(locals: Asks, batch: Batch): Batch {
	if (may(locals, 'costs')) return batch;
	return {
		...batch,
		recipe: recipeFor(locals, batch.recipe),
		facts: factsFor(locals, batch.facts),
		closed: batch.closed.map((closing) => ({
			...closing,
			recipe: recipeFor(locals, closing.recipe),
			facts: factsFor(locals, closing.facts)
		}))
	};
}

/** A lot, without what was paid for it for who may not see that. */
export const lotFor = <L extends Pick<Lot, 'amount'>>(locals: Asks, lot: L): L =>
	may(locals, 'costs') ? lot : { ...lot, amount: null };

/** Lots, each as `lotFor` gives it. */
export const lotsFor = <L extends Pick<Lot, 'amount'>>(locals: Asks, lots: readonly L[]): L[] =>
	lots.map((lot) => lotFor(locals, lot));

/** A formula's draft, without what materials cost for who may not see that. */
export function formulaDraftFor(locals: Asks, draft: FormulaDraft): FormulaDraft {
	if (may(locals, 'costs')) return draft;
	return { ...draft, product: { ...draft.product, materials: [] } };
}

/** A label; for who may see no formula what is printed, and nothing it is worked out from. One of the two is null. */
export function labelFor(
	locals: Asks,
	label: Label
): { label: Label; seen: null } | { label: null; seen: SeenLabel } {
	if (may(locals, 'formula'))
		return {
			label: {
				...label,
				product: may(locals, 'costs') ? label.product : { ...label.product, materials: [] },
				plainRecipe: recipeFor(locals, label.plainRecipe),
				facts: factsFor(locals, label.facts)
			},
			seen: null
		};
	const { id, name, packPieces, pieceMany } = label.product;
	const seen = {
		product: { id, name, packPieces, pieceMany },
		rules: label.plainRecipe.rules,
		state: labelState(label),
		changes: label.changes,
		revisions: label.revisions
	};
	return { label: null, seen };
}

/** A plan that was taken, without what its day was expected to bring for who may not see costs. */
export const planFor = (locals: Asks, plan: KeptPlan): KeptPlan =>
	may(locals, 'costs') || !plan.taken
		? plan
		: { ...plan, taken: { ...plan.taken, basis: withoutMoney(plan.taken.basis) } };

/** What a day is planned from, without what is earned by it. */
export const withoutMoney = <B extends { products: readonly { money: unknown }[] }>(basis: B): B => ({
	...basis,
	products: basis.products.map((product) => ({ ...product, money: null }))
});

/** What somebody else saved meanwhile is shown in the shape the asker's rights allow, as everything else is. */
export async function staleFor<T, R>(shape: (current: T) => T, act: () => Promise<R>): Promise<R> {
	try {
		return await act();
	} catch (problem) {
		if (problem instanceof Stale) throw new Stale(shape(problem.current as T));
		throw problem;
	}
}

/** What is heard of a batch; for who may see no formula that something of it changed, and not what. */
export const newsFor = (locals: Asks, news: News): News =>
	may(locals, 'formula') ? news : { ...news, entries: [] };
