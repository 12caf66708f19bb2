import { decodeTime } from 'ulid';
import { asWhom, onChange } from '../people/here.svelte.ts';
import { byAnswer, type Answer, type Refused } from './answers.ts';
import { Turns } from './turns.ts';
import { adopt, readStage, takeOver, write } from './store.ts';

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

const FIRST_RETRY_MS = 400;
const LAST_RETRY_MS = 4000;
/** An answer takes less than this. */
const HANGS_MS = 3000;
/** After a server was away for a while not every device comes back at the same moment. */
const spread = (ms: number): number => (ms < LAST_RETRY_MS ? ms : ms * (1 + Math.random()));
/** For so long a page kept in the browser may be older than what the server has. */
const KEPT_MS = 3 * 24 * 3600 * 1000;

/**
 * What is on its way to the server. Each thing is kept in the browser the moment it is made, and stays there
 * until the server says that it has it: a reload, a closed lid or a server that is gone loses none. It is of the
 * person and the kitchen it was made in (`here.svelte.ts`): while somebody else is in, it waits and is not seen.
 */
export class Queue<T> {
	waiting = $state.raw<T[]>([]);
	refused = $state.raw<Refused<T>[]>([]);
	/** What of what waits the server failed on: it is tried again by itself, and holds up nothing else. */
	failing = $state.raw<Refused<T>[]>([]);
	/** Whether an answer is waited for longer than one takes. */
	hangs = $state(false);
	/** Whether the server answered the last time it was asked. */
	reached = $state(true);
	/** Whether the browser keeps what waits; where it cannot, closing the page loses it. */
	isKept = $state(true);
	#options: QueueOptions<T>;
	#sending = false;
	#retry_ms = FIRST_RETRY_MS;
	#timer: ReturnType<typeof setTimeout> | undefined;
	#turns: Turns<T>;
	#listeners: ((group: string, items: T[]) => void)[] = [];
	/** What this page wrote so far, and whether it is written: what is read before that is older than what is here. */
	#writes = 0;
	#written: Promise<void> = Promise.resolve();
	#others: BroadcastChannel | undefined;

	constructor(options: QueueOptions<T>) {
		this.#options = options;
		this.#turns = new Turns(options.idOf, options.groupOf);
	}

	/** Takes up what an earlier page left, and sends it. */
	start(): () => void {
		const online = () => this.send();
		const others = new BroadcastChannel(`square-batch:${this.#options.name}`);
		this.#others = others;
		others.onmessage = () => void this.#read();
		window.addEventListener('online', online);
		const begin = () => void this.#takeUp().then(() => this.send());
		const off = onChange(() => {
			[this.waiting, this.refused, this.failing, this.reached] = [[], [], [], true];
			begin();
		});
		begin();
		return () => {
			off();
			window.removeEventListener('online', online);
			others.close();
			this.#others = undefined;
		};
	}

