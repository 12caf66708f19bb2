import { nextTasks } from '$lib/server/plan/going.ts';
import { runningSteps } from '$lib/server/bench/timers.ts';
import { known } from '$lib/server/db/known.ts';
import { nearLimits } from '$lib/kitchen/limits.ts';
import type { Database } from '$lib/server/db/connection.ts';
import { keptLimits, usageOf } from '$lib/server/life/limits.ts';
import { isOfTheMoment } from '$lib/server/page.ts';
import { today } from '$lib/server/kitchens.ts';
import { hereOf, tryIn } from '$lib/server/practice/tries.ts';
import type { LayoutServerLoad } from './$types';

/** What the steps going on are read from. */
const RUNNING = ['batches', 'batch_standings', 'formula_versions', 'formulas'];

/** What the next thing of a plan is read from. */
const GOING = ['plans', 'plan_batches', 'batches', 'batch_events', 'weighings', 'formula_versions'];

/** What a page at the door has in the place of a kitchen. */
const NO_KITCHEN = {
	name: '',
	town: '',
	currency: 'USD',
	rules: 'us',
	timeZone: 'UTC',
	locale: 'en-US',
	weekStarts: 0
} as const;

/** What the kitchen keeps that is near what it may. */
async function nearOf(db: Database, kitchenId: string) {
	const usage = await usageOf(db, kitchenId);
	return usage ? nearLimits(keptLimits(usage)) : [];
}

export const load: LayoutServerLoad = async ({ locals, depends }) => {
	depends('app:steps');
	const { db, who } = locals;
	const here = who && {
		name: who.name,
		as: who.membership?.id ?? null,
		role: who.membership?.role ?? null,
		rights: who.rights,
		byCode: who.session.cameBy === 'code',
		isShared: who.device?.kind === 'shared',
		idle_min: who.device?.idle_min ?? null,
		device: who.device?.name ?? ''
	};
	if (!who?.membership)
		return {
			kitchen: NO_KITCHEN,
			today: new Date().toISOString().slice(0, 10),
			running: [],
			next: [],
			practice: null,
			isClosed: false,
			near: [],
			who: here
		};
	const { kitchen } = locals;
	const running = who.rights.includes('make')
		? await known(db, kitchen.id, RUNNING, `running ${today(kitchen)}`, () => runningSteps(db, kitchen.id))
		: [];
	const next = who.rights.includes('make')
		? await known(db, kitchen.id, GOING, `next ${today(kitchen)} ${new Date().getUTCHours()}`, () =>
				nextTasks(db, kitchen, new Date())
			)
		: [];
	const practice = who.practice ? hereOf(await tryIn(db, kitchen.id)) : null;
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
		running,
		next,
		practice,
		isClosed: who.isClosed,
		near: who.rights.includes('data') ? await nearOf(db, kitchen.id) : [],
		who: here
	};
};
