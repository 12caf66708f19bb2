import type { Facts } from '../facts.ts';
import { isDough, type Ingredient, type Recipe } from '../formula/types.ts';
import { roundTo } from '../measure/round.ts';
import type { Outcome } from '../problem.ts';

/** A recipe as schema.org's Recipe says it: what can become a formula. */
export interface SaidRecipe {
	name: string;
	/** Ingredient lines as they were written. */
	lines: string[];
	steps: string[];
	yield: string;
}

type Loose = Record<string, unknown>;
const isObject = (value: unknown): value is Loose =>
	typeof value === 'object' && value !== null && !Array.isArray(value);

/**
 * Finds the first Recipe in schema.org JSON-LD: one object, a list, a graph, or a page that carries it
 * in a script element. Every problem says what is missing.
 */
export function readRecipeJsonLd(source: string): Outcome<SaidRecipe> {
	const refuse = (message: string): Outcome<SaidRecipe> => ({ ok: false, problems: [{ path: '', message }] });
	const documents = jsonBlocks(source).flatMap((block): unknown[] => {
		try {
			return [JSON.parse(block)];
		} catch {
			return [];
		}
	});
	if (documents.length === 0) return refuse('this is neither JSON nor a page that carries JSON-LD');
	const recipe = documents.map(findRecipe).find((found) => found !== null);
	if (!recipe) return refuse('no schema.org Recipe is in it');
	const lines = texts(recipe.recipeIngredient ?? recipe.ingredients);
	if (lines.length === 0) return refuse('the Recipe lists no "recipeIngredient"');
	return {
		ok: true,
		value: {
			name: plain(recipe.name) || 'Imported recipe',
			lines,
			steps: steps(recipe.recipeInstructions),
			yield: texts(recipe.recipeYield)[0] ?? ''
		}
	};
}

function jsonBlocks(source: string): string[] {
	const scripts = [...source.matchAll(/<script[^>]*application\/ld\+json[^>]*>([\s\S]*?)<\/script>/gi)];
	return scripts.length > 0 ? scripts.map((script) => script[1] ?? '') : [source.replace(/^\uFEFF/, '')];
}

function findRecipe(value: unknown): Loose | null {
	if (Array.isArray(value)) return value.map(findRecipe).find((found) => found !== null) ?? null;
	if (!isObject(value)) return null;
	const types = Array.isArray(value['@type']) ? value['@type'] : [value['@type']];
	if (types.some((type) => typeof type === 'string' && /(^|\/)Recipe$/.test(type))) return value;
	for (const inner of [value['@graph'], value.mainEntity, value.itemListElement]) {
		const found = inner === undefined ? null : findRecipe(inner);
		if (found) return found;
	}
	return null;
}

/** Text without markup and with its entities read. */
function plain(value: unknown): string {
	if (typeof value === 'number') return String(value);
	if (typeof value !== 'string') return isObject(value) ? plain(value.text ?? value.name) : '';
	return value
		.replace(/<[^>]*>/g, ' ')
		.replace(/&#(\d+);/g, (_, code: string) => String.fromCodePoint(Number(code)))
		.replace(/&(amp|lt|gt|quot|nbsp|frac12|frac14|frac34|deg);/g, (_, name: string) => ENTITIES[name] ?? ' ')
		.replace(/\s+/g, ' ')
		.trim();
}

const ENTITIES: Record<string, string> = {
	amp: '&',
	lt: '<',
	gt: '>',
	quot: '"',
	nbsp: ' ',
	frac12: '½',
	frac14: '¼',
	frac34: '¾',
	deg: '°'
};

function texts(value: unknown): string[] {
	return (Array.isArray(value) ? value : [value]).map(plain).filter((each) => each !== '');
}

function steps(value: unknown): string[] {
	if (typeof value === 'string')
		return value
			.split(/\r?\n+/)
			.map(plain)
			.filter(Boolean);
	return (Array.isArray(value) ? value : [value]).flatMap((each: unknown) =>
		isObject(each) && each.itemListElement !== undefined
			? steps(each.itemListElement)
			: [plain(each)].filter(Boolean)
	);
}

/** A recipe as schema.org Recipe with its NutritionInformation per piece, as JSON-LD. */
export function writeRecipeJsonLd(recipe: Recipe, facts: Facts, processSteps: readonly string[]): string {
	const nameOf = new Map(
		recipe.ingredients.map((ingredient): [string, Ingredient] => [ingredient.id, ingredient])
	);
	const grams = (value: number | null, unit = 'g', step = 0.1) =>
		value === null ? undefined : `${roundTo(value, step)} ${unit}`;
	const { perPiece, energy, yield: made } = facts;
	return `${JSON.stringify(
		{
			'@context': 'https://schema.org',
			'@type': 'Recipe',
			name: recipe.formula.name,
			recipeYield: `${made.pieces} ${made.pieces === 1 ? recipe.product.one : recipe.product.many}`,
			recipeIngredient: recipe.formula.lines.map((line) => {
				const name = nameOf.get(line.ingredient)?.name ?? line.ingredient;
				const weighed = `${roundTo(line.used_g, 0.1)} g ${name}`;
				return isDough(line) ? weighed : `${weighed}, for ${line.use}`;
			}),
			...(processSteps.length > 0
				? { recipeInstructions: processSteps.map((text) => ({ '@type': 'HowToStep', text })) }
				: {}),
			nutrition: {
				'@type': 'NutritionInformation',
				servingSize: `1 ${recipe.product.one}${made.finishedWeight_g === null ? '' : ` (${roundTo(made.finishedWeight_g, 1)} g)`}`,
				calories: energy.us_kcal === null ? undefined : `${roundTo(energy.us_kcal, 1)} calories`,
				fatContent: grams(perPiece.fat_g),
				saturatedFatContent: grams(perPiece.saturates_g),
				transFatContent: grams(perPiece.transFat_g),
				cholesterolContent: grams(perPiece.cholesterol_mg, 'mg', 1),
				sodiumContent: grams(perPiece.sodium_mg, 'mg', 1),
				carbohydrateContent: grams(perPiece.carbohydrate_g),
				fiberContent: grams(perPiece.fibre_g),
				sugarContent: grams(perPiece.sugars_g),
				proteinContent: grams(perPiece.protein_g)
			}
		},
		null,
		'\t'
	)}\n`;
}
