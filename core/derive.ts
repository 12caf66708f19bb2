import { compositionWarnings } from './composition/checks.ts';
import type { NutrientAmounts } from './composition/nutrients.ts';
import { batchCost, consumedOf_g, type Cost } from './cost/cost.ts';
import { bakersFigures, type BakersFigures } from './formula/bakers.ts';
import { uptakeIsAssumed, uptakeOf_g } from './formula/surface.ts';
import type { DoughLine, Ingredient, Recipe, RulesName, SurfaceLine } from './formula/types.ts';
import { massFlow, massNotices } from './massflow/massflow.ts';
import { moistureNotices, pieceWater } from './massflow/water.ts';
import { sumOf } from './measure/round.ts';
import { energyNotices, factorEnergy, type FactorEnergy } from './nutrition/energy.ts';
import { rawNutrients, timesAmounts, type Incomplete } from './nutrition/perPiece.ts';
import { evaporatedPerPiece_g, pieceShares } from './nutrition/shares.ts';
import type { Notice, Outcome } from './problem.ts';
import { eu } from './rules/eu/index.ts';
import type { Declarations, RuleSet } from './rules/ruleset.ts';
import { us } from './rules/us/index.ts';
import { statementEntries } from './statement/entries.ts';

const RULE_SETS: Record<RulesName, RuleSet> = { us, eu };

/** Everything derived for a product or batch: the output of the Square Batch file's `derive`. */
export interface Facts {
	yield: {
		doughMass_g: number;
		doughWeight_g: number;
		pieces: number;
		ballWeight_g: number;
		leftoverDough_g: number;
		uptake_g: number;
		finishedWeight_g: number | null;
		cookLoss: number | null;
		finishedMoisture: number | null;
		sellable: number;
		packs: number | null;
		loose: number | null;
		overallYield: number | null;
	};
	formula: BakersFigures;
	perPiece: NutrientAmounts;
	per100g: NutrientAmounts | null;
	energy: FactorEnergy;
	incomplete: Incomplete[];
	serving: Declarations['serving'];
	panel: Declarations['panel'];
	panelPiece?: Declarations['panelPiece'];
	panelPackage?: Declarations['panelPackage'];
	table: Declarations['table'];
	statement: string | null;
	allergens: { contains: string[]; text: string | null; unconfirmed: string[] };
	cost: Cost;
	notices: Notice[];
}

/**
 * Formula + measurements + prices + rule set → facts; or every problem that makes them impossible.
 * Expects a recipe whose shape is sound: `readRecipe` of core/file says so.
 */
export function derive(recipe: Recipe): Outcome<Facts> {
	const ingredients = new Map(recipe.ingredients.map((ingredient) => [ingredient.id, ingredient]));
	const ingredientOf = (id: string): Ingredient => {
		const ingredient = ingredients.get(id);
		if (!ingredient) throw new Error(`ingredient ${id} is not defined`);
		return ingredient;
	};
	const { lines } = recipe.formula;
	const doughLines = lines.filter((line): line is DoughLine => line.use === 'dough');
	const surfaceLines = lines.filter((line): line is SurfaceLine => line.use !== 'dough');
	const batch = recipe.batch ?? {};
	const mixGap = batch.mixGap ?? 'residue';

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

	const declared = RULE_SETS[recipe.rules].declare({
		formulaName: recipe.formula.name,
		piece: recipe.piece,
		pack: recipe.pack,
		finishedWeight_g: finished,
		perPiece,
		per100g,
		energy,
		entries: statementEntries(shares, ingredientOf, recipe.rules),
		contactAllergens: contactAllergens(surfaceLines, ingredientOf),
		servingPieces: batch.servingPieces,
		ingredientOf
	});

	const problems = [...flowProblems, ...waterProblems, ...declared.problems];
	if (problems.length > 0) return { ok: false, problems };

	const formula = bakersFigures(doughLines, ingredientOf);
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
			cost: batchCost(lines, ingredientOf, flow.sellable, recipe.pack),
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

/** What the mass flow needs of a recipe. */
export function massInput(recipe: Recipe): Parameters<typeof massFlow>[0] {
	const batch = recipe.batch ?? {};
	const samples = (weights: number[] | undefined) => (weights && weights.length > 0 ? weights : undefined);
	return {
		doughMass_g: sumOf(recipe.formula.lines, (line) => (line.use === 'dough' ? line.grams : 0)),
		uptake_g: sumOf(recipe.formula.lines, (line) => (line.use === 'dough' ? 0 : uptakeOf_g(line))),
		doughWeight_g: batch.doughWeight_g,
		ballWeight_g: recipe.piece.ballWeight_g,
		count: recipe.piece.count,
		ballWeights_g: samples(batch.ballWeights_g),
		finishedWeights_g: samples(batch.finishedWeights_g),
		rejects: batch.rejects,
		packPieces: recipe.pack?.pieces
	};
}

/** Ids of ingredients with some mass whose allergens nobody has confirmed, alphabetically. */
function unconfirmed(recipe: Recipe, ingredientOf: (id: string) => Ingredient): string[] {
	const used = new Set(
		recipe.formula.lines.filter((line) => consumedOf_g(line) > 0).map((line) => line.ingredient)
	);
	return [...used].filter((id) => !ingredientOf(id).allergens).sort();
}

/**
 * Allergens of surface materials that were used and are said to leave nothing on the pieces. A trace
 * of them is there, so they are declared (docs/decisions).
 */
function contactAllergens(lines: readonly SurfaceLine[], ingredientOf: (id: string) => Ingredient): string[] {
	return lines
		.filter((line) => line.consumed_g > 0 && uptakeOf_g(line) === 0)
		.flatMap((line) => ingredientOf(line.ingredient).allergens ?? []);
}

function assumedUptakes(lines: readonly SurfaceLine[], ingredientOf: (id: string) => Ingredient): Notice[] {
	return lines.filter(uptakeIsAssumed).map((line) => ({
		code: 'uptake-assumed',
		message: `half of the ${ingredientOf(line.ingredient).name} for ${line.use} is taken to stay on the pieces until it is weighed`,
		ingredient: line.ingredient
	}));
}

function compositionNotices(ingredient: Ingredient): Notice[] {
	return compositionWarnings(ingredient.per100g, ingredient.kind).map((warning) => ({
		code: warning.code,
		message: `${ingredient.name}: ${warning.message}`,
		ingredient: ingredient.id
	}));
}
