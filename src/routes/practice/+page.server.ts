import { redirect } from '@sveltejs/kit';
import { progressOf } from '$core/practice/progress.ts';
import { withDraft } from '$lib/server/edge/actions.ts';
import { whoIn } from '$lib/server/edge/door/door.ts';
import { nothingForm } from '$lib/server/edge/people.ts';
import { beginForm } from '$lib/server/edge/practice.ts';
import { getKitchen } from '$lib/server/kitchens.ts';
import { beginPractice, leavePractice } from '$lib/server/practice/begin.ts';
import { finishedTries, listed, tryIn } from '$lib/server/practice/tries.ts';
import { newId } from '$lib/server/rows.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals: { db, kitchen, who: asked }, url }) => {
	const who = asked ?? null;
	const besideId = who?.practice?.besideId ?? kitchen.id;
	const finished = await finishedTries(db, who?.personId ?? '', besideId);
	const current = who?.practice ? await tryIn(db, kitchen.id) : null;
	return {
		exercises: listed(finished),
		progress: progressOf(
			finished.map(({ exercise, outcome: { grade, skill } }) => ({
				exercise,
				skill,
				score: grade.score,
				isPassed: grade.isPassed
			}))
		),
		finished: finished.map(({ id, name, seed, outcome: { grade } }) => ({
			id,
			name,
			seed,
			score: grade.score,
			isPassed: grade.isPassed
		})),
		current: current && { id: current.id, isFinished: current.isFinished },
		/** A batch of the kitchen that shall be played again. */
		batchId: url.searchParams.get('batch') ?? '',
		/** Of the next try: one sent twice is one. */
		nextId: newId()
	};
};

export const actions: Actions = {
	begin: async ({ locals, request }) => {
		const { db, kitchen } = locals;
		const result = await withDraft(request, beginForm, async (form) => {
			const { personId, name, session, practice } = whoIn(locals);
			const beside = practice ? await getKitchen(db, practice.besideId) : kitchen;
			await beginPractice(db, beside, { personId, name, sessionId: session.id }, form);
			const { batchId } = await tryIn(db, form.id);
			return { batchId };
		});
		if ('batchId' in result) redirect(303, `/batches/${result.batchId ?? ''}`);
		return result;
	},
	leave: async ({ locals, request }) => {
		const result = await withDraft(request, nothingForm, async () => {
			await leavePractice(locals.db, whoIn(locals).session.id);
			return { left: true };
		});
		if ('left' in result) redirect(303, '/practice');
		return result;
	}
};
