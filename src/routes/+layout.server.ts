import { runningSteps } from '$lib/server/bench/timers.ts';
import { today } from '$lib/server/kitchens.ts';
import type { LayoutServerLoad } from './$types';

export const load: LayoutServerLoad = async ({ locals: { db, kitchen }, depends }) => {
	depends('app:steps');
	return {
		kitchen: {
			name: kitchen.name,
			town: kitchen.town,
			currency: kitchen.currency,
			rules: kitchen.rules,
			timeZone: kitchen.timeZone
		},
		today: today(kitchen),
		running: await runningSteps(db, kitchen.id)
	};
};
