import { EXERCISES, exerciseById, type Exercise } from '$core/practice/exercises.ts';
import type { Move, Verb, World } from '$core/practice/move.ts';
import { SETTINGS } from '$core/practice/setting.ts';
import { truthOf, type Truth } from '$core/practice/truth.ts';
import { worldAfter } from '$core/practice/world.ts';
import type { Claim } from '$core/practice/slips.ts';
import type { Finished, KeptOwn, ListedExercise, Outcome, PracticeHere } from '../../practice/types.ts';
import type { Database } from '../db/connection.ts';
import type { RowOf } from '../db/tables.ts';
import { NotFound } from '../errors.ts';

/** A try of an exercise, with what only the server knows of it. */
export interface Try {
	id: string;
	personId: string | null;
	/** The kitchen it is practised beside. */
	besideId: string;
	exercise: Exercise;
	own: KeptOwn | null;
	seed: number;
	truth: Truth;
	batchId: string | null;
	isFinished: boolean;
}

function tryOf(row: RowOf<'practice_tries'>): Try {
	const own = row.own === null ? null : (JSON.parse(row.own) as KeptOwn);
	const exercise = own?.exercise ?? exerciseById(row.exercise);
	if (!exercise) throw new NotFound('this exercise is no longer among those there are');
	const { seed } = row;
	return {
		id: row.id,
		personId: row.person_id,
		besideId: row.beside_id,
		exercise,
		own,
		seed,
		truth: truthOf(exercise, own?.setting ?? SETTINGS[exercise.setting], seed, own ? { slip: own.slip } : {}),
		batchId: row.batch_id,
		isFinished: row.finished_at !== null
	};
}

/** The try a practice kitchen is of. Throws `NotFound` of any other kitchen. */
export async function tryIn(db: Database, kitchenId: string): Promise<Try> {
	const row = await db('practice_tries').where('kitchen_id', kitchenId).first();
	if (!row) throw new NotFound('nothing is practised here');
	return tryOf(row);
}

/** What the hands did so far. */
export async function movesOf(db: Database, kitchenId: string): Promise<Move[]> {
	const rows = await db('practice_moves')
		.where('kitchen_id', kitchenId)
		.orderBy('number')
		.select('verb', 'at');
	return rows.map(({ verb, at }) => ({ do: verb as Verb, at }));
}

/** The story’s kitchen as it stands now. */
export async function worldOf(db: Database, { id, truth }: Try): Promise<World> {
	return worldAfter(truth, await movesOf(db, id));
}

/** The exercise as every page of the practice kitchen says it. */
export const hereOf = ({ id, exercise, batchId, isFinished }: Try): PracticeHere => ({
	id,
	name: exercise.name,
	story: exercise.story,
	goal: exercise.goal,
	minutes: exercise.minutes,
	isFinished,
	batchId
});

const finishedOf = (row: RowOf<'practice_tries'>): Finished => {
	const { exercise, own, seed } = tryOf(row);
	return {
		id: row.id,
		exercise: row.exercise,
		name: exercise.name,
		seed,
		ofBatch: own?.batchId ?? null,
		claims: JSON.parse(row.claims ?? '[]') as Claim[],
		outcome: JSON.parse(row.outcome ?? 'null') as Outcome
	};
};

/** What came of a person’s try. Throws `NotFound` where it is another’s, or not finished. */
export async function finishedTry(db: Database, personId: string, id: string): Promise<Finished> {
	const row = await db('practice_tries')
		.where({ id, person_id: personId })
		.whereNotNull('finished_at')
		.first();
	if (!row) throw new NotFound('this exercise is not finished, or is not yours');
	return finishedOf(row);
}

/** A person’s finished tries beside a kitchen, the newest first. */
export async function finishedTries(db: Database, personId: string, besideId: string): Promise<Finished[]> {
	const rows = await db('practice_tries')
		.where({ person_id: personId, beside_id: besideId })
		.whereNotNull('finished_at')
		.orderBy('id', 'desc');
	return rows.map(finishedOf);
}

/** Every exercise there is, with how it went. */
export function listed(finished: readonly Finished[]): ListedExercise[] {
	return EXERCISES.map(({ id, name, story, goal, minutes, skill }) => {
		const tries = finished.filter(({ exercise }) => exercise === id);
		const best = tries.toSorted((a, b) => b.outcome.grade.score - a.outcome.grade.score)[0]?.outcome.grade;
		return {
			id,
			name,
			story,
			goal,
			minutes,
			skill,
			best: best ? { score: best.score, isPassed: best.isPassed } : null,
			tries: tries.length
		};
	});
}
