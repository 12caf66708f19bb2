import type { Cost } from '../cost/cost.ts';
import { derive } from '../derive.ts';
import type { Facts } from '../facts.ts';
import type { Recipe } from '../formula/types.ts';
import type { Problem } from '../problem.ts';
import { closings, type Closing } from '../squaring/closings.ts';
import type { StockUse } from '../stock/use.ts';
import { takenShares, type TakenShare } from '../formula/by-feel.ts';
import { rulesOf } from '../rules/index.ts';
import { declaredOf } from '../statement/declared.ts';
import { lineStanding, unweighedDough, type BatchLine, type BatchMeasured } from './batch.ts';
import type { Bench } from './bench.ts';
import { closingFigures } from './closing.ts';
import { nextStation, type NextStation } from './next-station.ts';

/** A batch as its entries have it, with what it is made of and what lots are kept of. */
export interface BatchState extends BatchMeasured {
	recipe: Recipe;
	lines: readonly BatchLine[];
	recorded: boolean;
	stock: readonly StockUse[];
}

/** What follows of a batch: its facts, or why there are none, and how each stage stands. */
export interface Outcomes {
	facts: Facts | null;
	problems: Problem[];
	closings: Closing[];
}

/** Derives a batch and closes its stages (computation, sections 4 to 13). */
export function outcomesOf(state: BatchState, scaleDivision_g: number): Outcomes {
	const outcome = derive(state.recipe);
	const facts = outcome.ok ? outcome.value : null;
	const { leftover_g, sellable, packs, loose, stock, lines, recorded } = state;
	const unweighedLines = recorded ? unweighedDough(lines).length : 0;
	return {
		facts,
		problems: outcome.ok ? [] : outcome.problems,
		closings: closings(
			closingFigures(
				state.recipe,
				facts,
				{ leftover_g, sellable, packs, loose, stock, unweighedLines },
				scaleDivision_g
			)
		)
	};
}

/** A step that is going on. */
export interface Running {
	step: number;
	begunAt: string;
}

/** What lists show of a batch, as its entries have it when the last of them was kept. */
export interface Standing {
	recorded: boolean;
	/** Where the work goes on. */
	next: NextStation;
	/** Dough lines that nobody weighed. */
	unweighed: number;
	closings: Closing[];
	cookLoss: number | null;
	overallYield: number | null;
	hydration: number | null;
	doughMass_g: number | null;
	/** Null while the dough was not weighed. */
	doughWeight_g: number | null;
	pieces: number | null;
	ballWeight_g: number | null;
	uptake_g: number | null;
	sellable: number | null;
	/** Packs the figures come to; they are none until they are counted. */
	plannedPacks: number | null;
	cost: Cost | null;
	ballWeights_g: number[];
	finishedWeights_g: number[];
	/** Set at packing; null where the label's days hold. */
	bestBefore: string | null;
	running: Running[];
	/** Minutes from the first to the last of the making; null where nobody timed it. */
	taken_min: number | null;
	/** How many pieces are in each pack made up of loose ones. */
	shortPacks: number[];
	/** What it took of lines by feel or to be weighed. */
	byFeel: TakenShare[];
	/** Ids of what went into it, or may have: all but what was weighed as nothing. */
	ingredients: string[];
	/** Allergens of these, as a declaration names them by the kitchen's rules. */
	contains: string[];
}

/** What is noted of a batch for the lists. */
export function standingOf(
	state: Pick<BatchState, 'lines' | 'recorded' | 'recipe' | keyof BatchMeasured>,
	{ facts, closings: stages }: Pick<Outcomes, 'facts' | 'closings'>,
	bench: Bench,
	taken_min: number | null
): Standing {
	const made = facts?.yield;
	const holding = state.lines.filter((line) => line.weighed_g !== 0);
	return {
		recorded: state.recorded,
		next: nextStation(state),
		unweighed: unweighedDough(state.lines).length,
		closings: stages,
		cookLoss: made?.cookLoss ?? null,
		overallYield: made?.overallYield ?? null,
		hydration: facts?.formula.hydration ?? null,
		doughMass_g: made?.doughMass_g ?? null,
		doughWeight_g: state.doughWeight_g,
		pieces: made?.pieces ?? null,
		ballWeight_g: made?.ballWeight_g ?? null,
		uptake_g: made?.uptake_g ?? null,
		sellable: made?.sellable ?? null,
		plannedPacks: made?.packs ?? null,
		cost: facts?.cost ?? null,
		ballWeights_g: state.ballWeights_g,
		finishedWeights_g: state.finishedWeights_g,
		bestBefore: bench.bestBefore,
		running: [...bench.steps].flatMap(([step, { begunAt, endedAt }]) =>
			begunAt !== null && endedAt === null ? { step, begunAt } : []
		),
		taken_min,
		shortPacks: bench.shortPacks,
		byFeel: takenShares(
			state.lines.map((line) => ({
				...lineStanding(line),
				toWeigh: line.toWeigh,
				most_g: line.most_g,
				weighed: line.weighed_g !== null
			}))
		),
		ingredients: [...new Set(holding.map((line) => line.ingredient))],
		contains: [
			...new Set([
				...(facts?.allergens.contains ?? []),
				...declaredOf(
					state.recipe.ingredients.filter(({ id }) => holding.some((line) => line.ingredient === id)),
					rulesOf(state.recipe.rules)
				)
			])
		]
	};
}
