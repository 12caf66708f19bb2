import type { SurfaceLine, SurfaceUse } from './types.ts';

/** Share of what was used up that stays on the pieces while nobody has weighed it (section 3). */
const DEFAULT_UPTAKE: Record<SurfaceUse, number> = {
	layering: 1,
	brushing: 1,
	garnish: 1,
	dusting: 0.5,
	bowl: 0.5,
	griddle: 0.5
};

/** Grams of the line that end up on or in the pieces of the whole batch: weighed, or the default share. */
export function uptakeOf_g(line: SurfaceLine): number {
	return line.uptake_g ?? line.consumed_g * DEFAULT_UPTAKE[line.use];
}

/** Whether the uptake rests on a default that is only a guess until it is weighed. */
export function uptakeIsAssumed(line: SurfaceLine): boolean {
	return line.uptake_g === undefined && DEFAULT_UPTAKE[line.use] < 1;
}
