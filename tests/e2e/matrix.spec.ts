import { ulid } from 'ulid';
import type { Application } from '../../scripts/lib/application.ts';
import { everyRoute } from '../../scripts/lib/hostile.ts';
import type { Database } from '../../src/lib/server/db/connection.ts';
import { createKitchen, getKitchen, theKitchen } from '../../src/lib/server/kitchens.ts';
import { putDeviceOut } from '../../src/lib/server/people/devices.ts';
import { beginPractice } from '../../src/lib/server/practice/begin.ts';
import { utcNow } from '../../src/lib/server/rows.ts';
import { endSessions } from '../../src/lib/server/people/sessions.ts';
import { ROLES, type Role } from '../../src/lib/people/roles.ts';
import { expect, test } from '@playwright/test';
import { ownDatabase, type OwnDatabase } from './own-database.ts';

/**
 * Whom each route lets read, and whom it lets do each thing: n nobody, s seller, m maker, i inspector, o owner, p a device that was put out; `-`
 * a shared device alone. Written out once more, so that a change of the table is meant.
 */
const MAY: [route: string, read: string, ...acts: string[]][] = [
	['/', 'mo'],
	['/alive', 'nsmio'],
	['/ready', 'nsmio'],
	['/door', 'nsmio', 'in nsmio', 'demo nsmio', 'out smio'],
	['/door/again', 'nsmio', 'default nsmio'],
	['/door/certificate', 'nsmio'],
	['/door/certificate/file', 'nsmio'],
	['/door/first', 'nsmio', 'default nsmio'],
	['/door/invited/[code]', 'nsmio', 'new nsmio', 'join smio'],
	['/door/let-in/[code]', 'nsmio', 'default nsmio'],
	['/door/passkey.json', 'nsmio', 'POST nsmio'],
	['/door/put-out', 'p', 'clear p'],
	['/door/who', '-', 'default -'],
	['/door/who.json', '-', 'POST -', 'PUT -'],
	[
		'/me',
		'smio',
		'name smio',
		'password smio',
		'codes smio',
		'second smio',
		'secondOn smio',
		'secondOff smio',
		'forgetKey smio',
		'end smio',
		'endOthers smio',
		'code smio',
		'dropCode smio',
		'open smio',
		'leave smio',
		'erase smio'
	],
	['/me/data', 'smio'],
	['/me/deleted/[id]', 'smio'],
	['/me/prove', 'smio'],
	['/me/prove.json', 'smio', 'POST smio'],
	['/me/passkey.json', 'smio', 'POST smio'],
	[
		'/people',
		'o',
		'invite o',
		'helper o',
		'change o',
		'code o',
		'end o',
		'letIn o',
		'device o',
		'putOut o',
		'withdraw o'
	],
	['/left.json', 'smio', 'POST smio'],
	['/people/left', 'o', 'record o', 'letGo o'],
	['/people/did', 'o'],
	['/people/did/csv', 'o'],
	['/inspection', 'io'],
	['/inspection/batch/[id]', 'io'],
	['/inspection/label/[id]', 'io'],
	['/live', 'smo'],
	['/find.json', 'mo'],
	['/plan', 'mo', 'tool mo'],
	['/plan/[day]', 'mo', 'keep mo', 'take mo', 'letGo mo', 'begin mo', 'hours mo'],
	['/plan/[day]/calendar', 'mo'],
	['/plan/[day]/shopping', 'mo'],
	['/shelf', 'mo'],
	['/shelf/csv', 'mo'],
	['/shelf/json', 'mo'],
	['/shelf/import', 'o', 'preview o', 'import o'],
	['/shelf/new', 'o', 'default o'],
	['/shelf/sheet', 'o', 'default o'],
	['/shelf/[id]', 'mo', 'save o', 'price o', 'sell o', 'jars mo', 'measure mo', 'forget mo'],
	['/shelf/lots', 'mo', 'receive mo'],
	['/shelf/lots/count', 'mo', 'count mo'],
	['/shelf/lots/[id]', 'mo', 'takeBack mo'],
	['/formulas', 'mo', 'new o'],
	['/formulas/import', 'o', 'default o'],
	['/formulas/[id]', 'mo', 'keep o', 'discard o', 'remember o', 'shelve o', 'duplicate o', 'archive o'],
	['/formulas/[id]/compare', 'mo'],
	['/formulas/[id]/cost', 'o'],
	['/formulas/[id]/draft', '', 'PUT o'],
	['/formulas/[id]/file', 'mo'],
	['/formulas/[id]/history', 'mo'],
	['/formulas/[id]/recipe', 'mo'],
	['/formulas/[id]/reformulate', 'o', 'take o', 'trial o'],
	['/sure/[of]/[id]', 'mo', 'report o', 'withdraw o'],
	['/batches', 'mo'],
	['/batches/new', 'mo', 'default mo'],
	[
		'/batches/[id]',
		'mo',
		'record mo',
		'correct mo',
		'close mo',
		'minutes mo',
		'clean mo',
		'voidClean mo',
		'decide o'
	],
	['/batches/[id]/entries.json', 'mo', 'POST mo'],
	['/batches/[id]/file', 'mo'],
	['/batches/[id]/record', 'mo'],
	['/batches/[id]/(bench)/weigh', 'mo'],
	['/batches/[id]/(bench)/mix', 'mo'],
	['/batches/[id]/(bench)/divide', 'mo'],
	['/batches/[id]/(bench)/surface', 'mo'],
	['/batches/[id]/(bench)/cook', 'mo'],
	['/batches/[id]/(bench)/pack', 'mo'],
	['/labels', 'smo'],
	[
		'/labels/[id]',
		'smo',
		'print smo',
		'take smo',
		'many smo',
		'roll smo',
		'check mo',
		'shelfTest mo',
		'shelfDay mo',
		'save o',
		'decide o',
		'approve o'
	],
	['/labels/[id]/pictures/[picture]', 'smo'],
	['/labels/[id]/print', 'smo'],
	['/labels/[id]/record', 'mo'],
	['/labels/bars.json', 'smo'],
	['/labels/printed/[job]', 'smo'],
	['/sales', 'o', 'sell o', 'void o', 'comeBack o', 'pay o', 'erase o'],
	['/sales.csv', 'o'],
	['/sales.json', 'o'],
	['/sales/entries.json', '', 'POST so'],
	['/sales/import', 'o', 'preview o', 'import o'],
	['/sales/orders', 'so', 'take so', 'change so', 'cancel so', 'handOver so'],
	['/sales/profit', 'o'],
	['/sales/stall', 'so', 'count so', 'soldOut so'],
	['/sales/summary', 'o'],
	['/trace', 'mo'],
	['/trace/batch/[id]', 'mo'],
	['/trace/batch/[id]/csv', 'mo'],
	['/trace/lot/[id]', 'mo'],
	['/trace/lot/[id]/csv', 'mo'],
	['/practice', 'mo', 'begin mo', 'leave mo'],
	['/practice/debrief/[id]', 'mo'],
	['/practice/finish', 'mo', 'default mo'],
	['/practice/hands.json', 'mo', 'POST mo'],
	['/practice/sheet/[exercise]', 'mo'],
	['/scale/[name]', 'mo', 'POST mo'],
	['/scale/[name]/readings', 'mo'],
	[
		'/kitchen',
		'o',
		'settings o',
		'family o',
		'removeFamily o',
		'equipment o',
		'retire o',
		'risk o',
		'endRisk o',
		'measure o',
		'removeMeasure o',
		'forget o'
	],
	['/kitchen/costs', 'o', 'rates o', 'power o', 'fee o'],
	['/kitchen/data', 'o', 'open smio', 'begin o', 'archive o', 'close o', 'openAgain o', 'remove o'],
	['/kitchen/data/restore', '', 'POST o'],
	['/jobs/[job]', 'smio', 'stop smio', 'again smio', 'open smio'],
	['/jobs/[job]/file', 'smio'],
	['/jobs/[job]/state.json', 'smio'],
	['/kitchen/profile', 'o', 'save o'],
	['/kitchen/spreads', 'o', 'save o'],
	['/kitchen/tare.json', '', 'POST mo'],
	['/kitchen/unreadable', 'o', 'letGo o']
];

