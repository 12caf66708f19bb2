import { error } from '@sveltejs/kit';
import { networkScales } from '$lib/server/scale.ts';
import type { RequestHandler } from './$types';

/** The panel of a simulated scale: how it stands, and the hand at it. A real scale has neither. */
const pass = async (name: string, move: string | null) => {
	const hand = networkScales()?.hand;
	if (!hand) error(404, { message: 'This scale is not simulated.', remedy: 'Put the weight on it by hand.' });
	const answer = await hand(name, move).catch(() => null);
	if (!answer)
		error(502, { message: 'The simulated scale does not answer.', remedy: 'Start Square Batch again.' });
	return new Response(await answer.text(), {
		status: answer.status,
		headers: { 'content-type': 'application/json' }
	});
};

export const GET: RequestHandler = ({ params }) => pass(params.name, null);
export const POST: RequestHandler = async ({ params, request }) => pass(params.name, await request.text());
