import { withDraft } from '$lib/server/edge/actions.ts';
import { lotForm } from '$lib/server/edge/lot.ts';
import { lotsFor } from '$lib/server/edge/shapes.ts';
import { listIngredients } from '$lib/server/ingredients.ts';
import { today } from '$lib/server/kitchens.ts';
import { stockItems } from '$lib/server/lots/outlook.ts';
import { lotsOnHand, usedUpLots } from '$lib/server/lots/read.ts';
import { receiveLot } from '$lib/server/lots/receive.ts';
import { materialNames } from '$lib/server/products.ts';
import { newId } from '$lib/server/rows.ts';
import type { Actions, PageServerLoad } from './$types';

const USED_UP_SHOWN = 20;

export const load: PageServerLoad = async ({ locals, url }) => {
	const { db, kitchen } = locals;
	const [kept, gone, ingredients, materials] = await Promise.all([
		lotsOnHand(db, kitchen.id),
		usedUpLots(db, kitchen.id, USED_UP_SHOWN),
		listIngredients(db, kitchen.id),
		materialNames(db, kitchen.id)
	]);
	const [lots, usedUp] = [lotsFor(locals, kept), lotsFor(locals, gone)];
	const asked = ingredients.find(({ id }) => id === url.searchParams.get('of'));
	// What a shopping list says is received without typing it again.
	const said = (name: string) => url.searchParams.get(name) ?? '';
	const day = today(kitchen);
	return {
		items: await stockItems(db, kitchen.id, lots),
		usedUp,
		ingredients: ingredients
			.flatMap(({ id, name, mix }) => (mix ? [] : [{ id, name }]))
			.sort((a, b) => a.name.localeCompare(b.name)),
		materials,
		suppliers: [...new Set([...lots, ...usedUp].flatMap((lot) => lot.supplier || []))].sort(),
		today: day,
		draft: {
			id: newId(),
			ingredientId: asked?.id ?? '',
			material: materials.includes(said('material')) ? said('material') : '',
			supplier: said('supplier'),
			supplierCode: '',
			receivedOn: day,
			received: said('received'),
			amount: '',
			usable: '100',
			bestBefore: '',
			note: ''
		}
	};
};

export const actions: Actions = {
	receive: async ({ locals: { db, kitchen }, request }) =>
		withDraft(request, lotForm, async ({ id, usable, ...lot }) => ({
			saved: true,
			code: await receiveLot(db, kitchen, id, { ...lot, usable: usable / 100 })
		}))
};