/** What would end the very session that asks; it is tried in `door.spec.ts`. */
const ENDS = ['/door out'];
/** Long or endless answers are only begun. */
const LIMIT_MS = 20_000;

type As = 'nobody' | 'seller' | 'maker' | 'inspector' | 'owner' | 'stranger' | 'ended' | 'put out';
const LETTER: Record<As, string> = {
	nobody: 'n',
	seller: 's',
	maker: 'm',
	inspector: 'i',
	owner: 'o',
	// The owner of another kitchen may there what an owner may; of this one nothing is told.
	stranger: 'o',
	ended: 'n',
	'put out': 'p'
};

/** An owner in a kitchen that is not simply open: what is shut there, and nothing else, whatever their rights. */
type State = 'practising' | 'shut' | 'full';
const STATES: Record<State, 'open' | 'closed'> = { practising: 'open', shut: 'closed', full: 'open' };

/** What leaves a kitchen of practice: on paper, as a file, to a device of the real one, or as an approval. */
const LEAVES = new Set([
	'/batches/[id]/file GET',
	'/batches/[id]/record GET',
	'/formulas/[id]/file GET',
	'/formulas/[id]/recipe GET',
	'/jobs/[job]/file GET',
	'/labels/[id] print',
	'/labels/[id] take',
	'/labels/[id] many',
	'/labels/[id] roll',
	'/labels/[id] approve',
	'/labels/[id]/print GET',
	'/labels/[id]/record GET',
	'/labels/printed/[job] GET',
	'/me/data GET',
	'/people/did/csv GET',
	'/plan/[day]/calendar GET',
	'/sales.csv GET',
	'/sales.json GET',
	'/scale/[name] GET',
	'/scale/[name] POST',
	'/scale/[name]/readings GET',
	'/shelf/csv GET',
	'/shelf/json GET',
	'/trace/batch/[id]/csv GET',
	'/trace/lot/[id]/csv GET'
]);
/** What practising has no right to: it is of the real kitchen. */
const NOT_OF_PRACTICE =
	/^\/(people|sales|kitchen|inspection|shelf\/new|shelf\/import|shelf\/sheet|formulas\/import)/;
