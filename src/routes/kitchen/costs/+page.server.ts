import Joi from 'joi';
import { withDraft } from '$lib/server/edge/actions.ts';
import { day, id, money, number, text } from '$lib/server/edge/fields.ts';
import { addFee, listFees } from '$lib/server/costs/fees.ts';
import { addRates, listRates } from '$lib/server/costs/rates.ts';
import { listEquipment, setPower } from '$lib/server/equipment.ts';
import { today } from '$lib/server/kitchens.ts';
import { getProfile } from '$lib/server/profiles.ts';
import { channelsUsed } from '$lib/server/sales/ledger.ts';
import type { Actions, PageServerLoad } from './$types';

/** What a kitchen pays beside ingredients and materials. */
export const load: PageServerLoad = async ({ locals: { db, kitchen } }) => {
	const [rates, fees, equipment, channels, { profile }] = await Promise.all([
		listRates(db, kitchen.id),
		listFees(db, kitchen.id),
		listEquipment(db, kitchen.id),
		channelsUsed(db, kitchen.id),
		getProfile(db, kitchen.id)
	]);
	return {
		rates,
		fees,
		equipment: equipment.filter((each) => !each.retired),
		channels: [...new Set([...(profile?.channels ?? []), ...channels])],
		today: today(kitchen)
	};
};

const ratesForm = Joi.object<{ validFrom: string; tariff: string | null; labour: string | null }>({
	validFrom: day(),
	tariff: money({ optional: true }),
	labour: money({ optional: true })
});
const MOST_KW = 100;
const powerForm = Joi.object<{ power: { id: string; kw: number | null }[] }>({
	power: Joi.array()
		.items(Joi.object({ id: id('open the page again'), kw: number(0.01, MOST_KW, { optional: true }) }))
		.required()
});
const feeForm = Joi.object<{
	channel: string;
	validFrom: string;
	perDay: string | null;
	share: number | null;
}>({
	channel: text(60, 'say where'),
	validFrom: day(),
	perDay: money({ optional: true }),
	share: number(0, 99, { optional: true })
});

export const actions: Actions = {
	rates: async ({ locals: { db, kitchen }, request }) =>
		(await withDraft(request, ratesForm, async ({ validFrom, tariff, labour }) => {
			await addRates(db, kitchen.id, { validFrom, tariff_perKwh: tariff, labour_perHour: labour });
			return null;
		})) ?? { saved: true },
	power: async ({ locals: { db, kitchen }, request }) =>
		(await withDraft(request, powerForm, async ({ power }) => {
			for (const each of power) await setPower(db, kitchen.id, each.id, each.kw);
			return null;
		})) ?? { saved: true },
	fee: async ({ locals: { db, kitchen }, request }) =>
		(await withDraft(request, feeForm, async ({ channel, validFrom, perDay, share }) => {
			await addFee(db, kitchen.id, { channel, validFrom, perDay: perDay ?? '0', share: (share ?? 0) / 100 });
			return null;
		})) ?? { saved: true }
};
