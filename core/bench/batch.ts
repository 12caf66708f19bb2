import type { Line, Measured, Recipe, Use } from '../formula/types.ts';
import { lineWeighed_g, rejectsOf, surfaceUse, type Bench } from './bench.ts';

/** A line of a batch as it was planned. */
export interface PlannedLine {
	id: string;
	ingredient: string;
	use: Use;
	stage: string | null;
	planned_g: number;
	/** Of a surface material, what is planned to stay on the pieces; null takes the usual share. */
	plannedUptake_g: number | null;
	/** The most that was planned for it, where some is kept back; null where it is one amount. */
	most_g: number | null;
	/** The formula names no amount: the batch weighs it. */
	toWeigh: boolean;
}

/** What was weighed of a line; null while nobody did. A planned figure is never a weighing. */
export interface LineTaken {
	/** Weighed in, or consumed. */
	weighed_g: number | null;
	weighedUptake_g: number | null;
}

export type BatchLine = PlannedLine & LineTaken;

/** What was measured and counted of a batch beside its lines; null while nobody did. */
export interface BatchMeasured {
	doughWeight_g: number | null;
	leftover_g: number | null;
	ballWeights_g: number[];
	finishedWeights_g: number[];
	ballCount: number | null;
	rejects: number;
	sellable: number | null;
	packs: number | null;
	loose: number | null;
}

/** What was measured and counted, as the entries have it. */
export function measuredOf(bench: Bench): BatchMeasured {
	const grams = (what: 'dough' | 'leftover' | 'ball' | 'finished') =>
		bench.readings(what).map((reading) => reading.grams);
	return {
		// Weighed again, the last reading counts.
		doughWeight_g: grams('dough').at(-1) ?? null,
		leftover_g: grams('leftover').at(-1) ?? null,
		ballWeights_g: grams('ball'),
		finishedWeights_g: grams('finished'),
		ballCount: bench.counted.balls,
		rejects: rejectsOf(bench) ?? 0,
		sellable: bench.counted.sellable,
		packs: bench.counted.packs,
		loose: bench.counted.loose
	};
}

/** What was weighed of a line: a dough line's readings together, a surface material's use and uptake. */
export function lineTaken({ id, use }: Pick<PlannedLine, 'id' | 'use'>, bench: Bench): LineTaken {
	if (use === 'dough') return { weighed_g: lineWeighed_g(bench, id), weighedUptake_g: null };
	const { consumed_g, uptake_g } = surfaceUse(bench, id);
	return { weighed_g: consumed_g, weighedUptake_g: uptake_g };
}

/** The measurements of something that has more than those. */
export const measuredPart = ({
	doughWeight_g,
	leftover_g,
	ballWeights_g,
	finishedWeights_g,
	ballCount,
	rejects,
	sellable,
	packs,
	loose
}: BatchMeasured): BatchMeasured => ({
	doughWeight_g,
	leftover_g,
	ballWeights_g,
	finishedWeights_g,
	ballCount,
	rejects,
	sellable,
	packs,
	loose
});

/** Whether anything was weighed or counted yet; until then every figure is the plan's. */
export function isRecorded(lines: readonly LineTaken[], measured: BatchMeasured): boolean {
	const { doughWeight_g, leftover_g, ballCount: balls, sellable, packs, loose } = measured;
	return (
		lines.some((line) => line.weighed_g !== null || line.weighedUptake_g !== null) ||
		[doughWeight_g, leftover_g, balls, sellable, packs, loose].some((each) => each !== null) ||
		measured.ballWeights_g.length + measured.finishedWeights_g.length + measured.rejects > 0
	);
}

/** Packs there are to sell: what was counted and the short ones, else none. Planned figures never become packs. */
export const packsMade = (
	{ packs }: Pick<BatchMeasured, 'packs'>,
	{ shortPacks }: { shortPacks: readonly number[] }
): number => (packs ?? 0) + shortPacks.length;

/** Dough lines that nobody weighed. */
export const unweighedDough = <L extends Pick<BatchLine, 'use' | 'weighed_g'>>(lines: readonly L[]): L[] =>
	lines.filter((line) => line.use === 'dough' && line.weighed_g === null);

/** The line as it stands: weighed where it was, planned where not yet. */
export function lineStanding(line: BatchLine): Line {
	const { ingredient, use, stage, planned_g, plannedUptake_g, weighed_g, weighedUptake_g } = line;
	return {
		ingredient,
		use,
		stage,
		used_g: weighed_g ?? planned_g,
		// Until the material itself is weighed, what is planned to stay on stands.
		uptake_g: weighed_g === null ? (weighedUptake_g ?? plannedUptake_g) : weighedUptake_g
	};
}

/** The line as a closed batch has it: of dough that nobody weighed nothing is known to be in it. */
export const lineClosed = (line: BatchLine): Line => ({
	...lineStanding(line),
	...(line.use === 'dough' ? { used_g: line.weighed_g ?? 0 } : {})
});

/** The recipe of a batch with these lines and measurements in the place of those it has. */
export function recipeMade(recipe: Recipe, lines: readonly Line[], measured: BatchMeasured): Recipe {
	const { doughWeight_g, ballWeights_g, finishedWeights_g, rejects, ballCount: balls } = measured;
	const made: Measured = { doughWeight_g, ballWeights_g, finishedWeights_g, rejects, balls };
	return { ...recipe, formula: { ...recipe.formula, lines: [...lines] }, measured: made };
}
