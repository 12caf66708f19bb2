import type { RequestEvent } from '@sveltejs/kit';
import type { TurnedAway } from './turned-away.ts';

/** The most a form or a file may hold, but for an archive. */
const MOST_BYTES = 4 * 1024 ** 2;
const RESTORE = '/kitchen/data/restore';

const READING = ['GET', 'HEAD', 'OPTIONS'];
/** From a page of ours, or from no page at all: a browser says so of everything, and no page can make it say otherwise. */
const OUR_SITES = ['same-origin', 'none'];
/** What forms and scripts of ours send; a page of another site can send only the last two without being asked first. */
const SENT_AS = ['application/json', 'multipart/form-data', 'application/x-www-form-urlencoded'];

const FOREIGN: TurnedAway = {
	status: 403,
	message: 'This came from another site, and nothing was done.',
	remedy: 'Open Square Batch itself, and do it there.'
};
const TOO_LARGE: TurnedAway = {
	status: 413,
	message: 'This is more than is taken here: 4 MB at most.',
	remedy: 'Send it in parts, or a smaller file.'
};
/** Where scripts of ours send JSON; a page's forms take none. */
const TAKES_JSON = /\.json$|\/draft$|^\/scale\//;
const NO_FORM: TurnedAway = {
	status: 404,
	message: 'There is no such form.',
	remedy: 'Open the page again, and send it from there.'
};
const UNREADABLE: TurnedAway = {
	status: 415,
	message: 'What was sent is of a kind that is not read here.',
	remedy: 'Send it from a page of Square Batch.'
};

/** Why a request is answered before anything is read of it; null where it is let in. */
export function notLetIn({ request, url }: Pick<RequestEvent, 'request' | 'url'>): TurnedAway | null {
	const { method, headers, body } = request;
	if (READING.includes(method)) return null;
	const [from, site] = [headers.get('origin'), headers.get('sec-fetch-site')];
	// A browser always says from where it sends: what does not say so is no page of ours.
	if (from !== url.origin || (site !== null && !OUR_SITES.includes(site))) return FOREIGN;
	// A form without a name is asked for without one.
	if (url.searchParams.has('/default')) return NO_FORM;
	if (body === null || url.pathname === RESTORE) return null;
	const length = headers.get('content-length');
	if (length === null || Number(length) > MOST_BYTES) return TOO_LARGE;
	const [type = ''] = (headers.get('content-type') ?? '').split(';');
	const kind = type.trim().toLowerCase();
	return SENT_AS.includes(kind) && (kind !== 'application/json' || TAKES_JSON.test(url.pathname))
		? null
		: UNREADABLE;
}
