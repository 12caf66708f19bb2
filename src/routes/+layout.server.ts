import { nextTasks } from '$lib/server/plan/going.ts';
import { runningSteps } from '$lib/server/bench/timers.ts';
import { known } from '$lib/server/db/known.ts';
import { nearLimits, type NearLimit } from '$lib/kitchen/limits.ts';
import { requestsKnown } from '$lib/server/life/requests.ts';
import { keptLimits, most, usageOf } from '$lib/server/life/limits.ts';
import { countLeft } from '$lib/server/left/read.ts';
import { isOfTheMoment } from '$lib/server/page.ts';
import { today } from '$lib/server/kitchens.ts';
import { hereOf, tryIn } from '$lib/server/practice/tries.ts';
import type { LayoutServerLoad } from './$types';

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

/** What the kitchen takes of the installation that is near what it may. */
async function nearOf(locals: App.Locals): Promise<NearLimit[]> {
	const { db, kitchen } = locals;
	const requests = { has: requestsKnown(`kitchen ${kitchen.id}`), most: most('KITCHEN_REQUESTS') };
	const usage = await usageOf(db, kitchen.id);
	const near = nearLimits({ ...(usage ? keptLimits(usage) : {}), requests });
	// The next minute it is no longer so.
	if (near.some(({ name }) => name === 'requests')) isOfTheMoment(locals);
	return near;
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
			left: 0,
			who: here
		};
	const { kitchen } = locals;
	const running = who.rights.includes('make')
		? await known(db, kitchen.id, `running ${today(kitchen)}`, () => runningSteps(db, kitchen.id))
		: [];
	const next = who.rights.includes('make')
		? await known(db, kitchen.id, `next ${today(kitchen)} ${new Date().getUTCHours()}`, () =>
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
		// What devices could not hand in waits for who may decide it.
		left: who.rights.includes('people')
			? await known(db, kitchen.id, 'left', () => countLeft(db, kitchen.id))
			: 0,
		near: who.rights.includes('data') ? await nearOf(locals) : [],
		who: here
	};
};
