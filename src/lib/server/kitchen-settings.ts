import type { Kitchen } from '../kitchen/types.ts';
import { noteOpenStandings } from './batches/change.ts';
import type { Database } from './db/connection.ts';
import { inTransaction } from './db/transaction.ts';
import { Stale } from './errors.ts';
import { getKitchen } from './kitchens.ts';

/**
 * Changes what a kitchen is measured and labelled by, as it was opened at `version`. Throws `Stale` with what
 * somebody else saved meanwhile.
 */
export async function saveKitchen(
	db: Database,
	kitchenId: string,
	version: number,
	input: Omit<Kitchen, 'id' | 'version' | 'timeZone' | 'currency'>
): Promise<void> {
	await inTransaction(db, async (transaction) => {
		const changed = await transaction('kitchens')
			.where({ id: kitchenId, version })
			.update({
				name: input.name,
				town: input.town,
				address: input.address,
				rules: input.rules,
				scale_division_g: input.scaleDivision_g,
				measure_set: input.measureSet,
				locale: input.locale,
				week_starts: input.weekStarts,
				sells_short: input.sellsShort,
				version: version + 1
			});
		if (changed === 0) throw new Stale(await getKitchen(transaction, kitchenId));
		// The rule set and the scale's steps say how they stand.
		await noteOpenStandings(transaction, kitchenId);
	});
}
