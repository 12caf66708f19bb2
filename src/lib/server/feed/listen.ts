import type { Database } from '../db/connection.ts';
import { log, logged } from '../edge/log.ts';
import { msOf } from '../rows.ts';
import { feedLag, listeners } from '../seen/metrics.ts';
import type { News } from './tell.ts';

type Listener = (news: News) => void;

/** A kitchen somebody listens to at this process, and the number of the last thing they were told. */
interface Heard {
	last: number;
	listeners: Set<Listener>;
}

/** One small query so often for all kitchens that have listeners, and none while nobody listens. */
const EVERY_MS = 250;
/** A kitchen that was told more than this at once hears the rest a quarter of a second later. */
const MOST = 500;

const kitchens = new Map<string, Heard>();
let timer: ReturnType<typeof setTimeout> | null = null;

/** Calls `listener` with the kitchen's news from now on, until the function it returns is called. */
export async function listen(db: Database, kitchenId: string, listener: Listener): Promise<() => void> {
	let heard = kitchens.get(kitchenId);
	if (!heard) {
		const head = await db('feed_heads').where('kitchen_id', kitchenId).first('number');
		// Somebody else may have begun to listen meanwhile.
		heard = kitchens.get(kitchenId) ?? { last: head?.number ?? 0, listeners: new Set() };
		kitchens.set(kitchenId, heard);
	}
	heard.listeners.add(listener);
	listeners.inc();
	timer ??= setTimeout(() => void hear(db), EVERY_MS);
	const mine = heard;
	return () => {
		if (mine.listeners.delete(listener)) listeners.dec();
		if (mine.listeners.size === 0 && kitchens.get(kitchenId) === mine) kitchens.delete(kitchenId);
	};
}

/** Reads what was told since, and again a moment later for as long as anybody listens. */
async function hear(db: Database): Promise<void> {
	try {
		await hearOnce(db);
	} catch (error) {
		// The database is away for a moment: what was told meanwhile is read once it is there again.
		log.warn({ error: logged(error) }, 'the feed could not be read');
	} finally {
		timer = kitchens.size > 0 ? setTimeout(() => void hear(db), EVERY_MS) : null;
	}
}

async function hearOnce(db: Database): Promise<void> {
	const asked = [...kitchens];
	if (asked.length === 0) return;
	const rows = await db('feed')
		.where((any) => {
			for (const [id, { last }] of asked)
				void any.orWhere((one) => void one.where('kitchen_id', id).where('number', '>', last));
		})
		.orderBy(['kitchen_id', 'number'])
		.limit(MOST)
		.select('kitchen_id', 'number', 'news', 'told_at');
	for (const row of rows) {
		const heard = kitchens.get(row.kitchen_id);
		if (!heard || row.number <= heard.last) continue;
		heard.last = row.number;
		const news = JSON.parse(row.news) as News;
		for (const listener of heard.listeners) listener(news);
	}
	const newest = rows.reduce((last, row) => (row.told_at > last ? row.told_at : last), '');
	if (newest !== '') feedLag.set(Math.max(0, (Date.now() - msOf(newest)) / 1000));
}
