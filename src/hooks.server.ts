import type { Handle, HandleServerError } from '@sveltejs/kit';
import { pino } from 'pino';
import { database } from '$lib/server/db/connection.ts';
import { whileUnchanged } from '$lib/server/db/known.ts';
import { theKitchenNow } from '$lib/server/kitchens.ts';
import { answerOnce } from '$lib/server/page.ts';

const log = pino({ level: process.env.LOG_LEVEL ?? 'warn' });

/** The most a form or a file may hold, but for an archive. */
const MOST_BYTES = 4 * 1024 ** 2;
const RESTORE = '/kitchen/data/restore';

/** Whether what comes in is more than is taken there, or does not say how much it is. */
function isTooLarge({ headers, body }: Request, path: string): boolean {
	if (body === null || path === RESTORE) return false;
	const length = headers.get('content-length');
	return length === null || Number(length) > MOST_BYTES;
}

const READING = ['GET', 'HEAD', 'OPTIONS'];

/** Whether a page of another site sends it: a browser says so of everything but reading. */
function isForeign({ method, headers }: Request, origin: string): boolean {
	const from = headers.get('origin');
	return !READING.includes(method) && from !== null && from !== origin;
}

export const handle: Handle = async ({ event, resolve }) => {
	if (isForeign(event.request, event.url.origin))
		return new Response('this came from another site', { status: 403 });
	if (isTooLarge(event.request, event.url.pathname))
		return new Response('more than is taken here', { status: 413 });
	event.locals.db = database();
	const { kitchen, changes } = await theKitchenNow(event.locals.db);
	event.locals.kitchen = kitchen;
	return event.request.method === 'GET'
		? whileUnchanged(kitchen.id, changes, () => answerOnce(event, resolve))
		: resolve(event);
};

export const handleError: HandleServerError = ({ error, event, status }) => {
	if (status === 404) return { message: 'There is no such page.', remedy: 'Choose a place on the left.' };
	log.error({ error, path: event.url.pathname }, 'request failed');
	return {
		message: 'Something failed on the server, and nothing was changed.',
		remedy: 'Try again. If it happens again, look at what the window that runs Square Batch printed.'
	};
};
