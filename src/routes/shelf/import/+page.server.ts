import { textOf as fieldOf } from '$lib/server/edge/validated.ts';
import { fail, redirect } from '@sveltejs/kit';
import { KINDS, type Kind } from '$core/composition/kinds.ts';
import { attempt } from '$lib/server/edge/actions.ts';
import { shelveFood } from '$lib/server/reference/food.ts';
import { importShelf, previewShelf } from '$lib/server/shelf-file.ts';
import { SHELF_COLUMNS } from '$lib/server/shelf-rows.ts';
import type { Actions, PageServerLoad } from './$types';

const MOST_CHARACTERS = 1_000_000;

export const load: PageServerLoad = () => ({ columns: [...SHELF_COLUMNS] });

async function textOf(form: FormData): Promise<string> {
	const file = form.get('file');
	return file instanceof File && file.size > 0 ? file.text() : fieldOf(form, 'text');
}

export const actions: Actions = {
	preview: async ({ locals: { db, kitchen }, request }) => {
		const form = await request.formData();
		const text = await textOf(form);
		const refuse = (message: string) => fail(400, { problems: [{ path: '', message }], text });
		if (text.trim() === '') return refuse('choose a file or paste its rows');
		// Not sent back: who typed has it in the page still.
		if (text.length > MOST_CHARACTERS)
			return fail(400, { problems: [{ path: '', message: 'the file is too long to be a shelf' }] });
		const document = foodOf(text);
		if (document) {
			const kind = fieldOf(form, 'kind') as Kind;
			const result = await attempt(() =>
				shelveFood(db, kitchen, document, KINDS.includes(kind) ? kind : 'other')
			);
			if (typeof result === 'string') redirect(303, `/shelf/${result}`);
			return fail(400, { problems: result.data.problems, text });
		}
		const rows = await attempt(() => previewShelf(db, kitchen, text));
		return Array.isArray(rows) ? { rows, text } : fail(400, { problems: rows.data.problems, text });
	},
	import: async ({ locals: { db, kitchen }, request }) => {
		const form = await request.formData();
		const text = fieldOf(form, 'text');
		const lines = new Set(form.getAll('line').map(Number));
		const done = await attempt(() => importShelf(db, kitchen, text, lines));
		return 'added' in done ? { done } : fail(400, { problems: done.data.problems, text });
	}
};

/** The document, when the text is the JSON of one food rather than a shelf. */
function foodOf(text: string): unknown {
	try {
		const document: unknown = JSON.parse(text.replace(/^\uFEFF/, ''));
		return typeof document === 'object' && document !== null && 'foodNutrients' in document ? document : null;
	} catch {
		return null;
	}
}
