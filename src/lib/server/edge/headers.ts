/**
 * What a browser may do with anything of ours: it takes a file for what it is said to be, tells no other site where
 * somebody was, shows no page of ours within another, and asks for nothing of the device but the scale and a lit screen.
 */
export const SAFE_HEADERS: Record<string, string> = {
	'x-content-type-options': 'nosniff',
	'referrer-policy': 'same-origin',
	'permissions-policy':
		'accelerometer=(), camera=(), display-capture=(), geolocation=(), gyroscope=(), magnetometer=(), microphone=(), midi=(), payment=(), usb=(), serial=(self), screen-wake-lock=(self)',
	'cross-origin-resource-policy': 'same-origin',
	'x-frame-options': 'DENY'
};

/** Sets on an answer what it does not say otherwise: what a kitchen has to itself stays in no cache on the way or in the browser. */
export function makeSafe(response: Response): Response {
	for (const [name, value] of Object.entries(SAFE_HEADERS)) response.headers.set(name, value);
	const type = response.headers.get('content-type') ?? '';
	if (type.startsWith('text/') && !type.includes('charset'))
		response.headers.set('content-type', `${type}; charset=utf-8`);
	if (!response.headers.has('cache-control')) response.headers.set('cache-control', 'no-store');
	return response;
}

/** What a browser is told to clear of who leaves (ASVS 8.2). */
export const CLEARING = { 'clear-site-data': '"cache", "storage"' };
