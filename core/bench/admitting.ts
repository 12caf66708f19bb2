import { packsMade } from './batch.ts';
import { benchOf, rejectsOf } from './bench.ts';
import type { Counted, Entry, EventEntry, WeighingEntry } from './entries.ts';
import { shortPackProblem } from './short-packs.ts';

/** The lines of a batch, each with those lots that entries name and that are of its ingredient. */
export type Lines = ReadonlyMap<string, ReadonlySet<string>>;

/** Packs of a batch that went out already: how many, and how many pieces were in each short one of them. */
export interface Gone {
	packs: number;
	short: readonly number[];
}

/** Counts that others go by: packs that are gone, rejects of the balls there are, short packs of what lies loose. */
type Counts = Record<'packs' | 'balls' | 'rejects' | 'loose', number | null> & {
	shortPacks: readonly number[];
};

const COUNTING = new Set<EventEntry['happening']['name']>(['counted', 'piece rejected', 'short pack']);

const isCount = (entry: Entry): entry is EventEntry =>
	entry.kind === 'event' && (COUNTING.has(entry.happening.name) || entry.voids !== null);

function countsOf(entries: readonly EventEntry[]): Counts {
	const bench = benchOf(entries);
	const { packs, balls, loose } = bench.counted;
	return { packs, balls, loose, rejects: rejectsOf(bench), shortPacks: bench.shortPacks };
}

/**
 * Says of entries that come to a batch, one after the other, whether each can be kept beside those that are there.
 * Each takes the same time, however many there are: a device may send a thousand at once.
 */
export class Admitting {
	readonly #ids = new Set<string>();
	readonly #readings = new Map<string, WeighingEntry>();
	readonly #corrected = new Set<string>();
	readonly #happened = new Map<string, EventEntry>();
	readonly #voided = new Set<string>();
	readonly #counting: EventEntry[] = [];
	#counts: Counts;

	constructor(
		entries: readonly Entry[],
		readonly lines: Lines,
		readonly gone: Gone
	) {
		for (const entry of entries) this.#note(entry);
		this.#counts = countsOf(this.#counting);
	}

	/** Whether an entry is kept already. */
	has(id: string): boolean {
		return this.#ids.has(id);
	}

	/** Takes an entry in; or why it cannot be kept, in words, and it is left out. */
	take(entry: Entry): string | null {
		const message = entry.kind === 'weighing' ? this.#refusedReading(entry) : this.#refusedEvent(entry);
		if (message !== null) return message;
		if (isCount(entry)) {
			const after = this.#countsWith(entry);
			const refused = this.#refusedCounts(after);
			if (refused !== null) return refused;
			this.#counts = after;
		}
		this.#note(entry);
		return null;
	}

	#note(entry: Entry): void {
		this.#ids.add(entry.id);
		if (entry.kind === 'weighing') {
			this.#readings.set(entry.id, entry);
			if (entry.corrects !== null) this.#corrected.add(entry.corrects);
			return;
		}
		if (entry.voids === null) this.#happened.set(entry.id, entry);
		else this.#voided.add(entry.voids);
		if (isCount(entry)) this.#counting.push(entry);
	}

	#refusedReading({ lineId, lotId, corrects, what }: WeighingEntry): string | null {
		if (lineId !== null && !this.lines.has(lineId)) return 'this line is not of this batch';
		if (lotId && !this.lines.get(lineId ?? '')?.has(lotId))
			return 'the lot it names is not of what this line is';
		if (corrects === null) return null;
		const corrected = this.#readings.get(corrects);
		if (!corrected) return 'the reading it corrects is not of this batch';
		if (corrected.what !== what || corrected.lineId !== lineId)
			return 'the reading it corrects is of something else';
		return this.#corrected.has(corrects) ? 'another device corrected that reading first' : null;
	}

	#refusedEvent({ happening, voids }: EventEntry): string | null {
		if (voids !== null) {
			if (!this.#happened.has(voids)) return 'what it takes back is not of this batch';
			if (this.#voided.has(voids)) return 'another device took that back first';
		}
		const of =
			happening.name === 'line kept'
				? [happening.lineId]
				: happening.name === 'rest scaled'
					? happening.lineIds
					: [];
		return of.some((lineId) => !this.lines.has(lineId)) ? 'this line is not of this batch' : null;
	}

	/** The counts with one more event, which comes after all others. */
	#countsWith({ happening, voids }: EventEntry): Counts {
		const counts = { ...this.#counts };
		if (voids !== null) {
			const taken = this.#happened.get(voids);
			return taken && isCount(taken) ? countsOf(this.#counting.filter(({ id }) => id !== voids)) : counts;
		}
		if (happening.name === 'piece rejected') counts.rejects = (counts.rejects ?? 0) + 1;
		else if (happening.name === 'short pack') counts.shortPacks = [...counts.shortPacks, happening.pieces];
		else if (happening.name === 'counted' && happening.of in counts)
			counts[happening.of as Exclude<Counted, 'sellable'>] = happening.count;
		return counts;
	}

	#refusedCounts(after: Counts): string | null {
		const before = this.#counts;
		const short = this.#shortProblem(after);
		// What could not be before is no fault of what comes now.
		if (short !== null && this.#shortProblem(before) === null) return short;
		const packs = packsMade(after, after);
		const gone = this.gone.packs;
		if (packs < gone && packsMade(before, before) >= gone)
			return `${packs} packs are fewer than the ${gone} of this batch that are gone already: void the sales first`;
		const { balls, rejects } = after;
		return balls !== null && (rejects ?? 0) > balls
			? `${rejects} rejects are more than the ${balls} balls that were made: count the balls again`
			: null;
	}

	#shortProblem({ shortPacks, loose }: Counts): string | null {
		return shortPackProblem(shortPacks, loose, this.gone.short)?.message ?? null;
	}
}
