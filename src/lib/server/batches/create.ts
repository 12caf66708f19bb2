import { choicesOf, type Cooking } from '$core/formula/process.ts';
import { onScale_g } from '$core/formula/scale.ts';
import { uptakeOf_g } from '$core/formula/surface.ts';
import { isDough } from '$core/formula/types.ts';
import type { Database } from '../db/connection.ts';
import { madeOnce } from '../db/once.ts';
import { NotFound, refuse } from '../errors.ts';
import { getFormula } from '../formulas/read.ts';
import type { Trial } from '../../batch/trial.ts';
import type { FormulaLine } from '../../formula/types.ts';
import type { Kitchen } from '../../kitchen/types.ts';
import { getProduct } from '../products.ts';
import { rewriteFromFold } from './change.ts';
import { setEquipment, usualEquipment } from './equipment.ts';
import { newId, utcNow } from '../rows.ts';
import { compositionsInForce } from '../shelf.ts';

/**
 * Plans a batch of a product: the formula's newest version times `factor`, as the kitchen's scale can
 * show it, with the compositions now in force. `id` comes from the form, so that a plan sent twice makes one batch.
 */
export async function createBatch(
	db: Database,
	kitchen: Kitchen,
	id: string,
	plan: {
		productId: string;
		madeOn: string;
		factor: number;
		cooking?: Cooking | null;
		/** Other lines than the version's, in its order, and what they are tried for. */
		trial?: { lines: readonly FormulaLine[]; promise: Trial };
	}
): Promise<string> {
	const product = await getProduct(db, kitchen.id, plan.productId).catch((error: unknown) => {
		if (error instanceof NotFound) refuse('productId', 'choose a product');
		throw error;
	});
	const formula = await getFormula(db, kitchen.id, product.formulaId);
	if (!formula.versionId) refuse('productId', 'keep a version of the formula first: there is only a draft');
	const equipment = await usualEquipment(db, kitchen.id, product.id);
	const compositions = await compositionsInForce(db, kitchen, plan.madeOn);
	await madeOnce(db, { table: 'batches', kitchenId: kitchen.id, id }, async (transaction) => {
		// Two devices planning at the same moment take turns, or both would draw the same number.
		await transaction('kitchens').where('id', kitchen.id).forUpdate().first('id');
		const now = utcNow();
		await transaction('batches').insert({
			id,
			kitchen_id: kitchen.id,
			product_id: product.id,
			formula_version_id: formula.versionId,
			code: await nextCode(transaction, kitchen.id, plan.madeOn),
			made_on: plan.madeOn,
			mix_gap: formula.mixGap,
			ball_weight_g: product.ballWeight_g,
			pack_pieces: product.packPieces,
			materials: JSON.stringify(product.materials),
			price: product.price,
			serving_pieces: product.servingPieces,
			trial: plan.trial ? JSON.stringify(plan.trial.promise) : null,
			cooking: plan.cooking && plan.cooking !== choicesOf(formula.choices).cooking ? plan.cooking : '',
			created_at: now,
			updated_at: now
		});
		await setEquipment(transaction, kitchen.id, id, equipment);
		await transaction('batch_lines').insert(
			(plan.trial?.lines ?? formula.lines).map((line, position) => {
				const planned_g = onScale_g(plan.factor * line.used_g, kitchen.scaleDivision_g);
				return {
					id: newId(),
					kitchen_id: kitchen.id,
					batch_id: id,
					ingredient_id: line.ingredient,
					composition_id: compositions.get(line.ingredient) ?? null,
					position,
					use_as: line.use,
					stage: line.stage ?? '',
					planned_g,
					most_g: line.most_g === null ? null : plan.factor * line.most_g,
					to_weigh: line.toWeigh,
					// Where all of it stays on, the scale's rounding must not leave more than is weighed.
					planned_uptake_g: isDough(line) ? null : Math.min(planned_g, plan.factor * uptakeOf_g(line))
				};
			})
		);
		await rewriteFromFold(transaction, kitchen, id);
	});
	return id;
}

/** The day's next batch code, such as `261124-2`. */
async function nextCode(db: Database, kitchenId: string, madeOn: string): Promise<string> {
	const day = madeOn.replaceAll('-', '').slice(2);
	const rows = await db('batches')
		.where('kitchen_id', kitchenId)
		.where('code', 'like', `${day}-%`)
		.select('code');
	const numbers = rows.map((row) => Number(row.code.split('-')[1]));
	return `${day}-${Math.max(0, ...numbers) + 1}`;
}
