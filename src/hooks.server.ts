import {
	isHttpError,
	isRedirect,
	type Handle,
	type HandleServerError,
	type ServerInit,
	type RequestEvent
} from '@sveltejs/kit';
import { ulid } from 'ulid';
import { database, databaseOfLongWork } from '$lib/server/db/connection.ts';
import { inStep } from '$lib/server/db/in-step.ts';
import { whileUnchanged } from '$lib/server/db/known.ts';
import { databaseTrouble } from '$lib/server/db/trouble.ts';
import { whileActing } from '$lib/server/db/acting.ts';
import { whileAsking } from '$lib/server/db/asker.ts';
import { notLetIn } from '$lib/server/edge/asked.ts';
import { actCalled, askAtTheDoor, type Asked } from '$lib/server/edge/door/door.ts';
import { beyondLimits } from '$lib/server/edge/limits.ts';
import { makeSafe } from '$lib/server/edge/headers.ts';
import { inTurn } from '$lib/server/edge/in-turn.ts';
import { log, logged } from '$lib/server/edge/log.ts';
import { ledTo, turnedAway, type TurnedAway } from '$lib/server/edge/turned-away.ts';
import { unreadable, type Unreadable } from '$lib/server/kept/unreadable.ts';
import { requests, watchPool } from '$lib/server/seen/metrics.ts';
import { getKitchen, kitchenNow } from '$lib/server/kitchens.ts';
import { takeJobs } from '$lib/server/jobs/taking.ts';
import { sealSeconds } from '$lib/server/people/second.ts';
import { removeLeftFolders } from '$lib/server/temporary.ts';
import { answerOnce } from '$lib/server/page.ts';

/** Parts of an address that are the id of a row. */
const IDS = ['id', 'picture', 'job'];
/** Letters the database knows; `blank` is an ingredient that is still to be. */
const ID = /^[0-9A-Za-z]{1,26}$/;
/** The id of nothing: what asks for it is told that it is not here. */
const NOTHINGS = '0'.repeat(26);

/** What cannot be the id of anything never reaches the database, which may not even know its letters. */
function takeIdsForWhatTheyAre(params: Partial<Record<string, string>>): void {
	for (const name of IDS) if (params[name] !== undefined && !ID.test(params[name])) params[name] = NOTHINGS;
}

/** The answer with the status of the trouble it tells of: SvelteKit knows none but its own. */
const withStatus = (response: Response, status: number | undefined): Response =>
	status === undefined ? response : new Response(response.body, { status, headers: response.headers });

/** From its first moment this process does work that waits, whoever asked for it where. */
export const init: ServerInit = () => {
	if (!process.env.DATABASE_URL) return;
	takeJobs(databaseOfLongWork());
	// What a process before left when it was killed may name customers.
	removeLeftFolders().catch((error: unknown) =>
		log.warn({ error: logged(error) }, 'folders of processes that are gone could not be removed')
	);
	// A database that is not there yet is asked again by whoever needs the secret: it is read as it is.
	sealSeconds(database()).catch((error: unknown) =>
		log.warn({ error: logged(error) }, 'second factors could not be sealed')
	);
};

/** What is asked of the process, and not of a kitchen: it is answered whatever its database does. */
const OF_THE_PROCESS = ['/alive', '/ready'];
/** Whoever asked has gone: nobody reads this, but in the metrics. */
const GONE = 499;

/** Sees how long a request takes, by the pattern of its route. */
export const handle: Handle = async (input) => {
	const seen = requests.startTimer({
		route: input.event.route.id ?? 'none',
		method: input.event.request.method
	});
	const waits = input.event.request.method === 'GET' && !OF_THE_PROCESS.includes(input.event.route.id ?? '');
	const response = waits
		? ((await inTurn(input.event.request, async () => handled(input))) ??
			new Response(null, { status: GONE }))
		: await handled(input);
	seen({ status: `${Math.floor(response.status / 100)}xx` });
	return response;
};

