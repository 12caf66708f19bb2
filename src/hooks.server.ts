import type { Handle, HandleServerError } from '@sveltejs/kit';
import { pino } from 'pino';
import { database } from '$lib/server/db/connection.ts';
import { theKitchen } from '$lib/server/kitchens.ts';

const log = pino({ level: process.env.LOG_LEVEL ?? 'warn' });

export const handle: Handle = async ({ event, resolve }) => {
	event.locals.db = database();
	event.locals.kitchen = await theKitchen(event.locals.db);
	return resolve(event);
};

export const handleError: HandleServerError = ({ error, event, status }) => {
	if (status === 404) return { message: 'There is no such page.', remedy: 'Choose a place on the left.' };
	log.error({ error, path: event.url.pathname }, 'request failed');
	return {
		message: 'Something failed on the server, and nothing was changed.',
		remedy: 'Try again. If it happens again, look at what the window that runs Square Batch printed.'
	};
};
