import type { Line, SurfaceUse } from './types.ts';

/** Share of what was used up that stays on the pieces while nobody has weighed it (section 3). */
const DEFAULT_UPTAKE: Record<SurfaceUse, number> = {
	layering: 1,
	brushing: 1,
	garnish: 1,
	dusting: 0.5,
	bowl: 0.5,
	griddle: 0.5
};

/**
 * Grams of a surface material that end up on or in the pieces of the whole batch: weighed, or the default
 * share of its use. None of a dough line, whose grams are in the balls.
 */
export function uptakeOf_g(line: Pick<Line, 'use' | 'used_g' | 'uptake_g'>): number {
	if (line.use === 'dough') return 0;
	return line.uptake_g ?? line.used_g * DEFAULT_UPTAKE[line.use];
}

/** Whether the uptake rests on a default that is only a guess until it is weighed. */
export function uptakeIsAssumed(line: Pick<Line, 'use' | 'uptake_g'>): boolean {
	return line.use !== 'dough' && line.uptake_g === null && DEFAULT_UPTAKE[line.use] < 1;
}
