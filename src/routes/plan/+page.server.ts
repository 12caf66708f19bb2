import { saving } from '$lib/server/edge/actions.ts';
import { toolForm } from '$lib/server/edge/plan.ts';
import { listEquipment, setTool } from '$lib/server/equipment.ts';
import { today } from '$lib/server/kitchens.ts';
import { demandDays } from '$lib/server/plan/basis.ts';
import { comingPlans } from '$lib/server/plan/coming.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals: { db, kitchen } }) => {
	const [demand, plans, equipment] = await Promise.all([
		demandDays(db, kitchen),
		comingPlans(db, kitchen),
		listEquipment(db, kitchen.id)
	]);
	const places = [...new Set([...demand, ...plans].map(({ place }) => place))];
	const days = [
		...demand.map(({ day, place, products, toMake }) => ({
			day,
			place,
			wanted: products.reduce((sum, { ahead }) => sum + ahead.make, 0),
			ordered: products.reduce((sum, { ahead }) => sum + ahead.ordered, 0),
			toMake,
			plan: plans.find((plan) => plan.day === day && plan.place === place)?.state ?? null
		})),
		...plans
			.filter((plan) => !demand.some(({ day, place }) => plan.day === day && plan.place === place))
			.map(({ day, place, state }) => ({ day, place, wanted: 0, ordered: 0, toMake: 0, plan: state }))
	].sort((a, b) => a.day.localeCompare(b.day) || a.place.localeCompare(b.place));
	return { days, places, equipment: equipment.filter(({ retired }) => !retired), from: today(kitchen) };
};

export const actions: Actions = {
	tool: saving(toolForm, async ({ locals: { db, kitchen } }, { id, ...figures }) => {
		await setTool(db, kitchen.id, id, figures);
	})
};
