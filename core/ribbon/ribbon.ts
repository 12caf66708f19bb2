import type { Facts } from '../facts.ts';
import { ingredientsOf, isDough, type Recipe } from '../formula/types.ts';
import { pieceShares } from '../nutrition/shares.ts';
import { dried, makeupOf, makeupTotal_g, timesMakeup, type Makeup } from '../formula/makeup.ts';

export type RibbonStageKey = 'weighedIn' | 'dough' | 'balls' | 'pieces' | 'packs' | 'sold';

/** One stretch of the ribbon: its grams by group, and how many where things are counted. */
export interface RibbonStage {
	key: RibbonStageKey;
	/** Null where it cannot be known yet. */
	makeup: Makeup | null;
	grams: number | null;
	count: number | null;
}

/** What leaves (or, below zero, joins) the mass before a stage, in words and grams. */
export interface RibbonLeaf {
	before: RibbonStageKey;
	label: string;
	grams: number;
}

export interface RibbonFigures {
	stages: RibbonStage[];
	leaves: RibbonLeaf[];
}

/** Below this a leaf is not worth a line. */
const LEAST_LEAF_G = 0.5;

/**
 * The ribbon of a batch: the mass at each stage from weighed in to sold, and what leaves between
 * them, all from the facts. `soldPacks` is how many packs are sold.
 */
export function ribbonFigures(recipe: Recipe, facts: Facts, soldPacks: number): RibbonFigures {
	const ingredientOf = ingredientsOf(recipe);
	const y = facts.yield;
	const { lines, mixGap } = recipe.formula;
	const flow = { ...y, uptakePerPiece_g: y.uptake_g / y.pieces };
	const shares = pieceShares(lines, flow, mixGap);

	const weighedIn = makeupOf(
		lines.filter(isDough).map((line) => ({ ingredient: line.ingredient, mass_g: line.used_g })),
		ingredientOf
	);
	const gap_g = y.doughMass_g - y.doughWeight_g;
	const dough =
		mixGap === 'evaporation'
			? dried(weighedIn, gap_g)
			: timesMakeup(weighedIn, y.doughWeight_g / y.doughMass_g);
	const balls = timesMakeup(dough, (y.pieces * y.ballWeight_g) / y.doughWeight_g);
	const surface = makeupOf(
		shares
			.filter((_, index) => lines[index]?.use !== 'dough')
			.map((share) => ({ ...share, mass_g: share.mass_g * y.pieces })),
		ingredientOf
	);
	const raw: Makeup = {
		flour: balls.flour + surface.flour,
		water: balls.water + surface.water,
		fat: balls.fat + surface.fat,
		other: balls.other + surface.other
	};
	const finished_g = y.finishedWeight_g;
	const waterOff_g = finished_g === null ? 0 : makeupTotal_g(raw) - y.pieces * finished_g;
	const pieces = finished_g === null ? null : dried(raw, waterOff_g);
	const ofPieces = (count: number | null) =>
		pieces === null || count === null ? null : timesMakeup(pieces, count / y.pieces);
	const packSize = recipe.product.packPieces;
	const packed = y.packs === null || packSize === null ? null : y.packs * packSize;
	const sold = packSize === null ? null : soldPacks * packSize;

	const stage = (key: RibbonStageKey, makeup: Makeup | null, count: number | null = null): RibbonStage => ({
		key,
		makeup,
		grams: makeup === null ? null : makeupTotal_g(makeup),
		count
	});
	const leaf = (before: RibbonStageKey, label: string, grams: number): RibbonLeaf[] =>
		Math.abs(grams) >= LEAST_LEAF_G ? [{ before, label, grams }] : [];
	const rejects = y.pieces - y.sellable;
	return {
		stages: [
			stage('weighedIn', weighedIn),
			stage('dough', dough),
			stage('balls', balls, y.pieces),
			stage('pieces', pieces, y.pieces),
			stage('packs', ofPieces(packed), y.packs),
			stage('sold', ofPieces(sold), soldPacks)
		],
		leaves: [
			...leaf(
				'dough',
				gap_g < 0 ? 'more than weighed in' : mixGap === 'evaporation' ? 'steam' : 'bowl and hands',
				Math.abs(gap_g)
			),
			...leaf('balls', 'leftover', y.leftoverDough_g),
			...leaf('pieces', 'surface, on', -y.uptake_g),
			...leaf('pieces', 'water off', waterOff_g),
			...leaf('packs', 'rejects', finished_g === null ? 0 : rejects * finished_g),
			...leaf('packs', 'loose', finished_g === null || y.loose === null ? 0 : y.loose * finished_g)
		]
	};
}

/** What of a batch was measured so far, for drawing no more than that. */
export interface Reached {
	/** Lines of the mix that were weighed, by their place among the recipe's lines. */
	weighed: ReadonlySet<number>;
	dough: boolean;
	balls: boolean;
	pieces: boolean;
	packs: boolean;
}

/**
 * The ribbon of a batch that is being made: what was weighed in so far, and each stage once it was
 * measured. What only follows from the plan is left out; the plan itself stands behind.
 */
export function ribbonSoFar(
	recipe: Recipe,
	facts: Facts,
	soldPacks: number,
	reached: Reached
): RibbonFigures {
	const { lines } = recipe.formula;
	const isWhole = lines.every((line, index) => !isDough(line) || reached.weighed.has(index));
	const weighedIn = {
		...recipe,
		formula: {
			...recipe.formula,
			lines: lines.filter((line, index) => !isDough(line) || reached.weighed.has(index))
		}
	};
	const { stages, leaves } = ribbonFigures(isWhole ? recipe : weighedIn, facts, soldPacks);
	const chain = [isWhole && reached.dough, reached.balls, reached.pieces, reached.packs, reached.packs];
	/** A stage is drawn once it and all before it were measured. */
	const isReached = (index: number) => chain.slice(0, index).every(Boolean);
	const drawn = new Set(stages.flatMap((stage, index) => (isReached(index) ? stage.key : [])));
	return {
		stages: stages.map((stage) =>
			drawn.has(stage.key) ? stage : { ...stage, makeup: null, grams: null, count: null }
		),
		leaves: leaves.filter((leaf) => drawn.has(leaf.before))
	};
}
