import { keyOf } from '$lib/server/edge/validated.ts';
import type { ShelfIngredient } from '$lib/shelf/ingredient.ts';
import { forgetForm } from '$lib/server/edge/ingredient.ts';
import { redirect } from '@sveltejs/kit';
import { ingredientDraft, newIngredientDraft } from '$lib/shelf/ingredient-draft.ts';
import { compositionHistory } from '$lib/server/compositions.ts';
import { attempt, orNotFound, saving, withDraft } from '$lib/server/edge/actions.ts';
import {
	ingredientForm,
	ingredientInput,
	measureForm,
	priceForm,
	type IngredientForm
} from '$lib/server/edge/ingredient.ts';
import { lotsFor, may } from '$lib/server/edge/shapes.ts';
import { addIngredient, getIngredient } from '$lib/server/ingredients.ts';
import { refuse } from '$lib/server/errors.ts';
import { today } from '$lib/server/kitchens.ts';
import { packGrams } from '$lib/server/pack-grams.ts';
import { measureInput } from '$lib/server/measure-input.ts';
import { removeMeasure, setMeasure } from '$lib/server/measures.ts';
import { pricePacks } from '$lib/server/prices.ts';
import { addPricePack, saveIngredient } from '$lib/server/shelf-keep.ts';
import { jarsForm } from '$lib/server/edge/lot.ts';
import { sellByTheJar } from '$lib/server/formulas/jar.ts';
import { makeJars } from '$lib/server/lots/make-jars.ts';
import { lotsOnHand } from '$lib/server/lots/read.ts';
import { newId } from '$lib/server/rows.ts';
import { readCoreShelf } from '$lib/server/shelf.ts';
import type { Actions, PageServerLoad } from './$types';
import { whoDid } from '$lib/server/people/deeds.ts';

/** What is not on the shelf yet: an ingredient from nothing, or a mix of one's own. */
const NEW = ['blank', 'mix'];

export const load: PageServerLoad = async ({ locals, params }) => {
	const { db, kitchen } = locals;
	const seesCosts = may(locals, 'costs');
	const others = async () =>
		(await readCoreShelf(db, kitchen, today(kitchen)))
			.filter((ingredient) => ingredient.id !== params.id)
			.map((ingredient) => (seesCosts ? ingredient : { ...ingredient, price: null }));
	const measureSet = kitchen.measureSet;
	if (NEW.includes(params.id))
		return {
			isNew: true,
			draft: newIngredientDraft(newId(), params.id === 'mix'),
			confirmedOn: null,
			packs: [],
			notedBy: {},
			measures: [],
			history: [],
			measureSet,
			portion_g: null,
			lots: [],
			others: params.id === 'mix' ? await others() : []
		};
	const ingredient = await orNotFound(getIngredient(db, kitchen.id, params.id));
	const [packs, history] = await Promise.all([
		seesCosts ? pricePacks(db, kitchen.id, ingredient.id) : [],
		compositionHistory(db, kitchen.id, ingredient.id)
	]);
	return {
		isNew: false,
		draft: ingredientDraft(ingredient),
		confirmedOn: ingredient.confirmedOn,
		packs,
		/** Who noted each price, by its id. */
		notedBy: await whoDid(
			db,
			kitchen.id,
			'price_packs',
			packs.map(({ id }) => id)
		),
		measures: ingredient.measures,
		history,
		measureSet,
		portion_g: ingredient.portion_g,
		lots: ingredient.mix
			? lotsFor(locals, await lotsOnHand(db, kitchen.id)).filter((lot) => lot.ingredientId === ingredient.id)
			: [],
		others: ingredient.mix ? await others() : []
	};
};

export const actions: Actions = {
	save: async ({ locals: { db, kitchen }, params, request }) => {
		const result = await withDraft(request, ingredientForm, async (form) => {
			if (NEW.includes(params.id)) {
				await addIngredient(db, kitchen.id, ingredientInput(form, null, today(kitchen)), form.id);
				return form.id;
			}
			const before = await getIngredient(db, kitchen.id, params.id);
			const input = ingredientInput(form, vouchedBefore(before, form), today(kitchen));
			await saveIngredient(db, kitchen.id, params.id, form.version, input);
			return null;
		});
		if (typeof result === 'string') redirect(303, `/shelf/${result}`);
		return result ?? { saved: true };
	},
	jars: saving(jarsForm, async ({ locals: { db, kitchen }, params }, form) => {
		await makeJars(db, kitchen, params.id, form);
	}),
	sell: async ({ locals: { db, kitchen }, params, request }) => {
		const key = keyOf(await request.formData());
		const result = await attempt(() => sellByTheJar(db, kitchen, params.id, key));
		if (typeof result === 'string') redirect(303, `/formulas/${result}`);
		return result;
	},
	price: saving(priceForm, async ({ locals: { db, kitchen }, params }, { id, grams, usable, ...price }) => {
		const pack = packGrams(grams, await getIngredient(db, kitchen.id, params.id), kitchen);
		if (!pack.ok) return refuse('grams', pack.message);
		await addPricePack(db, kitchen.id, params.id, { ...price, grams: pack.value, usable: usable / 100 }, id);
	}),
	measure: saving(measureForm, async ({ locals: { db, kitchen }, params }, form) => {
		await getIngredient(db, kitchen.id, params.id);
		await setMeasure(db, kitchen.id, params.id, measureInput(form));
	}),
	forget: saving(forgetForm, async ({ locals: { db, kitchen }, params }, { measure }) => {
		await removeMeasure(db, kitchen.id, params.id, measure);
	})
};

/** The day the allergens were confirmed, while nothing of what was confirmed changes. */
function vouchedBefore(
	before: Pick<ShelfIngredient, 'allergens' | 'refined' | 'mayContain' | 'evidence' | 'confirmedOn'>,
	form: Pick<IngredientForm, 'allergens' | 'refined' | 'mayContain' | 'evidence'>
): string | null {
	const same =
		JSON.stringify([before.allergens, before.refined, before.mayContain]) ===
			JSON.stringify([form.allergens, form.refined, form.mayContain]) && before.evidence === form.evidence;
	return same ? before.confirmedOn : null;
}
