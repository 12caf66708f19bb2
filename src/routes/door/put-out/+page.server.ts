import { CLEARING } from '$lib/server/edge/headers.ts';
import { giveTokens } from '$lib/server/edge/door/cookies.ts';
import type { Actions } from './$types';

export const actions: Actions = {
	/** The browser lets go of everything that was kept here, and of what it was known by. */
	clear: ({ cookies, url, setHeaders }) => {
		giveTokens(cookies, url, { session: null, device: null });
		setHeaders(CLEARING);
		return { cleared: true };
	}
};
