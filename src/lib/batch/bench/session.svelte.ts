import { benchOf } from '$core/bench/bench.ts';
import type { Entry, Happening } from '$core/bench/entries.ts';
import { derive } from '$core/derive.ts';
import { getContext, onMount, setContext } from 'svelte';
import { readAgain } from '../../read-again.ts';
import type { Batch } from '../types.ts';
import { benchBatch, oncePerId } from './bench-batch.ts';
import { hear, onListening } from './news.ts';
import { unpackEntries, wholeUpTo, type PackedEntries } from './packed-entries.ts';
import { outbox, type MovedReading, type NewWeighing } from './outbox.svelte.ts';

/** A batch at the bench: as the server has it, with what came since and what is still on its way. */
export interface BenchSession {
	readonly batch: Batch;
	readonly bench: ReturnType<typeof benchOf>;
	/** Null while the figures are impossible: then `problems` says why. */
	readonly facts: Batch['facts'];
	readonly problems: Batch['problems'];
	/** Nothing is taken any more: it is closed. */
	readonly isClosed: boolean;
	/** Whether the server has this entry yet. */
	isWaiting(id: string): boolean;
	weigh(weighing: NewWeighing): void;
	happened(happening: Happening): void;
	takeBack(entry: Entry): void;
	/** The reading was of another line. */
	move(reading: MovedReading, toLineId: string): void;
	/** Takes back the newest entry of a kind; false where there is none. */
	undo(is: (entry: Entry) => boolean): boolean;
	canUndo(is: (entry: Entry) => boolean): boolean;
}

const KEY = Symbol('bench session');

/** The session of the stations below the layout that began it. */
export const useSession = (): BenchSession => getContext<BenchSession>(KEY);

/** Begins the session of a batch's stations; `loaded` is what the page was loaded with. */
export function beginSession(loaded: () => { batch: Batch; entries: PackedEntries }): BenchSession {
	const read = $derived(unpackEntries(loaded().entries));
	/** What came since, from this device and others. */
	let come = $state.raw<{ batchId: string; entries: Entry[] }>({ batchId: '', entries: [] });
	// The layout stays when a link leads from one batch to another: what came is of one of them only.
	const comeHere = $derived(come.batchId === loaded().batch.id ? come.entries : []);
	const add = (batchId: string, entries: Entry[]) => {
		if (batchId === loaded().batch.id) come = { batchId, entries: oncePerId([...comeHere, ...entries]) };
	};
	/** Reads what was kept since, from where anything may be missing; without a server what is here goes on standing. */
	async function catchUp(): Promise<void> {
		const { id } = loaded().batch;
		const after = wholeUpTo([...read, ...comeHere]);
		const answer = await fetch(`/batches/${id}/entries.json?after=${after}`).catch(() => null);
		if (answer?.ok) add(id, ((await answer.json()) as { entries: Entry[] }).entries);
	}
	onMount(() => {
		const { batch: here } = loaded();
		void outbox.keptBeside(here.id, read).then((kept) => add(here.id, kept));
		const unhear = hear((news) => {
			if (news.entries.length > 0) add(news.batchId, news.entries);
			else if (news.batchId === loaded().batch.id) void readAgain();
		});
		const off = [
			unhear,
			outbox.onkept((batchId, items) =>
				add(
					batchId,
					items.map((item) => item.entry)
				)
			),
			onListening(() => void catchUp())
		];
		return () => off.forEach((each) => each());
	});
	const mine = $derived(
		outbox.waiting.flatMap((each) => (each.batchId === loaded().batch.id ? each.entry : []))
	);
	const bench = $derived(benchOf(oncePerId([...read, ...comeHere, ...mine])));
	const batch = $derived(benchBatch(loaded().batch, bench));
	const outcome = $derived(batch.closed.length > 0 ? null : derive(batch.recipe));
	const batchId = () => loaded().batch.id;
	const session: BenchSession = {
		get batch() {
			return batch;
		},
		get bench() {
			return bench;
		},
		get facts() {
			if (!outcome) return batch.facts;
			return outcome.ok ? outcome.value : null;
		},
		get problems() {
			return !outcome || outcome.ok ? [] : outcome.problems;
		},
		get isClosed() {
			return batch.closed.length > 0;
		},
		isWaiting: (id) => mine.some((entry) => entry.id === id),
		weigh: (weighing) => {
			outbox.weigh(batchId(), weighing);
		},
		happened: (happening) => {
			outbox.happened(batchId(), happening);
		},
		takeBack: (entry) => outbox.takeBack(batchId(), entry),
		move: (reading, toLineId) => outbox.move(batchId(), reading, toLineId),
		undo: (is) => {
			const last = bench.last(is);
			const before = last?.kind === 'weighing' ? bench.movedFrom(last) : null;
			if (last) outbox.takeBack(batchId(), last);
			// What was moved here goes back to where it stood.
			if (last?.kind === 'weighing' && before)
				outbox.weigh(batchId(), {
					what: before.what,
					lineId: before.lineId,
					grams: last.grams,
					by: last.by,
					corrects: before.id
				});
			return last !== null;
		},
		canUndo: (is) => bench.last(is) !== null
	};
	return setContext(KEY, session);
}
