import { ulid } from 'ulid';
import type { Database } from '../../src/lib/server/db/connection.ts';
import { ask } from './come-in.ts';
import { oneSale } from './one-sale.ts';

/** Something that is sent until it is acknowledged, as a device or a person would: with the same id each time. */
interface Write {
	id: string;
	table: 'weighings' | 'lots' | 'price_packs' | 'sales';
	/** Whether the server said that it is kept. */
	send(address: string): Promise<boolean>;
}

/** What the writers write about. */
export interface Subjects {
	batchId: string;
	/** A batch that has packs to give away. */
	stockedId: string;
	ingredientId: string;
	day: string;
}

const AT_ONCE = 4;
const AGAIN_MS = 50;

const post = (url: string, origin: string, init: RequestInit) =>
	ask(url, {
		...init,
		method: 'POST',
		headers: { origin, accept: 'application/json', ...init.headers },
		signal: AbortSignal.timeout(20_000)
	});

async function postJson(address: string, path: string, body: unknown): Promise<boolean> {
	const response = await post(`${address}${path}`, address, {
		headers: { 'content-type': 'application/json' },
		body: JSON.stringify(body)
	});
	if (!response.ok) return false;
	const { answers } = (await response.json()) as {
		answers: { kept: boolean; message?: string; again?: boolean }[];
	};
	const [answer] = answers;
	if (answer && !answer.kept && answer.again !== true) throw new Error(`refused for good: ${answer.message}`);
	return answer?.kept === true;
}

async function postForm(address: string, path: string, draft: unknown): Promise<boolean> {
	const body = new FormData();
	body.set('draft', JSON.stringify(draft));
	const response = await post(`${address}${path}`, address, {
		headers: { 'x-sveltekit-action': 'true' },
		body
	});
	if (!response.ok) return false;
	const answer = (await response.json()) as { type: string; data?: string };
	if (answer.type === 'failure') throw new Error(`refused for good: ${answer.data}`);
	return answer.type === 'success';
}

/** Each kind of write in turn. */
function writesOf({ batchId, stockedId, ingredientId, day }: Subjects): (() => Write)[] {
	const nameless = { material: '', supplier: '', supplierCode: '', usable: '100', bestBefore: '', note: '' };
	return [
		() => {
			const id = ulid();
			const at = new Date().toISOString();
			const entry = { kind: 'weighing', id, number: null, at, what: 'ball', lineId: null, grams: 60 };
			const entries = [{ ...entry, corrects: null, by: 'scale', lotId: null }];
			return {
				id,
				table: 'weighings',
				send: (address) => postJson(address, `/batches/${batchId}/entries.json`, { entries })
			};
		},
		() => {
			const id = ulid();
			const lot = { ...nameless, id, ingredientId, receivedOn: day, received: '100', amount: '' };
			return { id, table: 'lots', send: (address) => postForm(address, '/shelf/lots?/receive', lot) };
		},
		() => {
			const id = ulid();
			const price = { id, amount: '1.20', grams: '1000', usable: '100', boughtOn: day, supplier: '' };
			return {
				id,
				table: 'price_packs',
				send: (address) => postForm(address, `/shelf/${ingredientId}?/price`, price)
			};
		},
		() => {
			const id = ulid();
			const gift = oneSale({
				id,
				kind: 'gift',
				checkoutId: null,
				batchId: stockedId,
				soldOn: day,
				channel: 'From the door',
				price: '0',
				paidBy: null
			});
			return {
				id,
				table: 'sales',
				send: (address) => postJson(address, '/sales/entries.json', { entries: [gift] })
			};
		}
	];
}

/** Writes all the time, from several devices at once; what is not acknowledged is sent again until it is. */
export class Writers {
	readonly acknowledged: { id: string; table: Write['table'] }[] = [];
	#isStopped = false;
	readonly #running: Promise<void>[];

	constructor(address: string, subjects: Subjects) {
		const kinds = writesOf(subjects);
		this.#running = Array.from({ length: AT_ONCE }, (_, index) => this.#write(address, kinds, index));
	}

	async #write(address: string, kinds: readonly (() => Write)[], first: number): Promise<void> {
		for (let nth = first; !this.#isStopped; nth++) {
			const write = kinds[nth % kinds.length]?.();
			if (!write) return;
			while (!(await write.send(address).catch(gone)))
				await new Promise((resolve) => setTimeout(resolve, AGAIN_MS));
			this.acknowledged.push({ id: write.id, table: write.table });
		}
	}

	/** Ends once what is on its way is acknowledged. */
	async stop(): Promise<void> {
		this.#isStopped = true;
		await Promise.all(this.#running);
	}
}

/** Nothing of an answer that never came is known; what is refused for good is a fault. */
function gone(error: unknown): false {
	if (error instanceof Error && error.message.startsWith('refused for good')) throw error;
	return false;
}

/** What is wrong with what was kept. */
export interface Kept {
	acknowledged: number;
	lost: string[];
	doubled: string[];
}

/** Holds what was acknowledged to what is there. */
export async function keptOf(db: Database, { acknowledged }: Pick<Writers, 'acknowledged'>): Promise<Kept> {
	const lost: string[] = [];
	for (const table of ['weighings', 'lots', 'price_packs', 'sales'] as const) {
		const there = new Set(await db(table as 'lots').pluck<string[]>('id'));
		lost.push(
			...acknowledged
				.filter((each) => each.table === table && !there.has(each.id))
				.map(({ id }) => `${table} ${id}`)
		);
	}
	return { acknowledged: acknowledged.length, lost, doubled: await doubledIn(db) };
}

/** Everything that would be there twice though its id is there once: its number, its code, its moves, its packs. */
async function doubledIn(db: Database): Promise<string[]> {
	const found: string[] = [];
	const ask = async (what: string, sql: string) => {
		const [rows] = (await db.raw(sql)) as [{ id: string }[]];
		found.push(...rows.map(({ id }) => `${what} ${id}`));
	};
	const entries =
		'SELECT batch_id, number FROM weighings UNION ALL SELECT batch_id, number FROM batch_events';
	await ask(
		'number of an entry of batch',
		`SELECT batch_id AS id FROM (${entries}) AS e GROUP BY batch_id, number HAVING COUNT(*) > 1`
	);
	await ask('code of lot', 'SELECT MIN(id) AS id FROM lots GROUP BY kitchen_id, code HAVING COUNT(*) > 1');
	await ask(
		'receipt of lot',
		"SELECT lot_id AS id FROM lot_moves WHERE kind = 'received' GROUP BY lot_id HAVING COUNT(*) > 1"
	);
	await ask(
		'moves of lot',
		'SELECT l.id FROM lots AS l LEFT JOIN lot_moves AS m ON m.lot_id = l.id GROUP BY l.id HAVING COALESCE(SUM(m.amount), 0) <> MAX(l.on_hand)'
	);
	await ask(
		'packs of batch',
		`SELECT b.id FROM batches AS b LEFT JOIN sales AS s ON s.batch_id = b.id GROUP BY b.id
		HAVING COALESCE(SUM(s.packs), 0) <> MAX(b.packs_sold + b.packs_given)`
	);
	return found;
}
