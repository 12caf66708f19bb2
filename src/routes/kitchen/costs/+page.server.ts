import { ratesForm, powerForm, feeForm } from '$lib/server/edge/kitchen.ts';
import { saving } from '$lib/server/edge/actions.ts';
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

export const actions: Actions = {
	rates: saving(ratesForm, async ({ locals: { db, kitchen } }, { id, validFrom, tariff, labour }) => {
		await addRates(db, kitchen.id, { validFrom, tariff_perKwh: tariff, labour_perHour: labour }, id);
	}),
	power: saving(powerForm, async ({ locals: { db, kitchen } }, { power }) => {
		for (const each of power) await setPower(db, kitchen.id, each.id, each.kw);
	}),
	fee: saving(feeForm, async ({ locals: { db, kitchen } }, { id, channel, validFrom, perDay, share }) => {
		await addFee(
			db,
			kitchen.id,
			{ channel, validFrom, perDay: perDay ?? '0', share: (share ?? 0) / 100 },
			id
		);
	})
};
