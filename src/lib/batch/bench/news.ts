import type { Entry } from '$core/bench/entries.ts';
import { listenTo } from '../../stream.ts';

/** What another device did: entries it added, or none where the whole record has to be read again. */
export interface News {
	batchId: string;
	entries: Entry[];
}

const hearing = new Set<(news: News) => void>();

/** Calls `listener` with the news of the kitchen, as long as the page listens to it. */
export function hear(listener: (news: News) => void): () => void {
	hearing.add(listener);
	return () => hearing.delete(listener);
}

const opening = new Set<() => void>();

/**
 * Calls `listener` each time the stream is there, the first time too: what happened between reading the
 * page and listening was told to nobody.
 */
export function onListening(listener: () => void): () => void {
	opening.add(listener);
	return () => opening.delete(listener);
}

/** Listens to the news of the kitchen. `oncome` is called whenever the stream is there again, to catch up. */
export function listenToNews(oncome: () => void): () => void {
	let wasOpen = false;
	return listenTo('/live', {
		message: (data) => {
			const news = JSON.parse(data) as News;
			for (const listener of hearing) listener(news);
		},
		opened: () => {
			for (const listener of opening) listener();
			// The page was read just before it opened the first time.
			if (wasOpen) oncome();
			wasOpen = true;
		}
	});
}
