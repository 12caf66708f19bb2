import { redirect } from '@sveltejs/kit';
import { asTaken, isFelt } from '$core/formula/by-feel.ts';
import { choicesOf } from '$core/formula/process.ts';
import { isDough } from '$core/formula/types.ts';
import { uptakeOf_g } from '$core/formula/surface.ts';
import { createBatch } from '$lib/server/batches/create.ts';
import { byFeelOf, usualYield } from '$lib/server/batches/history.ts';
import { recentSummaries } from '$lib/server/batches/standing.ts';
import { groupBy, newId } from '$lib/server/rows.ts';
import { planForm } from '$lib/server/edge/batch.ts';
import { withDraft } from '$lib/server/edge/actions.ts';
import { listFormulas } from '$lib/server/formulas/read.ts';
import { listIngredients } from '$lib/server/ingredients.ts';
import { today } from '$lib/server/kitchens.ts';
import type { BatchSummary } from '$lib/batch/summary.ts';
import type { Formula } from '$lib/formula/types.ts';
import type { Actions, PageServerLoad } from './$types';

/** A formula's lines, those by feel as its batches took them. */
const taken = (formula: Formula, batches: readonly BatchSummary[]) =>
	asTaken(formula.lines, byFeelOf(batches)).lines;

export const load: PageServerLoad = async ({ locals: { db, kitchen }, url }) => {
	const [formulas, batches, ingredients] = await Promise.all([
		listFormulas(db, kitchen.id),
		recentSummaries(db, kitchen),
		listIngredients(db, kitchen.id)
	]);
	const names = new Map(ingredients.map((ingredient) => [ingredient.id, ingredient.name]));
	const made = formulas.filter((formula) => formula.number > 0 && !formula.archived);
	const byFormula = groupBy(batches, (batch) => batch.formulaId);
	const products = made.flatMap((formula) =>
		formula.products.map((product) => ({
			id: product.id,
			name: product.name,
			number: formula.number,
			mixGap: formula.mixGap,
			cooking: choicesOf(formula.choices).cooking,
			/** What of the dough reaches the packs here; null without squared batches. */
			usualYield: usualYield(byFormula.get(formula.id) ?? []),
			packPieces: product.packPieces,
			pieceMany: product.pieceMany,
			ballWeight_g: product.ballWeight_g,
			lines: taken(formula, byFormula.get(formula.id) ?? []).map((line) => ({
				name: names.get(line.ingredient) ?? '',
				felt: isFelt(line),
				use: line.use,
				stage: line.stage,
				used_g: line.used_g,
				uptake_g: isDough(line) ? null : uptakeOf_g(line)
			}))
		}))
	);
	const asked = url.searchParams.get('product');
	const packs = url.searchParams.get('packs');
	const chosen = products.find((product) => product.id === asked) ?? products[0];
	return {
		products,
		scaleDivision_g: kitchen.scaleDivision_g,
		draft: {
			id: newId(),
			productId: chosen?.id ?? '',
			madeOn: today(kitchen),
			factor: packs ?? url.searchParams.get('factor') ?? '1',
			cooking: ''
		},
		/** Whether the amount asked for is packs. */
		asPacks: packs !== null
	};
};

export const actions: Actions = {
	default: async ({ locals: { db, kitchen }, request }) => {
		const result = await withDraft(request, planForm, (form) => createBatch(db, kitchen, form.id, form));
		if (typeof result === 'string') redirect(303, `/batches/${result}/weigh`);
		return result;
	}
};
