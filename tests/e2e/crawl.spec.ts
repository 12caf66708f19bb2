import { expect, test } from '@playwright/test';
import { ownDatabase, type OwnDatabase } from './own-database.ts';
import type { Application } from '../../scripts/lib/application.ts';
import { everyRoute } from '../../scripts/lib/hostile.ts';
import { oneSale } from '../../scripts/lib/one-sale.ts';
import type { Kitchen } from '../../src/lib/kitchen/types.ts';
import type { Role } from '../../src/lib/people/roles.ts';
import type { CameBy } from '../../src/lib/people/types.ts';
import { createBatch } from '../../src/lib/server/batches/create.ts';
import { getBatch } from '../../src/lib/server/batches/read.ts';
import { keepEntries } from '../../src/lib/server/bench/entries.ts';
import type { Database } from '../../src/lib/server/db/connection.ts';
import { createFormula } from '../../src/lib/server/formulas/keep.ts';
import { getFormula } from '../../src/lib/server/formulas/read.ts';
import { theKitchen, today } from '../../src/lib/server/kitchens.ts';
import { receiveLot } from '../../src/lib/server/lots/receive.ts';
import { takeOrder } from '../../src/lib/server/orders/keep.ts';
import { newId } from '../../src/lib/server/rows.ts';
import { keepSale } from '../../src/lib/server/sales/keep.ts';
import { addPricePack } from '../../src/lib/server/shelf-keep.ts';

/**
 * Everything that each role can ask for is asked for, pages, their data, files and streams, and looked through for what
 * was planted: what was paid, who bought, and what a formula weighs. What is hidden on a page and sent with it is found.
 */
test.describe.configure({ mode: 'serial', timeout: 600_000 });

const PRICE = '87654.32';
const LOT_PRICE = '76543.21';
const MATERIAL = '65432.1';
const CUSTOMER = 'Zebedee Quillfeather';
const LINE_G = '3456.789';
const WEIGHED_G = '4321.987';

type What = 'costs' | 'customers' | 'grams';
const PLANTED: Record<What, string[]> = {
	costs: [PRICE, LOT_PRICE, MATERIAL],
	customers: [CUSTOMER],
	grams: [LINE_G, WEIGHED_G]
};

interface As {
	role: Role;
	cameBy: CameBy;
	/** What is in nothing they are given. */
	not: What[];
}
const WHO: Record<string, As> = {
	owner: { role: 'owner', cameBy: 'password', not: [] },
	maker: { role: 'maker', cameBy: 'password', not: ['costs', 'customers'] },
	seller: { role: 'seller', cameBy: 'password', not: ['costs', 'customers', 'grams'] },
	inspector: { role: 'inspector', cameBy: 'password', not: ['costs', 'customers'] },
	'owner by code': { role: 'owner', cameBy: 'code', not: ['costs', 'customers'] },
	'maker by code': { role: 'maker', cameBy: 'code', not: ['costs', 'customers'] },
	'seller by code': { role: 'seller', cameBy: 'code', not: ['costs', 'customers', 'grams'] }
};

let own: OwnDatabase;
let application: Application;
let db: Database;
let kitchen: Kitchen;
const ids: Record<string, string> = {};
const cookies: Record<string, string> = {};
/** What a batch and a piece cost, as it was kept: derived of what was planted and of the demo's own prices. */
let derived: string[] = [];

