import { randomInt } from 'node:crypto';
import type { Recipe } from '$core/formula/types.ts';
import { exerciseById, type Exercise } from '$core/practice/exercises.ts';
import { ownExercise } from '$core/practice/own.ts';
import { SETTINGS } from '$core/practice/setting.ts';
import { truthOf } from '$core/practice/truth.ts';
import type { Kitchen } from '../../kitchen/types.ts';
import { offBatchOf } from '../../practice/off-batch.ts';
import type { KeptOwn } from '../../practice/types.ts';
import { getBatch } from '../batches/read.ts';
import type { Database } from '../db/connection.ts';
import { madeOnce } from '../db/once.ts';
import { inTransaction } from '../db/transaction.ts';
import { refuse } from '../errors.ts';
import { createKitchen, getKitchen } from '../kitchens.ts';
import { join } from '../people/memberships.ts';
import { utcNow } from '../rows.ts';
import { layKitchen } from './kitchen.ts';

/** A class takes one seed together; the numbers are short enough to be read out. */
const MOST_SEED = 1_000_000;

/** What somebody wants to practise. */
export interface Beginning {
	/** Of the kitchen that is made for it: sent twice it is one. */
	id: string;
	/** One of the list, or `own` with the batch it is made of. */
	exercise: string;
	/** Null draws one. */
	seed: number | null;
	batchId: string;
}

/**
 * Begins an exercise in a kitchen of its own beside the one it is practised from, of which no row is changed, and has
 * the session go in. Throws `Refused`, `NotFound`.
 */
export async function beginPractice(
	db: Database,
	beside: Kitchen,
	who: { personId: string; name: string; sessionId: string },
	{ id, exercise: named, seed, batchId }: Beginning
): Promise<void> {
	const own = named === 'own' ? await ownOf(db, beside, batchId) : null;
	const exercise = own?.exercise ?? found(named);
	const setting = own?.setting ?? SETTINGS[exercise.setting];
	const sown = seed ?? randomInt(1, MOST_SEED);
	await inTransaction(db, async (transaction) => {
		await madeOnce(transaction, { table: 'kitchens', kitchenId: id, id }, async () => {
			await createKitchen(transaction, practiceKitchen(beside, setting.recipe), id, beside.id);
			await join(transaction, id, { personId: who.personId, name: who.name, role: 'owner', span: null });
			const kitchen = await getKitchen(transaction, id);
			const truth = truthOf(exercise, setting, sown, own ? { slip: own.slip } : {});
			const laid = await layKitchen(transaction, kitchen, truth);
			await transaction('practice_tries').insert({
				id,
				kitchen_id: id,
				person_id: who.personId,
				beside_id: beside.id,
				exercise: named,
				seed: sown,
				own: own ? JSON.stringify(own) : null,
				batch_id: laid.batchId,
				begun_at: utcNow()
			});
		});
		await transaction('sessions').where('id', who.sessionId).update({ practice_id: id });
	});
}

/** Goes out of practice; what was tried stays as it is. */
export async function leavePractice(db: Database, sessionId: string): Promise<void> {
	await db('sessions').where('id', sessionId).update({ practice_id: null });
}

/** Measured as the kitchen beside it, on a scale that shows tenths; a name of its own, that says what it is. */
const practiceKitchen = (
	{ timeZone, measureSet, locale, weekStarts }: Kitchen,
	{ rules, currency }: Pick<Recipe, 'rules' | 'currency'>
) => ({
	name: 'Practice kitchen',
	town: '',
	address: '',
	currency,
	rules,
	scaleDivision_g: 0.1,
	sellsShort: false,
	timeZone,
	measureSet,
	locale,
	weekStarts
});

function found(id: string): Exercise {
	return exerciseById(id) ?? refuse('exercise', 'choose an exercise');
}

/** The exercise a batch of the real kitchen makes. Throws `Refused` where it was not off. */
async function ownOf(db: Database, kitchen: Kitchen, batchId: string): Promise<KeptOwn> {
	const batch = await getBatch(db, kitchen, batchId);
	const own = ownExercise(offBatchOf(batch));
	if (batch.closed.length === 0) refuse('batchId', 'close the batch first: what it teaches is not over');
	return own
		? { ...own, batchId }
		: refuse('batchId', 'this batch was not off in a way that can be played again');
}
