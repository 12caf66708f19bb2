import { asTaken } from '$core/formula/by-feel.ts';
import { isDough } from '$core/formula/types.ts';
import { assembleDay } from '$core/planning/assemble.ts';
import { roundTo, sumOf } from '$core/measure/round.ts';
import { dayWishOf, packedAt } from '../../plan/day-wish.ts';
import { dayIn } from '../../day.ts';
import type { Kitchen } from '../../kitchen/types.ts';
import type { KeptPlan } from '../../plan/types.ts';
import { byFeelOf, usualYield } from '../batches/history.ts';
import { createBatch } from '../batches/create.ts';
import { recentSummaries } from '../batches/standing.ts';
import type { Database } from '../db/connection.ts';
import { inTransaction } from '../db/transaction.ts';
import { refuse } from '../errors.ts';
import { listFormulas } from '../formulas/read.ts';
import { newId } from '../rows.ts';

const MINUTE_MS = 60_000;

/** Begins the batches of a plan that was taken, each once: planned for the day its dough is mixed. How many. */
export async function beginBatches(db: Database, kitchen: Kitchen, plan: KeptPlan): Promise<number> {
	const { taken } = plan;
	if (!taken) return refuse('', 'take the plan first');
	const { makes } = assembleDay(dayWishOf(taken.basis, taken.wish, kitchen.timeZone));
	const zero = packedAt(taken.basis.day, taken.wish, kitchen.timeZone);
	const [formulas, recent] = await Promise.all([listFormulas(db, kitchen.id), recentSummaries(db, kitchen)]);
	let begun = 0;
	for (const make of makes) {
		if (plan.batches[make.id]) continue;
		const formula = formulas.find(({ products }) => products.some(({ id }) => id === make.wish));
		const product = formula?.products.find(({ id }) => id === make.wish);
		if (!formula || !product) return refuse('', `${make.name} is not made here any more`);
		const of = recent.filter((batch) => batch.formulaId === formula.id);
		const { lines } = asTaken(formula.lines, byFeelOf(of));
		const dough_g = sumOf(lines.filter(isDough), ({ used_g }) => used_g);
		if (dough_g <= 0) return refuse('', `${make.name} has no dough in its formula`);
		// Enough for the pieces, and for the packs by what of the dough reaches them here.
		const needed_g = Math.max(
			make.pieces * product.ballWeight_g,
			(make.packs * product.packPieces * product.ballWeight_g) / (usualYield(of) ?? 1)
		);
		const mixed = taken.tasks.find(({ key }) => key.startsWith(`${make.id} `))?.start_min ?? 0;
		const madeOn = dayIn(kitchen.timeZone, new Date(zero + mixed * MINUTE_MS));
		await inTransaction(db, async (transaction) => {
			await transaction('plans').where({ kitchen_id: kitchen.id, id: plan.id }).forUpdate().first('id');
			const known = await transaction('plan_batches')
				.where({ kitchen_id: kitchen.id, plan_id: plan.id, make: make.id })
				.first('id');
			if (known) return;
			const batchId = await createBatch(transaction, kitchen, newId(), {
				productId: product.id,
				madeOn,
				factor: roundTo(needed_g / dough_g, 1e-6)
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
