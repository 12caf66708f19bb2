import Joi from 'joi';
import type { RulesName } from '$core/formula/types.ts';
import { MEASURE_SETS, type MeasureSet } from '$core/measure/units.ts';
import { withDraft } from '$lib/server/edge/actions.ts';
import { grams, id, optionalText, text } from '$lib/server/edge/fields.ts';
import { createKitchen, listKitchens, openKitchen } from '$lib/server/kitchens.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals: { db, kitchen } }) => ({
	kitchens: await listKitchens(db),
	openId: kitchen.id,
	timeZones: Intl.supportedValuesOf('timeZone'),
	currencies: Intl.supportedValuesOf('currency')
});

const openForm = Joi.object<{ id: string }>({ id: id('choose a kitchen') });
const newForm = Joi.object<{
	name: string;
	town: string;
	address: string;
	timeZone: string;
	currency: string;
	rules: RulesName;
	measureSet: MeasureSet;
	scaleDivision: number;
}>({
	name: text(120, 'what is the kitchen called?'),
	town: optionalText(120),
	address: optionalText(200),
	timeZone: Joi.valid(...Intl.supportedValuesOf('timeZone'), 'UTC')
		.required()
		.messages({ 'any.only': 'choose a time zone' }),
	currency: Joi.valid(...Intl.supportedValuesOf('currency'))
		.required()
		.messages({ 'any.only': 'choose a currency' }),
	rules: Joi.valid('us', 'eu').required(),
	measureSet: Joi.valid(...MEASURE_SETS).required(),
	scaleDivision: grams({ positive: true })
});

export const actions: Actions = {
	open: async ({ locals: { db }, request }) =>
		(await withDraft(request, openForm, async (form) => {
			await openKitchen(db, form.id);
			return null;
		})) ?? { saved: true },
	begin: async ({ locals: { db }, request }) =>
		(await withDraft(request, newForm, async ({ scaleDivision, ...form }) => {
			await db.transaction(async (transaction) => {
				const begun = await createKitchen(transaction, { ...form, scaleDivision_g: scaleDivision });
				await openKitchen(transaction, begun);
			});
			return null;
		})) ?? { saved: true }
};
