import { keyOf, textOf } from '$lib/server/edge/validated.ts';
import { fail, redirect } from '@sveltejs/kit';
import { checkRecipe } from '$core/file/read.ts';
import { readLine } from '$core/formula/said/read-line.ts';
import { cut } from '$core/measure/text.ts';
import type { Problem } from '$core/problem.ts';
import {
	emptyLine,
	newFormulaDraft,
	saidStep,
	type FormulaDraft,
	type LineDraft
} from '$lib/formula/draft.ts';
import { applySaid, splitSaid } from '$lib/formula/said.ts';
import { shelfContext } from '$lib/formula/line-context.ts';
import { attempt } from '$lib/server/edge/actions.ts';
import { importRecipe } from '$lib/server/files.ts';
import { startFormula } from '$lib/server/formulas/drafts.ts';
import { listIngredients } from '$lib/server/ingredients.ts';
import { toMeasures } from '$lib/server/measures.ts';
import { rememberedNames } from '$lib/server/names.ts';
import { ownMeasures } from '$lib/server/own-measures.ts';
import { paced } from '$lib/server/pace.ts';
import { readFileRows } from '$lib/server/workers/read-files.ts';
import type { Actions } from './$types';

const MOST_CHARACTERS = 2_000_000;

export const actions: Actions = {
	default: async ({ locals: { db, kitchen }, request }) => {
		const form = await request.formData();
		const file = form.get('file');
		const pasted = textOf(form, 'text');
		const text = file instanceof File && file.size > 0 ? await file.text() : pasted;
		const refuse = (problems: Problem[]) => fail(400, { problems, text: pasted });
		if (text.trim() === '') return refuse([{ path: '', message: 'choose a file or paste its text' }]);
		if (text.length > MOST_CHARACTERS)
			return refuse([{ path: '', message: 'the file is too long to be a formula' }]);

		const document = parsed(text);
		if (isSquareBatch(document)) {
			const recipe = checkRecipe(document);
			if (!recipe.ok) return refuse(recipe.problems);
			const result = await attempt(() => importRecipe(db, kitchen, recipe.value, keyOf(form)));
			if ('formulaId' in result) redirect(303, `/formulas/${result.formulaId}`);
			return refuse(result.data.problems);
		}
		const said = await readFileRows('recipe', text);
		if (!said.ok) return refuse(said.problems);
		const [shelf, remembered, own] = await Promise.all([
			listIngredients(db, kitchen.id),
			rememberedNames(db, kitchen.id),
			ownMeasures(db, kitchen.id)
		]);
		const context = shelfContext(
			shelf.map((each) => ({ ...each, measures: toMeasures(each.measures) })),
			remembered,
			kitchen.measureSet,
			own
		);
		const lines: LineDraft[] = [];
		const pace = paced();
		for (const words of said.value.lines) {
			await pace();
			const line = { ...emptyLine('Dry'), said: words };
			const reading = readLine(words, context);
			applySaid(line, reading);
			lines.push(...(reading.lines.length > 0 ? splitSaid(line, reading) : [line]));
		}
		const draft = (id: string, name: string): FormulaDraft => ({
			...newFormulaDraft(id, name),
			lines,
			steps: said.value.steps.map(saidStep)
		});
		const begun = await attempt(() =>
			startFormula(db, kitchen.id, draft, cut(said.value.name, 150), keyOf(form))
		);
		if (typeof begun !== 'string') return refuse(begun.data.problems);
		redirect(303, `/formulas/${begun}`);
	}
};

function parsed(text: string): unknown {
	try {
		return JSON.parse(text.replace(/^\uFEFF/, ''));
	} catch {
		return null;
	}
}

function isSquareBatch(document: unknown): boolean {
	return typeof document === 'object' && document !== null && 'squareBatch' in document;
}
