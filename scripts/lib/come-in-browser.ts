import type { Browser, BrowserContext } from '@playwright/test';
import { comeIn as comeInAt, type DemoName } from './come-in.ts';

/** Lets a browser in as somebody of the demo, as a press at the door does. */
export async function comeIn(
	context: BrowserContext,
	address: string,
	name: DemoName = 'Wren'
): Promise<void> {
	const cookies = await comeInAt(address, name);
	const { hostname } = new URL(address);
	await context.addCookies(
		cookies.split('; ').map((cookie) => {
			const at = cookie.indexOf('=');
			return {
				name: cookie.slice(0, at),
				value: cookie.slice(at + 1),
				domain: hostname,
				path: '/',
				httpOnly: true,
				sameSite: 'Lax' as const
			};
		})
	);
}

/** A browser of its own in which somebody of the demo is in. */
export async function another(
	browser: Browser,
	address = process.env.BASE_URL ?? '',
	name: DemoName = 'Wren'
): Promise<BrowserContext> {
	const context = await browser.newContext({ baseURL: address, locale: 'en-US', reducedMotion: 'reduce' });
	await comeIn(context, address, name);
	return context;
}
