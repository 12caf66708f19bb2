import autocannon from 'autocannon';
import type { Database } from '../../src/lib/server/db/connection.ts';
import { theKitchen } from '../../src/lib/server/kitchens.ts';
import { ask, cookiesAt } from './come-in.ts';

/** An empty route: what every answer costs before anything is read. */
const EMPTY = '/alive';
const SECONDS = 3;
const AT_ONCE = 4;
const WARM_ROUNDS = 3;
/** What changes with a sale. */
const OF_A_SALE = ['sales', 'sales_months', 'batches'];

/** How many answers a second a page gives, as a share of the empty route's, and what it asks the database. */
export interface PageSpeed {
	path: string;
	perSecond: number;
	/** Of the empty route's = 100. */
	ratio: number;
	/** Of a request when nothing was changed since the last, and of the first after a sale or an entry. */
	queries: number;
	queriesAfterChange: number;
	/** Milliseconds of that first. */
	afterChange_ms: number;
}

/** Asks each page in turn, of an application on its own that `db` reaches the database of. */
export async function pageSpeeds(
	address: string,
	db: Database,
	kitchenId: string,
	paths: readonly string[]
): Promise<PageSpeed[]> {
	const empty = await perSecond(`${address}${EMPTY}`);
	const speeds: PageSpeed[] = [];
	for (const path of paths) {
		const url = `${address}${path}`;
		for (let round = 0; round < WARM_ROUNDS; round++) await look(url);
		const queries = await questionsOf(db, () => look(url));
		// What a sale does.
		await db('changes')
			.where({ kitchen_id: kitchenId })
			.whereIn('of_table', OF_A_SALE)
			.increment('number', 1);
		let afterChange_ms = 0;
		const queriesAfterChange = await questionsOf(db, async () => {
			const began = performance.now();
			await look(url);
			afterChange_ms = performance.now() - began;
		});
		const rate = await perSecond(url);
		speeds.push({
			path,
			perSecond: rate,
			ratio: (100 * rate) / empty,
			queries,
			queriesAfterChange,
			afterChange_ms
		});
	}
	return speeds;
}

/** The pages that people have open most, of the kitchen a database serves. */
export async function mainPagesOf(db: Database): Promise<{ kitchenId: string; paths: string[] }> {
	const { id: kitchenId } = await theKitchen(db);
	const one = async (table: string, order: string) =>
		((await db(table).where('kitchen_id', kitchenId).orderBy(order, 'desc').first('id')) as { id: string })
			.id;
	const [batch, formula] = [await one('batches', 'closed_at'), await one('formulas', 'id')];
	const paths = [
		'/',
		'/batches',
		`/batches/${batch}`,
		'/labels',
		'/formulas',
		`/formulas/${formula}`,
		'/sales',
		'/shelf'
	];
	return { kitchenId, paths };
}

export function reportPages(speeds: readonly PageSpeed[]): void {
	for (const { path, perSecond, ratio, queries, queriesAfterChange, afterChange_ms } of speeds)
		console.log(
			`page ${path.replace(/[0-9A-Z]{26}/, 'ID').padEnd(14)} ${perSecond.toFixed(0).padStart(5)} a second, ${ratio.toFixed(1).padStart(5)} of ${EMPTY} = 100; ${queries} queries, ${queriesAfterChange} in ${afterChange_ms.toFixed(0)} ms after a change`
		);
}

async function look(url: string): Promise<void> {
	const response = await ask(url);
	if (!response.ok) throw new Error(`${url} answers ${response.status}`);
	await response.arrayBuffer();
}

async function perSecond(url: string): Promise<number> {
	const headers = { cookie: await cookiesAt(url) };
	const result = await autocannon({ url, headers, connections: AT_ONCE, duration: SECONDS });
	if (result.non2xx > 0) throw new Error(`${url}: ${result.non2xx} answers were none`);
	return result.requests.average;
}

/** How many statements the database got meanwhile, but for those that count them. */
async function questionsOf(db: Database, act: () => Promise<void>): Promise<number> {
	const questions = async () => {
		const [rows] = (await db.raw("SHOW GLOBAL STATUS LIKE 'Questions'")) as [{ Value: string }[]];
		return Number(rows[0]?.Value);
	};
	const before = await questions();
	await act();
	return (await questions()) - before - 1;
}
