import type { Exemption } from '../exemption.ts';

/** Groups of Annex II to Regulation 1169/2011; cereals, nuts, fish and shellfish by their own names. */
export const EU_ANNEX_II = [
	'wheat',
	'rye',
	'barley',
	'oats',
	'crustacean',
	'egg',
	'fish',
	'peanut',
	'soy',
	'milk',
	'treenut',
	'celery',
	'mustard',
	'sesame',
	'sulphite',
	'lupin',
	'mollusc'
] as const;

/** Words a label uses for a plain tag, for emphasis. Named tags use the species. */
export const ALLERGEN_WORDS: Record<string, string[]> = {
	wheat: ['wheat', 'spelt', 'durum'],
	rye: ['rye'],
	barley: ['barley'],
	oats: ['oats', 'oat', 'oatmeal'],
	egg: ['eggs', 'egg'],
	peanut: ['peanuts', 'peanut', 'groundnuts', 'groundnut'],
	soy: ['soya', 'soy', 'soybeans', 'soybean'],
	milk: ['milk'],
	celery: ['celery', 'celeriac'],
	mustard: ['mustard'],
	sesame: ['sesame'],
	sulphite: ['sulphites', 'sulphite', 'sulfites', 'sulfite', 'sulphur dioxide', 'sulfur dioxide'],
	lupin: ['lupins', 'lupin']
};

/** What Annex II calls a group, where an ingredient's own name shows no allergen; nuts go by their species. */
export const ANNEX_II_NAMES: Record<string, string> = {
	wheat: 'wheat',
	rye: 'rye',
	barley: 'barley',
	oats: 'oats',
	crustacean: 'crustaceans',
	egg: 'eggs',
	fish: 'fish',
	peanut: 'peanuts',
	soy: 'soybeans',
	milk: 'milk',
	celery: 'celery',
	mustard: 'mustard',
	sesame: 'sesame seeds',
	sulphite: 'sulphites',
	lupin: 'lupin',
	mollusc: 'molluscs'
};

/** Exemptions a person may meet when choosing tags; everything else keeps its tag. */
export const EU_EXEMPTIONS: readonly Exemption[] = [
	{
		what: 'Wheat-based glucose syrup and maltodextrin, and glucose syrup based on barley.',
		source: 'Regulation 1169/2011 Annex II 1'
	},
	{
		what: 'Fully refined soybean oil and fat, and no other: mark its allergen “highly refined”.',
		source: 'Regulation 1169/2011 Annex II 6'
	},
	{
		what: 'Sulphites at 10 mg/kg or less of the finished food.',
		source: 'Regulation 1169/2011 Annex II 12'
	}
];
