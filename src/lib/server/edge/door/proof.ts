import { error, redirect, type RequestEvent } from '@sveltejs/kit';
import { UNPROVED } from '../../../people/unproved.ts';
import type { Who } from '../../../people/types.ts';
import { isProved } from '../../people/proof.ts';
import type { TurnedAway } from '../turned-away.ts';
import { isPage } from './is-page.ts';

const TO_PROVE: TurnedAway = {
	status: UNPROVED,
	message: 'Confirm that it is you first.',
	remedy:
		'Open /me/prove, give your password or a passkey, and send this again: you are not asked again for ten minutes.'
};

/** Why somebody who is in has to prove first who they are; null where they did lately. Leads a page to where they can. */
export function unproved(event: RequestEvent, who: Who): TurnedAway | null {
	if (isProved(who)) return null;
	const { url } = event;
	if (isPage(event)) redirect(303, `/me/prove?to=${encodeURIComponent(url.pathname + url.search)}`);
	return TO_PROVE;
}

/** Asks for a proof where it goes by what is asked whether one is needed. */
export function mustBeProved(event: RequestEvent): void {
	const { who } = event.locals;
	const no = who ? unproved(event, who) : null;
	if (no) error(no.status, { message: no.message, remedy: no.remedy });
}
