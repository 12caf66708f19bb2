import type { Refused } from './answers.ts';

/** The server takes so many together: a day without a network comes in parts. */
const MOST_AT_ONCE = 100;
/** So often the server may fail on a thing before it is set apart, so that the rest goes on. */
const MOST_TRIES = 3;

/** Whose turn it is: what is sent together, what alone, and what was tried often enough. */
export class Turns<T> {
	/** How often the server failed on a thing. */
	#tries = new Map<string, number>();
	/** Groups that it failed on as a whole: their things go one by one, so that the one it fails on is found. */
	#alone = new Set<string>();
	/** What it failed on, or did not answer, since `begin`: it is sent again the next time. */
	#later = new Set<string>();

	constructor(
		readonly idOf: (item: T) => string,
		readonly groupOf: (item: T) => string
	) {}

	/** Begins anew with everything that waits. */
	begin(): void {
		this.#later.clear();
	}

	/** What is sent next, in the order it was made; groups in which nothing fails come first. Null where nothing waits. */
	next(all: readonly T[]): { group: string; items: T[] } | null {
		const waiting = all.filter((item) => !this.#later.has(this.idOf(item)));
		const first = waiting.find((item) => !this.#alone.has(this.groupOf(item))) ?? waiting[0];
		if (first === undefined) return null;
		const group = this.groupOf(first);
		if (this.#alone.has(group)) return { group, items: [first] };
		return { group, items: waiting.filter((each) => this.groupOf(each) === group).slice(0, MOST_AT_ONCE) };
	}

	/** What of what the server failed on is set apart, with its reason: it was tried often enough. */
	givenUp(group: string, items: readonly T[], failed: readonly Refused<T>[]): Refused<T>[] {
		// As a whole it says nothing of each: they are sent again at once, one by one.
		if (failed.length === items.length && items.length > 1) {
			this.#alone.add(group);
			return [];
		}
		return failed.flatMap(({ item, message }) => {
			const id = this.idOf(item);
			const tries = (this.#tries.get(id) ?? 0) + 1;
			this.#tries.set(id, tries);
			if (tries < MOST_TRIES) return [];
			this.#tries.delete(id);
			return [{ item, message: `tried ${tries} times: ${message}` }];
		});
	}

	/** After things were sent: those that still wait do so until `begin`, and a group in which nothing waits is like any other. */
	settled(group: string, items: readonly T[], waiting: readonly T[]): void {
		const left = new Set(waiting.map(this.idOf));
		if (!(this.#alone.has(group) && items.length > 1))
			for (const id of items.map(this.idOf)) if (left.has(id)) this.#later.add(id);
		if (!waiting.some((item) => this.groupOf(item) === group)) this.#alone.delete(group);
	}
}
