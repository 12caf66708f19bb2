import { HINT_COSTS } from '$core/practice/grade.ts';
import { canDo, handsOf } from '$core/practice/hands.ts';
import type { Move, World } from '$core/practice/move.ts';
import { afterMove, scaleNow } from '$core/practice/world.ts';
import type { HandsNow } from '../../practice/types.ts';
import type { Database } from '../db/connection.ts';
import { inTransaction } from '../db/transaction.ts';
import { refuse } from '../errors.ts';
import { newId, utcNow } from '../rows.ts';
import { tryIn, worldOf, type Try } from './tries.ts';

/** What is to be seen of a story’s kitchen: never what is hidden. */
function seenOf({ exercise, truth, isFinished }: Try, world: World): HandsNow {
	return {
		hands: isFinished ? [] : handsOf(truth, world),
		told: world.told,
		minutes: world.minutes,
		scale: scaleNow(truth, world),
		lying: world.bowlOn ? 'the steel bowl' : (world.lying ?? ''),
		hints: exercise.hints.slice(0, world.hints),
		hintCost: exercise.hints.length > world.hints ? (HINT_COSTS[world.hints] ?? null) : null
	};
}

/** The story’s kitchen as the learner sees it. Throws `NotFound` where nothing is practised. */
export async function handsNow(db: Database, kitchenId: string): Promise<HandsNow> {
	const tried = await tryIn(db, kitchenId);
	return seenOf(tried, await worldOf(db, tried));
}

/** Makes a move; what is seen after it. Throws `Refused` where it cannot be made now. */
export async function moveHands(db: Database, kitchenId: string, move: Move): Promise<HandsNow> {
	return inTransaction(db, async (transaction) => {
		// Two moves at the same moment take turns: each sees what the other did.
		await transaction('kitchens').where('id', kitchenId).forUpdate().first('id');
		const tried = await tryIn(transaction, kitchenId);
		if (tried.isFinished) refuse('', 'this exercise is finished');
		const world = await worldOf(transaction, tried);
		const hasHint = tried.exercise.hints.length > world.hints;
		if (!canDo(tried.truth, world, move) || (move.do === 'hint' && !hasHint))
			refuse('', 'this cannot be done now');
		await transaction('practice_moves').insert({
			id: newId(),
			kitchen_id: kitchenId,
			number: world.moves + world.hints + 1,
			verb: move.do,
			at: move.at,
			made_at: utcNow()
		});
		return seenOf(tried, afterMove(tried.truth, world, move));
	});
}
