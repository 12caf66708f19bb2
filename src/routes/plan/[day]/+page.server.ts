import { may, planFor, staleFor, withoutMoney } from '$lib/server/edge/shapes.ts';
import { error } from '@sveltejs/kit';
import { saving } from '$lib/server/edge/actions.ts';
import { hoursForm, takeForm, versionForm, wishForm } from '$lib/server/edge/plan.ts';
import { beginBatches } from '$lib/server/plan/begin.ts';
import { happenedIn } from '$lib/server/plan/going.ts';
import { setHours } from '$lib/server/plan/hours.ts';
import { getPlan, keepWish, letGo, takePlan } from '$lib/server/plan/plans.ts';
import { pageOfPlan } from '$lib/server/plan/page.ts';
import type { KeptPlan } from '$lib/plan/types.ts';
import type { Actions, PageServerLoad, RequestEvent } from './$types';

export const load: PageServerLoad = async ({ locals, params, url, depends }) => {
	depends('app:plan');
	const { db, kitchen, who } = locals;
	const { basis, plan } = await pageOfPlan(db, kitchen, params.day, url.searchParams.get('place'));
	const seesMoney = may(locals, 'costs');
	return {
		basis: seesMoney ? basis : withoutMoney(basis),
		plan: planFor(locals, plan),
		/** What has happened to each task, by its place. */
		happened: plan.taken ? [...(await happenedIn(db, kitchen, plan.taken, plan.batches))] : [],
		seesMoney,
		mayMake: who?.rights.includes('make') ?? false,
		mayOrder: who?.rights.includes('sell') ?? false
	};
};

const orStale = ({ locals }: RequestEvent, act: () => Promise<unknown>) =>
	staleFor((plan: KeptPlan) => planFor(locals, plan), act);

const of = ({ locals: { db, kitchen }, params, url }: RequestEvent) =>
	pageOfPlan(db, kitchen, params.day, url.searchParams.get('place'));

export const actions: Actions = {
	keep: saving(wishForm, async (event, { version, wish }) => {
		const { basis } = await of(event);
		await orStale(event, () => keepWish(event.locals.db, event.locals.kitchen, basis, version, wish));
	}),
	take: saving(takeForm, async (event, form) => {
		const { basis } = await of(event);
		await orStale(event, () => takePlan(event.locals.db, event.locals.kitchen, basis, form));
	}),
	letGo: saving(versionForm, async (event, { version }) => {
		const { basis } = await of(event);
		await orStale(event, () => letGo(event.locals.db, event.locals.kitchen, basis, version));
	}),
	begin: saving(versionForm, async (event) => {
		const { basis } = await of(event);
		const { db, kitchen } = event.locals;
		const plan = await getPlan(db, kitchen, basis);
		if (plan.version === 0) error(404, { message: 'this day is not planned.', remedy: 'Take a plan first.' });
		await beginBatches(db, kitchen, plan);
	}),
	hours: saving(hoursForm, async (event, hours) => {
		const { basis } = await of(event);
		await setHours(event.locals.db, event.locals.kitchen.id, basis.place, hours);
	})
};
