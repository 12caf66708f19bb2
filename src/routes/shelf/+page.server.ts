import { rulesOf } from '$core/rules/index.ts';
import { completeness } from '$core/rules/completeness.ts';
import { pricePerUsableGram } from '$core/cost/cost.ts';
import { may } from '$lib/server/edge/shapes.ts';
import { listIngredients } from '$lib/server/ingredients.ts';
import { today } from '$lib/server/kitchens.ts';
import { pricePacks } from '$lib/server/prices.ts';
import { coreShelf } from '$lib/server/shelf.ts';
import { knownPage } from '$lib/server/page.ts';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals }) =>
	knownPage(locals, 'shelf', async () => {
		const { db, kitchen } = locals;
		const [ingredients, packs] = await Promise.all([
			listIngredients(db, kitchen.id),
			may(locals, 'costs') ? pricePacks(db, kitchen.id) : []
		]);
		const shelf = coreShelf(ingredients, packs, today(kitchen), kitchen.rules);
		const rules = rulesOf(kitchen.rules);
		return {
			ingredients: ingredients.map((ingredient) => {
				const core = shelf.get(ingredient.id);
				return {
					id: ingredient.id,
					name: ingredient.name,
					kind: ingredient.kind,
					isMix: ingredient.mix !== null,
					/** Null while they wait for somebody to confirm them. */
					allergens: core?.allergens ?? null,
					source: ingredient.composition.source,
					sourceNote: ingredient.composition.sourceNote,
					complete: completeness(core?.per100g ?? ingredient.composition.per100g, rules),
					pricePerKg: core?.price ? pricePerUsableGram(core.price).times(1000).toFixed(2) : null
				};
			})
		};
	});