/** What goes on of a closed kitchen, and of a full one: the door, one’s own, what waits on devices, and the kitchen’s own end. */
const ALWAYS = /^\/(door|me|jobs|kitchen\/data|left\.json)(\/|$)/;
/** What is begun at a bench or a stall goes on in a full one; and people are put out of it. */
const GOES_ON = /\/entries\.json$|^\/people(\/|$)/;

/** Whether something is shut in a state; null where another rule says so before. */
function isShut(state: State, route: string, name: string): boolean | null {
	if (state === 'practising') {
		if (LEAVES.has(`${route} ${name}`)) return true;
		if (route.startsWith('/me') || route.startsWith('/jobs') || name === 'join') return name !== 'GET';
		return NOT_OF_PRACTICE.test(route) ? null : false;
	}
	if (name === 'GET' || ALWAYS.test(route)) return false;
	return state === 'shut' || !GOES_ON.test(route);
}

let own: OwnDatabase;
let application: Application;
let db: Database;
let kitchenId = '';
const cookies = {} as Record<As | State, string>;

test.describe.configure({ mode: 'serial', timeout: 600_000 });

test.beforeAll(async () => {
	own = await ownDatabase();
	({ application, db } = own);
	const kitchen = await theKitchen(db);
	kitchenId = kitchen.id;
	const elsewhere = await createKitchen(
		db,
		{ ...(await getKitchen(db, kitchenId)), name: 'Elsewhere' },
		ulid()
	);
	const comeIn = async (as: As | State, role: Role, where: string) => {
		const somebody = await own.comeIn({ name: as, role, kitchenId: where });
		cookies[as] = somebody.cookies;
		return somebody;
	};
	for (const role of ROLES) await comeIn(role, role, kitchenId);
	await comeIn('stranger', 'owner', elsewhere);
	const { personId } = await comeIn('ended', 'owner', kitchenId);
	await endSessions(db, { person_id: personId });
	const { deviceId } = await comeIn('put out', 'owner', kitchenId);
	await putDeviceOut(db, kitchenId, deviceId);
	cookies.nobody = '';
	for (const [as, state] of Object.entries(STATES)) {
		const where = await createKitchen(db, { ...kitchen, name: as }, ulid());
		const { personId, sessionId } = await comeIn(as as State, 'owner', where);
		if (state !== 'open') await db('kitchens').where('id', where).update({ state, closed_at: utcNow() });
		if (as === 'full')
			await db('kitchen_usage').insert({
				kitchen_id: where,
				rows_kept: 5_000_000,
				bytes_kept: 1,
				counted_at: utcNow()
			});
		if (as === 'practising') {
			const beside = await getKitchen(db, where);
			const practice = { id: ulid(), exercise: 'salt', seed: 1, batchId: '' };
			await beginPractice(db, beside, { personId, name: as, sessionId }, practice);
		}
	}
});
test.afterAll(() => own.stop());

