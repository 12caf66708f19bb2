import type { Database } from '../db/connection.ts';
import { NotFound, refuse } from '../errors.ts';
import { writePrice } from '../prices.ts';
import { newId, utcNow } from '../rows.ts';
import { noteOpenStandings, rewriteFromFold } from '../batches/change.ts';
import { madeOnce } from '../db/once.ts';
import { inTransaction } from '../db/transaction.ts';
import { batchesThatUse } from './draw.ts';
import type { Kitchen } from '../../kitchen/types.ts';
import type { LotInput } from '../../shelf/lots.ts';

/**
 * Writes down a lot that came; its code. What was paid is also what the ingredient costs from that day.
 * `id` comes from the form, so that one sent twice is one lot. Throws `Refused`.
 */
export async function receiveLot(
	db: Database,
	kitchen: Kitchen,
	id: string,
	input: LotInput
): Promise<string> {
	await madeOnce(db, { table: 'lots', kitchenId: kitchen.id, id }, (transaction) =>
		putLot(transaction, kitchen, id, input)
	);
	return codeOf(db, kitchen.id, id);
}

/** What a lot that is here is called. Throws `NotFound`. */
export async function codeOf(db: Database, kitchenId: string, id: string): Promise<string> {
	const lot = await db('lots').where({ kitchen_id: kitchenId, id }).first('code');
	if (!lot) throw new NotFound('this lot is not here');
	return lot.code;
}

/** The same within what makes it once. */
export async function putLot(db: Database, kitchen: Kitchen, id: string, input: LotInput): Promise<string> {
	const kitchenId = kitchen.id;
	return inTransaction(db, async (transaction) => {
		// Two devices receiving at the same moment take turns, or both would draw the same code.
		await transaction('kitchens').where('id', kitchenId).forUpdate().first('id');
		const isIngredient = input.ingredientId !== '';
		if (isIngredient) {
			const known = await transaction('ingredients')
				.where({ kitchen_id: kitchenId, id: input.ingredientId })
				.first('id');
			if (!known) refuse('ingredientId', 'choose what it is a lot of');
		} else if (input.material === '') refuse('material', 'say what it is a lot of');
		else if (!Number.isInteger(input.received)) refuse('received', 'materials are counted in whole pieces');
		if (input.bestBefore !== null && input.bestBefore < input.receivedOn)
			refuse('bestBefore', 'is before the day it was received');
		const code = await nextCode(transaction, kitchenId);
		const now = utcNow();
		await transaction('lots').insert({
			id,
			kitchen_id: kitchenId,
			code,
			ingredient_id: isIngredient ? input.ingredientId : null,
			material: isIngredient ? null : input.material,
			supplier: input.supplier,
			supplier_code: input.supplierCode,
			received_on: input.receivedOn,
			received: input.received,
			on_hand: input.received,
			amount: input.amount,
			usable: input.usable,
			best_before: input.bestBefore,
			note: input.note,
			created_at: now
		});
		await transaction('lot_moves').insert({
			id: newId(),
			kitchen_id: kitchenId,
			lot_id: id,
			kind: 'received',
			amount: input.received,
			moved_at: now
		});
		if (isIngredient && input.amount !== null) {
			await writePrice(transaction, kitchenId, input.ingredientId, {
				amount: input.amount,
				grams: input.received,
				usable: input.usable,
				boughtOn: input.receivedOn,
				supplier: input.supplier
			});
			await noteOpenStandings(transaction, kitchenId, [input.ingredientId]);
		}
		// Batches that were short of it draw from it now, each with its row locked.
		for (const batchId of await batchesThatUse(transaction, kitchenId, input)) {
			await transaction('batches').where({ kitchen_id: kitchenId, id: batchId }).forUpdate().first('id');
			await rewriteFromFold(transaction, kitchen, batchId);
		}
		return code;
	});
}

/** The kitchen's next lot code. */
async function nextCode(db: Database, kitchenId: string): Promise<string> {
	const newest = await db('lots')
		.where('kitchen_id', kitchenId)
		.orderByRaw('LENGTH(code) DESC, code DESC')
		.first('code');
	return `L-${String(Number((newest?.code ?? 'L-0').slice(2)) + 1).padStart(4, '0')}`;
}

/** Takes back a lot that was entered by mistake and nothing was drawn from. Throws `Refused`, `NotFound`. */
export async function takeBackLot(
	db: Database,
	kitchenId: string,
	id: string,
	reason: string
): Promise<void> {
	await inTransaction(db, async (transaction) => {
		const lot = await transaction('lots').where({ kitchen_id: kitchenId, id }).forUpdate().first('on_hand');
		if (!lot) throw new NotFound('this lot is not here');
		const of = { kitchen_id: kitchenId, lot_id: id };
		if (
			await transaction('lot_moves')
				.where({ ...of, kind: 'taken back' })
				.first('id')
		)
			return;
		const [drawn] = await transaction('lot_moves')
			.where({ ...of, kind: 'drawn' })
			.groupBy('batch_id')
			.havingRaw('SUM(amount) <> 0')
			.select('batch_id');
		if (drawn) refuse('reason', 'batches drew from it: it was there. Count it instead');
		const onHand = Number(lot.on_hand);
		if (onHand === 0) refuse('reason', 'there is nothing left of it to take back');
		await transaction('lot_moves').insert({
			id: newId(),
			...of,
			kind: 'taken back',
			amount: -onHand,
			reason,
			moved_at: utcNow()
		});
		await transaction('lots').where({ kitchen_id: kitchenId, id }).update({ on_hand: 0 });
	});
}
