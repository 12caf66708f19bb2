import type { CostPart } from '$core/cost/whole.ts';

/** What the parts of a cost are called. */
export const COST_WORDS: Record<CostPart, string> = {
	ingredients: 'Ingredients',
	materials: 'Packing materials',
	energy: 'Energy',
	labour: 'Labour'
};