/** Ids of the demo kitchen, by what an address is of. */
async function idOf(route: string): Promise<string> {
	const table =
		/^\/(formulas|batches|sure|shelf\/lots|shelf|labels|trace\/batch|trace\/lot|inspection\/batch|inspection\/label)/.exec(
			route
		)?.[1];
	const of = {
		formulas: 'formulas',
		sure: 'products',
		batches: 'batches',
		'shelf/lots': 'lots',
		shelf: 'ingredients',
		labels: 'products',
		'trace/batch': 'batches',
		'trace/lot': 'lots',
		'inspection/batch': 'batches',
		'inspection/label': 'products'
	}[table ?? ''];
	if (!of) return '0'.repeat(26);
	const row = await db(of as 'lots')
		.where('kitchen_id', kitchenId)
		.orderBy('id')
		.first('id');
	return row?.id ?? '';
}

async function send(
	as: As | State,
	path: string,
	method: string,
	body?: string | FormData
): Promise<Response> {
	const isJson = typeof body === 'string';
	const answer = await fetch(`${application.address}${path}`, {
		method,
		redirect: 'manual',
		signal: AbortSignal.timeout(LIMIT_MS),
		headers: {
			cookie: cookies[as],
			...(method === 'GET'
				? { accept: 'text/html' }
				: {
						origin: application.address,
						accept: 'application/json',
						'x-sveltekit-action': 'true',
						...(isJson ? { 'content-type': 'application/json' } : {})
					})
		},
		...(body === undefined ? {} : { body })
	});
	return answer;
}

/** What an answer says of whether who asked was let in. */
function saysNo(answer: Response): boolean {
	const to = answer.headers.get('location') ?? '';
	return [401, 403].includes(answer.status) || (answer.status === 303 && !to.startsWith('/me?'));
}

const addressOf = (route: string, id: string): string =>
	route
		.replace(/\/\([^)]*\)/, '')
		.replace('[id]', id)
		.replace('[name]', 'bench')
		.replace('[of]', 'label')
		.replace(/\[\w+\]/g, '0'.repeat(26)) +
	(route.endsWith('/print') ? '?revision=1&batch=&copies=1&on=roll&as=svg' : '');

test('every route is in the matrix, and each of its acts', () => {
	const routes = everyRoute();
	const plain = MAY.map(([route]) => route.replace(/\/\([^)]*\)/, ''));
	expect([...plain].sort()).toEqual(routes.map(({ path }) => path).sort());
	for (const { path, methods, actions } of routes) {
		const row = MAY.find(([route]) => route.replace(/\/\([^)]*\)/, '') === path);
		const acts = [...methods.filter((method) => method !== 'GET'), ...actions].sort();
		expect(
			row
				?.slice(2)
				.map((act) => act.split(' ')[0])
				.sort(),
			path
		).toEqual(acts);
	}
});

