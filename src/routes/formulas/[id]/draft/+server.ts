import { validated } from '$lib/server/edge/validated.ts';
import { json } from '@sveltejs/kit';
import { draftForm } from '$lib/server/edge/formula.ts';
import { NotFound, Stale } from '$lib/server/errors.ts';
import { saveDraft } from '$lib/server/formulas/drafts.ts';
import type { RequestHandler } from './$types';

/** Keeps what is being typed in a formula's sheet; 409 with what is there now when somebody saved in between. */
export const PUT: RequestHandler = async ({ locals: { db, kitchen }, params, request }) => {
	const document: unknown = await request.json().catch(() => ({}));
	const { error, value } = validated(draftForm, document);
	if (error) return json({ message: 'the draft did not arrive whole' }, { status: 400 });
	try {
		return json({ version: await saveDraft(db, kitchen.id, params.id, value.version, value) });
	} catch (problem) {
		if (problem instanceof Stale) return json({ current: problem.current as unknown }, { status: 409 });
		if (problem instanceof NotFound) return json({ message: problem.message }, { status: 404 });
		throw problem;
	}
};
