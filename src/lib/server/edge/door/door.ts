import { error, redirect, type RequestEvent } from '@sveltejs/kit';
import { homeOf, type Right } from '../../../people/roles.ts';
import type { Who } from '../../../people/types.ts';
import { dayNow } from '../../../day.ts';
import type { Acting } from '../../db/acting.ts';
import { devicesBy } from '../../people/devices.ts';
import { fromAddress, isFlooding } from '../../people/limits.ts';
import { findSession, type Found } from '../../people/sessions.ts';
import type { TurnedAway } from '../turned-away.ts';
import { clearingHeaders, sessionHeader, tokensOf } from './cookies.ts';
import { isPage } from './is-page.ts';
import { nameOfWhat } from './of-what.ts';
import { reach } from './reach.ts';
import { unproved } from './proof.ts';
import { ruleFor, type Ask, type Asks } from './rules.ts';

/** What came of asking at the door. */
export interface Asked {
	away: (TurnedAway & { clears?: boolean }) | null;
	/** Headers that give the browser its next token, or take it away. */
	setCookies: string[];
	/** What is done, where something is. */
	acting: Acting | null;
}

const NO_SUCH_PAGE: TurnedAway = {
	status: 404,
	message: 'There is no such page.',
	remedy: 'Open Square Batch at its first page.'
};
const NO_SUCH_FORM: TurnedAway = {
	status: 404,
	message: 'There is no such form.',
	remedy: 'Open the page again, and send it from there.'
};
const NOT_IN: TurnedAway = {
	status: 401,
	message: 'You are not in any more.',
	remedy:
		'Come in again in another tab (the address ends in /door), and send this once more: nothing was lost.'
};
/** The page that says so to a person, and clears what the device keeps once nothing on it waits to be sent. */
const PUT_OUT_PAGE = '/door/put-out';
const PUT_OUT: TurnedAway & { clears: boolean } = {
	status: 401,
	message: 'This device was put out.',
	remedy: 'The owner of the kitchen can let it in again.',
	clears: true
};
const NOT_YOURS: TurnedAway = {
	status: 409,
	message: 'This was made by somebody else on this device.',
	remedy: 'It is sent once they are back.'
};
const NO_RIGHT: TurnedAway = {
	status: 403,
	message: 'This is not yours to do here.',
	remedy: 'The owner of the kitchen can change what you may.'
};
const BY_CODE: TurnedAway = {
	status: 403,
	message: 'A short code is too little for this.',
	remedy: 'Come in with your own password or passkey, on a device of your own.'
};

const IN_PRACTICE: TurnedAway = {
	status: 403,
	message: 'This is not done in practice.',
	remedy:
		'Nothing of practice is printed or leaves it, and your account is not changed in it. Leave the practice first.'
};

const CLOSED: TurnedAway = {
	status: 409,
	message: 'This kitchen is closed: it is read, and nothing in it is changed.',
	remedy: 'Its owner can open it again under Kitchen, Data in and out.'
};
/** What is done about a closed kitchen itself. */
const OF_CLOSED = /^\/kitchen\/data(\/|$)|^\/jobs\//;

/** What a page asks by itself, with nobody's hand at it. */
const BY_ITSELF = /^\/live$|\/readings$|\/state\.json$/;

/** Whoever sent it says so: what was made by one is not kept as another's. */
const AS_HEADER = 'x-square-batch-as';

const isReading = (method: string) => method === 'GET' || method === 'HEAD' || method === 'OPTIONS';

/** The action a form asks for; `default` where it names none, null where it is no form of a page. */
function actionOf({ url, request, route }: RequestEvent): string | null {
	if (request.method !== 'POST' || isEndpoint(route.id)) return null;
	const [name] = [...url.searchParams.keys()].filter((key) => key.startsWith('/'));
	return name?.slice(1) ?? 'default';
}

/** What a request asks to be done, by its route and its form or method. */
export const actCalled = (event: RequestEvent): string =>
	`${event.route.id ?? ''} ${actionOf(event) ?? event.request.method}`;

/** An endpoint's address ends in a kind of file, or is one of those that a page's script speaks to. */
const isEndpoint = (id: string | null) =>
	id === null || /\.(json|csv)$|\/restore$|\/draft$|^\/scale\//.test(id);

/**
 * The one place where it is asked who may what: who is asking, whether the route's rule lets them, and in which
 * kitchen. Throws a redirect where a person has to come in first.
 */
