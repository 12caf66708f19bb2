import { mixCycle, type MixLine, type MixParts } from '$core/formula/mix.ts';
import type { Ingredient } from '$core/formula/types.ts';
import type { Database } from './db/connection.ts';
import { known } from './db/known.ts';
import { refuse } from './errors.ts';
import { groupBy, newId } from './rows.ts';

/** Lines of every mix of the kitchen, in order, by the mix's id. */
export async function mixLines(db: Database, kitchenId: string): Promise<Map<string, MixLine[]>> {
	const rows = await db('mix_lines').where('kitchen_id', kitchenId).orderBy(['mix_id', 'position']);
	return new Map(
		[...groupBy(rows, (row) => row.mix_id)].map(([id, each]) => [
			id,
			each.map((row) => ({ ingredient: row.ingredient_id, grams: Number(row.grams) }))
		])
	);
}

/** What the mixes of a kitchen are made of, for percentages that look into them; `shelf` has every ingredient. */
export async function mixParts(
	db: Database,
	kitchenId: string,
	shelf: ReadonlyMap<string, Ingredient>
): Promise<MixParts> {
	const lines = await known(db, kitchenId, 'mix lines', () => mixLines(db, kitchenId));
	const parts = new Set([...lines.values()].flatMap((each) => each.map((line) => line.ingredient)));
	return {
		mixes: Object.fromEntries(lines),
		ingredients: [...parts].flatMap((id) => shelf.get(id) ?? [])
	};
}

/** Sets the lines of a mix. Refuses a mix that would hold itself, with the path by which it would. */
export async function setMixLines(
	db: Database,
	kitchenId: string,
	mixId: string,
	lines: readonly MixLine[]
): Promise<void> {
	// The kitchen's row is the lock: two mixes saved at once could close a circle neither sees.
	await db('kitchens').where('id', kitchenId).forUpdate().first('id');
	const known = await mixLines(db, kitchenId);
	const cycle = mixCycle(mixId, lines, (id) => known.get(id)?.map((line) => line.ingredient) ?? []);
	if (cycle) {
		const rows = await db('ingredients')
			.where('kitchen_id', kitchenId)
			.whereIn('id', cycle)
			.select('id', 'name');
		const names = new Map(rows.map((row) => [row.id, row.name]));
		const path = cycle.map((id) => names.get(id) ?? 'this mix').join(' → ');
		refuse('mix', `a mix cannot hold itself: ${path}`);
	}
	await db('mix_lines').where({ kitchen_id: kitchenId, mix_id: mixId }).delete();
	if (lines.length === 0) return;
	await db('mix_lines').insert(
		lines.map((line, position) => ({
			id: newId(),
			kitchen_id: kitchenId,
			mix_id: mixId,
			ingredient_id: line.ingredient,
			position,
			grams: line.grams
		}))
	);
}
