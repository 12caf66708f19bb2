import { pageOfPlan } from '$lib/server/plan/page.ts';
import { shoppingOf } from '$lib/server/plan/shopping.ts';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals, params, url }) => {
	const { db, kitchen, who } = locals;
	const { basis, plan } = await pageOfPlan(db, kitchen, params.day, url.searchParams.get('place'));
	return {
		day: basis.day,
		place: basis.place,
		wish: (plan.taken ?? plan).wish,
		isTaken: plan.taken !== null,
		list: await shoppingOf(db, kitchen, basis, plan),
		mayReceive: who?.rights.includes('stock') ?? false
	};
};
