import fc from 'fast-check';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { root } from './root.ts';

/** An address of the application, with what can be asked of it. */
export interface Route {
	/** As its folder is called: `/batches/[id]/pack`. */
	path: string;
	methods: string[];
	/** Names of the forms it takes. */
	actions: string[];
}

/** A request that was not answered in words. */
export interface Failure {
	request: string;
	status: number;
	answer: string;
}

const ROUTES = join(root, 'src', 'routes');

/** Every route of the application, read off its folders so that none added later is forgotten. */
export function everyRoute(folder = ROUTES, path = ''): Route[] {
	const entries = readdirSync(folder, { withFileTypes: true });
	const text = (name: string) =>
		entries.some((entry) => entry.name === name) ? readFileSync(join(folder, name), 'utf8') : '';
	const [page, server] = [text('+page.server.ts'), text('+server.ts')];
	const isPage = page !== '' || entries.some((entry) => entry.name === '+page.svelte');
	const handlers = [...server.matchAll(/export const (GET|POST|PUT|PATCH|DELETE)\b/g)].map(
		([, name = '']) => name
	);
	const [, forms = ''] = page.split('export const actions');
	const actions = [...forms.matchAll(/^\t(\w+)(?=:|,|\()/gm)].map(([, name = '']) => name);
	const here: Route = {
		path: path === '' ? '/' : path,
		methods: isPage ? ['GET', ...handlers] : handlers,
		actions
	};
	return [
		...(here.methods.length > 0 ? [here] : []),
		...entries
			.filter((entry) => entry.isDirectory())
			.flatMap(({ name }) => everyRoute(join(folder, name), /^\(.*\)$/.test(name) ? path : `${path}/${name}`))
	];
}

const NASTY = [
	'',
	' ',
	'é',
	'🫓',
	'\ud83e',
	'\u0000',
	'../../etc/passwd',
	"' OR 1=1 --",
	'<script>alert(1)</script>',
	'%00',
	'__proto__',
	'constructor',
	'-1',
	'0.0000001',
	'1e309',
	'99999999999999999999',
	'2026-02-30',
	'a'.repeat(5000),
	'[[[[',
	'{}'
];
const nasty = fc.oneof(fc.constantFrom(...NASTY), fc.string({ unit: 'binary', maxLength: 40 }));
const document = fc.letrec((again) => ({
	any: fc.oneof(
		{ maxDepth: 4 },
		nasty,
		fc.constantFrom(null, true, false, 0, -1, 1e21, 0.1),
		fc.array(again('any'), { maxLength: 4 }),
		fc.dictionary(
			fc.oneof(
				nasty,
				fc.constantFrom(
					'id',
					'name',
					'version',
					'lines',
					'entries',
					'grams',
					'kind',
					'packs',
					'product',
					'wording'
				)
			),
			again('any'),
			{ maxKeys: 6 }
		)
	)
})).any;

/** What is sent, by who asks nicely and who does not. */
interface Asked {
	route: Route;
	id: string;
	query: string;
	/** As which of its forms or methods, by place. */
	as: number;
	how: 'form' | 'json' | 'raw';
	body: unknown;
}

/** Sends `count` requests, the same for the same seed; those that were not answered in words. */
export async function hostileRequests(
	address: string,
	count: number,
	seed: number,
	told: (done: number) => void = () => undefined
): Promise<Failure[]> {
	const found = (await (await fetch(`${address}/find.json`)).json()) as { href: string }[];
	const ids = found.flatMap(({ href }) => /[0-9A-Z]{26}/.exec(href) ?? []);
	const arbitrary: fc.Arbitrary<Asked> = fc.record({
		// An archive is no form; it is tried where archives are.
		route: fc.constantFrom(...everyRoute().filter(({ path }) => !path.startsWith('/kitchen/data'))),
		id: fc.oneof(fc.constantFrom(...ids), nasty),
		query: nasty,
		as: fc.nat(9),
		how: fc.constantFrom('form', 'form', 'json', 'raw'),
		body: document
	});
	const failures: Failure[] = [];
	for (const [index, asked] of fc.sample(arbitrary, { numRuns: count, seed }).entries()) {
		const failure = await ask(address, asked);
		if (failure) failures.push(failure);
		told(index + 1);
	}
	return failures;
}

async function ask(address: string, { route, id, query, as, how, body }: Asked): Promise<Failure | null> {
	const part = encodeURIComponent(wellFormed(id)) || '%20';
	const path = route.path.replaceAll(/\[\w+\]/g, part);
	const words = encodeURIComponent(wellFormed(query));
	const known = `${['code', 'year', 'from', 'product', 'batch', 'shown', 'rules', 'figure'][as] ?? 'x'}=${words}`;
	const sends = [...route.actions, ...route.methods.filter((method) => method !== 'GET')];
	const send = as === 0 || sends.length === 0 ? null : (sends[as % sends.length] ?? null);
	const isAction = send !== null && route.actions.includes(send);
	const url = `${address}${path}?${isAction ? `/${send}&` : ''}${known}`;
	const text = JSON.stringify(body) ?? 'null';
	const form = new FormData();
	form.set('draft', text);
	const request: RequestInit =
		send === null
			? { headers: { accept: 'text/html' } }
			: {
					method: isAction ? 'POST' : send,
					headers: {
						origin: address,
						accept: 'application/json',
						'x-sveltekit-action': 'true',
						...(how === 'json' ? { 'content-type': 'application/json' } : {}),
						...(how === 'raw' ? { 'content-type': 'application/x-www-form-urlencoded' } : {})
					},
					body: how === 'form' && isAction ? form : text
				};
	const said = `${request.method ?? 'GET'} ${url} ${send === null ? '' : `${how} ${text}`}`.slice(0, 400);
	const response = await fetch(url, { ...request, redirect: 'manual' }).catch((error: unknown) =>
		String((error as Error).cause)
	);
	if (typeof response === 'string') return { request: said, status: 0, answer: response };
	if (response.status < 500) {
		// A stream would go on for ever.
		await response.body?.cancel();
		return null;
	}
	return {
		request: said,
		status: response.status,
		answer: (await response.text()).slice(0, 200)
	};
}

const wellFormed = (text: string): string => text.replace(/\p{Surrogate}/gu, '');

/** Pages that fail now, asked for as somebody would; those with an id by everything that is there. */
export async function pagesThatFail(address: string): Promise<string[]> {
	const found = (await (await fetch(`${address}/find.json`)).json()) as { href: string }[];
	const plain = everyRoute()
		.filter(({ path, methods }) => methods.includes('GET') && !path.includes('['))
		.map(({ path }) => path);
	const failing: string[] = [];
	for (const path of new Set([...plain, ...found.map(({ href }) => href)])) {
		const response = await fetch(`${address}${path}`, { headers: { accept: 'text/html' } });
		await response.body?.cancel();
		if (response.status >= 500) failing.push(`${response.status} ${path}`);
	}
	return failing;
}
