import { NUTRIENTS, type Nutrient } from '../composition/nutrients.ts';
import { derive } from '../derive.ts';
import type { Facts } from '../facts.ts';
import { isDough, type Recipe } from '../formula/types.ts';
import { printedOf } from '../reformulate/amount.ts';
import { rulesOf } from '../rules/index.ts';
import type { World } from './move.ts';
import { consumed_g, uptake_g, workedBy, type Truth } from './truth.ts';
import { ballNow_g, madeNow } from './world.ts';

/** A figure of the bag: what it would have said, and what is so. */
export interface Lie {
	what: string;
	said: string;
	really: string;
}

/** The batch as it really was, where there is a dough: nothing it holds is unsaid. */
export function trueRecipe(truth: Truth, world: World): Recipe {
	const { recipe } = truth.setting;
	const made = madeNow(truth, world);
	const hasDough = made.balls_g.length > 0;
	const isCooked = workedBy(truth, 'cook') !== 'nobody';
	return {
		...recipe,
		ingredients: recipe.ingredients.map((each) =>
			each.id === truth.newly?.ingredient
				? { ...each, allergens: [...(each.allergens ?? []), truth.newly.tag] }
				: each
		),
		formula: {
			...recipe.formula,
			lines: recipe.formula.lines.map((line) => {
				if (isDough(line)) return hasDough ? { ...line, used_g: world.went_g[line.ingredient] ?? 0 } : line;
				return line.use === 'dusting'
					? { ...line, used_g: consumed_g(truth), uptake_g: uptake_g(truth) }
					: line;
			})
		},
		measured: {
			doughWeight_g: hasDough ? made.dough_g : null,
			ballWeights_g: made.balls_g.map((_, at) => ballNow_g(made, world, at + 1)),
			balls: hasDough ? made.balls_g.length : null,
			finishedWeights_g: isCooked || workedBy(truth, 'pack') !== 'nobody' ? made.pieces_g : [],
			rejects: 0
		}
	};
}

/** What a bag would say of a nutrient, in the words of its line. */
function printed(recipe: Recipe, facts: Facts, figure: Nutrient): string | null {
	return printedOf(recipe, facts, { figure, per: rulesOf(recipe.rules).printedPer });
}

/** The figures a bag would have lied by, of a batch as its record has it; empty where it would have been true. */
export function liesOf(truth: Truth, world: World, theirs: Recipe): Lie[] {
	const made = madeNow(truth, world);
	// What was not weighed yet is what it will be: the bag comes after it.
	const cooked = (recipe: Recipe): Recipe => {
		const { ballWeights_g, finishedWeights_g, ...measured } = recipe.measured;
		return {
			...recipe,
			measured: {
				...measured,
				ballWeights_g: ballWeights_g.length > 0 ? ballWeights_g : made.balls_g,
				finishedWeights_g: finishedWeights_g.length > 0 ? finishedWeights_g : made.pieces_g
			}
		};
	};
	const really = cooked(trueRecipe(truth, world));
	const [said, is] = [derive(cooked(theirs)), derive(really)];
	if (!said.ok || !is.ok) return [];
	const rules = rulesOf(really.rules);
	const lies: Lie[] = [];
	const compare = (what: string, one: string, other: string) => {
		if (one !== other) lies.push({ what, said: one, really: other });
	};
	const contains = ({ allergens }: Facts) => allergens.contains.join(', ') || 'none';
	compare('Contains', contains(said.value), contains(is.value));
	for (const nutrient of NUTRIENTS) {
		const key = rules.printsOf(nutrient)?.key;
		const name = rules.figures.find((figure) => figure.key === key)?.name;
		if (name === undefined) continue;
		const [one, other] = [printed(theirs, said.value, nutrient), printed(really, is.value, nutrient)];
		if (one !== null && other !== null) compare(name, one, other);
	}
	const pieces = ({ yield: { pieces } }: Facts) => String(Math.round(pieces));
	compare('Pieces made', pieces(said.value), pieces(is.value));
	const grams = ({ yield: { finishedWeight_g } }: Facts) =>
		finishedWeight_g === null ? 'not known' : `${finishedWeight_g.toFixed(0)} g`;
	if (said.value.yield.finishedWeight_g !== null || is.value.yield.finishedWeight_g !== null)
		compare('A piece weighs', grams(said.value), grams(is.value));
	return lies;
}
