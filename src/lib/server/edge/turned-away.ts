import { json, type Redirect, type RequestEvent } from '@sveltejs/kit';
import { escapeUTF8 } from 'entities';

/** What is said where a request is answered before any page of it is made. */
export interface TurnedAway {
	status: number;
	message: string;
	remedy: string;
	/** Whether asking again in some seconds may help. */
	again?: boolean;
}

const AGAIN_S = 3;

/**
 * The answer to a request that no page can be made for, as who asked can take it: a form and the data of a page get it
 * as their own errors, a script as JSON, a person as a page of its own.
 */
export function turnedAway(event: RequestEvent, { status, message, remedy, again }: TurnedAway): Response {
	const headers: Record<string, string> = { 'cache-control': 'no-store' };
	if (again) headers['retry-after'] = String(AGAIN_S);
	const { request, isDataRequest } = event;
	if (request.headers.get('x-sveltekit-action') === 'true')
		return json({ type: 'error', status, error: { message, remedy } }, { status, headers });
	if (isDataRequest || !(request.headers.get('accept') ?? '').includes('text/html'))
		return json({ message, remedy }, { status, headers });
	return new Response(page(message, remedy, again ? AGAIN_S : null), {
		status,
		headers: { ...headers, 'content-type': 'text/html; charset=utf-8' }
	});
}

/** The answer that leads elsewhere, as the page, its data or its form takes it. */
export function ledTo({ request, isDataRequest }: RequestEvent, { status, location }: Redirect): Response {
	if (isDataRequest) return json({ type: 'redirect', location });
	if (request.headers.get('x-sveltekit-action') === 'true')
		return json({ type: 'redirect', status, location });
	return new Response(null, { status, headers: { location } });
}

/** A page of nothing but words, which needs neither the database nor a script. */
const page = (message: string, remedy: string, again_s: number | null) => `<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
${again_s === null ? '' : `<meta http-equiv="refresh" content="${again_s}">\n`}<title>${escapeUTF8(message)} · Square Batch</title>
</head>
<body style="font-family: system-ui, sans-serif; background: #f3f7f1; color: #14213d; max-width: 42rem; margin: 12vh auto; padding: 0 1.5rem; line-height: 1.5">
<p><b>Square Batch</b></p>
<h1 style="font-size: 1.6rem">${escapeUTF8(message)}</h1>
<p>${escapeUTF8(remedy)}</p>
</body>
</html>
`;