const handled: Handle = async ({ event, resolve }) => {
	event.locals.requestId = ulid();
	const away = notLetIn(event);
	if (away) return makeSafe(turnedAway(event, away));
	takeIdsForWhatTheyAre(event.params);
	event.locals.db = database();
	watchPool(event.locals.db);
	try {
		if (!OF_THE_PROCESS.includes(event.route.id ?? '')) await inStep(event.locals.db);
		const asked = await askAtTheDoor(event);
		const response = asked.away ? turnedAway(event, asked.away) : await answer(event, resolve, asked);
		// Its storage may hold what was entered and not sent: the page that says so clears it, and looks first.
		if (asked.away?.clears) response.headers.set('clear-site-data', '"cache"');
		// What came of the request itself goes before: who came in anew has a token already.
		if (!response.headers.has('set-cookie'))
			for (const cookie of asked.setCookies) response.headers.append('set-cookie', cookie);
		return makeSafe(withStatus(response, event.locals.troubled));
	} catch (error) {
		// Where somebody is led stays in no cache: what is there depends on who asks.
		if (isRedirect(error)) return makeSafe(ledTo(event, error));
		if (isHttpError(error)) throw error;
		const trouble = databaseTrouble(error);
		if (!trouble) throw error;
		log.error({ requestId: event.locals.requestId, error: logged(error) }, trouble.message);
		return makeSafe(turnedAway(event, { ...trouble, again: true }));
	}
};

type Resolve = Parameters<Handle>[0]['resolve'];

/** What was asked for, in the kitchen of who asks. */
async function answer(event: RequestEvent, resolve: Resolve, { acting }: Asked): Promise<Response> {
	const { locals, request } = event;
	if (request.method === 'GET') return answerReading(event, resolve);
	const by = { personId: locals.who?.personId ?? null, act: actCalled(event) };
	return whileAsking(by, async () => {
		const beyond = await inTheirKitchen(event);
		if (beyond) return turnedAway(event, beyond);
		return acting ? whileActing(acting, () => resolve(event)) : resolve(event);
	});
}

/** A page, or a file, of the kitchen of who asks. */
async function answerReading(event: RequestEvent, resolve: Resolve): Promise<Response> {
	const kitchenId = event.locals.who?.membership?.kitchenId;
	if (kitchenId === undefined) return resolve(event);
	const { kitchen, changes } = await kitchenNow(event.locals.db, kitchenId);
	event.locals.kitchen = kitchen;
	const beyond = await beyondLimits(event, kitchenId);
	if (beyond) return turnedAway(event, beyond);
	return whileUnchanged(kitchen.id, changes, () => answerOnce(event, resolve));
}

/** Opens the kitchen of who asks; why what they ask for is beyond what it may take, where it is. */
async function inTheirKitchen(event: RequestEvent): Promise<TurnedAway | null> {
	const kitchenId = event.locals.who?.membership?.kitchenId;
	if (kitchenId === undefined) return null;
	event.locals.kitchen = await getKitchen(event.locals.db, kitchenId);
	return beyondLimits(event, kitchenId);
}

/** Where a page failed: what of the kitchen it could not read, if that is why. */
async function whatCannotBeRead({ db, kitchen }: App.Locals): Promise<Unreadable[]> {
	try {
		return await unreadable(db, kitchen.id);
	} catch {
		return [];
	}
}

export const handleError: HandleServerError = async ({ error, event, status }) => {
	if (status === 404) return { message: 'There is no such page.', remedy: 'Choose a place on the left.' };
	const { requestId } = event.locals;
	log.error(
		{ requestId, method: event.request.method, path: event.url.pathname, error: logged(error) },
		'request failed'
	);
	const trouble = databaseTrouble(error);
	if (trouble) {
		event.locals.troubled = trouble.status;
		return { message: trouble.message, remedy: trouble.remedy };
	}
	const [record] = await whatCannotBeRead(event.locals);
	if (record)
		return {
			message: `This cannot be read: ${record.what}.`,
			remedy: record.why,
			wayOut: { href: '/kitchen/unreadable', words: 'What it is, and what can be done' }
		};
	return {
		message: 'Something failed on the server, and nothing was changed.',
		remedy: `Try again. If it happens again, look for ${requestId} in what the window that runs Square Batch printed.`
	};
};
