import type { RequestEvent } from '@sveltejs/kit';

/** What a browser shows as a page: it can be led elsewhere. */
export const isPage = ({ request, isDataRequest }: RequestEvent): boolean =>
	request.method === 'GET' && (isDataRequest || (request.headers.get('accept') ?? '').includes('text/html'));
