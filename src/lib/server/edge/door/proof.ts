import { error, redirect, type RequestEvent } from '@sveltejs/kit';
import type { Who } from '../../../people/types.ts';
import { isProved } from '../../people/proof.ts';
import type { TurnedAway } from '../turned-away.ts';

/** By which a page knows that it has to ask who it is, and may then send the same again. */
export const UNPROVED_STATUS = 428;

const UNPROVED: TurnedAway = {
	status: UNPROVED_STATUS,
	message: 'Confirm that it is you first.',
	remedy:
		'Open /me/prove, give your password or a passkey, and send this again: you are not asked again for ten minutes.'
};

/** Why somebody who is in has to prove first who they are; null where they did lately. Leads a page to where they can. */
export function unproved({ request, url }: RequestEvent, who: Who): TurnedAway | null {
	if (isProved(who)) return null;
	if (request.method === 'GET' && (request.headers.get('accept') ?? '').includes('text/html'))
		redirect(303, `/me/prove?to=${encodeURIComponent(url.pathname + url.search)}`);
	return UNPROVED;
}

/** Asks for a proof where it goes by what is asked whether one is needed. */
export function mustBeProved(event: RequestEvent): void {
	const { who } = event.locals;
	const no = who ? unproved(event, who) : null;
	if (no) error(no.status, { message: no.message, remedy: no.remedy });
}
