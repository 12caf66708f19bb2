import type { Refused } from './answers.ts';

/** The server takes so many together: a day without a network comes in parts. */
const MOST_AT_ONCE = 100;
/** After the server failed on a thing it is tried again, at longer and longer distances up to this. */
const FIRST_PAUSE_MS = 400;
const LONGEST_PAUSE_MS = 5 * 60_000;

/** What the server failed on: when it is tried again, how often it was, and what was said. */
interface Failed {
	tries: number;
	due: number;
	message: string;
}

/** Whose turn it is: what is sent together, what alone, and what waits until it is tried again. */
export class Turns<T> {
	/** By the id of what the server failed on. */
	#failed = new Map<string, Failed>();
	/** Groups that it failed on as a whole: their things go one by one, so that the one it fails on is found. */
	#alone = new Set<string>();
	/** What it did not answer since `begin`: it is sent again the next time. */
	#later = new Set<string>();

	constructor(
		readonly idOf: (item: T) => string,
		readonly groupOf: (item: T) => string
	) {}

	/** Begins anew with everything that waits and is due. */
	begin(): void {
		this.#later.clear();
	}

	/** What is sent next, in the order it was made; groups in which nothing fails come first. Null where nothing waits that is due. */
	next(all: readonly T[]): { group: string; items: T[] } | null {
		const now = Date.now();
		const waiting = all.filter((item) => {
			const id = this.idOf(item);
			return !this.#later.has(id) && (this.#failed.get(id)?.due ?? 0) <= now;
		});
		const first = waiting.find((item) => !this.#isAlone(item)) ?? waiting[0];
		if (first === undefined) return null;
		const group = this.groupOf(first);
		if (this.#isAlone(first)) return { group, items: [first] };
		return {
			group,
			items: waiting
				.filter((each) => this.groupOf(each) === group && !this.#isAlone(each))
				.slice(0, MOST_AT_ONCE)
		};
	}

	/** What fails goes alone, and so does all of a group it fails on as a whole. */
	#isAlone(item: T): boolean {
		return this.#alone.has(this.groupOf(item)) || this.#failed.has(this.idOf(item));
	}

	/** Notes what the server failed on: it is tried again, later and later, for as long as it takes. */
	failedOn(group: string, items: readonly T[], failed: readonly Refused<T>[]): void {
		// As a whole it says nothing of each: they are sent again at once, one by one.
		if (failed.length === items.length && items.length > 1) {
			this.#alone.add(group);
			return;
		}
		for (const { item, message } of failed) {
			const id = this.idOf(item);
			const tries = (this.#failed.get(id)?.tries ?? 0) + 1;
			const pause_ms = Math.min(LONGEST_PAUSE_MS, FIRST_PAUSE_MS * 2 ** (tries - 1));
			this.#failed.set(id, { tries, due: Date.now() + pause_ms, message });
		}
	}

	/** After things were sent: those that still wait do so until `begin`, and a group in which nothing waits is like any other. */
	settled(group: string, items: readonly T[], waiting: readonly T[]): void {
		const left = new Set(waiting.map(this.idOf));
		for (const id of items.map(this.idOf)) {
			if (!left.has(id)) this.#failed.delete(id);
			else if (!(this.#alone.has(group) && items.length > 1)) this.#later.add(id);
		}
		const others = waiting.filter((item) => !this.#failed.has(this.idOf(item)));
		if (!others.some((item) => this.groupOf(item) === group)) this.#alone.delete(group);
	}

	/** What of what waits the server failed on, with what was said. */
	failing(waiting: readonly T[]): Refused<T>[] {
		return waiting.flatMap((item) => {
			const failed = this.#failed.get(this.idOf(item));
			return failed ? [{ item, message: failed.message }] : [];
		});
	}

	/** How long until the first of what only waits for its turn is due; null where something waits for another reason, or nothing does. */
	untilDue_ms(waiting: readonly T[]): number | null {
		const dues = waiting.map((item) => this.#failed.get(this.idOf(item))?.due);
		if (dues.length === 0 || dues.includes(undefined)) return null;
		return Math.max(0, Math.min(...dues.map(Number)) - Date.now());
	}

	/** All is tried at once: somebody asked for it. */
	now(): void {
		for (const failed of this.#failed.values()) failed.due = 0;
	}
}
