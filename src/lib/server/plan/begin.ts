import { assembleDay } from '$core/planning/assemble.ts';
import { roundTo } from '$core/measure/round.ts';
import { dayWishOf, packedAt } from '../../plan/day-wish.ts';
import { dayIn } from '../../day.ts';
import type { Kitchen } from '../../kitchen/types.ts';
import type { KeptPlan } from '../../plan/types.ts';
import { createBatch } from '../batches/create.ts';
import { recentTelling } from '../batches/standing.ts';
import type { Database } from '../db/connection.ts';
import { inTransaction } from '../db/transaction.ts';
import { refuse } from '../errors.ts';
import { listFormulas } from '../formulas/read.ts';
import { newId } from '../rows.ts';
import { doughOf } from './dough.ts';

const MINUTE_MS = 60_000;

/** Begins the batches of a plan that was taken, each once: planned for the day its dough is mixed. How many. */
export async function beginBatches(db: Database, kitchen: Kitchen, plan: KeptPlan): Promise<number> {
	const { taken } = plan;
	if (!taken) return refuse('', 'take the plan first');
	const { makes } = assembleDay(dayWishOf(taken.basis, taken.wish, kitchen.timeZone));
	const zero = packedAt(taken.basis.day, taken.wish, kitchen.timeZone);
	const [formulas, recent] = await Promise.all([listFormulas(db, kitchen.id), recentTelling(db, kitchen)]);
	let begun = 0;
	for (const make of makes) {
		if (plan.batches[make.id]) continue;
		const of = doughOf(make, formulas, recent);
		if (!of) return refuse('', `${make.name} is not made here any more, or has no dough in its formula`);
		const mixed = taken.tasks.find(({ key }) => key.startsWith(`${make.id} `))?.start_min ?? 0;
		const madeOn = dayIn(kitchen.timeZone, new Date(zero + mixed * MINUTE_MS));
		await inTransaction(db, async (transaction) => {
			await transaction('plans').where({ kitchen_id: kitchen.id, id: plan.id }).forUpdate().first('id');
			const known = await transaction('plan_batches')
				.where({ kitchen_id: kitchen.id, plan_id: plan.id, make: make.id })
				.first('id');
			if (known) return;
			const batchId = await createBatch(transaction, kitchen, newId(), {
				productId: of.product.id,
				madeOn,
				factor: roundTo(of.factor, 1e-6)
			});
			await transaction('plan_batches').insert({
				id: newId(),
				kitchen_id: kitchen.id,
				plan_id: plan.id,
				batch_id: batchId,
				make: make.id
			});
			begun++;
		});
	}
	return begun;
}
