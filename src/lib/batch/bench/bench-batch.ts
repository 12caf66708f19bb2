import { openState } from '$core/bench/state.ts';
import type { Bench } from '$core/bench/bench.ts';
import type { Entry } from '$core/bench/entries.ts';
import type { Batch } from '../types.ts';

/** The batch with what its entries say of it, those still on their way to the server too. */
export function benchBatch(batch: Batch, bench: Bench): Batch {
	if (batch.closed.length > 0) return batch;
	const state = openState(batch.lines, batch.recipe, bench);
	return { ...batch, ...state, packsLeft: state.packsMade - batch.packsSold - batch.packsGiven };
}

/** Entries without those that came by more than one way: as the server kept them where it did. */
export function oncePerId(entries: readonly Entry[]): Entry[] {
	const once = new Map<string, Entry>();
	for (const entry of entries) if ((once.get(entry.id)?.number ?? null) === null) once.set(entry.id, entry);
	return [...once.values()];
}
