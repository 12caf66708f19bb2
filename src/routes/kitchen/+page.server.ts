import {
	settingsForm,
	familyForm,
	windowsOf,
	nameForm,
	idForm,
	ownMeasureForm,
	ownMeasureNameForm,
	equipmentForm,
	riskForm
} from '$lib/server/edge/kitchen.ts';
import { addEquipment, listEquipment, retireEquipment } from '$lib/server/equipment.ts';
import { addRisk, endRisk, standingRisks } from '$lib/server/contact/risks.ts';
import { isOf } from '$lib/server/db/acting.ts';
import { saving } from '$lib/server/edge/actions.ts';
import { getProfile } from '$lib/server/profiles.ts';
import { addFamily, ownFamilies, removeFamily } from '$lib/server/families.ts';
import { listIngredients } from '$lib/server/ingredients.ts';
import { saveKitchen } from '$lib/server/kitchen-settings.ts';
import { forgetName, rememberedNames } from '$lib/server/names.ts';
import { ownMeasures, removeOwnMeasure, setOwnMeasure } from '$lib/server/own-measures.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals: { db, kitchen } }) => {
	const [{ profile }, equipment, risks, families, names, own, ingredients] = await Promise.all([
		getProfile(db, kitchen.id),
		listEquipment(db, kitchen.id),
		standingRisks(db, kitchen.id),
		ownFamilies(db, kitchen.id),
		rememberedNames(db, kitchen.id),
		ownMeasures(db, kitchen.id),
		listIngredients(db, kitchen.id)
	]);
	const nameOf = new Map(ingredients.map((ingredient) => [ingredient.id, ingredient.name]));
	return {
		settings: {
			version: kitchen.version,
			name: kitchen.name,
			town: kitchen.town,
			address: kitchen.address,
			rules: kitchen.rules,
			measureSet: kitchen.measureSet,
			scaleDivision: String(kitchen.scaleDivision_g),
			locale: kitchen.locale as string,
			weekStarts: String(kitchen.weekStarts),
			sellsShort: kitchen.sellsShort
		},
		equipment: equipment.filter((each) => !each.retired),
		risks,
		profile: profile?.name ?? null,
		families,
		ownMeasures: own,
		remembered: [...names].map(([name, ingredient]) => ({ name, ingredient: nameOf.get(ingredient) ?? '' }))
	};
};

export const actions: Actions = {
	settings: saving(settingsForm, async ({ locals: { db, kitchen } }, { version, scaleDivision, ...form }) => {
		await saveKitchen(db, kitchen.id, version, { ...form, scaleDivision_g: scaleDivision });
	}),
	family: saving(familyForm, async ({ locals: { db, kitchen } }, { name, windows }) => {
		await addFamily(db, kitchen.id, { name, windows: windowsOf(windows) });
	}),
	removeFamily: saving(idForm('a family'), async ({ locals: { db, kitchen } }, form) => {
		const families = await ownFamilies(db, kitchen.id);
		isOf(families.find(({ id }) => id === form.id)?.name ?? '');
		await removeFamily(db, kitchen.id, form.id);
	}),
	equipment: saving(equipmentForm, async ({ locals: { db, kitchen } }, { id, name, tare }) => {
		await addEquipment(db, kitchen.id, name, tare, id);
	}),
	retire: saving(idForm('a piece of equipment'), async ({ locals: { db, kitchen } }, form) => {
		const equipment = await listEquipment(db, kitchen.id);
		isOf(equipment.find(({ id }) => id === form.id)?.name ?? '');
		await retireEquipment(db, kitchen.id, form.id);
	}),
	risk: saving(riskForm, async ({ locals: { db, kitchen } }, { id, ...risk }) => {
		await addRisk(db, kitchen.id, risk, id);
	}),
	endRisk: saving(idForm('a risk'), async ({ locals: { db, kitchen } }, form) => {
		const risks = await standingRisks(db, kitchen.id);
		isOf(risks.find(({ id }) => id === form.id)?.allergen ?? '');
		await endRisk(db, kitchen.id, form.id);
	}),
	measure: saving(ownMeasureForm, async ({ locals: { db, kitchen } }, { name, kind, amount }) => {
		await setOwnMeasure(db, kitchen.id, {
			name,
			kind: kind === '' ? null : kind,
			millilitres: kind === '' ? amount : null,
			grams: kind === '' ? null : amount
		});
	}),
	removeMeasure: saving(ownMeasureNameForm, async ({ locals: { db, kitchen } }, { name, kind }) => {
		await removeOwnMeasure(db, kitchen.id, name, kind === '' ? null : kind);
	}),
	forget: saving(nameForm, async ({ locals: { db, kitchen } }, { name }) => {
		await forgetName(db, kitchen.id, name);
	})
};
