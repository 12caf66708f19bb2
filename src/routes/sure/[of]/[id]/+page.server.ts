import { recipeFor } from '$lib/server/edge/shapes.ts';
import { error } from '@sveltejs/kit';
import { QUESTIONS, type Question } from '$core/sure/assumptions.ts';
import { orNotFound, saving } from '$lib/server/edge/actions.ts';
import { reportForm, withdrawForm } from '$lib/server/edge/sure.ts';
import { underRules } from '$lib/server/labels/rules.ts';
import { newId } from '$lib/server/rows.ts';
import { sureSubject } from '$lib/server/sure/question.ts';
import { addReport, laboratoryReports, withdrawReport } from '$lib/server/sure/reports.ts';
import { SURE_OF, type SureOf } from '$lib/sure/types.ts';
import type { Actions, PageServerLoad } from './$types';

const isOf = (of: string): of is SureOf => SURE_OF.some((each) => each === of);
const isQuestion = (question: string): question is Question => QUESTIONS.some((each) => each === question);

export const load: PageServerLoad = async ({ locals, params, url }) => {
	const { db, kitchen: home } = locals;
	// A product may carry a label of each rule set.
	const kitchen = underRules(home, url);
	if (!isOf(params.of)) error(404, 'nothing of this kind is here');
	const asked = url.searchParams.get('question') ?? '';
	// A batch is asked about itself; what is not made yet, only about what a coming one holds.
	const question = params.of !== 'batch' ? 'label' : isQuestion(asked) ? asked : 'batch';
	const subject = await orNotFound(sureSubject(db, kitchen, params.of, params.id, question));
	return {
		subject: { ...subject, recipe: subject.recipe && recipeFor(locals, subject.recipe) },
		question,
		reports: subject.productId ? await laboratoryReports(db, kitchen.id, subject.productId) : [],
		/** Of the next report: one sent twice is one. */
		reportId: newId()
	};
};

export const actions: Actions = {
	report: saving(reportForm, async ({ locals: { db, kitchen }, params }, form) => {
		if (!isOf(params.of)) error(404, 'nothing of this kind is here');
		const { productId } = await sureSubject(db, kitchen, params.of, params.id, 'label');
		if (productId) await addReport(db, kitchen.id, productId, form);
	}),
	withdraw: saving(withdrawForm, async ({ locals: { db, kitchen } }, { id }) => {
		await withdrawReport(db, kitchen.id, id);
	})
};
