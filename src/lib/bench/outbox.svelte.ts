import { decodeTime, monotonicFactory } from 'ulid';
import type { Entry, EventEntry, Happening, WeighingEntry } from '$core/bench/entries.ts';

/** An entry that the server has not answered yet. */
export interface Waiting {
	batchId: string;
	entry: Entry;
}

/** An entry that the server did not keep, and why. */
export interface Refusal extends Waiting {
	message: string;
}

type Answer = { id: string; kept: boolean; message?: string };

const WAITING = 'square-batch:waiting:';
const REFUSED = 'square-batch:refused:';
const KEPT = 'square-batch:kept:';
/** For so long a page kept in the browser may be older than what the server has. */
const KEPT_MS = 3 * 24 * 3600 * 1000;
const FIRST_RETRY_MS = 400;
const LAST_RETRY_MS = 4000;

const nextId = monotonicFactory();

/** What an entry is before it has an id and a time. */
export type NewWeighing = Omit<WeighingEntry, 'kind' | 'id' | 'at' | 'corrects'> & {
	corrects?: string | null;
};

/**
 * Entries on their way to the server. Each is kept in the browser the moment it is made, and stays there
 * until the server says that it has it: a reload, a closed lid or a server that is gone loses none.
 */
class Outbox {
	waiting = $state.raw<Waiting[]>([]);
	refused = $state.raw<Refusal[]>([]);
	/** Whether the server answered the last time it was asked. */
	reached = $state(true);
	#sending = false;
	#retry_ms = FIRST_RETRY_MS;
	#timer: ReturnType<typeof setTimeout> | undefined;
	#kept: ((batchId: string, entries: Entry[]) => void)[] = [];

	/** Takes up what an earlier page left, and sends it. */
	start(): () => void {
		const others = (event: StorageEvent) => {
			if (event.key?.startsWith(WAITING) || event.key?.startsWith(REFUSED)) this.#read();
		};
		const online = () => this.send();
		this.#read();
		window.addEventListener('storage', others);
		window.addEventListener('online', online);
		this.send();
		return () => {
			window.removeEventListener('storage', others);
			window.removeEventListener('online', online);
		};
	}

	/** Calls `listener` with what the server kept, so that a page can go on from it. */
	onkept(listener: (batchId: string, entries: Entry[]) => void): () => void {
		this.#kept.push(listener);
		return () => {
			this.#kept = this.#kept.filter((each) => each !== listener);
		};
	}

	weigh(batchId: string, { corrects = null, ...weighing }: NewWeighing): WeighingEntry {
		const entry: WeighingEntry = { kind: 'weighing', ...stamp(), ...weighing, corrects };
		this.#add(batchId, entry);
		return entry;
	}

	happened(batchId: string, happening: Happening): EventEntry {
		const entry: EventEntry = { kind: 'event', ...stamp(), happening, voids: null };
		this.#add(batchId, entry);
		return entry;
	}

	/** Takes an entry back: a reading is withdrawn, anything else voided. */
	takeBack(batchId: string, entry: Entry): void {
		if (entry.kind === 'weighing') {
			const { what, lineId, by } = entry;
			this.weigh(batchId, { what, lineId, by, grams: null, corrects: entry.id });
		} else this.#add(batchId, { kind: 'event', ...stamp(), happening: { name: 'void' }, voids: entry.id });
	}

	/** What the server kept of a batch and a page, read with these entries, does not know of. */
	keptBeside(batchId: string, entries: readonly Entry[]): Entry[] {
		const known = new Set(entries.map((entry) => entry.id));
		const oldest = Date.now() - KEPT_MS;
		return stored<Waiting>(KEPT).flatMap(({ batchId: of, entry }) => {
			if (decodeTime(entry.id) < oldest) localStorage.removeItem(KEPT + entry.id);
			return of === batchId && !known.has(entry.id) ? entry : [];
		});
	}

	/** Lets go of an entry that was refused, once the person has seen it. */
	dismiss(id: string): void {
		localStorage.removeItem(REFUSED + id);
		this.#read();
	}

	#add(batchId: string, entry: Entry): void {
		localStorage.setItem(WAITING + entry.id, JSON.stringify({ batchId, entry } satisfies Waiting));
		this.#read();
		this.send();
	}

	#read(): void {
		this.waiting = stored<Waiting>(WAITING);
		this.refused = stored<Refusal>(REFUSED);
	}

	/** Sends what waits, in the order it was made, until nothing does; tries again later where it cannot. */
	send(): void {
		clearTimeout(this.#timer);
		if (this.#sending) return;
		this.#sending = true;
		void this.#sendAll().finally(() => {
			this.#sending = false;
			if (this.waiting.length === 0) return;
			this.#timer = setTimeout(() => this.send(), this.#retry_ms);
			this.#retry_ms = Math.min(LAST_RETRY_MS, 2 * this.#retry_ms);
		});
	}

	async #sendAll(): Promise<void> {
		for (let first = this.waiting[0]; first; first = this.waiting[0]) {
			const { batchId } = first;
			const entries = this.waiting.flatMap((each) => (each.batchId === batchId ? each.entry : []));
			const answers = await post(batchId, entries);
			this.reached = answers !== null;
			if (!answers) return;
			this.#retry_ms = FIRST_RETRY_MS;
			// What was kept is shown as kept before it stops being shown as waiting.
			const kept = new Set(answers.flatMap((answer) => (answer.kept ? answer.id : [])));
			for (const listener of this.#kept)
				listener(
					batchId,
					entries.filter((entry) => kept.has(entry.id))
				);
			for (const { id, kept: is, message = '' } of answers) {
				const entry = entries.find((each) => each.id === id);
				if (!is && entry)
					localStorage.setItem(REFUSED + id, JSON.stringify({ batchId, entry, message } satisfies Refusal));
				// A page read again with the server gone may be from before this was kept.
				else if (entry) localStorage.setItem(KEPT + id, JSON.stringify({ batchId, entry } satisfies Waiting));
				localStorage.removeItem(WAITING + id);
			}
			this.#read();
		}
	}
}

/** The outbox of this page. */
export const outbox = new Outbox();

/** The server's answers; null where it could not be asked, and all is to be sent again. */
async function post(batchId: string, entries: Entry[]): Promise<Answer[] | null> {
	try {
		const response = await fetch(`/batches/${batchId}/entries.json`, {
			method: 'POST',
			headers: { 'content-type': 'application/json' },
			body: JSON.stringify({ entries })
		});
		if (response.ok) return ((await response.json()) as { answers: Answer[] }).answers;
		if (response.status >= 500) return null;
		// It was understood and cannot be: sending it again would not help.
		const { message } = (await response.json().catch(() => ({}))) as { message?: string };
		return entries.map(({ id }) => ({ id, kept: false, message: message ?? 'the server did not take it' }));
	} catch {
		return null;
	}
}

const stamp = () => ({ id: nextId(), at: new Date().toISOString() });

/** What is in the browser under a prefix, in the order of ids. */
function stored<T>(prefix: string): T[] {
	return Object.keys(localStorage)
		.filter((key) => key.startsWith(prefix))
		.sort()
		.map((key) => JSON.parse(localStorage.getItem(key) ?? 'null') as T);
}
