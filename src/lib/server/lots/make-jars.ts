import type { Kitchen } from '../../kitchen/types.ts';
import { settled, sumOf } from '$core/measure/round.ts';
import { cut } from '$core/measure/text.ts';
import { drawingOf } from '$core/stock/draw.ts';
import type { Database } from '../db/connection.ts';
import { madeOnce } from '../db/once.ts';
import { refuse } from '../errors.ts';
import { getIngredient } from '../ingredients.ts';
import { groupBy, newId, utcNow } from '../rows.ts';
import { codeOf, putLot } from './receive.ts';

/** So much of a reason is kept. */
const MOST_REASON = 300;

/** Jars of a mix of one's own that were filled. */
export interface JarsMade {
	id: string;
	madeOn: string;
	jars: number;
	/** Null takes the earliest date of what went in, where one is known. */
	bestBefore: string | null;
}

/**
 * Notes jars of a mix as a lot of their own with its date, and takes what went into them from the lots of its parts,
 * the oldest first; the lot's code. It is good no longer than what went in. Sent twice it is one. Throws `Refused`.
 */
export async function makeJars(
	db: Database,
	kitchen: Kitchen,
	mixId: string,
	{ id, madeOn, jars, bestBefore }: JarsMade
): Promise<string> {
	await madeOnce(db, { table: 'lots', kitchenId: kitchen.id, id }, async (transaction) => {
		await transaction('kitchens').where('id', kitchen.id).forUpdate().first('id');
		const mix = await getIngredient(transaction, kitchen.id, mixId);
		const lines = mix.mix ?? [];
		const all_g = sumOf(lines, (line) => line.grams);
		if (mix.portion_g === null || all_g <= 0) refuse('jars', 'say first what goes into one jar, and save it');
		const grams = settled(mix.portion_g * jars);
		const drawn = await partsDrawn(
			transaction,
			kitchen.id,
			// A part may stand on several lines: it is one taking from its lots.
			[...groupBy(lines, (line) => line.ingredient)].map(([ingredient, of]) => ({
				ingredient,
				grams: (sumOf(of, (line) => line.grams) * grams) / all_g
			})),
			madeOn
		);
		const earliest = drawn.flatMap((lot) => lot.bestBefore ?? []).sort()[0] ?? null;
		if (bestBefore !== null && earliest !== null && bestBefore > earliest)
			refuse('bestBefore', `something that goes in is best before ${earliest}`);
		const code = await putLot(transaction, kitchen, id, {
			ingredientId: mixId,
			material: '',
			supplier: '',
			supplierCode: '',
			receivedOn: madeOn,
			received: grams,
			amount: null,
			usable: 1,
			bestBefore: bestBefore ?? earliest,
			note: `${jars} jars of ${mix.portion_g} g made here`
		});
		if (drawn.length > 0)
			await transaction('lot_moves').insert(
				drawn.map(({ lotId, amount }) => ({
					id: newId(),
					kitchen_id: kitchen.id,
					lot_id: lotId,
					kind: 'counted',
					amount: -amount,
					reason: cut(`into ${mix.name}, ${code}`, MOST_REASON),
					moved_at: utcNow()
				}))
			);
		for (const { lotId, amount } of drawn)
			await transaction('lots').where({ kitchen_id: kitchen.id, id: lotId }).decrement('on_hand', amount);
	});
	return codeOf(db, kitchen.id, id);
}

/** What is taken of the lots that were there on the day, the oldest first; what no lot has is not taken. */
async function partsDrawn(
	db: Database,
	kitchenId: string,
	parts: readonly { ingredient: string; grams: number }[],
	day: string
): Promise<{ lotId: string; amount: number; bestBefore: string | null }[]> {
	const rows = await db('lots')
		.where('kitchen_id', kitchenId)
		.whereIn(
			'ingredient_id',
			parts.map((part) => part.ingredient)
		)
		.where('received_on', '<=', day)
		.where('on_hand', '>', 0)
		.orderBy(['received_on', 'id'])
		.forUpdate()
		.select('id', 'ingredient_id', 'on_hand', 'best_before');
	return parts.flatMap(({ ingredient, grams }) => {
		const lots = rows.filter((row) => row.ingredient_id === ingredient);
		const { byLot } = drawingOf(
			lots.map((row) => ({ id: row.id, onHand: Number(row.on_hand) })),
			{ consumed: grams, named: new Map(), drawn: new Map() }
		);
		return [...byLot].map(([lotId, amount]) => ({
			lotId,
			amount,
			bestBefore: lots.find((row) => row.id === lotId)?.best_before ?? null
		}));
	});
}