for (const as of Object.keys(LETTER) as As[])
	test(`${as} is let in where the matrix says so, and nowhere else`, async () => {
		const wrong: string[] = [];
		for (const [route, read, ...acts] of MAY) {
			const path = addressOf(route, await idOf(route));
			if (read !== '' && read !== '-') {
				const answer = await send(as, path, 'GET');
				await answer.body?.cancel();
				const isIn = !saysNo(answer);
				// Where somebody is led stays in no cache: what is there depends on who asks.
				if (answer.status === 303 && answer.headers.get('cache-control') !== 'no-store')
					wrong.push(`${route} GET leads elsewhere and may be kept`);
				if (isIn !== read.includes(LETTER[as] || '?')) wrong.push(`${route} GET: ${answer.status}`);
				if (answer.status >= 500) wrong.push(`${route} GET: ${answer.status}`);
				// What is of another kitchen is not here, and nothing of it is told.
				if (as === 'stranger' && route.includes('[id]') && isIn && answer.status !== 404)
					wrong.push(`${route} GET as of another kitchen: ${answer.status}`);
			}
			for (const act of acts) {
				const [name = '', who = ''] = act.split(' ');
				if (ENDS.includes(`${route} ${name}`)) continue;
				const isMethod = /^(POST|PUT)$/.test(name);
				const answer = await send(
					as,
					isMethod ? path : `${path}${name === 'default' ? '' : `?/${name}`}`,
					isMethod ? name : 'POST',
					isMethod ? '{}' : new FormData()
				);
				const text = await answer.text();
				// A form's answer says its status inside.
				const said = text.startsWith('{') ? ((JSON.parse(text) as { status?: number }).status ?? 0) : 0;
				const no = saysNo(answer) || said === 401 || said === 403;
				if (!no !== (who !== '-' && who.includes(LETTER[as] || '?')))
					wrong.push(`${route} ${name}: ${answer.status} ${text.slice(0, 80)}`);
				if (answer.status >= 500 || said >= 500) wrong.push(`${route} ${name}: ${answer.status} ${said}`);
			}
		}
		expect(wrong).toEqual([]);
	});

for (const state of Object.keys(STATES) as State[])
	test(`${state}: what is shut then is, whoever asks, and nothing else is`, async () => {
		const wrong: string[] = [];
		for (const [route, read, ...acts] of MAY) {
			const asked = [
				...(read === '' || read === '-' ? [] : ['GET']),
				...acts.map((act) => act.split(' ')[0] ?? '')
			];
			for (const name of asked) {
				if (ENDS.includes(`${route} ${name}`) || OTHERS_OF_STATES.includes(`${route} ${name}`)) continue;
				const shut = isShut(state, route, name);
				if (shut === null || /^\/door\/who/.test(route)) continue;
				const path = addressOf(route, '0'.repeat(26));
				const isMethod = /^(GET|POST|PUT)$/.test(name);
				const body = name === 'GET' ? undefined : isMethod ? '{}' : new FormData();
				const answer = await send(
					state,
					isMethod ? path : `${path}${name === 'default' ? '' : `?/${name}`}`,
					name === 'GET' ? 'GET' : isMethod ? name : 'POST',
					body
				);
				const text = /event-stream/.test(answer.headers.get('content-type') ?? '') ? '' : await answer.text();
				if (text === '') await answer.body?.cancel().catch(() => undefined);
				const said = text.startsWith('{') ? ((JSON.parse(text) as { status?: number }).status ?? 0) : 0;
				const status = said || answer.status;
				// A page of a closed kitchen says so above itself, and is read all the same.
				const isSaid = status === SAYS[state].status && SAYS[state].words.test(text);
				if (isSaid !== shut) wrong.push(`${route} ${name}: ${status} ${text.slice(0, 90)}`);
				if (status >= 500 && !(state === 'full' && shut)) wrong.push(`${route} ${name}: ${status}`);
			}
		}
		expect(wrong).toEqual([]);
	});

