import type { Entry } from '$core/bench/entries.ts';

/** What other devices of a kitchen are told. */
export interface News {
	batchId: string;
	/** What was added; empty where the whole record changed and has to be read again. */
	entries: Entry[];
}

type Listener = (news: News) => void;

const listeners = new Map<string, Set<Listener>>();

/** Tells every device that has the kitchen open; call it once the database holds what is told. */
export function tell(kitchenId: string, news: News): void {
	for (const listener of listeners.get(kitchenId) ?? []) listener(news);
}

/** Calls `listener` with the kitchen's news until the function it returns is called. */
export function listen(kitchenId: string, listener: Listener): () => void {
	const of = listeners.get(kitchenId) ?? new Set();
	listeners.set(kitchenId, of.add(listener));
	return () => {
		of.delete(listener);
		if (of.size === 0) listeners.delete(kitchenId);
	};
}