export async function askAtTheDoor(event: RequestEvent): Promise<Asked> {
	const { locals, request, route, url, cookies } = event;
	const tokens = tokensOf(cookies, url);
	locals.who = null;
	locals.deviceToken = tokens.device;
	const found =
		tokens.session === null
			? NOBODY
			: await findSession(locals.db, tokens.session, dayNow, { isTouch: !BY_ITSELF.test(route.id ?? '') });
	locals.who = found.who;
	const asker = found.who
		? (`session ${found.who.session.id}` as const)
		: fromAddress(event.getClientAddress());
	if (!reach().isLoopback && isFlooding(locals.db, asker)) return away({ ...TOO_MANY, again: true });
	const setCookies =
		found.who && found.newToken !== null ? [sessionHeader(cookies, url, found.newToken)] : [];
	if (route.id === null) return { ...away(found.who ? null : NO_SUCH_PAGE), setCookies };
	const rule = ruleFor(route.id, request.method, actionOf(event));
	if (!rule) return away(isReading(request.method) ? NO_SUCH_PAGE : NO_SUCH_FORM);
	if (!found.who) {
		const turned = await nobody(event, rule.ask, found);
		return { ...away(turned), setCookies: turned?.clears ? clearingHeaders(cookies, url) : [] };
	}
	const { who } = found;
	const no = mayNot(event, rule, who) ?? (rule.proves ? unproved(event, who) : null);
	if (no) return { ...away(no), setCookies };
	return { away: null, setCookies, acting: rule.what === null ? null : actingOf(event, who, rule.what) };
}

const NOBODY: Found = { who: null, why: 'unknown' };
const TOO_MANY: TurnedAway = {
	status: 429,
	message: 'This is more than anybody does in a minute.',
	remedy: 'Wait a minute, then go on.'
};

const away = (turned: Asked['away']): Asked => ({ away: turned, setCookies: [], acting: null });

/** Where nobody is in: the door, where there is one for them. */
async function nobody(event: RequestEvent, ask: Ask, found: Found): Promise<Asked['away']> {
	const { locals, url } = event;
	const isPutOut = !found.who && found.why === 'put out';
	const devices = locals.deviceToken === null ? [] : await devicesBy(locals.db, locals.deviceToken);
	const shared = devices.find((device) => device.kind === 'shared');
	if (isPutOut || shared?.isPutOut) {
		if (ask === 'put out') return null;
		if (isPage(event)) redirect(303, PUT_OUT_PAGE);
		return PUT_OUT;
	}
	if (ask === 'anybody') return null;
	if (ask === 'device') return shared ? null : NOT_IN;
	if (!isPage(event)) return NOT_IN;
	const to = url.pathname === '/' ? '' : `?to=${encodeURIComponent(url.pathname + url.search)}`;
	redirect(303, `${shared ? '/door/who' : '/door'}${to}`);
}

const isRight = (ask: Ask): ask is Right =>
	!(['anybody', 'device', 'put out', 'person', 'self'] as Ask[]).includes(ask);

/** Why somebody who is in is turned away all the same; null where they are not. Leads pages where they belong. */
function mayNot(event: RequestEvent, rule: Asks, who: Who): Asked['away'] {
	const { request, url } = event;
	const { ask } = rule;
	const as = request.headers.get(AS_HEADER);
	if (as !== null && as !== who.membership?.id) return NOT_YOURS;
	const byCode = who.session.cameBy === 'code';
	if (who.practice && isClosedInPractice(event, rule)) return IN_PRACTICE;
	if (ask === 'anybody' || ask === 'person') return null;
	if (ask === 'device') return who.device?.kind === 'shared' ? null : NO_RIGHT;
	if (ask === 'self') return byCode ? BY_CODE : null;
	// It clears what the browser keeps: of who is in nothing is cleared.
	if (ask === 'put out') return NO_RIGHT;
	if (!who.membership) {
		if (isPage(event)) redirect(303, '/me');
		return NO_RIGHT;
	}
	if (who.isClosed && !isReading(request.method) && isRight(ask) && !OF_CLOSED.test(event.route.id ?? ''))
		return CLOSED;
	if (!isRight(ask) || who.rights.includes(ask)) return null;
	if (url.pathname === '/' && isPage(event)) redirect(303, homeOf(who.rights));
	return byCode ? BY_CODE : NO_RIGHT;
}

/** What is shut while somebody practises: their account, and every way to paper, to a file and to the real devices. */
const isClosedInPractice = ({ request }: RequestEvent, { ask, leaves }: Asks): boolean =>
	leaves === true || (ask === 'self' && !isReading(request.method));

function actingOf(event: RequestEvent, who: Who, what: string): Acting | null {
	if (!who.membership) return null;
	const { kitchenId, id: membershipId } = who.membership;
	const { pathname } = event.url;
	return {
		kitchenId,
		membershipId,
		// A device is of the real kitchen: in practice none of its rows is pointed at.
		deviceId: who.practice ? null : (who.device?.id ?? null),
		what,
		path: pathname.slice(0, MOST_PATH),
		ofWhat: (db) => nameOfWhat(db, kitchenId, pathname)
	};
}

const MOST_PATH = 200;

/** Who asks, of a route whose rule lets in nobody else. */
export function whoIn(locals: App.Locals): Who {
	if (!locals.who) error(401, { message: NOT_IN.message, remedy: NOT_IN.remedy });
	return locals.who;
}

/** Who asks, as a member of the kitchen they are in. */
export function memberIn(locals: App.Locals): NonNullable<Who['membership']> {
	const { membership } = whoIn(locals);
	if (!membership) error(403, { message: NO_RIGHT.message, remedy: NO_RIGHT.remedy });
	return membership;
}
