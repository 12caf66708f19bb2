import { derive } from '$core/derive.ts';
import type { Recipe } from '$core/formula/types.ts';
import { closings } from '$core/squaring/closings.ts';
import { BATCH_FIELD } from '../../batch-draft.ts';
import { closingFigures, stockUsesAtHand } from '../../batch-closing.ts';
import { measuredRecipe } from '../../measured-recipe.ts';
import type { Database } from '../db/connection.ts';
import { NotFound, Refused, refuse, Stale } from '../errors.ts';
import type { Kitchen } from '../kitchens.ts';
import { newId, utcNow, type Row } from '../rows.ts';
import { keepBenchMinutes } from '../costs/working.ts';
import { lotsOnHand } from '../lots/read.ts';
import { settleDraws } from '../lots/draw.ts';
import { squaresWhole } from './closed.ts';
import { getBatch } from './read.ts';
import type { Batch, BatchClosing, BatchInput, BatchLine } from './types.ts';

/**
 * Closes a batch that was opened at `version`: what was measured and its facts, with the prices and the
 * rule set of now, are fixed. Without a reason only one that squares at every stage. Throws `Stale`,
 * `Refused`, `NotFound`.
 */
export async function closeBatch(
	db: Database,
	kitchen: Kitchen,
	id: string,
	version: number,
	reason: string,
	closedAt = utcNow()
): Promise<void> {
	await db.transaction(async (transaction) => {
		const batch = await locked(transaction, kitchen, id, version);
		if (batch.closed.length > 0) refuse('', 'this batch is closed already');
		if (!batch.recorded || !batch.facts) return refuse('', 'record what was measured first');
		const unweighed = batch.lines.find((line) => line.weighed_g === null);
		if (unweighed)
			refuse('', `${unweighed.name} was not weighed: weigh it, or write down what was used of it`);
		if (!squaresWhole(batch.closings) && reason.trim() === '')
			refuse('reason', 'it does not square at every stage: say why it is closed all the same');
		await insertClosing(transaction, kitchen, batch, 1, {
			reason,
			closedAt,
			input: inputOf(batch),
			recipe: batch.recipe,
			facts: batch.facts,
			stages: batch.closings
		});
		await transaction('batches')
			.where({ kitchen_id: kitchen.id, id })
			.update({ closed_at: closedAt, version: version + 1, updated_at: utcNow() });
		await keepBenchMinutes(transaction, kitchen.id, id);
	});
}

/**
 * Corrects a closed batch that was opened at `version`: a further closing with a reason, from the same
 * compositions, prices and rules. What was closed stays beside it. Throws `Stale`, `Refused`, `NotFound`.
 */
export async function correctBatch(
	db: Database,
	kitchen: Kitchen,
	id: string,
	version: number,
	input: BatchInput,
	reason: string
): Promise<void> {
	await db.transaction(async (transaction) => {
		const batch = await locked(transaction, kitchen, id, version);
		const standing = batch.closed.at(-1);
		if (!standing) return refuse('', 'this batch is still open: record what was measured');
		if (reason.trim() === '') refuse('reason', 'say why it is corrected');
		const recipe = correctedRecipe(standing.recipe, batch.lines, input);
		const outcome = derive(recipe);
		if (!outcome.ok)
			throw new Refused(
				outcome.problems.map((problem) => ({ ...problem, path: BATCH_FIELD[problem.path] ?? '' }))
			);
		const facts = outcome.value;
		const said = new Map(input.lines.map((line) => [line.id, line.grams]));
		const corrected = batch.lines.map((line) => ({ ...line, weighed_g: said.get(line.id) ?? null }));
		const atHand = await lotsOnHand(transaction, kitchen.id);
		const counted = {
			leftover_g: input.leftover_g,
			sellable: input.sellable ?? null,
			packs: input.packs ?? null,
			loose: input.loose ?? null
		};
		const packs = counted.packs ?? facts.yield.packs ?? 0;
		const stock = stockUsesAtHand(batch.stock, corrected, packs, atHand);
		const gone = batch.packsSold + batch.packsGiven;
		if (packs < gone)
			refuse('ballCount', `these figures give ${packs} packs, but ${gone} of this batch are gone already`);
		await insertClosing(transaction, kitchen, batch, standing.number + 1, {
			reason,
			closedAt: utcNow(),
			input,
			recipe,
			facts,
			stages: closings(closingFigures(recipe, facts, { ...counted, stock }, kitchen.scaleDivision_g))
		});
		await transaction('batches')
			.where({ kitchen_id: kitchen.id, id })
			.update({ packs_made: packs, version: version + 1, updated_at: utcNow() });
		await settleDraws(transaction, kitchen.id, id);
	});
}

/** The batch with its row locked, as long as it is at `version`. */
async function locked(db: Database, kitchen: Kitchen, id: string, version: number): Promise<Batch> {
	const row = (await db('batches').where({ kitchen_id: kitchen.id, id }).forUpdate().first('version')) as
		Row | undefined;
	if (!row) throw new NotFound('this batch is not here');
	const batch = await getBatch(db, kitchen, id);
	if (Number(row.version) !== version) throw new Stale(batch);
	return batch;
}

async function insertClosing(
	db: Database,
	kitchen: Kitchen,
	batch: Batch,
	number: number,
	closing: Omit<BatchClosing, 'number'>
): Promise<void> {
	await db('batch_closings').insert({
		id: newId(),
		kitchen_id: kitchen.id,
		batch_id: batch.id,
		number,
		input: JSON.stringify(closing.input),
		recipe: JSON.stringify(closing.recipe),
		facts: JSON.stringify(closing.facts),
		stages: JSON.stringify(closing.stages),
		reason: closing.reason,
		closed_at: closing.closedAt
	});
}

/** What was measured of a batch, as it would be recorded. */
function inputOf(batch: Batch): BatchInput {
	return {
		madeOn: batch.madeOn,
		beganAt: batch.beganAt,
		equipment: batch.equipment,
		ballWeight_g: batch.ballWeight_g,
		ballCount: batch.ballCount,
		rejects: batch.rejects,
		sellable: batch.sellable,
		packs: batch.packs,
		loose: batch.loose,
		servingPieces: batch.servingPieces,
		note: batch.note,
		doughWeight_g: batch.doughWeight_g,
		leftover_g: batch.leftover_g,
		ballWeights_g: batch.ballWeights_g,
		finishedWeights_g: batch.finishedWeights_g,
		lines: batch.lines.map((line) => ({
			id: line.id,
			grams: line.weighed_g ?? line.planned_g,
			uptake_g: line.weighedUptake_g
		}))
	};
}

/** The recipe of a closed batch with other measurements. */
function correctedRecipe(recipe: Recipe, lines: readonly BatchLine[], input: BatchInput): Recipe {
	return measuredRecipe(recipe, {
		...input,
		lines: lines.map(({ id, ingredient, use, stage }) => {
			const said = input.lines.find((each) => each.id === id);
			if (!said) return refuse('lines', 'the lines are not those of this batch: open it again');
			return { ingredient, use, stage, grams: said.grams, uptake_g: said.uptake_g };
		})
	});
}
