import fc from 'fast-check';
import type { Kitchen } from '../../src/lib/kitchen/types.ts';
import type { Database } from '../../src/lib/server/db/connection.ts';
import { formDataOf, type SoundForm } from './sound-forms/form.ts';
import { soundForms } from './sound-forms/index.ts';
import { ulid } from 'ulid';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { root } from './root.ts';
import { ask, comeIn } from './come-in.ts';

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

/** So many are asked at once. */
const AT_ONCE = 4;

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
	const [, forms = ''] = /export const actions[^]*?\n(\t[^]*?)\n\};/.exec(page) ?? [];
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

/** One thing wrong with a form that is otherwise as a person would send it. */
interface Slip {
	/** Which of the form's values, by place. */
	at: number;
	how: 'replace' | 'drop' | 'repeat' | 'lengthen';
	value: unknown;
}

/** A slip whose value may be an id that exists, of something of another kitchen. */
const slipWith = (theirs: fc.Arbitrary<string>): fc.Arbitrary<Slip> =>
	fc.record({
		at: fc.nat(200),
		how: fc.constantFrom('replace', 'replace', 'drop', 'repeat', 'lengthen'),
		value: fc.oneof(document, theirs)
	});

/** The document with one value of it changed; each of its values can be met. */
function slipped(given: unknown, { at, how, value }: Slip): unknown {
	const copy = structuredClone(given);
	const places: { holder: Record<string, unknown> | unknown[]; key: string }[] = [];
	const visit = (holder: unknown) => {
		if (typeof holder !== 'object' || holder === null) return;
		for (const [key, inner] of Object.entries(holder)) {
			places.push({ holder: holder as Record<string, unknown>, key });
			visit(inner);
		}
	};
	visit(copy);
	const place = places[at % Math.max(1, places.length)];
	if (!place) return value;
	const holder = place.holder as Record<string, unknown>;
	const now = holder[place.key];
	if (how === 'replace') holder[place.key] = value;
	else if (how === 'drop') Reflect.deleteProperty(holder, place.key);
	else if (how === 'lengthen')
		holder[place.key] = typeof now === 'string' ? `${now}${'W'.repeat(150)}` : 1e15;
	else holder[place.key] = Array.isArray(now) ? [...now, ...now, ...now] : [now];
	return copy;
}

/** A form of a pool that is sent with a slip in it. */
export interface Sent {
	/** Its route and its name. */
	form: string;
	sound: SoundForm;
}

/** Those that open another kitchen, or are sent in one, and one that takes something spoilt first. */
const NOT_SENT = [
	'/practice begin',
	'/practice/finish default',
	'/kitchen/data begin',
	'/kitchen/data open',
	'/kitchen/unreadable letGo'
];

/** Some of every form as a person would send it. */
export async function somePerForm(db: Database, kitchen: Kitchen, each: number): Promise<Sent[]> {
	const pool: Sent[] = [];
	for (const [form, make] of Object.entries(soundForms(db, kitchen)))
		if (!NOT_SENT.includes(form))
			for (let nth = 0; nth < each; nth++) pool.push({ form, sound: await make() });
	return pool;
}

/** Who sends what nobody should: mostly who may do most. */
const SENDERS = ['Wren', 'Wren', 'Wren', 'Pim', 'Sorrel', 'Inspector', 'nobody'] as const;

/** What is sent, by who asks nicely and who does not. */
interface Asked {
	/** A form of the pool, by place, and what is wrong with it; null for what has no shape at all. */
	slip: { of: number; slip: Slip } | null;
	route: Route;
	id: string;
	query: string;
	/** As which of its forms or methods, by place. */
	as: number;
	/** Who sends it. */
	by: (typeof SENDERS)[number];
	how: 'form' | 'json' | 'raw';
	body: unknown;
}

/** Sends `count` requests, the same for the same seed; those that were not answered in words. */
export async function hostileRequests(
	address: string,
	count: number,
	seed: number,
	{
		pool = [],
		foreign = [],
		told = () => undefined
	}: {
		pool?: readonly Sent[];
		/** Ids that exist in kitchens nobody who sends belongs to. */
		foreign?: readonly string[];
		told?: (done: number) => void;
	} = {}
): Promise<Failure[]> {
	const found = (await (await ask(`${address}/find.json`)).json()) as { href: string }[];
	const ids = found.flatMap(({ href }) => /[0-9A-Z]{26}/.exec(href) ?? []);
	const theirs = fc.constantFrom(...(foreign.length > 0 ? foreign : ids));
	const arbitrary: fc.Arbitrary<Asked> = fc.record({
		slip:
			pool.length === 0
				? fc.constant(null)
				: fc.option(fc.record({ of: fc.nat(pool.length - 1), slip: slipWith(theirs) }), { freq: 1 }),
		// An archive is no form; it is tried where archives are.
		route: fc.constantFrom(...everyRoute().filter(({ path }) => !path.startsWith('/kitchen/data'))),
		id: fc.oneof(fc.constantFrom(...ids), theirs, nasty),
		query: nasty,
		as: fc.nat(9),
		by: fc.constantFrom(...SENDERS),
		how: fc.constantFrom('form', 'form', 'json', 'raw'),
		body: document
	});
	const failures: Failure[] = [];
	const all = fc.sample(arbitrary, { numRuns: count, seed });
	let next = 0;
	const some = async () => {
		for (let asked = all[next++]; asked; asked = all[next++]) {
			const failure = await (asked.slip
				? sendSlipped(address, pool, asked.slip)
				: askStrangely(address, asked));
			if (failure) failures.push(failure);
			told(next);
		}
	};
	await Promise.all(Array.from({ length: AT_ONCE }, some));
	return failures;
}

