import { COMPOSITION_KEYS } from '../composition/nutrients.ts';
import type { Ingredient, Line, Part, Recipe } from '../formula/types.ts';
import type { FileDocument, IngredientDocument, LineDocument, PartDocument } from './document.ts';

/** The extension of a Square Batch file. */
export const FILE_EXTENSION = '.squarebatch.json';

/** The recipe as a Square Batch file: JSON, indented with tabs, ending in a line break. */
export function writeRecipe(recipe: Recipe): string {
	return `${JSON.stringify(documentOf(recipe), null, '\t')}\n`;
}

/** The document of a recipe: what is not known or has its default is left out. */
export function documentOf({
	rules,
	currency,
	ingredients,
	formula,
	product,
	measured
}: Recipe): FileDocument {
	const count = measured.balls ?? product.balls;
	const { doughWeight_g, ballWeights_g, finishedWeights_g, rejects } = measured;
	const isMeasured =
		measured.balls !== null ||
		doughWeight_g !== null ||
		ballWeights_g.length + finishedWeights_g.length > 0 ||
		rejects > 0;
	return {
		squareBatch: 1,
		rules,
		currency,
		ingredients: ingredients.map(ingredientDocument),
		formula: { name: formula.name, lines: formula.lines.map(lineDocument) },
		piece: {
			one: product.one,
			many: product.many,
			category: product.category,
			...given('ballWeight_g', product.ballWeight_g),
			...given('count', count)
		},
		batch: {
			...given('doughWeight_g', doughWeight_g),
			mixGap: formula.mixGap,
			...listed('ballWeights_g', ballWeights_g),
			...listed('finishedWeights_g', finishedWeights_g),
			...(isMeasured ? { rejects } : {}),
			...given('servingPieces', product.servingPieces)
		},
		...(product.packPieces === null
			? {}
			: { pack: { pieces: product.packPieces, materials: product.materials } })
	};
}

const given = <K extends string, T>(key: K, value: T | null) =>
	(value === null ? {} : { [key]: value }) as { [key in K]?: T };
const listed = <K extends string, T>(key: K, value: T[]) =>
	(value.length === 0 ? {} : { [key]: value }) as { [key in K]?: T[] };

function lineDocument({ ingredient, use, stage, used_g, uptake_g }: Line): LineDocument {
	const common = { ingredient, ...given('stage', stage) };
	if (use === 'dough') return { ...common, use, grams: used_g };
	return { ...common, use, consumed_g: used_g, ...given('uptake_g', uptake_g) };
}

const partDocument = ({ name, parts }: Part): PartDocument => ({
	name,
	...listed('parts', parts.map(partDocument))
});

function ingredientDocument(ingredient: Ingredient): IngredientDocument {
	const { id, name, kind, label, parts, per100g, allergens, refined, added, price } = ingredient;
	const labels = { ...given('us', label.us), ...given('eu', label.eu) };
	return {
		id,
		name,
		kind,
		...(Object.keys(labels).length > 0 ? { label: labels } : {}),
		...listed('parts', parts.map(partDocument)),
		per100g: Object.fromEntries(COMPOSITION_KEYS.map((key) => [key, per100g[key]])),
		allergens,
		...listed('refined', refined),
		...listed('added', added),
		...given('price', price)
	};
}
