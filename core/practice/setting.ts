import { compositionOf, type SomeValues } from '../composition/nutrients.ts';
import type { Kind } from '../composition/kinds.ts';
import type { Ingredient, Line, Recipe } from '../formula/types.ts';

/** The formula that is practised on, as planned, and how its pieces usually come off the plate. */
export interface Setting {
	recipe: Recipe;
	/** Share of a ball that cooks off. */
	cookLoss: number;
}

/** What a story says of an ingredient. */
interface Told {
	id: string;
	name: string;
	kind: Kind;
	parts?: readonly string[];
	per100g: SomeValues;
	allergens: string[];
	price: { amount: string; grams: number };
}

const FLOUR: Told = {
	id: 'flour',
	name: 'Bread flour',
	kind: 'flour',
	per100g: {
		water_g: 13.4,
		energy_kcal: 361,
		protein_g: 12,
		fat_g: 1.7,
		carbohydrate_g: 72.5,
		fibre_g: 2.4,
		sugars_g: 0.3,
		addedSugars_g: 0,
		saturates_g: 0.24,
		transFat_g: 0,
		cholesterol_mg: 0,
		sodium_mg: 2,
		calcium_mg: 15,
		iron_mg: 4.4,
		potassium_mg: 100,
		vitaminD_ug: 0
	},
	allergens: ['wheat'],
	price: { amount: '24.00', grams: 22680 }
};
const WATER: Told = {
	id: 'water',
	name: 'Water',
	kind: 'water',
	per100g: nothingBut({ water_g: 99.9 }),
	allergens: [],
	price: { amount: '0', grams: 1000 }
};
const BUTTER: Told = {
	id: 'butter',
	name: 'Butter',
	kind: 'fat',
	per100g: {
		water_g: 17.9,
		energy_kcal: 717,
		protein_g: 0.9,
		fat_g: 81.1,
		carbohydrate_g: 0.1,
		fibre_g: 0,
		sugars_g: 0.1,
		addedSugars_g: 0,
		saturates_g: 51.4,
		transFat_g: 3.3,
		cholesterol_mg: 215,
		sodium_mg: 11,
		calcium_mg: 24,
		iron_mg: 0,
		potassium_mg: 24,
		vitaminD_ug: 0
	},
	allergens: ['milk'],
	price: { amount: '4.20', grams: 454 }
};
const SALT: Told = {
	id: 'salt',
	name: 'Salt',
	kind: 'salt',
	per100g: nothingBut({ water_g: 0.2, sodium_mg: 38758, calcium_mg: 24 }),
	allergens: [],
	price: { amount: '1.50', grams: 1360 }
};
const POWDER: Told = {
	id: 'powder',
	name: 'Baking powder',
	kind: 'leavening',
	parts: ['monocalcium phosphate', 'sodium bicarbonate', 'cornstarch'],
	per100g: nothingBut({
		water_g: 4,
		energy_kcal: 51,
		protein_g: 0.1,
		carbohydrate_g: 24.1,
		sodium_mg: 7893,
		calcium_mg: 7364
	}),
	allergens: [],
	price: { amount: '8.40', grams: 1360 }
};
const SPICES: Told = {
	id: 'spices',
	name: 'Spice mix',
	kind: 'spice',
	per100g: {
		water_g: 8,
		energy_kcal: 375,
		protein_g: 17.8,
		fat_g: 22.3,
		carbohydrate_g: 44.2,
		fibre_g: 10.5,
		sugars_g: 2.3,
		addedSugars_g: 0,
		saturates_g: 1.5,
		transFat_g: 0,
		cholesterol_mg: 0,
		sodium_mg: 168,
		calcium_mg: 931,
		iron_mg: 66,
		potassium_mg: 1788,
		vitaminD_ug: 0
	},
	allergens: [],
	price: { amount: '8.20', grams: 454 }
};

/** A composition that is zero everywhere but where said. */
function nothingBut(values: SomeValues): SomeValues {
	const zeros = {
		energy_kcal: 0,
		protein_g: 0,
		fat_g: 0,
		carbohydrate_g: 0,
		fibre_g: 0,
		sugars_g: 0,
		addedSugars_g: 0,
		saturates_g: 0,
		transFat_g: 0,
		cholesterol_mg: 0,
		sodium_mg: 0,
		calcium_mg: 0,
		iron_mg: 0,
		potassium_mg: 0,
		vitaminD_ug: 0
	};
	return { ...zeros, ...values };
}

const ingredientOf = ({ id, name, kind, parts = [], per100g, allergens, price }: Told): Ingredient => ({
	id,
	name,
	kind,
	label: { us: null, eu: null },
	parts: parts.map((part) => ({ name: part, parts: [] })),
	per100g: compositionOf(per100g),
	allergens,
	refined: [],
	added: [],
	price: { ...price, usable: 1 }
});

/** A formula of these grams; `dusting_g` of flour is used up in rolling, of which half stays on. */
function settingOf(
	name: string,
	ingredients: readonly Told[],
	grams: Readonly<Record<string, number>>,
	ballWeight_g: number,
	dusting_g: number | null = null
): Setting {
	const lines = Object.entries(grams).map(([ingredient, used_g]): Line => ({
		ingredient,
		use: 'dough',
		stage: null,
		used_g,
		uptake_g: null
	}));
	if (dusting_g !== null)
		lines.push({
			ingredient: 'flour',
			use: 'dusting',
			stage: null,
			used_g: dusting_g,
			uptake_g: dusting_g / 2
		});
	const recipe: Recipe = {
		rules: 'us',
		currency: 'USD',
		ingredients: ingredients.map(ingredientOf),
		formula: { name, lines, mixGap: 'residue' },
		product: {
			one: 'tortilla',
			many: 'tortillas',
			category: 'tortilla',
			ballWeight_g,
			balls: null,
			packPieces: 6,
			materials: [],
			servingPieces: null
		},
		measured: { doughWeight_g: null, ballWeights_g: [], balls: null, finishedWeights_g: [], rejects: 0 }
	};
	return { recipe, cookLoss: 0.14 };
}

/** The formulas the stories are told on; what of a dough is not in a story’s way is left out of it. */
export const SETTINGS = {
	/** 500 + 275 = 775 g: 12 balls of 64 g. */
	'two lines': settingOf('First dough', [FLOUR, WATER], { flour: 500, water: 275 }, 64),
	/** 600 + 330 + 72 + 12 + 9 = 1023 g: 18 balls of 56 g. */
	griddle: settingOf(
		'Griddle tortilla',
		[FLOUR, WATER, BUTTER, SALT, POWDER],
		{ flour: 600, water: 330, butter: 72, salt: 12, powder: 9 },
		56
	),
	/** The same, rolled out in flour. */
	dusted: settingOf(
		'Rolled tortilla',
		[FLOUR, WATER, BUTTER, SALT, POWDER],
		{ flour: 600, water: 330, butter: 72, salt: 12, powder: 9 },
		56,
		20
	),
	/** 600 + 330 + 72 + 12 + 9 + 8 = 1031 g. */
	spiced: settingOf(
		'Spiced tortilla',
		[FLOUR, WATER, BUTTER, SALT, POWDER, SPICES],
		{ flour: 600, water: 330, butter: 72, salt: 12, powder: 9, spices: 8 },
		56
	)
} as const satisfies Record<string, Setting>;
export type SettingName = keyof typeof SETTINGS;

/** What an ingredient of the setting is called. */
export const ingredientNamed = (setting: Setting, id: string): string =>
	setting.recipe.ingredients.find((each) => each.id === id)?.name ?? id;
