import { settled } from '$core/measure/round.ts';
import type { Problem } from '$core/problem.ts';
import type { Database } from '../db/connection.ts';
import { inTransaction } from '../db/transaction.ts';
import { Refused } from '../errors.ts';
import { newId, utcNow } from '../rows.ts';

/** What was found of a lot when the stock was counted. */
export interface LotCount {
	lotId: string;
	/** What the page said was left. */
	expected: number;
	counted: number;
	/** Why it is other than expected; empty where it is not. */
	reason: string;
}

/**
 * Brings lots to what was counted of them; each difference is a move with its reason. All or none: a lot
 * that a batch drew from while it was counted is named, and has to be looked at again. Throws `Refused`.
 */
export async function countLots(
	db: Database,
	kitchenId: string,
	counts: readonly LotCount[]
): Promise<number> {
	return inTransaction(db, async (transaction) => {
		const rows = await transaction('lots')
			.where('kitchen_id', kitchenId)
			.whereIn(
				'id',
				counts.map((count) => count.lotId)
			)
			.orderBy('id')
			.forUpdate()
			.select('id', 'on_hand');
		const onHand = new Map(rows.map((row) => [row.id, Number(row.on_hand)]));
		const problems: Problem[] = [];
		let moved = 0;
		for (const [index, count] of counts.entries()) {
			const now = onHand.get(count.lotId);
			if (now === undefined) {
				problems.push({ path: `counts[${index}].counted`, message: 'this lot is not here' });
				continue;
			}
			const difference = settled(count.counted - now);
			if (difference === 0) continue;
			if (now !== count.expected)
				problems.push({
					path: `counts[${index}].counted`,
					message: `a batch drew from it meanwhile: ${now} should be left. Count it again`
				});
			else if (count.reason.trim() === '')
				problems.push({ path: `counts[${index}].reason`, message: 'say why it is other than expected' });
			else {
				moved += 1;
				await transaction('lot_moves').insert({
					id: newId(),
					kitchen_id: kitchenId,
					lot_id: count.lotId,
					kind: 'counted',
					amount: difference,
					reason: count.reason.trim(),
					moved_at: utcNow()
				});
				await transaction('lots')
					.where({ kitchen_id: kitchenId, id: count.lotId })
					.update({ on_hand: count.counted });
			}
		}
		if (problems.length > 0) throw new Refused(problems);
		return moved;
	});
}
