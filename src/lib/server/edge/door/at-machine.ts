import type { RequestEvent } from '@sveltejs/kit';
import { PASSED_ON, PASSED_ON_HEADER } from './passed-on.ts';
import { reach } from './reach.ts';

const LOOPBACK = /^(127(\.\d{1,3}){3}|::1|::ffff:127(\.\d{1,3}){3})$/;
const NAMES = ['localhost', '127.0.0.1', '[::1]'];

/**
 * Whether who asks sits at this machine: judged by the connection itself, and not only by how the application was
 * started. What comes through something in between, or under another name, may be anybody.
 */
export function isAtMachine({
	request,
	url,
	getClientAddress
}: Pick<RequestEvent, 'request' | 'url' | 'getClientAddress'>): boolean {
	if (!reach().isLoopback) return false;
	const { headers } = request;
	if (headers.get(PASSED_ON_HEADER) === 'yes' || PASSED_ON.some((name) => headers.has(name))) return false;
	return LOOPBACK.test(getClientAddress()) && NAMES.includes(url.hostname);
}