async function plant(): Promise<void> {
	const flour = await db('ingredients')
		.where({ kitchen_id: kitchen.id, kind: 'flour' })
		.orderBy('id')
		.first('id');
	const water = await db('ingredients').where({ kitchen_id: kitchen.id, kind: 'water' }).first('id');
	const [flourId, waterId] = [flour?.id ?? '', water?.id ?? ''];
	await addPricePack(db, kitchen.id, flourId, {
		amount: PRICE,
		grams: 25_000,
		usable: 1,
		boughtOn: today(kitchen),
		supplier: 'Planted'
	});
	ids.lots = newId();
	await receiveLot(db, kitchen, ids.lots, {
		ingredientId: flourId,
		material: '',
		supplier: 'Planted',
		supplierCode: '',
		receivedOn: today(kitchen),
		received: 25_000,
		amount: LOT_PRICE,
		usable: 1,
		bestBefore: null,
		note: ''
	});
	const line = { use: 'dough', stage: 'Dry', uptake_g: null } as const;
	ids.formulas = await createFormula(db, kitchen.id, newId(), {
		name: 'Planted roti',
		mixGap: 'residue',
		lines: [
			{ ...line, ingredient: flourId, used_g: Number(LINE_G) },
			{ ...line, ingredient: waterId, used_g: 1987.5 }
		],
		product: {
			pieceOne: 'roti',
			pieceMany: 'rotis',
			category: 'flatbread',
			ballWeight_g: 60,
			packPieces: 6,
			servingPieces: null,
			price: '6.00',
			materials: [{ name: 'bag', cost: MATERIAL }]
		},
		productId: null
	});
	ids.products = (await getFormula(db, kitchen.id, ids.formulas)).products[0]?.id ?? '';
	ids.ingredients = flourId;
	ids.batches = await createBatch(db, kitchen, newId(), {
		productId: ids.products,
		madeOn: today(kitchen),
		factor: 1
	});
	await weigh(Number(WEIGHED_G));
	await keepEntries(db, kitchen, ids.batches, [
		{
			kind: 'event',
			id: newId(),
			number: null,
			at: new Date().toISOString(),
			happening: { name: 'counted', of: 'packs', count: 9 },
			voids: null
		}
	]);
	await keepSale(db, kitchen.id, {
		...oneSale({ batchId: ids.batches, soldOn: today(kitchen) }),
		id: newId(),
		customer: CUSTOMER
	});
	// For whom an order is, who hands it over has to know.
	await takeOrder(db, kitchen, newId(), {
		customer: 'Marigold at the gate',
		fetchedOn: today(kitchen),
		place: 'From the door',
		note: '',
		weekly: false,
		paid: '',
		lines: [{ productId: ids.products, packs: 1, price: '6.00' }]
	});
	const closings = await db('batch_closings')
		.where('kitchen_id', kitchen.id)
		.whereNotNull('cost_batch')
		.select('cost_batch', 'cost_piece', 'cost_pack');
	derived = [
		...new Set(closings.flatMap((row) => [row.cost_batch, row.cost_piece]).filter((cost) => cost !== null))
	].map((cost) => `"${String(cost).replace(/0+$/, '')}"`);
}

/** Somebody weighs of the planted batch. */
async function weigh(grams: number): Promise<void> {
	const batch = await getBatch(db, kitchen, ids.batches ?? '');
	await keepEntries(db, kitchen, batch.id, [
		{
			kind: 'weighing',
			id: newId(),
			number: null,
			at: new Date().toISOString(),
			what: 'line',
			lineId: batch.lines[0]?.id ?? '',
			grams,
			corrects: null,
			by: 'typed',
			lotId: null
		}
	]);
}

test.beforeAll(async () => {
	own = await ownDatabase();
	({ application, db } = own);
	kitchen = await theKitchen(db);
	for (const [name, { role, cameBy }] of Object.entries(WHO))
		cookies[name] = (await own.comeIn({ name, role, kitchenId: kitchen.id, cameBy })).cookies;
	await plant();
});
test.afterAll(() => own.stop());

/** The ids an address can be of, by what comes before it. */
const OF: [path: RegExp, table: string][] = [
	[/^\/(formulas|sure\/formula)/, 'formulas'],
	[/^\/(batches|trace\/batch|inspection\/batch|sure\/batch)/, 'batches'],
	[/^\/(labels|inspection\/label|sure\/label)/, 'products'],
	[/^\/(shelf\/lots|trace\/lot)/, 'lots'],
	[/^\/shelf/, 'ingredients']
];

/** Every address there is, of what was planted and of something of the demo. */
async function seeds(): Promise<string[]> {
	const all: string[] = [];
	for (const { path, methods } of everyRoute()) {
		if (!methods.includes('GET') || /^\/(live|alive|ready)$|\/readings$/.test(path)) continue;
		const paths = path.includes('[of]')
			? ['formula', 'batch', 'label'].map((of) => path.replace('[of]', of))
			: [path];
		for (const one of paths) {
			const table = OF.find(([of]) => of.test(one))?.[1];
			const demo = table
				? await db(table as 'lots')
						.where('kitchen_id', kitchen.id)
						.orderBy('id')
						.first('id')
				: undefined;
			for (const id of new Set([ids[table ?? ''] ?? '0'.repeat(26), demo?.id ?? '']))
				if (id !== '')
					all.push(
						one
							.replace('/[id]', `/${id}`)
							.replace('[day]', today(kitchen))
							.replace('[name]', 'bench')
							.replace('[exercise]', 'salt')
							.replaceAll(/\[\w+\]/g, '0'.repeat(26))
					);
		}
	}
	return [...all, '/sales.csv?customers=yes', '/sales.json?customers=yes'];
}

/** So many addresses of one kind are looked at that a page leads to. */
const MOST_ALIKE = 3;
const kindOf = (path: string): string =>
	path
		.replace(/\?.*$/, '')
		.replaceAll(/[0-9A-Z]{26}/g, 'ID')
		.replaceAll(/\d{4}-\d\d-\d\d/g, 'DAY');

async function textOf(as: string, path: string, accept: string): Promise<{ status: number; text: string }> {
	const answer = await fetch(`${application.address}${path}`, {
		redirect: 'manual',
		signal: AbortSignal.timeout(30_000),
		headers: { cookie: cookies[as] ?? '', accept }
	});
	const type = answer.headers.get('content-type') ?? '';
	if (/event-stream/.test(type)) {
		await answer.body?.cancel();
		return { status: answer.status, text: '' };
	}
	return { status: answer.status, text: await answer.text() };
}

