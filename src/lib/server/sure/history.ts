import type { TakenShare } from '$core/formula/by-feel.ts';
import { asTaken } from '$core/formula/by-feel.ts';
import { isDough, type Ingredient } from '$core/formula/types.ts';
import { mean } from '$core/measure/round.ts';
import { pooledSpread } from '$core/measure/spread.ts';
import { NO_BATCH_FIGURES, type BatchFigures } from '$core/sure/assumptions.ts';
import type { TellingBatch } from '../../batch/summary.ts';
import type { Formula, FormulaLine } from '../../formula/types.ts';
import { squares } from '../batches/history.ts';
import { groupBy } from '../rows.ts';

/** What the batches of a formula that squared say of how they differ, and how its family's do. */
export interface SpreadHistory {
	batches: BatchFigures[];
	pooled: BatchFigures;
}

/** Spreads between batches of a kitchen that has none of its own yet to go by (sd of a cook loss, grams of a ball). */
const USUAL_LOSS_SD = 0.015;
const USUAL_BALL_SHARE = 0.01;

/** How batches of a formula differ. `all` are the kitchen's newest batches, this formula's among them. */
export function spreadHistory(
	formula: Pick<Formula, 'id' | 'family'>,
	lines: readonly FormulaLine[],
	ingredientOf: (id: string) => Ingredient | undefined,
	familyOf: (formulaId: string) => string,
	all: readonly TellingBatch[]
): SpreadHistory {
	const own = all.filter((batch) => batch.formulaId === formula.id && squares(batch));
	const batches = own.map(figuresOf);
	const water = waterTaken(
		lines,
		ingredientOf,
		own.map(({ standing }) => standing.byFeel)
	);
	const family = all.filter(
		(batch) =>
			squares(batch) &&
			(batch.formulaId === formula.id ||
				(formula.family !== '' && familyOf(batch.formulaId) === formula.family))
	);
	return {
		batches: [...batches, ...water.map((water_g) => ({ ...NO_BATCH_FIGURES, water_g }))],
		pooled: pooledOf(family)
	};
}

const figuresOf = ({ standing }: TellingBatch): BatchFigures => ({
	...NO_BATCH_FIGURES,
	cookLoss: standing.cookLoss,
	ballWeight_g: mean(standing.ballWeights_g)
});

/** What batches took of the water line, where it goes in by feel. */
function waterTaken(
	lines: readonly FormulaLine[],
	ingredientOf: (id: string) => Ingredient | undefined,
	byFeel: readonly (readonly TakenShare[])[]
): number[] {
	const { taken } = asTaken(lines, byFeel);
	const water = taken.find(({ line }) => isDough(line) && ingredientOf(line.ingredient)?.kind === 'water');
	return water?.each_g ?? [];
}

/** The spread within formulas of a family; where none has two batches, what is usual. */
function pooledOf(family: readonly TellingBatch[]): BatchFigures {
	const groups = [...groupBy(family, (batch) => batch.formulaId).values()];
	const spreadOf = (value: (batch: TellingBatch) => number | null) =>
		pooledSpread(groups.map((of) => of.flatMap((batch) => value(batch) ?? [])))?.sd ?? null;
	const ball_g = mean(family.flatMap(({ standing }) => mean(standing.ballWeights_g) ?? []));
	return {
		cookLoss: spreadOf(({ standing }) => standing.cookLoss) ?? USUAL_LOSS_SD,
		ballWeight_g:
			spreadOf(({ standing }) => mean(standing.ballWeights_g)) ??
			(ball_g === null ? null : ball_g * USUAL_BALL_SHARE),
		water_g: null
	};
}