/** What would end the state that is looked at. */
const OTHERS_OF_STATES = [
	'/practice leave',
	'/practice begin',
	'/me leave',
	'/me erase',
	'/door in',
	'/door demo'
];
const SAYS: Record<State, { status: number; words: RegExp }> = {
	practising: { status: 403, words: /This is not done in practice/ },
	shut: { status: 409, words: /This kitchen is closed/ },
	full: { status: 507, words: /This kitchen is full/ }
};

test('nothing that creates takes over a kitchen whose id is known', async () => {
	const state = async () =>
		JSON.stringify([
			await db('kitchens').where('id', kitchenId).first(),
			await db('memberships').where('kitchen_id', kitchenId).orderBy('id').select('id', 'person_id', 'role')
		]);
	const before = await state();
	const drafts: [path: string, draft: object][] = [
		['/practice?/begin', { id: kitchenId, exercise: 'salt', seed: '1', batchId: '' }],
		[
			'/kitchen/data?/begin',
			{
				id: kitchenId,
				name: 'Taken over',
				town: '',
				address: '',
				timeZone: 'UTC',
				currency: 'USD',
				rules: 'us',
				scaleDivision: '1',
				measureSet: 'us',
				locale: 'en-US',
				weekStarts: '0',
				sellsShort: false
			}
		],
		['/kitchen/data?/open', { id: kitchenId }],
		['/me?/open', { id: kitchenId }]
	];
	for (const [path, draft] of drafts) {
		const form = new FormData();
		form.set('draft', JSON.stringify(draft));
		const answer = (await (await send('stranger', path, 'POST', form)).json()) as { type: string };
		expect(answer.type, path).toBe('failure');
		expect(await state(), path).toBe(before);
	}
	expect(await db('sessions').where('practice_id', kitchenId).first('id')).toBeUndefined();
});

test('an id of another kitchen, in whatever place it can stand, changes nothing there', async () => {
	const state = async () =>
		JSON.stringify(
			await db('changes').where('kitchen_id', kitchenId).orderBy('of_table').select('of_table', 'number')
		);
	const ids: string[] = [];
	for (const table of [
		'batches',
		'formulas',
		'ingredients',
		'lots',
		'products',
		'sales',
		'equipment',
		'memberships',
		'devices'
	])
		ids.push(
			(
				await db(table as 'lots')
					.where('kitchen_id', kitchenId)
					.orderBy('id')
					.first('id')
			)?.id ?? ''
		);
	const before = await state();
	const failed: string[] = [];
	for (const [route, , ...acts] of MAY.filter(([of]) => !/^\/(door|me)/.test(of)))
		for (const act of acts) {
			const [name = ''] = act.split(' ');
			for (const id of ids) {
				const path = addressOf(route, id);
				const isMethod = /^(POST|PUT)$/.test(name);
				const draft = Object.fromEntries(
					'id batchId productId ingredientId formulaId saleId checkoutId ofId lotId cleanId equipmentId'
						.split(' ')
						.map((key) => [key, id])
				);
				const whole = {
					...draft,
					version: 1,
					name: 'Taken over',
					reason: 'taken over',
					role: 'maker',
					code: '4711',
					customer: 'Somebody',
					from: '2020-01-01',
					to: '2020-01-31',
					until: '2020-01-31',
					idle: 5
				};
				const form = new FormData();
				form.set('draft', JSON.stringify(whole));
				const answer = await send(
					'stranger',
					isMethod ? path : `${path}${name === 'default' ? '' : `?/${name}`}`,
					isMethod ? name : 'POST',
					isMethod ? JSON.stringify({ ...whole, entries: [whole] }) : form
				);
				const text = await answer.text();
				if (answer.status >= 500 || /"status":5\d\d/.test(text))
					failed.push(`${route} ${name}: ${text.slice(0, 100)}`);
			}
		}
	expect(failed).toEqual([]);
	expect(await state()).toBe(before);
});
