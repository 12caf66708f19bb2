import { error, fail, type ActionFailure, type RequestEvent } from '@sveltejs/kit';
import type Joi from 'joi';
import { pathText } from '$core/file/messages.ts';
import type { Problem } from '$core/problem.ts';
import { isSaidOf } from '../db/acting.ts';
import { isOfNothing, NotFound, OF_NOTHING, Refused, Stale } from '../errors.ts';
import { textOf, validated } from './validated.ts';

/** What a form gets back when it could not be done; what was typed stays in the page. */
export interface Rejection {
	problems: Problem[];
	/** What someone else saved meanwhile. */
	stale?: unknown;
}

/**
 * Runs an action on the draft a form sent as JSON: Joi at the edge, then `act`. Problems come back at
 * their fields with status 400, a stale save with what is there now and 409.
 */
export async function withDraft<T extends object, R>(
	request: Request,
	schema: Joi.ObjectSchema<T>,
	act: (draft: T) => Promise<R>
): Promise<R | ActionFailure<Rejection>> {
	const form = await request.formData();
	let document: unknown;
	try {
		document = JSON.parse(textOf(form, 'draft'));
	} catch {
		return fail(400, { problems: [{ path: '', message: 'the form did not arrive whole: send it again' }] });
	}
	const { error: found, value } = validated(schema, document, { abortEarly: false, convert: true });
	if (found)
		return fail(400, {
			problems: found.details.map((item) => ({ path: pathText(item.path), message: item.message }))
		});
	isSaidOf(wordsOf(value));
	return attempt(() => act(value));
}

/**
 * Fields that say what a form is about, the most telling first. Customers and what was typed of them are not among
 * them: a deed is never changed, and their names may have to go.
 */
const TELLING = ['name', 'channel', 'place', 'allergen'] as const;

function wordsOf(form: object): string {
	const said = form as Partial<Record<string, unknown>>;
	const field = TELLING.find((each) => typeof said[each] === 'string' && said[each] !== '');
	return field ? String(said[field]) : '';
}

/**
 * The action of a form that saves something: what it sent goes through `schema`, then `act` does it. The answer
 * is what `withDraft` gives, or that it is saved.
 */
export function saving<Event extends RequestEvent, T extends object>(
	schema: Joi.ObjectSchema<T>,
	act: (event: Event, form: T) => Promise<unknown>
): (event: Event) => Promise<{ saved: true } | ActionFailure<Rejection>> {
	return async (event) => {
		const failed = await withDraft(event.request, schema, async (form) => {
			await act(event, form);
			return null;
		});
		return failed ?? { saved: true };
	};
}

/** Runs what may be refused, as an answer a form can show. */
export async function attempt<R>(act: () => Promise<R>): Promise<R | ActionFailure<Rejection>> {
	try {
		return await act();
	} catch (problem) {
		if (problem instanceof Refused) return fail(400, { problems: problem.problems });
		if (problem instanceof Stale)
			return fail(409, {
				problems: [{ path: '', message: 'somebody saved this after you opened it' }],
				stale: problem.current as unknown
			});
		// Every reference is held within its kitchen by the database: nothing was written.
		if (isOfNothing(problem)) return fail(400, { problems: [{ path: '', message: OF_NOTHING }] });
		return notFoundPage(problem);
	}
}

/** The result, or the 404 page when there is no such thing in this kitchen. */
export async function orNotFound<R>(reading: Promise<R>): Promise<R> {
	return reading.catch(notFoundPage);
}

/** The 404 page for what is not in this kitchen; anything else is thrown on. */
export function notFoundPage(problem: unknown): never {
	if (problem instanceof NotFound)
		error(404, {
			message: `${problem.message}.`,
			remedy: 'It may be in another list: choose one on the left.'
		});
	throw problem;
}
