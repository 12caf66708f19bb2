import { monotonicFactory } from 'ulid';
import type { Entry, EventEntry, Happening, WeighingEntry } from '$core/bench/entries.ts';
import { wellFormedIn } from '$core/measure/text.ts';
import { postItems } from '../../queue/post.ts';
import { Queue } from '../../queue/queue.svelte.ts';

/** An entry that the server has not answered yet. */
export interface Waiting {
	batchId: string;
	entry: Entry;
}

const nextId = monotonicFactory();

/** What an entry is before it has an id and a time. */
export type NewWeighing = Omit<WeighingEntry, 'kind' | 'id' | 'at' | 'number' | 'corrects' | 'lotId'> & {
	corrects?: string | null;
	lotId?: string | null;
};

/** What of a reading is moved to another line. */
export type MovedReading = Pick<WeighingEntry, 'id' | 'what' | 'lineId' | 'grams' | 'by'>;

const idOf = ({ entry }: Waiting) => entry.id;

/** Entries of batches on their way to the server. */
class Outbox extends Queue<Waiting> {
	constructor() {
		super({
			name: 'bench',
			idOf,
			groupOf: ({ batchId }) => batchId,
			send: (batchId, items) =>
				postItems(
					`/batches/${batchId}/entries.json`,
					{ entries: items.map((item) => item.entry) },
					items,
					idOf
				)
		});
	}

	weigh(batchId: string, { corrects = null, lotId = null, ...weighing }: NewWeighing): WeighingEntry {
		const entry: WeighingEntry = { kind: 'weighing', ...stamp(), ...weighing, corrects, lotId };
		this.add([{ batchId, entry }]);
		return entry;
	}

	happened(batchId: string, happening: Happening): EventEntry {
		// A text that was cut at a field's end may end in half a character, which nothing keeps.
		const sound = wellFormedIn(happening) as Happening;
		const entry: EventEntry = { kind: 'event', ...stamp(), happening: sound, voids: null };
		this.add([{ batchId, entry }]);
		return entry;
	}

	/** A reading that was of another line: withdrawn where it stood, and the same there, at one time. */
	move(batchId: string, { id, what, lineId, grams, by }: MovedReading, toLineId: string): void {
		const at = new Date().toISOString();
		const entry = (more: Pick<WeighingEntry, 'lineId' | 'grams' | 'corrects'>): WeighingEntry => ({
			kind: 'weighing',
			...stamp(),
			at,
			what,
			by,
			lotId: null,
			...more
		});
		this.add([
			{ batchId, entry: entry({ lineId, grams: null, corrects: id }) },
			{ batchId, entry: entry({ lineId: toLineId, grams, corrects: null }) }
		]);
	}

	/** Takes an entry back: a reading is withdrawn, anything else voided. */
	takeBack(batchId: string, entry: Entry): void {
		if (entry.kind === 'weighing') {
			const { what, lineId, by } = entry;
			this.weigh(batchId, { what, lineId, by, grams: null, corrects: entry.id });
			return;
		}
		const back: EventEntry = { kind: 'event', ...stamp(), happening: { name: 'void' }, voids: entry.id };
		this.add([{ batchId, entry: back }]);
	}

	/** What the server kept of a batch and a page, read with these entries, does not know of. */
	async keptBeside(batchId: string, entries: readonly Entry[]): Promise<Entry[]> {
		const known = new Set(entries.map((entry) => entry.id));
		return (await this.keptLately(batchId)).flatMap(({ entry }) => (known.has(entry.id) ? [] : entry));
	}
}

/** The outbox of this page. */
export const outbox = new Outbox();

const stamp = () => ({ id: nextId(), at: new Date().toISOString(), number: null });
