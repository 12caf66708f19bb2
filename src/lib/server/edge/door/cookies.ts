import type { Cookies } from '@sveltejs/kit';

const isSecure = (url: URL) => url.protocol === 'https:';

const DAY_S = 24 * 3600;
/** As long as a session at most; a device is known for longer than anybody sits at it. */
const SESSION_S = 30 * DAY_S;
const DEVICE_S = 400 * DAY_S;

/** A cookie that is sent here and nowhere else, that no script sees, and no form of another site brings along. */
const optionsOf = (isSecure: boolean, maxAge: number) =>
	({ path: '/', httpOnly: true, secure: isSecure, sameSite: 'lax', maxAge }) as const;

/**
 * Over https under a name that a browser takes from this host alone. It sends cookies to every port of a host: another
 * Square Batch beside this one has names of its own.
 */
const nameOf = (name: string, url: URL) =>
	`${isSecure(url) ? '__Host-' : ''}${name}${url.port === '' ? '' : `-${url.port}`}`;
const SESSION = 'square-batch-session';
const DEVICE = 'square-batch-device';

/** The tokens a browser sent. */
export const tokensOf = (cookies: Cookies, url: URL) => ({
	session: cookies.get(nameOf(SESSION, url)) ?? null,
	device: cookies.get(nameOf(DEVICE, url)) ?? null
});

/** Gives a browser tokens, or takes them away; what is not named stays. */
export function giveTokens(
	cookies: Cookies,
	url: URL,
	tokens: { session?: string | null; device?: string | null }
): void {
	const secure = isSecure(url);
	for (const [key, token] of Object.entries(tokens)) {
		const [name, maxAge] = key === 'session' ? [SESSION, SESSION_S] : [DEVICE, DEVICE_S];
		if (token === null) cookies.delete(nameOf(name, url), optionsOf(secure, 0));
		else cookies.set(nameOf(name, url), token, optionsOf(secure, maxAge));
	}
}

/** What a passkey is asked at the door is for the browser that asked, and for some minutes. */
const CEREMONY = 'square-batch-ceremony';
const CEREMONY_S = 300;

export const giveCeremony = (cookies: Cookies, url: URL, secret: string): void =>
	cookies.set(nameOf(CEREMONY, url), secret, { ...optionsOf(isSecure(url), CEREMONY_S), sameSite: 'strict' });

/** The secret of a ceremony that was begun in this browser, which is over by that; '' where none was. */
export function takeCeremony(cookies: Cookies, url: URL): string {
	const secret = cookies.get(nameOf(CEREMONY, url)) ?? '';
	cookies.delete(nameOf(CEREMONY, url), optionsOf(isSecure(url), 0));
	return secret;
}

/** The same as headers, for an answer that is not made of the event's own cookies. */
export const sessionHeader = (cookies: Cookies, url: URL, token: string): string =>
	cookies.serialize(nameOf(SESSION, url), token, optionsOf(isSecure(url), SESSION_S));

/** Takes both tokens away, as headers. */
export const clearingHeaders = (cookies: Cookies, url: URL): string[] =>
	[SESSION, DEVICE].map((name) => cookies.serialize(nameOf(name, url), '', optionsOf(isSecure(url), 0)));
