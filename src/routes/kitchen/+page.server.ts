import Joi from 'joi';
import type { RulesName } from '$core/formula/types.ts';
import type { ShareKey } from '$core/formula/shares.ts';
import type { Window, Windows } from '$core/formula/families.ts';
import { MEASURE_SETS, type MeasureSet } from '$core/measure/units.ts';
import { addEquipment, listEquipment, retireEquipment } from '$lib/server/equipment.ts';
import { addRisk, endRisk, standingRisks } from '$lib/server/contact/risks.ts';
import { withDraft } from '$lib/server/edge/actions.ts';
import { allergenTag } from '$lib/server/edge/ingredient.ts';
import { grams, id, number, optionalText, text } from '$lib/server/edge/fields.ts';
import { getProfile } from '$lib/server/profiles.ts';
import { refuse } from '$lib/server/errors.ts';
import { addFamily, ownFamilies, removeFamily } from '$lib/server/families.ts';
import { listIngredients } from '$lib/server/ingredients.ts';
import { saveKitchen } from '$lib/server/kitchens.ts';
import { forgetName, rememberedNames } from '$lib/server/names.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals: { db, kitchen } }) => {
	const [{ profile }, equipment, risks, families, names, ingredients] = await Promise.all([
		getProfile(db, kitchen.id),
		listEquipment(db, kitchen.id),
		standingRisks(db, kitchen.id),
		ownFamilies(db, kitchen.id),
		rememberedNames(db, kitchen.id),
		listIngredients(db, kitchen.id)
	]);
	const nameOf = new Map(ingredients.map((ingredient) => [ingredient.id, ingredient.name]));
	return {
		settings: {
			name: kitchen.name,
			town: kitchen.town,
			address: kitchen.address,
			rules: kitchen.rules,
			measureSet: kitchen.measureSet,
			scaleDivision: String(kitchen.scaleDivision_g)
		},
		equipment: equipment.filter((each) => !each.retired),
		risks,
		profile: profile?.name ?? null,
		families,
		remembered: [...names].map(([name, ingredient]) => ({ name, ingredient: nameOf.get(ingredient) ?? '' }))
	};
};

const settingsForm = Joi.object<{
	name: string;
	town: string;
	address: string;
	rules: RulesName;
	measureSet: MeasureSet;
	scaleDivision: number;
}>({
	name: text(120, 'what is the kitchen called?'),
	town: optionalText(120),
	address: optionalText(200),
	rules: Joi.valid('us', 'eu').required(),
	measureSet: Joi.valid(...MEASURE_SETS).required(),
	scaleDivision: grams({ positive: true })
});

const SHARES: ShareKey[] = [
	'hydration',
	'effectiveHydration',
	'fat',
	'layeringFat',
	'salt',
	'sugar',
	'leavening',
	'yeast',
	'prefermented'
];
interface WindowForm {
	key: ShareKey;
	low: number | null;
	high: number | null;
	below: string;
	above: string;
}
const familyForm = Joi.object<{ name: string; windows: WindowForm[] }>({
	name: text(60, 'what is the family called?'),
	windows: Joi.array()
		.items(
			Joi.object({
				key: Joi.valid(...SHARES).required(),
				low: number(0, 300, { optional: true }),
				high: number(0, 300, { optional: true }),
				below: optionalText(120),
				above: optionalText(120)
			})
		)
		.required()
});

/** Windows with both ends; refuses one that ends before it begins, or with only one end. */
function windowsOf(forms: readonly WindowForm[]): Windows {
	const windows: Windows = {};
	forms.forEach(({ key, low, high, below, above }, index) => {
		if (low === null && high === null) return;
		if (low === null || high === null) return refuse(`windows[${index}].high`, 'give both ends, or neither');
		if (high < low) return refuse(`windows[${index}].high`, `less than the ${low} it begins at`);
		windows[key] = { low, high, below, above } satisfies Window;
	});
	if (Object.keys(windows).length === 0) refuse('windows[0].low', 'give at least one window');
	return windows;
}

const nameForm = Joi.object<{ name: string }>({ name: Joi.string().max(160).required() });
const idForm = (what: string) => Joi.object<{ id: string }>({ id: id(`choose ${what}`) });
const equipmentForm = Joi.object<{ name: string; tare: number | null }>({
	name: text(80, 'what is it called?'),
	tare: grams({ optional: true, positive: true })
});
const riskForm = Joi.object<{ allergen: string; why: string }>({
	allergen: allergenTag.required(),
	why: text(200, 'say why it is always about')
});

export const actions: Actions = {
	settings: async ({ locals: { db, kitchen }, request }) =>
		(await withDraft(request, settingsForm, async ({ scaleDivision, ...form }) => {
			await saveKitchen(db, kitchen.id, { ...form, scaleDivision_g: scaleDivision });
			return null;
		})) ?? { saved: true },
	family: async ({ locals: { db, kitchen }, request }) =>
		(await withDraft(request, familyForm, async ({ name, windows }) => {
			await addFamily(db, kitchen.id, { name, windows: windowsOf(windows) });
			return null;
		})) ?? { saved: true },
	removeFamily: async ({ locals: { db, kitchen }, request }) =>
		(await withDraft(request, idForm('a family'), async (form) => {
			await removeFamily(db, kitchen.id, form.id);
			return null;
		})) ?? { saved: true },
	equipment: async ({ locals: { db, kitchen }, request }) =>
		(await withDraft(request, equipmentForm, async ({ name, tare }) => {
			await addEquipment(db, kitchen.id, name, tare);
			return null;
		})) ?? { saved: true },
	retire: async ({ locals: { db, kitchen }, request }) =>
		(await withDraft(request, idForm('a piece of equipment'), async (form) => {
			await retireEquipment(db, kitchen.id, form.id);
			return null;
		})) ?? { saved: true },
	risk: async ({ locals: { db, kitchen }, request }) =>
		(await withDraft(request, riskForm, async (risk) => {
			await addRisk(db, kitchen.id, risk);
			return null;
		})) ?? { saved: true },
	endRisk: async ({ locals: { db, kitchen }, request }) =>
		(await withDraft(request, idForm('a risk'), async (form) => {
			await endRisk(db, kitchen.id, form.id);
			return null;
		})) ?? { saved: true },
	forget: async ({ locals: { db, kitchen }, request }) =>
		(await withDraft(request, nameForm, async ({ name }) => {
			await forgetName(db, kitchen.id, name);
			return null;
		})) ?? { saved: true }
};
