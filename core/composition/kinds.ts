/** What an ingredient is to a formula: decides baker's percentages, colours and added water. */
export const KINDS = [
	'flour',
	'starch',
	'liquid',
	'water',
	'fat',
	'dairy',
	'sweetener',
	'salt',
	'leavening',
	'yeast',
	'egg',
	'seed',
	'spice',
	'produce',
	'compound',
	'other'
] as const;

export type Kind = (typeof KINDS)[number];

/** Kinds whose table energy does not follow from protein, fat and carbohydrate. */
export const ENERGY_CHECK_EXEMPT: readonly Kind[] = ['spice', 'yeast', 'leavening'];

/** Kinds of which gas goes off where they are ashed: what is measured of them does not add up to what they weigh. */
export const SUM_CHECK_EXEMPT: readonly Kind[] = ['leavening'];
