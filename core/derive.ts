import { compositionWarnings } from './composition/checks.ts';
import type { NutrientAmounts } from './composition/nutrients.ts';
import { batchCost } from './cost/cost.ts';
import type { Facts } from './facts.ts';
import { bakersFigures } from './formula/bakers.ts';
import { uptakeIsAssumed, uptakeOf_g } from './formula/surface.ts';
import { ingredientsOf, isDough, type Ingredient, type Line, type Recipe } from './formula/types.ts';
import { massInput } from './massflow/input.ts';
import { massFlow, massNotices } from './massflow/massflow.ts';
import { moistureNotices, pieceWater } from './massflow/water.ts';
import { energyNotices, factorEnergy } from './nutrition/energy.ts';
import { rawNutrients, timesAmounts } from './nutrition/perPiece.ts';
import { evaporatedPerPiece_g, pieceShares, type Share } from './nutrition/shares.ts';
import type { Notice, Outcome } from './problem.ts';
import { rulesOf } from './rules/index.ts';
import { gathered, statementEntries } from './statement/entries.ts';

/**
 * Formula + measurements + prices + rule set → facts; or every problem that makes them impossible.
 * Expects a recipe whose shape is sound: `readRecipe` of core/file says so.
 */
export function derive(recipe: Recipe): Outcome<Facts> {
	const ingredientOf = ingredientsOf(recipe);
	const { lines, mixGap } = recipe.formula;
	const surfaceLines = lines.filter((line) => !isDough(line));

	const { flow, problems: flowProblems } = massFlow(massInput(recipe));
	if (!flow) return { ok: false, problems: flowProblems };

	const shares = pieceShares(lines, flow, mixGap);
	const { amounts: raw, incomplete } = rawNutrients(shares, ingredientOf);
	const rawWater_g = raw.water_g === null ? null : raw.water_g - evaporatedPerPiece_g(flow, mixGap);
	const { water, problems: waterProblems } = pieceWater(flow, rawWater_g);
	const finished = flow.finishedWeight_g;
	const perPiece: NutrientAmounts = { ...raw, water_g: finished === null ? rawWater_g : water.left_g };
	const energy = factorEnergy(perPiece);
	const per100g = finished === null ? null : timesAmounts(perPiece, 100 / finished);

	const rules = rulesOf(recipe.rules);
	const declared = rules.declare({
		foodName: recipe.formula.name,
		product: recipe.product,
		finishedWeight_g: finished,
		perPiece,
		per100g,
		energy,
		entries: statementEntries(shares, ingredientOf, rules),
		contact: gathered(contactShares(surfaceLines), ingredientOf, rules),
		ingredientOf
	});

	const problems = [...flowProblems, ...waterProblems, ...declared.problems];
	if (problems.length > 0) return { ok: false, problems };

	const formula = bakersFigures(lines, ingredientOf);
	return {
		ok: true,
		value: {
			yield: {
				doughMass_g: flow.doughMass_g,
				doughWeight_g: flow.doughWeight_g,
				pieces: flow.pieces,
				ballWeight_g: flow.ballWeight_g,
				leftoverDough_g: flow.leftoverDough_g,
				uptake_g: flow.uptake_g,
				finishedWeight_g: flow.finishedWeight_g,
				cookLoss: flow.cookLoss,
				finishedMoisture: water.finishedMoisture,
				sellable: flow.sellable,
				packs: flow.packs,
				loose: flow.loose,
				overallYield: flow.overallYield
			},
			formula,
			perPiece,
			per100g,
			energy,
			incomplete,
			serving: declared.serving,
			panel: declared.panel,
			...(declared.panelPiece ? { panelPiece: declared.panelPiece } : {}),
			...(declared.panelPackage ? { panelPackage: declared.panelPackage } : {}),
			table: declared.table,
			statement: declared.statement,
			allergens: {
				contains: declared.contains,
				text: declared.containsText,
				unconfirmed: unconfirmed(recipe, ingredientOf)
			},
			cost: batchCost(lines, ingredientOf, flow.sellable, recipe.product),
			notices: [
				...massNotices(flow, mixGap),
				...moistureNotices(water),
				...energyNotices(perPiece.energy_kcal, energy.us_kcal),
				...(formula.flour_g > 0 ? [] : [NO_FLOUR]),
				...declared.notices,
				...assumedUptakes(surfaceLines, ingredientOf),
				...recipe.ingredients.flatMap(compositionNotices)
			]
		}
	};
}

const NO_FLOUR: Notice = {
	code: 'no-flour',
	message: 'no dough line is a flour, so there are no baker’s percentages',
	ingredient: null
};

/** Ids of ingredients with some mass whose allergens nobody has confirmed, alphabetically. */
function unconfirmed(recipe: Recipe, ingredientOf: (id: string) => Ingredient): string[] {
	const ids: string[] = [];
	for (const { used_g, ingredient } of recipe.formula.lines)
		if (used_g > 0 && !ingredientOf(ingredient).allergens && !ids.includes(ingredient)) ids.push(ingredient);
	return ids.sort();
}

/**
 * Surface materials that were used and are said to leave nothing on the pieces. A trace of them is there, so their
 * allergens are declared (docs/decisions).
 */
function contactShares(lines: readonly Line[]): Share[] {
	return lines
		.filter((line) => line.used_g > 0 && uptakeOf_g(line) === 0)
		.map((line) => ({ ingredient: line.ingredient, mass_g: 0 }));
}

function assumedUptakes(lines: readonly Line[], ingredientOf: (id: string) => Ingredient): Notice[] {
	return lines.filter(uptakeIsAssumed).map((line) => ({
		code: 'uptake-assumed',
		message: `half of the ${ingredientOf(line.ingredient).name} for ${line.use} is taken to stay on the pieces until it is weighed`,
		ingredient: line.ingredient
	}));
}

/** Doubts by composition: a shelf is derived from again with every keystroke, and stays what it is meanwhile. */
const known = new WeakMap<Ingredient['per100g'], { name: string; kind: string; notices: Notice[] }>();

function compositionNotices({ id, name, kind, per100g }: Ingredient): Notice[] {
	const before = known.get(per100g);
	if (before?.name === name && before.kind === kind) return before.notices;
	const notices = compositionWarnings(per100g, kind).map(({ code, message }): Notice => ({
		code,
		message: `${name}: ${message}`,
		ingredient: id
	}));
	known.set(per100g, { name, kind, notices });
	return notices;
}
