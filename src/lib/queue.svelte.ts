import { decodeTime } from 'ulid';

/** Something that the server did not keep, and why. */
export interface Refused<T> {
	item: T;
	message: string;
}

/** The server's answer to one thing that was sent. */
export type Answer = { id: string; kept: boolean; message?: string };

interface QueueOptions<T> {
	/** Under which name it is in the browser's storage. */
	name: string;
	/** A ULID: things are sent in the order of their ids. */
	idOf: (item: T) => string;
	/** Things of one group are sent together. */
	groupOf: (item: T) => string;
	/** The server's answers; null where it could not be asked, and all is to be sent again. */
	send: (group: string, items: T[]) => Promise<Answer[] | null>;
}

/** The server takes so many together: a day without a network comes in parts. */
const MOST_AT_ONCE = 100;
const FIRST_RETRY_MS = 400;
const LAST_RETRY_MS = 4000;
/** For so long a page kept in the browser may be older than what the server has. */
const KEPT_MS = 3 * 24 * 3600 * 1000;

/**
 * What is on its way to the server. Each thing is kept in the browser the moment it is made, and stays there
 * until the server says that it has it: a reload, a closed lid or a server that is gone loses none.
 */
export class Queue<T> {
	waiting = $state.raw<T[]>([]);
	refused = $state.raw<Refused<T>[]>([]);
	/** Whether the server answered the last time it was asked. */
	reached = $state(true);
	#options: QueueOptions<T>;
	#sending = false;
	#retry_ms = FIRST_RETRY_MS;
	#timer: ReturnType<typeof setTimeout> | undefined;
	#kept: ((group: string, items: T[]) => void)[] = [];

	constructor(options: QueueOptions<T>) {
		this.#options = options;
	}

	/** Takes up what an earlier page left, and sends it. */
	start(): () => void {
		const [waiting, refused] = [this.#key('waiting'), this.#key('refused')];
		const others = (event: StorageEvent) => {
			if (event.key?.startsWith(waiting) || event.key?.startsWith(refused)) this.#read();
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
	onkept(listener: (group: string, items: T[]) => void): () => void {
		this.#kept.push(listener);
		return () => {
			this.#kept = this.#kept.filter((each) => each !== listener);
		};
	}

	/** Keeps things in the browser and sends them. */
	add(items: readonly T[]): void {
		for (const item of items) this.#store('waiting', this.#options.idOf(item), item);
		this.#read();
		this.send();
	}

	/** What the server kept of a group lately: a page read again with the server gone may be older. */
	keptLately(group: string): T[] {
		const oldest = Date.now() - KEPT_MS;
		return this.#stored<T>('kept').filter((item) => {
			const id = this.#options.idOf(item);
			if (decodeTime(id) < oldest) localStorage.removeItem(this.#key('kept') + id);
			return this.#options.groupOf(item) === group;
		});
	}

	/** Until the server has all that waits, or does not answer. */
	async sent(): Promise<void> {
		const LOOK_MS = 50;
		while (this.waiting.length > 0 && this.reached)
			await new Promise((resolve) => setTimeout(resolve, LOOK_MS));
	}

	/** Lets go of what was refused, once the person has seen it. */
	dismiss(id: string): void {
		localStorage.removeItem(this.#key('refused') + id);
		this.#read();
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
		const { idOf, groupOf, send } = this.#options;
		for (let first = this.waiting[0]; first !== undefined; first = this.waiting[0]) {
			const group = groupOf(first);
			const items = this.waiting.filter((each) => groupOf(each) === group).slice(0, MOST_AT_ONCE);
			const answers = await send(group, items);
			this.reached = answers !== null;
			if (!answers) return;
			this.#retry_ms = FIRST_RETRY_MS;
			// What was kept is shown as kept before it stops being shown as waiting.
			const isKept = (item: T) => answers.some((answer) => answer.kept && answer.id === idOf(item));
			for (const listener of this.#kept) listener(group, items.filter(isKept));
			for (const { id, kept: is, message = '' } of answers) {
				const item = items.find((each) => idOf(each) === id);
				if (item !== undefined && is) this.#store('kept', id, item);
				else if (item !== undefined) this.#store('refused', id, { item, message } satisfies Refused<T>);
				localStorage.removeItem(this.#key('waiting') + id);
			}
			this.#read();
		}
	}

	#key(state: 'waiting' | 'refused' | 'kept'): string {
		return `square-batch:${this.#options.name}:${state}:`;
	}

	#store(state: 'waiting' | 'refused' | 'kept', id: string, value: unknown): void {
		localStorage.setItem(this.#key(state) + id, JSON.stringify(value));
	}

	#read(): void {
		this.waiting = this.#stored<T>('waiting');
		this.refused = this.#stored<Refused<T>>('refused');
	}

	/** What is in the browser, in the order of ids. */
	#stored<S>(state: 'waiting' | 'refused' | 'kept'): S[] {
		const prefix = this.#key(state);
		return Object.keys(localStorage)
			.filter((key) => key.startsWith(prefix))
			.sort()
			.map((key) => JSON.parse(localStorage.getItem(key) ?? 'null') as S);
	}
}

/** Sends things as JSON; null where the server could not be asked. */
export async function postItems<T>(
	path: string,
	body: unknown,
	items: readonly T[],
	idOf: (item: T) => string
): Promise<Answer[] | null> {
	try {
		const response = await fetch(path, {
			method: 'POST',
			headers: { 'content-type': 'application/json' },
			body: JSON.stringify(body)
		});
		if (response.ok) return ((await response.json()) as { answers: Answer[] }).answers;
		if (response.status >= 500) return null;
		// It was understood and cannot be: sending it again would not help.
		const { message = 'the server did not take it' } = (await response.json().catch(() => ({}))) as {
			message?: string;
		};
		return items.map((item) => ({ id: idOf(item), kept: false, message }));
	} catch {
		return null;
	}
}
