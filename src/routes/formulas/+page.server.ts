import { openedHydration } from '$core/formula/mix.ts';
import { may } from '$lib/server/edge/shapes.ts';
import { mixParts } from '$lib/server/mixes.ts';
import { attempt } from '$lib/server/edge/actions.ts';
import { keyOf } from '$lib/server/edge/validated.ts';
import { redirect } from '@sveltejs/kit';
import { newFormulaDraft } from '$lib/formula/draft.ts';
import { partsOfFormula, planFacts } from '$lib/formula/recipe.ts';
import { cookLossHistory } from '$lib/server/batches/history.ts';
import { countRecorded, recentTelling } from '$lib/server/batches/standing.ts';
import { startFormula } from '$lib/server/formulas/drafts.ts';
import { listFormulas } from '$lib/server/formulas/read.ts';
import { today } from '$lib/server/kitchens.ts';
import { readCoreShelf } from '$lib/server/shelf.ts';
import { knownPage } from '$lib/server/page.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals, url }) =>
	knownPage(locals, `formulas ${url.searchParams.has('away') ? 'away' : ''}`, async () => {
		const { db, kitchen } = locals;
		const archived = url.searchParams.has('away');
		const [formulas, batches, recorded, ingredients] = await Promise.all([
			listFormulas(db, kitchen.id),
			recentTelling(db, kitchen),
			countRecorded(db, kitchen),
			readCoreShelf(db, kitchen, today(kitchen))
		]);
		const history = cookLossHistory(batches);
		const mixes = await mixParts(db, kitchen.id, new Map(ingredients.map((each) => [each.id, each])));
		return {
			archived,
			away: formulas.filter((formula) => formula.archived).length,
			formulas: formulas
				.filter((formula) => formula.archived === archived)
				.map((formula) => {
					const product = formula.products[0];
					const outcome =
						product && formula.number > 0
							? planFacts(
									partsOfFormula(kitchen, formula, product, ingredients),
									history.get(formula.id) ?? null
								)
							: null;
					const facts = outcome?.ok ? outcome.value : null;
					return {
						id: formula.id,
						name: formula.name,
						number: formula.number,
						hasDraft: formula.draft !== null,
						packPieces: product?.packPieces ?? null,
						pieceMany: product?.pieceMany ?? '',
						batches: recorded.get(formula.id) ?? 0,
						hydration: facts ? openedHydration(formula.lines, ingredients, mixes) : null,
						ballWeight_g: facts?.yield.ballWeight_g ?? null,
						finishedWeight_g: facts?.yield.finishedWeight_g ?? null,
						contains: facts?.allergens.contains ?? [],
						unconfirmed: facts?.allergens.unconfirmed.length ?? 0,
						perPack: may(locals, 'costs') ? (facts?.cost.perPack ?? null) : null,
						price: product?.price ?? null
					};
				})
		};
	});

export const actions: Actions = {
	new: async ({ locals: { db, kitchen }, request }) => {
		const key = keyOf(await request.formData());
		const id = await attempt(() => startFormula(db, kitchen.id, newFormulaDraft, 'New formula', key));
		if (typeof id === 'string') redirect(303, `/formulas/${id}`);
		return id;
	}
};
