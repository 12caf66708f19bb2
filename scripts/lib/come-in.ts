/** Somebody of the demo. */
export type DemoName = 'Wren' | 'Pim' | 'Sorrel' | 'Inspector';

/** The id of somebody of the demo, as the door offers them. */
const offered = (html: string, name: DemoName): string | undefined =>
	new RegExp(`&quot;id&quot;:&quot;([0-9A-Z]{26})&quot;(?:(?!&quot;id&quot;)[\\s\\S])*?>${name},`).exec(
		html
	)?.[1];

/** Comes in at an application's door as somebody of the demo; the cookies of then on. */
export async function comeIn(address: string, name: DemoName = 'Wren'): Promise<string> {
	const door = await fetch(`${address}/door`, { headers: { accept: 'text/html' } });
	const id = offered(await door.text(), name);
	if (!id) throw new Error(`the door of ${address} offers no ${name}`);
	const body = new FormData();
	body.set('draft', JSON.stringify({ id }));
	const answer = await fetch(`${address}/door?/demo`, {
		method: 'POST',
		headers: { origin: address, accept: 'application/json', 'x-sveltekit-action': 'true' },
		body
	});
	const cookies = answer.headers.getSetCookie().map((cookie) => cookie.split(';')[0]);
	if (cookies.length === 0) throw new Error(`nobody came in: ${await answer.text()}`);
	return cookies.join('; ');
}

const inside = new Map<string, Promise<string>>();

/** The cookies of the demo's owner at an application, who comes in the first time. */
export async function cookiesAt(address: string): Promise<string> {
	const { origin } = new URL(address);
	const coming = inside.get(origin) ?? comeIn(origin);
	inside.set(origin, coming);
	try {
		return await coming;
	} catch (error) {
		inside.delete(origin);
		throw error;
	}
}

/** `fetch` as the demo's owner. An application that knows her no more, as it has other data now, lets her in again. */
export async function ask(url: string, init: RequestInit = {}): Promise<Response> {
	const { origin } = new URL(url);
	const as = async () => {
		const headers = new Headers(init.headers);
		headers.set('cookie', await cookiesAt(origin));
		return fetch(url, { ...init, headers });
	};
	const answer = await as();
	const isOut = answer.status === 401 || new URL(answer.url).pathname === '/door';
	if (!isOut || new URL(url).pathname === '/door') return answer;
	await answer.body?.cancel();
	inside.delete(origin);
	return as();
}
