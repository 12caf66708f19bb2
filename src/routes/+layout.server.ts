import { today } from '$lib/server/kitchens.ts';
import type { LayoutServerLoad } from './$types';

export const load: LayoutServerLoad = ({ locals: { kitchen } }) => ({
	kitchen: { name: kitchen.name, town: kitchen.town, currency: kitchen.currency, rules: kitchen.rules },
	today: today(kitchen)
});