async function sendSlipped(
	address: string,
	pool: readonly Sent[],
	{ of, slip }: { of: number; slip: Slip }
): Promise<Failure | null> {
	const sent = pool[of];
	if (!sent) return null;
	const [path = '', action = ''] = sent.form.split(' ');
	const { id = '', draft, fields, isNew } = sent.sound;
	// Another each time, or all but the first would be taken for that.
	const anew = isNew ? { ...(draft as object), id: ulid() } : draft;
	const body = formDataOf(
		draft === undefined
			? { fields: slipped(fields, slip) as Record<string, string> }
			: { draft: slipped(anew, slip) }
	);
	const url =
		`${address}${path.replace('[id]', id).replace('[day]', id).replace('[of]', 'label')}?/${action}`.replace(
			/\?\/default$/,
			''
		);
	return answered(`POST ${url} ${JSON.stringify(slip)}`, url, {
		method: 'POST',
		headers: { origin: address, accept: 'application/json', 'x-sveltekit-action': 'true' },
		body
	});
}

async function askStrangely(
	address: string,
	{ route, id, query, as, by, how, body }: Asked
): Promise<Failure | null> {
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
	return answered(`${by}: ${said}`, url, await sentBy(by, address, request));
}

const others = new Map<string, Promise<string>>();

/** A request as sent by somebody; the demo's owner is in by herself. */
async function sentBy(by: Asked['by'], address: string, request: RequestInit): Promise<RequestInit> {
	if (by === 'Wren') return request;
	const key = `${by} ${address}`;
	const cookie = by === 'nobody' ? '' : await (others.get(key) ?? comeIn(address, by).catch(() => ''));
	others.set(key, Promise.resolve(cookie));
	return { ...request, headers: { ...(request.headers as Record<string, string>), cookie } };
}

/** Asks; the failure where it was not answered in words. */
async function answered(said: string, url: string, request: RequestInit): Promise<Failure | null> {
	const isOwn = 'cookie' in ((request.headers ?? {}) as object);
	const response = await (isOwn ? fetch : ask)(url, { ...request, redirect: 'manual' }).catch(
		(error: unknown) => String((error as Error).cause)
	);
	if (typeof response === 'string') return { request: said, status: 0, answer: response };
	// A form's answer says its status inside.
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

/** What the id of a route's address is of. */
const IS_OF: [path: RegExp, table: string][] = [
	[/^\/formulas\//, 'formulas'],
	[/^\/batches\//, 'batches'],
	[/^\/labels\//, 'products'],
	[/^\/shelf\/lots\//, 'lots'],
	[/^\/shelf\//, 'ingredients']
];
/** Of each the newest and the oldest are looked at. */
const NEWEST = 25;
const OLDEST = 5;

/**
 * Pages that fail now, asked for as somebody would, with what the server printed of it; those with an id by what there is
 * of it.
 */
export async function pagesThatFail(address: string, db: Database, printed: () => string): Promise<string[]> {
	const failing: string[] = [];
	for (const path of await pages(db)) {
		const before = printed().length;
		const response = await ask(`${address}${path}`, { headers: { accept: 'text/html' } });
		await response.body?.cancel();
		if (response.status >= 500) failing.push(`${response.status} ${path}: ${printed().slice(before)}`);
	}
	return failing;
}

async function pages(db: Database): Promise<string[]> {
	const all: string[] = [];
	for (const { path, methods } of everyRoute()) {
		if (!methods.includes('GET')) continue;
		const table = IS_OF.find(([of]) => of.test(path))?.[1];
		if (!path.includes('[')) all.push(path);
		else if (table && !/\[(?!id\])/.test(path)) {
			const of = db(table as 'formulas');
			const newest = await of.clone().orderBy('id', 'desc').limit(NEWEST).pluck<string[]>('id');
			const oldest = await of.clone().orderBy('id').limit(OLDEST).pluck<string[]>('id');
			all.push(...new Set([...newest, ...oldest].map((id) => path.replace('[id]', id))));
		}
	}
	return all;
}
