import { lineClosed, measuredPart, packsMade, recipeMade, unweighedDough } from '$core/bench/batch.ts';
import { closingFigures } from '$core/bench/closing.ts';
import { shortPackProblem } from '$core/bench/short-packs.ts';
import { derive } from '$core/derive.ts';
import { documentOf } from '$core/file/write.ts';
import type { Line, Recipe } from '$core/formula/types.ts';
import { closings } from '$core/squaring/closings.ts';
import { stockUsesAtHand } from '$core/stock/use.ts';
import { BATCH_FIELD } from '../../batch/draft.ts';
import type { Batch, BatchClosing, BatchInput, BatchLine } from '../../batch/types.ts';
import type { Kitchen } from '../../kitchen/types.ts';
import { keepBenchMinutes } from '../costs/working.ts';
import type { Database } from '../db/connection.ts';
import { Refused, refuse, Stale } from '../errors.ts';
import { lotsOnHand } from '../lots/read.ts';
import { newId, utcNow } from '../rows.ts';
import { changeBatch } from './change.ts';
import { squaresWhole } from './closed.ts';

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
	await changeBatch(
		db,
		kitchen,
		id,
		async (transaction, { batch }) => {
			if (batch.version !== version) throw new Stale(batch);
			if (batch.closed.length > 0)
				refuse('', 'this batch is closed already: record a correction with its reason');
			if (!batch.recorded || !batch.facts) return refuse('', 'record what was measured first');
			// A dough line that nobody weighed leaves the mix open, which takes a reason; what no stage closes is asked for.
			const unweighed = batch.lines.find((line) => line.use !== 'dough' && line.weighed_g === null);
			if (unweighed)
				refuse('', `${unweighed.name} was not weighed: weigh it, or write down what was used of it`);
			if (!squaresWhole(batch.closings) && reason.trim() === '')
				refuse('reason', 'it does not square at every stage: say why it is closed all the same');
			// Its minutes are kept first: once it is closed its entries are no longer asked.
			await keepBenchMinutes(transaction, kitchen.id, id);
			await insertClosing(transaction, kitchen, batch, 1, {
				reason,
				closedAt,
				input: inputOf(batch),
				...closedWith(batch),
				stages: batch.closings
			});
			await transaction('batches')
				.where({ kitchen_id: kitchen.id, id })
				.update({ closed_at: closedAt, version: version + 1, updated_at: utcNow() });
		},
		{ changes: 'its row' }
	);
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
	await changeBatch(
		db,
		kitchen,
		id,
		async (transaction, { batch, bench }) => {
			if (batch.version !== version) throw new Stale(batch);
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
			const said = new Map(input.lines.map((line) => [line.id, line]));
			const lines = batch.lines.map((line) => ({ ...line, weighed_g: said.get(line.id)?.grams ?? null }));
			const { leftover_g, sellable, packs, loose } = input;
			const made = packsMade(input, bench);
			const gone = batch.packsSold + batch.packsGiven;
			const short = shortPackProblem(bench.shortPacks, loose, []);
			if (short) refuse(short.path, short.message);
			if (made < gone)
				refuse('packs', `${made || 'no'} packs are counted, but ${gone} of this batch are gone already`);
			const stock = stockUsesAtHand(batch.stock, lines, made, await lotsOnHand(transaction, kitchen.id));
			const counted = {
				leftover_g,
				sellable,
				packs,
				loose,
				stock,
				unweighedLines: unweighedDough(lines).length
			};
			await insertClosing(transaction, kitchen, batch, standing.number + 1, {
				reason,
				closedAt: utcNow(),
				input,
				recipe,
				facts,
				stages: closings(closingFigures(recipe, facts, counted, kitchen.scaleDivision_g))
			});
			await transaction('batches')
				.where({ kitchen_id: kitchen.id, id })
				.update({ packs_made: made, version: version + 1, updated_at: utcNow() });
		},
		{ changes: 'its row' }
	);
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
		recipe: JSON.stringify(documentOf(closing.recipe)),
		facts: JSON.stringify(closing.facts),
		stages: JSON.stringify(closing.stages),
		reason: closing.reason,
		closed_at: closing.closedAt
	});
}

/** The recipe a batch is closed with, and its facts: without what nobody weighed. Refuses what does not derive. */
function closedWith(batch: Batch): Pick<BatchClosing, 'recipe' | 'facts'> {
	const recipe = recipeMade(batch.recipe, batch.lines.map(lineClosed), measuredPart(batch));
	const outcome = derive(recipe);
	if (!outcome.ok)
		throw new Refused(
			outcome.problems.map((problem) => ({ ...problem, path: BATCH_FIELD[problem.path] ?? '' }))
		);
	return { recipe, facts: outcome.value };
}

/** What was measured of a batch, as it would be recorded. */
function inputOf(batch: Batch): BatchInput {
	const { madeOn, beganAt, usedUntil, equipment, ballWeight_g, servingPieces, note } = batch;
	return {
		...measuredPart(batch),
		madeOn,
		beganAt,
		usedUntil,
		equipment,
		ballWeight_g,
		servingPieces,
		note,
		lines: batch.lines.map((line) => ({
			id: line.id,
			grams: line.weighed_g,
			uptake_g: line.weighedUptake_g
		}))
	};
}

/** The recipe of a closed batch with other measurements. */
function correctedRecipe(recipe: Recipe, lines: readonly BatchLine[], input: BatchInput): Recipe {
	const { ballWeight_g, servingPieces } = input;
	const product = { ...recipe.product, ballWeight_g, servingPieces };
	const said = new Map(input.lines.map((line) => [line.id, line]));
	const corrected = lines.map(({ id, name, ingredient, use, stage }, index): Line => {
		const line = said.get(id);
		if (!line) return refuse('lines', 'the lines are not those of this batch: open it again');
		if (line.grams === null && use !== 'dough')
			return refuse(`lines[${index}].grams`, `say what was used of ${name}: a closed batch has every line`);
		return { ingredient, use, stage, used_g: line.grams ?? 0, uptake_g: line.uptake_g };
	});
	return recipeMade({ ...recipe, product }, corrected, input);
}
