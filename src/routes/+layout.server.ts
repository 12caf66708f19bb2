import { runningSteps } from '$lib/server/bench/timers.ts';
import { known } from '$lib/server/db/known.ts';
import { isOfTheMoment } from '$lib/server/page.ts';
import { today } from '$lib/server/kitchens.ts';
import type { LayoutServerLoad } from './$types';

/** What the steps going on are read from. */
const RUNNING = ['batches', 'batch_standings', 'formula_versions', 'formulas'];

export const load: LayoutServerLoad = async ({ locals, depends }) => {
	depends('app:steps');
	const { db, kitchen } = locals;
	const running = await known(db, kitchen.id, RUNNING, `running ${today(kitchen)}`, () =>
		runningSteps(db, kitchen.id)
	);
	if (running.length > 0) isOfTheMoment(locals);
	return {
		kitchen: {
			name: kitchen.name,
			town: kitchen.town,
			currency: kitchen.currency,
			rules: kitchen.rules,
			timeZone: kitchen.timeZone,
			locale: kitchen.locale,
			weekStarts: kitchen.weekStarts
		},
		today: today(kitchen),
		running
	};
};
