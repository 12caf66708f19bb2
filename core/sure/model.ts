import { NUTRIENTS, type Nutrient } from '../composition/nutrients.ts';
import type { Facts } from '../facts.ts';
import { ingredientsOf, isDough, type Ingredient, type Recipe } from '../formula/types.ts';
import type { Assumptions } from './assumptions.ts';
import { ballSampler, coming, finishedSampler, lineSampler, type Coming } from './masses.ts';
import { fixed, type Sampler } from './sampler.ts';
import { valueSampler } from './values.ts';

/** One number the figures follow from, and how it may come out. */
export interface Input {
	/** As section 15 calls it: `value salt sodium_mg`, `line 2`, `scale`… */
	name: string;
	sampler: Sampler;
}

/** A line as the kernel reads it; numbers are places among the inputs. */
export interface LinePlace {
	reading: number;
	/** Whether the scale's own error is in it. */
	onScale: boolean;
	ingredient: number;
	isDough: boolean;
}

/** An ingredient as the kernel reads it: the place of each value, in the order of `NUTRIENTS`. */
export interface IngredientPlace {
	id: string;
	values: number[];
	/** What the shelf says, which carbohydrate is a difference from. */
	stated: number[];
}

/** A recipe with all that is uncertain in it. */
export interface SureModel {
	inputs: Input[];
	lines: LinePlace[];
	ingredients: IngredientPlace[];
	pieces: number;
	/** The scale's own error, one factor for all that is read off it. */
	scale: number;
	/** Whether each ball is read or sampled; null where it follows from the dough and the count. */
	ball: { place: number; onScale: boolean } | null;
	/** The finished piece as weighed, or what is left of ball and uptake after the cook loss. */
	finished: { place: number; onScale: boolean } | { cookLoss: number };
	/** Dough weight that lines are a share of where water steamed off; null where the lines' own sum is. */
	doughWeight_g: number | null;
}

/** The place of every value that is zero for certain. */
const NOTHING = 0;
/** The place of a value nobody knows. */
export const UNKNOWN = -1;

/** Nutrients that nothing printed follows from. */
const UNUSED: readonly Nutrient[] = ['energy_kcal'];

/**
 * The inputs of a recipe that derives and whose finished weight is known, by section 15. Lines that hold nothing
 * are left out, as in the derivation.
 */
export function sureModel(
	recipe: Recipe,
	yielded: Facts['yield'],
	finishedWeight_g: number,
	given: Assumptions
): SureModel {
	const inputs: Input[] = [{ name: '', sampler: fixed(0) }];
	const add = (name: string, sampler: Sampler): number => inputs.push({ name, sampler }) - 1;
	const ingredientOf = ingredientsOf(recipe);
	const places = new Map<string, number>();
	const ingredients: IngredientPlace[] = [];
	const placeOf = (id: string): number => {
		const known = places.get(id);
		if (known !== undefined) return known;
		ingredients.push(ingredientPlace(ingredientOf(id), given, add));
		places.set(id, ingredients.length - 1);
		return ingredients.length - 1;
	};

	const scale = add('scale', { kind: 'normal', mean: 1, sd: given.scale.calibration });
	const expected = coming(given, recipe, yielded);
	const lines: LinePlace[] = [];
	recipe.formula.lines.forEach((line, index) => {
		const byFeel = index === expected.waterLine ? expected.water : null;
		const { name, sampler, isRead } = byFeel ?? lineSampler(line, index, given);
		if (sampler.kind === 'fixed' && sampler.value === 0) return;
		lines.push({
			reading: add(name, sampler),
			onScale: isRead,
			ingredient: placeOf(line.ingredient),
			isDough: isDough(line)
		});
	});

	return {
		inputs,
		lines,
		ingredients,
		pieces: yielded.pieces,
		scale,
		ball: ballPlace(recipe, yielded, expected, given, add),
		finished: finishedPlace(recipe, yielded, finishedWeight_g, expected, given, add),
		doughWeight_g: recipe.formula.mixGap === 'evaporation' ? recipe.measured.doughWeight_g : null
	};
}

type Add = (name: string, sampler: Sampler) => number;

function ingredientPlace(ingredient: Ingredient, given: Assumptions, add: Add): IngredientPlace {
	const source = given.sources.get(ingredient.id) ?? 'table';
	const values = NUTRIENTS.map((nutrient) => {
		if (UNUSED.includes(nutrient) || ingredient.per100g[nutrient] === null) return UNKNOWN;
		const known = given.values.find(
			(each) => each.ingredient === ingredient.id && each.nutrient === nutrient
		);
		const sampler = valueSampler(ingredient, nutrient, source, known, given.cvs);
		if (sampler.kind === 'fixed' && sampler.value === 0) return NOTHING;
		return add(`value ${ingredient.id} ${nutrient}`, sampler);
	});
	return {
		id: ingredient.id,
		values,
		stated: NUTRIENTS.map((nutrient) => ingredient.per100g[nutrient] ?? 0)
	};
}

function ballPlace(
	recipe: Recipe,
	yielded: Facts['yield'],
	expected: Coming,
	given: Assumptions,
	add: Add
): SureModel['ball'] {
	const { measured, product } = recipe;
	if (expected.ball) return { place: add('ball weight', expected.ball), onScale: false };
	if (measured.ballWeights_g.length === 0 && product.ballWeight_g === null) return null;
	const { sampler, isRead } = ballSampler(measured.ballWeights_g, yielded, given);
	return { place: add('ball weight', sampler), onScale: isRead };
}

function finishedPlace(
	recipe: Recipe,
	yielded: Facts['yield'],
	finishedWeight_g: number,
	expected: Coming,
	given: Assumptions,
	add: Add
): SureModel['finished'] {
	if (given.question === 'label')
		return { cookLoss: add('cook loss', expected.cookLoss ?? fixed(yielded.cookLoss ?? 0)) };
	const { sampler, isRead } = finishedSampler(
		recipe.measured.finishedWeights_g,
		finishedWeight_g,
		yielded.pieces,
		given
	);
	return { place: add('finished weight', sampler), onScale: isRead };
}
