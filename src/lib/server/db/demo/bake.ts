import { roundTo, sumOf } from '$core/measure/round.ts';
import type { Batch, BatchInput } from '../../../batch/types.ts';
import type { Chance } from './random.ts';
import type { DemoProduct } from './products.ts';

/** What goes wrong in a batch, for the two that do not square. */
export type Slip = 'salt not recorded' | 'one ball miscounted' | null;

const SAMPLED_BALLS = 12;
const SAMPLED_PIECES = 8;

/**
 * Measurements of a planned batch as a kitchen would have taken them: lines near the plan, balls and
 * cook loss with their spread, a reject now and then. Without a slip they square.
 */
export function bake(batch: Batch, demo: DemoProduct, chance: Chance, slip: Slip): BatchInput {
	const lines = batch.lines.map((line) => {
		const near =
			line.planned_g >= 100
				? roundTo(chance.normal(line.planned_g, 1.2), 1)
				: roundTo(chance.normal(line.planned_g, 0.3), 0.1);
		const grams = Math.max(0.1, near);
		const share = line.plannedUptake_g === null ? 0 : line.plannedUptake_g / line.planned_g;
		return {
			line,
			grams,
			uptake_g: line.use === 'dough' ? null : roundTo(grams * share, 0.1)
		};
	});
	const weighedIn_g = sumOf(
		lines.filter(({ line }) => line.use === 'dough'),
		({ grams }) => grams
	);
	const dough_g = roundTo(weighedIn_g - Math.max(6, chance.normal(demo.gap_g, 4)), 1);

	const balls: number[] = [];
	const ball = () => chance.normal(batch.ballWeight_g + 0.1, demo.ballSpread_g);
	let left_g = dough_g;
	for (let next = ball(); left_g >= next; next = ball()) {
		balls.push(next);
		left_g -= next;
	}
	const sample = typicalSample(balls, chance);
	const uptake_g = sumOf(lines, ({ uptake_g }) => uptake_g ?? 0) / balls.length;
	const rejects = [0, 0, 1, 1, 1, 2][chance.whole(0, 5)] ?? 0;
	const sellable = balls.length - rejects;
	const loss = chance.normal(demo.cookLoss, 0.007);
	const mean_g = (sumOf(balls, (each) => each) / balls.length + uptake_g) * (1 - loss);

	return {
		madeOn: batch.madeOn,
		ballWeight_g: batch.ballWeight_g,
		ballCount: slip === 'one ball miscounted' ? balls.length - 1 : balls.length,
		rejects,
		sellable,
		packs: Math.floor(sellable / batch.packPieces),
		loose: sellable % batch.packPieces,
		servingPieces: batch.servingPieces,
		note: '',
		doughWeight_g: dough_g,
		leftover_g: roundTo(left_g, 0.1),
		ballWeights_g: sample,
		finishedWeights_g: Array.from({ length: SAMPLED_PIECES }, () =>
			roundTo(chance.normal(mean_g, demo.ballSpread_g * 0.8), 0.1)
		),
		lines: lines.map(({ line, grams, uptake_g }) => ({
			id: line.id,
			grams: slip === 'salt not recorded' && line.name === 'Salt' ? 0 : grams,
			uptake_g
		}))
	};
}

/** A sample whose mean is close to that of all balls: the demo's good batches should square. */
function typicalSample(balls: number[], chance: Chance): number[] {
	const mean = sumOf(balls, (each) => each) / balls.length;
	for (;;) {
		const sample = Array.from({ length: Math.min(SAMPLED_BALLS, balls.length) }, () =>
			roundTo(balls[chance.whole(0, balls.length - 1)] ?? mean, 0.1)
		);
		if (Math.abs(sumOf(sample, (each) => each) / sample.length - mean) < 0.1) return sample;
	}
}