	/** Under which name it is in the browser: each person's of each kitchen is apart. */
	#key(): string {
		const as = asWhom();
		return as === null ? this.#options.name : `${this.#options.name}@${as}`;
	}

	/** Calls `listener` with what the server kept, so that a page can go on from it. */
	onkept(listener: (group: string, items: T[]) => void): () => void {
		this.#listeners.push(listener);
		return () => {
			this.#listeners = this.#listeners.filter((each) => each !== listener);
		};
	}

	/** Keeps things in the browser and sends them. */
	add(items: readonly T[]): void {
		this.waiting = this.#inOrder([...this.waiting, ...items]);
		// What could not be kept before is tried along with it.
		const puts = (this.isKept ? items : this.waiting).map((value) => ({
			stage: 'waiting' as const,
			id: this.#options.idOf(value),
			value
		}));
		void this.#write(puts, []).then(() => this.send());
	}

	/** What the server kept of a group lately: a page read again with the server gone may be older. */
	async keptLately(group: string): Promise<T[]> {
		const { groupOf } = this.#options;
		const oldest = Date.now() - KEPT_MS;
		const all = await readStage(this.#key(), 'kept').catch(() => []);
		const old = all.filter(({ id }) => decodeTime(id) < oldest);
		if (old.length > 0)
			await this.#write(
				[],
				old.map(({ id }) => ({ stage: 'kept', id }))
			);
		return all
			.filter(({ id }) => decodeTime(id) >= oldest)
			.map(({ value }) => value as T)
			.filter((item) => groupOf(item) === group);
	}

	/** Until the server has all that waits but what it fails on, or does not answer. */
	async sent(): Promise<void> {
		const LOOK_MS = 50;
		while (this.waiting.length > this.failing.length && this.reached && !this.hangs)
			await new Promise((resolve) => setTimeout(resolve, LOOK_MS));
	}

	/** Sends what was refused again, under its own id: as it was, or as it was mended. */
	again(id: string, mended?: T): void {
		const refusal = this.refused.find(({ item }) => this.#options.idOf(item) === id);
		if (!refusal) return;
		const value = mended ?? refusal.item;
		this.refused = this.refused.filter((each) => each !== refusal);
		this.waiting = this.#inOrder([...this.waiting, value]);
		void this.#write([{ stage: 'waiting', id, value }], [{ stage: 'refused', id }]).then(() => this.send());
	}

	/** Takes things off this device for good, waiting or refused: somebody else has them now. */
	async takeOff(ids: readonly string[]): Promise<void> {
		const others = (item: T) => !ids.includes(this.#options.idOf(item));
		this.waiting = this.waiting.filter(others);
		this.refused = this.refused.filter(({ item }) => others(item));
		await this.#write(
			[],
			ids.flatMap((id) => (['waiting', 'refused'] as const).map((stage) => ({ stage, id })))
		);
	}

	/** Tries at once what the server failed on. */
	tryNow(): void {
		this.#turns.now();
		this.send();
	}

	/** Sends what waits, in the order it was made, until nothing does; tries again later where it cannot. */
	send(): void {
		clearTimeout(this.#timer);
		if (this.#sending) return;
		this.#sending = true;
		void this.#sendAll().finally(() => {
			this.#sending = false;
			this.failing = this.#turns.failing(this.waiting);
			if (this.waiting.length === 0) return;
			// What the server failed on has pauses of its own; a server that is not there is asked again soon.
			const due_ms = this.#turns.untilDue_ms(this.waiting);
			this.#timer = setTimeout(() => this.send(), due_ms === null ? spread(this.#retry_ms) : due_ms + 1);
			if (due_ms === null) this.#retry_ms = Math.min(LAST_RETRY_MS, 2 * this.#retry_ms);
		});
	}

	async #sendAll(): Promise<void> {
		const { send } = this.#options;
		this.#turns.begin();
		for (let next = this.#turns.next(this.waiting); next !== null; next = this.#turns.next(this.waiting)) {
			const { group, items } = next;
			const key = this.#key();
			const answers = await this.#noticing(send(group, items));
			if (key !== this.#key()) {
				// Somebody else came in meanwhile: what was answered is the other's, and only put where it belongs.
				if (answers) await this.#settleApart(key, items, answers);
				return;
			}
			this.reached = answers !== null;
			if (!answers) return;
			if ((await this.#settle(group, items, answers)) > 0) this.#retry_ms = FIRST_RETRY_MS;
			this.#turns.settled(group, items, this.waiting);
		}
	}

	/** Says while an answer is waited for that it is, once that is longer than one takes. */
	async #noticing<R>(sending: Promise<R>): Promise<R> {
		const timer = setTimeout(() => (this.hangs = true), HANGS_MS);
		try {
			return await sending;
		} finally {
			clearTimeout(timer);
			this.hangs = false;
		}
	}

	/** Puts each thing where the server's answer to it belongs; how many are settled by it. */
	async #settle(group: string, items: readonly T[], answers: readonly Answer[]): Promise<number> {
		const { idOf } = this.#options;
		const answeredBy = byAnswer(items, answers, idOf);
		const { kept } = answeredBy;
		const { refused } = answeredBy;
		this.#turns.failedOn(group, items, answeredBy.failed);
		// What was kept is shown as kept before it stops being shown as waiting.
		for (const listener of this.#listeners) listener(group, kept);
		const answered = [...kept, ...refused.map(({ item }) => item)].map(idOf);
		this.waiting = this.waiting.filter((item) => !answered.includes(idOf(item)));
		this.refused = [...this.refused.filter(({ item }) => !answered.includes(idOf(item))), ...refused];
		await this.#write(
			[
				...kept.map((item) => ({ stage: 'kept' as const, id: idOf(item), value: item })),
				...refused.map((value) => ({ stage: 'refused' as const, id: idOf(value.item), value }))
			],
			answered.map((id) => ({ stage: 'waiting', id }))
		);
		return answered.length;
	}

	/** Notes the server's answers to what is not shown here any more. */
	async #settleApart(key: string, items: readonly T[], answers: readonly Answer[]): Promise<void> {
		const { idOf } = this.#options;
		const { kept, refused } = byAnswer(items, answers, idOf);
		await write(
			key,
			[
				...kept.map((item) => ({ stage: 'kept' as const, id: idOf(item), value: item })),
				...refused.map((value) => ({ stage: 'refused' as const, id: idOf(value.item), value }))
			],
			[...kept, ...refused.map(({ item }) => item)].map((item) => ({ stage: 'waiting', id: idOf(item) }))
		).catch(() => undefined);
	}

	async #takeUp(): Promise<void> {
		const { name } = this.#options;
		try {
			await takeOver(name);
			// From before a person was asked for: of whoever works on.
			if (this.#key() !== name) await adopt(name, this.#key());
		} catch {
			this.isKept = false;
		}
		await this.#read();
	}

	async #write(puts: Parameters<typeof write>[1], drops: Parameters<typeof write>[2]): Promise<void> {
		this.#writes++;
		const before = this.#written;
		const writing = write(this.#key(), puts, drops).then(
			() => {
				this.isKept = true;
				this.#others?.postMessage('written');
			},
			() => {
				this.isKept = false;
			}
		);
		this.#written = before.then(() => writing);
		await this.#written;
	}

	/** Takes what is in the browser for what there is: other tabs of it write too. */
	async #read(): Promise<void> {
		const name = this.#key();
		for (let at = -1; at !== this.#writes && name === this.#key();) {
			at = this.#writes;
			await this.#written;
			try {
				const [waiting, refused] = await Promise.all([
					readStage(name, 'waiting'),
					readStage(name, 'refused')
				]);
				if (at !== this.#writes || !this.isKept || name !== this.#key()) continue;
				this.waiting = waiting.map(({ value }) => value as T);
				this.refused = refused.map(({ value }) => value as Refused<T>);
			} catch {
				this.isKept = false;
			}
		}
	}

	#inOrder(items: readonly T[]): T[] {
		const { idOf } = this.#options;
		return items.toSorted((a, b) => (idOf(a) < idOf(b) ? -1 : 1));
	}
}