/** What of what was planted stands in everything somebody can ask for, by where it does. */
async function crawl(as: string): Promise<Map<string, Set<string>>> {
	const found = new Map<string, Set<string>>();
	const note = (what: string, path: string) =>
		found.set(what, new Set([...(found.get(what) ?? []), kindOf(path)]));
	const queue = await seeds();
	const seen = new Set(queue);
	const alike = new Map<string, number>();
	for (let path = queue.shift(); path !== undefined; path = queue.shift()) {
		const isPage = !/\.(json|csv)(\?|$)|\/(csv|json|file|recipe|record|print|calendar)(\?|$)/.test(path);
		const [plain, query = ''] = path.split('?');
		const asked: [string, string][] = [[path, 'text/html']];
		if (isPage)
			asked.push([
				`${plain === '/' ? '' : plain}/__data.json${query === '' ? '' : `?${query}`}`,
				'application/json'
			]);
		for (const [one, accept] of asked) {
			const { status, text } = await textOf(as, one, accept);
			expect(status, `${as} ${one}`).toBeLessThan(500);
			for (const [what, words] of Object.entries(PLANTED))
				for (const word of words) if (text.includes(word)) note(what, one);
			for (const cost of derived) if (text.includes(cost)) note('costs', one);
			if (accept !== 'text/html' || status !== 200) continue;
			for (const [, href = ''] of text.matchAll(/href="(\/[^"#]*)/g)) {
				const next = href.replaceAll('&amp;', '&');
				if (seen.has(next) || /^\/(_app|door)/.test(next) || /\.(css|png|svg|webmanifest)$/.test(next))
					continue;
				const kind = kindOf(next);
				const count = alike.get(kind) ?? 0;
				if (count >= MOST_ALIKE) continue;
				alike.set(kind, count + 1);
				seen.add(next);
				queue.push(next);
			}
		}
	}
	return found;
}

for (const [as, { not }] of Object.entries(WHO))
	test(`${as} is given nothing of ${not.length > 0 ? not.join(', ') : 'what is not theirs'}`, async () => {
		const found = await crawl(as);
		const wrong = not.flatMap((what) => [...(found.get(what) ?? [])].map((path) => `${what}: ${path}`));
		expect(wrong).toEqual([]);
		// What is looked for is there to be found.
		if (not.length === 0) expect([...found.keys()].sort()).toEqual(['costs', 'customers', 'grams']);
		if (as === 'maker') expect(found.has('grams')).toBe(true);
	});

test('a stream tells each what they may hear of, and nothing more', async () => {
	const hear = async (as: string) => {
		const stop = new AbortController();
		const answer = await fetch(`${application.address}/live`, {
			signal: stop.signal,
			headers: { cookie: cookies[as] ?? '', accept: 'text/event-stream' }
		});
		let text = '';
		const reading = (async () => {
			try {
				for await (const chunk of answer.body as unknown as AsyncIterable<Uint8Array>)
					text += new TextDecoder().decode(chunk);
			} catch {
				// Ended by the test.
			}
		})();
		return { heard: () => text, end: async () => (stop.abort(), reading) };
	};
	const listeners = { maker: await hear('maker'), seller: await hear('seller') };
	await weigh(5432.125);
	await expect.poll(listeners.maker.heard).toContain('5432.125');
	await expect.poll(listeners.seller.heard).toContain(ids.batches ?? '');
	expect(listeners.seller.heard()).not.toContain('5432.125');
	for (const each of Object.values(listeners)) await each.end();
});

test('a stream ends at once for who is put out, changes role or leaves, and goes on for others', async () => {
	const open = async (as: string) => {
		const answer = await fetch(`${application.address}/live`, {
			headers: { cookie: cookies[as] ?? '', accept: 'text/event-stream' }
		});
		expect(answer.status).toBe(200);
		let isOver = false;
		void (async () => {
			try {
				for await (const _ of answer.body as unknown as AsyncIterable<Uint8Array>) void _;
				isOver = true;
			} catch {
				// The application ended, and the stream with it.
			}
		})();
		return () => isOver;
	};
	const [seller, maker] = [await open('seller'), await open('maker')];
	const sellerId = await db('memberships').where({ kitchen_id: kitchen.id, name: 'seller' }).first('id');
	const { changeRole } = await import('../../src/lib/server/people/memberships.ts');
	const row = await db('memberships')
		.where('id', sellerId?.id ?? '')
		.first('version');
	await changeRole(db, kitchen.id, {
		id: sellerId?.id ?? '',
		role: 'inspector',
		span: { from: '2026-01-01', to: '2026-01-02', until: '2099-01-01' },
		version: row?.version ?? 1
	});
	await expect.poll(seller, { timeout: 10_000, intervals: [20] }).toBe(true);
	expect(maker()).toBe(false);
});
