/** Where somebody wanted to go, if it is a page of ours; else the first. No other site is led to. */
export function withinHere(to: string | null): string {
	if (to === null || !to.startsWith('/')) return '/';
	let url: URL;
	try {
		url = new URL(to, 'http://here');
	} catch {
		return '/';
	}
	const path = url.pathname + url.search;
	// What comes of it is looked at, not what it looked like: `/.//elsewhere` becomes the address of another site.
	const isHere =
		url.host === 'here' && new URL(path, 'http://here').host === 'here' && !/^\/[/\\]/.test(path);
	return isHere && !url.pathname.startsWith('/door') ? path : '/';
}
