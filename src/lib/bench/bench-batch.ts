import { lineWeighed_g, rejectsOf, surfaceUse, type Bench } from '$core/bench/bench.ts';
import type { Entry } from '$core/bench/entries.ts';
import { measuredRecipe } from '../measured-recipe.ts';
import type { Batch } from '../server/batches/types.ts';

/** The batch with what its entries say of it, those still on their way to the server too. */
export function benchBatch(batch: Batch, bench: Bench): Batch {
	if (batch.closed.length > 0) return batch;
	const grams = (what: 'dough' | 'leftover' | 'ball' | 'finished') =>
		bench.readings(what).map((reading) => reading.grams);
	const lines = batch.lines.map((line) => {
		if (line.use === 'dough') return { ...line, weighed_g: lineWeighed_g(bench, line.id) };
		const { consumed_g, uptake_g } = surfaceUse(bench, line.id);
		return { ...line, weighed_g: consumed_g, weighedUptake_g: uptake_g };
	});
	const measured = {
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
	const recorded =
		lines.some((line) => line.weighed_g !== null) ||
		measured.doughWeight_g !== null ||
		measured.ballWeights_g.length + measured.finishedWeights_g.length > 0;
	const { servingPieces, ballWeight_g } = batch;
	return {
		...batch,
		...measured,
		recorded,
		lines,
		recipe: measuredRecipe(batch.recipe, {
			...measured,
			servingPieces,
			ballWeight_g,
			lines: lines.map(
				({ ingredient, use, stage, weighed_g, planned_g, weighedUptake_g, plannedUptake_g }) => ({
					ingredient,
					use,
					stage,
					grams: weighed_g ?? planned_g,
					// Until the material itself is weighed, what is planned to stay on stands.
					uptake_g: weighed_g === null ? plannedUptake_g : weighedUptake_g
				})
			)
		})
	};
}

/** Entries without those that came by more than one way. */
export function oncePerId(entries: readonly Entry[]): Entry[] {
	return [...new Map(entries.map((entry) => [entry.id, entry])).values()];
}
