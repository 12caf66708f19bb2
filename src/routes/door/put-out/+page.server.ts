import { CLEARING } from '$lib/server/edge/headers.ts';
import { giveTokens } from '$lib/server/edge/door/cookies.ts';
import { textOf } from '$lib/server/edge/validated.ts';
import type { Actions } from './$types';

export const actions: Actions = {
	/** The browser lets go of what it was known by, and of everything kept here where nothing entered waits to be sent. */
	clear: async ({ cookies, url, request, setHeaders }) => {
		giveTokens(cookies, url, { session: null, device: null });
		if (textOf(await request.formData(), 'waits') === 'none') setHeaders(CLEARING);
		return { cleared: true };
	}
};
