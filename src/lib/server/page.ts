import { promisify } from 'node:util';
import { brotliCompress, constants, gzip } from 'node:zlib';
import type { RequestEvent } from '@sveltejs/kit';
import { known, knownAnswer } from './db/known.ts';
import { today } from './kitchens.ts';

/**
 * What a page shows, worked out again only where something it was read from was changed since, or it is another day
 * there; then its whole answer is kept as well. `what` names the page and all it was asked for. Nothing that is made
 * anew for each visitor may be in it: two forms of one id would be one.
 */
export function knownPage<T>(locals: App.Locals, what: string, read: () => Promise<T>): Promise<T> {
	locals.isKnown ??= true;
	const { db, kitchen, who } = locals;
	// Kept for all who may the same.
	const rights = who?.rights.join() ?? '';
	return known(db, kitchen.id, `page ${what} ${rights} ${today(kitchen)}`, read);
}

/** Says of an answer that it is of this moment: a timer runs on it. */
export function isOfTheMoment(locals: App.Locals): void {
	locals.isKnown = false;
}

const ENCODINGS = {
	br: (bytes: Uint8Array) =>
		promisify(brotliCompress)(bytes, { params: { [constants.BROTLI_PARAM_QUALITY]: 5 } }),
	gzip: (bytes: Uint8Array) => promisify(gzip)(bytes)
};
type Encoding = keyof typeof ENCODINGS;

/** An answer as it was given, and as it is sent to those who take it compressed. */
class KeptAnswer {
	#packed = new Map<Encoding, Promise<Uint8Array<ArrayBuffer>>>();

	constructor(
		readonly headers: Headers,
		readonly body: Uint8Array<ArrayBuffer>
	) {}

	async to({ headers: asked }: Request): Promise<Response> {
		const headers = new Headers(this.headers);
		headers.set('vary', 'accept-encoding');
		if (headers.has('etag') && asked.get('if-none-match') === headers.get('etag'))
			return new Response(null, { status: 304, headers });
		const accepted = asked.get('accept-encoding') ?? '';
		const encoding = (['br', 'gzip'] as const).find((each) => accepted.includes(each));
		if (!encoding) return new Response(this.body, { headers });
		const packed =
			this.#packed.get(encoding) ?? ENCODINGS[encoding](this.body).then((bytes) => new Uint8Array(bytes));
		this.#packed.set(encoding, packed);
		headers.set('content-encoding', encoding);
		headers.delete('content-length');
		return new Response(await packed, { headers });
	}
}

/** The answer of a page that was asked for before, where nothing it was read from was changed since; otherwise what `resolve` gives. */
export async function answerOnce(
	event: RequestEvent,
	resolve: (event: RequestEvent) => Promise<Response> | Response
): Promise<Response> {
	const { locals, request } = event;
	// As it came: what a page asks for again of its data is no part of the event's own address.
	const { who } = locals;
	const by = `${who?.membership?.id} ${who?.session.cameBy} ${who?.rights.join()} ${who?.device?.id}`;
	// What is next of a plan is told by the hour.
	const what = `answer ${by} ${request.url} ${today(locals.kitchen)} ${new Date().getUTCHours()}`;
	const given = await knownAnswer(
		locals.kitchen.id,
		what,
		async () => {
			const response = await resolve(event);
			const mayKeep = locals.isKnown && response.status === 200 && !response.headers.has('set-cookie');
			// Read whole while what it is read from is noted.
			return mayKeep
				? new KeptAnswer(response.headers, new Uint8Array(await response.arrayBuffer()))
				: response;
		},
		(answer) => answer instanceof KeptAnswer
	);
	return given instanceof KeptAnswer ? given.to(request) : given;
}
