import { controlChart } from '$core/history/control.ts';
import type { Trend, TrendPoint } from '../../batch/trend.ts';
import type { BatchSummary } from '../../batch/summary.ts';
import { isMade } from './history.ts';

/** What is read off a batch. */
const FIGURES: Record<Trend['key'], (standing: BatchSummary['standing']) => number | null> = {
	cookLoss: (standing) => standing.cookLoss,
	residue: ({ doughMass_g, doughWeight_g }) =>
		doughMass_g !== null && doughWeight_g !== null ? 1 - doughWeight_g / doughMass_g : null,
	yield: (standing) => standing.overallYield,
	hydration: (standing) => standing.hydration,
	time: (standing) => standing.taken_min
};
/** A batch so much larger or smaller than the one before may behave otherwise. */
const SIZE_CHANGE = 0.2;

/** How the figures of the batches made of a formula went; `nameOf` gives the name of equipment. */
export function trendsOf(
	newestFirst: readonly BatchSummary[],
	nameOf: (equipment: string) => string
): Trend[] {
	const oldest = newestFirst
		.filter((batch) => isMade(batch) && batch.standing.doughMass_g !== null)
		.toReversed();
	return (Object.keys(FIGURES) as Trend['key'][]).map((key) => {
		const points = oldest.flatMap((batch, index): TrendPoint[] => {
			const value = FIGURES[key](batch.standing);
			if (value === null) return [];
			const { id, code, madeOn } = batch;
			return [{ id, code, madeOn, value, changed: changes(oldest[index - 1], batch, nameOf) }];
		});
		return {
			key,
			unit: key === 'time' ? 'min' : 'share',
			points,
			chart: controlChart(points.map((point) => point.value))
		};
	});
}

/** What of a batch was otherwise than in the one before: where to look when a figure moved. */
export function changes(
	before: BatchSummary | undefined,
	after: BatchSummary,
	nameOf: (id: string) => string
): string[] {
	if (!before?.standing.doughMass_g || !after.standing.doughMass_g) return [];
	const found: string[] = [];
	if (before.formulaNumber !== after.formulaNumber) found.push(`formula version ${after.formulaNumber}`);
	if (before.ballWeight_g !== after.ballWeight_g) found.push(`balls planned at ${after.ballWeight_g} g`);
	const size = after.standing.doughMass_g / before.standing.doughMass_g;
	if (Math.abs(size - 1) > SIZE_CHANGE) found.push(size > 1 ? 'a larger batch' : 'a smaller batch');
	const equipment = after.standing.equipment.filter((id) => !before.standing.equipment.includes(id));
	if (before.standing.equipment.length > 0 && equipment.length > 0)
		found.push(`on ${equipment.map(nameOf).join(' and ')}`);
	for (const [id, source] of Object.entries(after.standing.sources)) {
		const earlier = before.standing.sources[id];
		const name = after.standing.names[id];
		if (earlier && name && JSON.stringify(earlier) !== JSON.stringify(source))
			found.push(`other values of ${name}`);
	}
	return found;
}
