import { keyOf } from '$lib/server/edge/validated.ts';
import { discardForm, rememberForm, shelveForm } from '$lib/server/edge/formula.ts';
import { redirect } from '@sveltejs/kit';
import { formulaDraft, keptDraft } from '$lib/formula/kept-draft.ts';
import { sourcesOf } from '$lib/shelf/sources.ts';
import { familyLosses } from '$lib/server/batches/family-losses.ts';
import { byFeelOf, cookLossHistory, hydrationHistory } from '$lib/server/batches/history.ts';
import { tellingOf } from '$lib/server/batches/standing.ts';
import { attempt, orNotFound, saving, withDraft } from '$lib/server/edge/actions.ts';
import { formulaForm, formulaInput } from '$lib/server/edge/formula.ts';
import { allFamilies } from '$lib/server/families.ts';
import { discardDraft } from '$lib/server/formulas/drafts.ts';
import { formulaDraftFor, may } from '$lib/server/edge/shapes.ts';
import { duplicateFormula, keepFormula, setArchived } from '$lib/server/formulas/keep.ts';
import { getFormula, listVersions } from '$lib/server/formulas/read.ts';
import { listIngredients } from '$lib/server/ingredients.ts';
import { today } from '$lib/server/kitchens.ts';
import { toMeasures } from '$lib/server/measures.ts';
import { forgetSaid, rememberedNames, rememberName } from '$lib/server/names.ts';
import { ownMeasures } from '$lib/server/own-measures.ts';
import { pricePacks } from '$lib/server/prices.ts';
import { referenceRows } from '$lib/server/reference/read.ts';
import { shelveReference } from '$lib/server/reference/shelve.ts';
import { coreShelf } from '$lib/server/shelf.ts';
import { knownPage } from '$lib/server/page.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals, params }) =>
	knownPage(locals, `formula ${params.id}`, async () => {
		const { db, kitchen } = locals;
		const formula = await orNotFound(getFormula(db, kitchen.id, params.id));
		const [shelf, packs, remembered, own, families, versions, batches] = await Promise.all([
			listIngredients(db, kitchen.id),
			may(locals, 'costs') ? pricePacks(db, kitchen.id) : [],
			rememberedNames(db, kitchen.id),
			ownMeasures(db, kitchen.id),
			allFamilies(db, kitchen.id),
			listVersions(db, kitchen.id, formula.id),
			tellingOf(db, kitchen, formula.id)
		]);
		return {
			draft: formulaDraftFor(locals, formulaDraft(formula)),
			/** The version kept last as a draft, for telling what was changed since. */
			kept: formula.number === 0 ? null : formulaDraftFor(locals, keptDraft(formula)),
			number: formula.number,
			archived: formula.archived,
			versions: versions.map(({ number, keptAt, batches, reason }) => ({ number, keptAt, batches, reason })),
			families,
			cookLoss: cookLossHistory(batches).get(formula.id) ?? null,
			/** Mean cook loss of this kitchen's own breads, by family. */
			familyLoss: await familyLosses(db, kitchen),
			/** What the batches that tell it took of lines by feel. */
			byFeel: byFeelOf(batches),
			/** Range of the hydration really used in the last batches. */
			hydration: hydrationHistory(batches),
			ingredients: [...coreShelf(shelf, packs, today(kitchen), kitchen.rules).values()],
			/** What the mixes of the kitchen's own are made of, by their ids. */
			mixes: Object.fromEntries(shelf.flatMap(({ id, mix }) => (mix ? [[id, mix]] : []))),
			ownMeasures: own,
			named: shelf.map(({ id, name, kind, referenceId, measures, portion_g }) => ({
				id,
				name,
				kind,
				referenceId,
				measures: {
					...toMeasures(measures),
					...(portion_g === null ? {} : { jar: { grams: portion_g, low: portion_g, high: portion_g } })
				}
			})),
			sources: sourcesOf(shelf.map((ingredient) => ingredient.composition)),
			remembered: [...remembered],
			/** What the shipped rows are called, for offering them where the shelf has nothing. */
			references: [...referenceRows().values()].map(({ id, name }): [string, string] => [id, name]),
			measureSet: kitchen.measureSet,
			scaleDivision_g: kitchen.scaleDivision_g
		};
	});

export const actions: Actions = {
	keep: saving(formulaForm, async ({ locals: { db, kitchen }, params }, form) => {
		await keepFormula(db, kitchen.id, params.id, form.version, formulaInput(form));
	}),
	discard: saving(discardForm, async ({ locals: { db, kitchen }, params }, { version }) => {
		await discardDraft(db, kitchen.id, params.id, version);
	}),
	remember: saving(rememberForm, async ({ locals: { db, kitchen } }, { said, ingredient }) => {
		await (ingredient === ''
			? forgetSaid(db, kitchen.id, said)
			: rememberName(db, kitchen.id, said, ingredient));
	}),
	shelve: async ({ locals: { db, kitchen }, request }) =>
		withDraft(request, shelveForm, async ({ references }) => {
			const ingredients: string[] = [];
			for (const reference of references) ingredients.push(await shelveReference(db, kitchen, reference));
			return { ingredients };
		}),
	duplicate: async ({ locals: { db, kitchen }, params, request }) => {
		const key = keyOf(await request.formData());
		const result = await attempt(() => duplicateFormula(db, kitchen.id, params.id, key));
		if (typeof result === 'string') redirect(303, `/formulas/${result}`);
		return result;
	},
	archive: async ({ locals: { db, kitchen }, params, request }) => {
		const archived = (await request.formData()).get('archived') === 'true';
		await setArchived(db, kitchen.id, params.id, archived);
		if (archived) redirect(303, '/formulas');
		return { saved: true };
	}
};
