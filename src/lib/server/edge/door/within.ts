/** Where somebody wanted to go, if it is a page of ours; else the first. No other site is led to. */
export function withinHere(to: string | null): string {
	if (to === null || !to.startsWith('/') || to.startsWith('//') || to.includes('\\')) return '/';
	const url = new URL(to, 'http://here');
	return url.host === 'here' && !url.pathname.startsWith('/door') ? url.pathname + url.search : '/';
}
