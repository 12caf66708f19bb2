import { invalidate, invalidateAll } from '$app/navigation';
import { navigating } from '$app/state';
import { answered } from './people/here.svelte.ts';

const ALL = '';
/** What is to be read once the network is there again. */
const missed = new Set<string>();
/** What SvelteKit asks for when it reads a page's data. */
const PAGE_DATA = /\/__data\.json$/;
/** What a server says that cannot reach its database, or has no room. */
const CANNOT = [503, 507];

/**
 * Reads what is shown again, all of it or what depends on `what`, where the server can be asked. Where it
 * cannot, the page stays as it is: asked to read, it would be left for an error, with all that was typed.
 */
export async function readAgain(what = ALL): Promise<void> {
	if (await isThere()) {
		await arrived();
		await reading(what);
	} else later(what);
}

/** Reads all that is shown again after something was done here that the server has answered. */
export async function readAll(): Promise<void> {
	await arrived();
	await reading(ALL);
}

/** Until no page is being gone to: to read again on the way there would stop it. */
async function arrived(): Promise<void> {
	while (navigating.complete) await navigating.complete.catch(() => undefined);
}

/** Reads; or gives up where the server goes away meanwhile, and reads once it is back. */
async function reading(what: string): Promise<void> {
	await new Promise<void>((resolve, reject) => {
		const over = patient(location.pathname, () => {
			over();
			later(what);
			resolve();
		});
		(what === ALL ? invalidateAll() : invalidate(what)).then(resolve, reject).finally(over);
	});
}

/**
 * Until what it returns is called, a failure to read the data of the page at `pathname` is kept from
 * SvelteKit, which would leave the page for an error: `lost` is called, and the answer never comes. What is
 * gone to meanwhile is another page, or makes an end of the reading.
 */
function patient(pathname: string, lost: () => void): () => void {
	const before = window.fetch;
	let isOver = false;
	window.fetch = async (asked, init) => {
		const { pathname: of } = new URL(asked instanceof Request ? asked.url : asked, location.href);
		if (isOver || !PAGE_DATA.test(of) || of.replace(PAGE_DATA, '') !== pathname.replace(/\/$/, ''))
			return before(asked, init);
		const answer = await before(asked, init).catch(() => null);
		if (answer && !CANNOT.includes(answer.status) && !(await leadsOut(answer))) {
			answered(answer.status);
			return answer;
		}
		lost();
		return new Promise<never>(() => undefined);
	};
	const patched = window.fetch;
	return () => {
		isOver = true;
		if (window.fetch === patched) window.fetch = before;
	};
}

/**
 * Whether the page would be left for the door, as the session ended: what is typed or in the basket stays where it is,
 * and the page says that somebody has to come in.
 */
async function leadsOut(answer: Response): Promise<boolean> {
	const text = await answer.clone().text();
	const isOut = /^\{"type":"redirect",[^]*"location":"\/door/.test(text.slice(0, MOST_REDIRECT));
	if (isOut) answered(UNKNOWN);
	return isOut;
}

const UNKNOWN = 401;
/** No redirect says more. */
const MOST_REDIRECT = 1000;

/** How long until it is asked again whether the server is there, where the browser is not told so. */
const ASK_AGAIN_MS = 5000;

function later(what: string): void {
	if (missed.size === 0) {
		window.addEventListener('online', catchUp, { once: true });
		setTimeout(catchUp, ASK_AGAIN_MS);
	}
	missed.add(what);
}

function catchUp(): void {
	window.removeEventListener('online', catchUp);
	const what = missed.has(ALL) ? [ALL] : [...missed];
	missed.clear();
	for (const each of what) void readAgain(each);
}

async function isThere(): Promise<boolean> {
	try {
		return (await fetch('/alive')).ok;
	} catch {
		return false;
	}
}
